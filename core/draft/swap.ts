import { inLines } from "~/core/group/lines";
import { formIn } from "~/core/drills/form";
import { servedIn, type Candidate, type Option } from "./candidate";
import { candidatesOf } from "./candidates";
import { SHORT_AT_MOST } from "./draft";
import { lastApart, withLift, type DraftRequest } from "./request";
import { liftOf } from "~/core/arc/lift";
import { audit, auditInput } from "~/core/audit/audit";
import { coverageOf } from "~/core/coverage/coverage";
import { fitOf } from "~/core/sport-profiles/fit";
import type { Drill } from "~/core/drills/schema";
import { editItem, type Place } from "~/core/session/edits";
import type { Item, SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { postureChanges } from "~/core/timeline/totals";
import type { Seconds, Share } from "~/core/units";

/** Another drill for a place of a draft, and what the session is with it. */
export type Swap = { item: Item; session: SessionPlan; seconds: Seconds; fit: Share; postureChanges: number };

/** So many are looked at closely. */
const LOOKED_AT = 24;

/**
 * The next-best drills for a place, at a dose that keeps the session's time: of the same phase and the same step of the school in
 * it, none that is the same idea as another in the session, nothing found that was not found before. The best fit first; fewer
 * when there are no more.
 */
export function swapsFor(
  session: SessionPlan,
  place: Place,
  asked: DraftRequest,
  offered: readonly Drill[],
  most = 4,
): Swap[] {
  const byId = new Map(offered.map((drill) => [drill.id, drill]));
  const drills = (id: string) => byId.get(id);
  // Where the lift that was asked for could not be, the session has another.
  const lift = liftOf(session, drills, asked.arc);
  const request = lift && lift !== asked.lift ? withLift(asked, lift) : asked;
  const block = session.blocks[place.block];
  const item = block?.items[place.item];
  const drill = item && formIn(item, drills);
  if (!block || !item || !drill) return [];
  const { candidates } = candidatesOf(request, offered);
  const here = candidates.filter((c) => block.phase === undefined || c.phase.id === block.phase);
  const mine = here.find((c) => c.drill.id === item.drill);
  const others = session.blocks.flatMap((one, b) => one.items.filter((_, i) => b !== place.block || i !== place.item));
  const there = new Set(others.map((one) => one.drill));
  const families = new Set(mine?.phase.again ? [] : others.flatMap((one) => formIn(one, drills)?.family ?? []));
  // What the group did last comes again no more often than was asked.
  const sets = lastApart(request);
  const fresh = (id: string) =>
    sets.every(
      ({ drills: last, most: again }) => !last.has(id) || others.filter((one) => last.has(one.drill)).length < again,
    );
  const open = here.filter(
    (c) =>
      c.drill.id !== item.drill &&
      (mine === undefined || c.rank === mine.rank) &&
      !there.has(c.drill.id) &&
      (c.drill.family === undefined || !families.has(c.drill.family)) &&
      fresh(c.drill.id),
  );
  const now = compile(session, drills).totalSeconds;
  const look = (one: SessionPlan) =>
    audit(auditInput(one, drills, { demand: request.demand, group: request.group, offered, arc: request.arc })).filter(
      ({ severity }) => severity !== "hint",
    ).length;
  const found = look(session);
  const inTime = (seconds: Seconds) =>
    seconds <= request.target + 1e-6 && seconds >= Math.min(now, request.target - SHORT_AT_MOST) - 1e-6;
  const twice = block.rounds > 1;
  return likely(open, mine)
    .flatMap((c): Swap[] => {
      const ways = c.options
        .filter((option) => option.twice === twice && option.lift === undefined)
        .map((option) => {
          const changed = editItem(session, place, itemWith(item, c, option));
          return { changed, timeline: compile(changed, drills) };
        })
        .filter(({ timeline }) => inTime(timeline.totalSeconds))
        .sort((a, b) => Math.abs(a.timeline.totalSeconds - now) - Math.abs(b.timeline.totalSeconds - now));
      const best = ways[0];
      if (!best || look(best.changed) > found) return [];
      const coverage = coverageOf(best.changed, best.timeline, drills, inLines(request.group));
      return [
        {
          item: best.changed.blocks[place.block]!.items[place.item]!,
          session: best.changed,
          seconds: best.timeline.totalSeconds,
          fit: fitOf(coverage, request.demand, servedIn(request)),
          postureChanges: postureChanges(best.timeline.segments),
        },
      ];
    })
    .sort((a, b) => b.fit - a.fit || a.postureChanges - b.postureChanges)
    .slice(0, most);
}

/** The item with another drill, given as it is meant to be. */
const itemWith = ({ demo }: Item, c: Candidate, option: Option): { [K in keyof Item]?: Item[K] | undefined } => ({
  drill: c.drill.id,
  level: c.level,
  dose: option.dose,
  sets: option.sets,
  restBetweenSets: option.rest,
  sides: undefined,
  directions: undefined,
  firstSide: undefined,
  cues: undefined,
  demo: demo === undefined ? undefined : c.show,
  without: c.without.length > 0 ? [...c.without] : undefined,
});

/** Those that give most of what the drill there gives. */
function likely(open: readonly Candidate[], mine: Candidate | undefined): Candidate[] {
  const rows = new Set(mine?.gives.map((give) => give.row));
  const worth = (c: Candidate) =>
    c.gives.reduce((sum, give) => sum + (give.main ? 2 : 1) * (rows.has(give.row) ? 2 : 1) * give.share, 0);
  return [...open].sort((a, b) => worth(b) - worth(a) || (a.drill.id < b.drill.id ? -1 : 1)).slice(0, LOOKED_AT);
}
