import { servedSeconds } from "~/core/arc/arcs";
import { formIn } from "~/core/drills/form";
import { candidatesOf, CLOSING, type Candidate } from "./candidates";
import { SHORT_AT_MOST } from "./draft";
import { feelsOf } from "./prune";
import { lastApart, type DraftRequest } from "./request";
import { stepOf, stepRank } from "./sequencing";
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
 * The next-best drills for a place, at a dose that keeps the session's time: in the same step of the school's order, none that
 * feels like another in the session, no limit broken. The best fit first; fewer when there are no more.
 */
export function swapsFor(
  session: SessionPlan,
  place: Place,
  request: DraftRequest,
  offered: readonly Drill[],
  most = 4,
): Swap[] {
  const byId = new Map(offered.map((drill) => [drill.id, drill]));
  const drills = (id: string) => byId.get(id);
  const item = session.blocks[place.block]?.items[place.item];
  const drill = item && formIn(item, drills);
  if (!item || !drill) return [];
  const { candidates } = candidatesOf(request, offered);
  const closes =
    place.block === session.blocks.length - 1 &&
    place.item === session.blocks[place.block]!.items.length - 1 &&
    candidates.some((c) => c.step === CLOSING && c.drill.id === item.drill);
  const rank = closes ? stepRank(CLOSING) : rankOf(request, drill, item);
  const others = session.blocks.flatMap((block, b) =>
    block.items.filter((_, i) => b !== place.block || i !== place.item),
  );
  const there = new Set(others.map((one) => one.drill));
  const feels = new Set(candidates.filter((c) => there.has(c.drill.id)).flatMap(feelsOf));
  const now = compile(session, drills).totalSeconds;
  const mine = candidates.find((c) => c.drill.id === item.drill && stepRank(c.step) === rank);
  const still = compile(
    { ...session, blocks: [{ ...session.blocks[place.block]!, items: [item] }] },
    drills,
  ).segments.reduce((sum, s) => sum + (s.kind === "move" ? 0 : s.seconds), 0);
  // What the group did last comes again no more often than was asked.
  const sets = lastApart(request);
  const fresh = (id: string) =>
    sets.every(
      ({ drills: last, most: again }) => !last.has(id) || others.filter((one) => last.has(one.drill)).length < again,
    );
  const open = candidates.filter(
    (c) =>
      c.drill.id !== item.drill &&
      stepRank(c.step) === rank &&
      !there.has(c.drill.id) &&
      !feelsOf(c).some((feel) => feels.has(feel)) &&
      fresh(c.drill.id),
  );
  const inTime = (seconds: Seconds) =>
    seconds <= request.target + 1e-6 && seconds >= Math.min(now, request.target - SHORT_AT_MOST) - 1e-6;
  return likely(open, mine, still)
    .flatMap((c): Swap[] => {
      // The dose nearest to the time there was, then shorter ones, as getting there takes longer.
      let k = Math.min(
        c.doses.length - 1,
        Math.max(0, c.each > 0 ? Math.floor((still + (request.target - now) - c.seconds) / c.each + 1e-9) : 0),
      );
      for (; k >= 0; k--) {
        const { firstSide: _, ...rest } = item;
        const changed = editItem(session, place, { ...rest, drill: c.drill.id, level: c.level, dose: c.doses[k]! });
        const timeline = compile(changed, drills);
        if (timeline.totalSeconds > request.target + 1e-6) continue;
        if (!inTime(timeline.totalSeconds)) return [];
        const coverage = coverageOf(changed, timeline, drills);
        if (
          audit(auditInput(changed, drills, { demand: request.demand, group: request.group, offered })).some(
            (f) => f.severity === "stop",
          )
        )
          return [];
        return [
          {
            item: changed.blocks[place.block]!.items[place.item]!,
            session: changed,
            seconds: timeline.totalSeconds,
            fit: fitOf(coverage, request.demand, servedSeconds(request.purpose, request.target)),
            postureChanges: postureChanges(timeline.segments),
          },
        ];
      }
      return [];
    })
    .sort((a, b) => b.fit - a.fit || a.postureChanges - b.postureChanges)
    .slice(0, most);
}

const rankOf = (request: DraftRequest, drill: Drill, item: Item): number => {
  const step = stepOf(request.school, { drill, level: drill.levels[item.level], name: item.level });
  return step ? stepRank(step) : -1;
};

/** Those that give most of what the demand asks where the drill was, near to its time. */
function likely(open: readonly Candidate[], mine: Candidate | undefined, still: Seconds): Candidate[] {
  const rows = new Set(mine?.gives.map((give) => give.row));
  const worth = (c: Candidate) =>
    c.gives.reduce((sum, give) => sum + (rows.has(give.row) ? 2 : 1), 0) - Math.abs(c.seconds - still) / 60;
  return [...open].sort((a, b) => worth(b) - worth(a) || (a.drill.id < b.drill.id ? -1 : 1)).slice(0, LOOKED_AT);
}
