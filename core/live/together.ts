import { formIn, needsOf } from "~/core/drills/form";
import { ARCS } from "~/core/arc/arcs";
import { placeOf } from "~/core/arc/ground";
import type { Arc, Phase } from "~/core/arc/schema";
import { phasesOf } from "~/core/audit/course";
import type { Drill } from "~/core/drills/schema";
import { alikeIn, type Alike } from "~/core/group/alike";
import { choiceAt, answerFor } from "~/core/group/choices";
import { fallbacksFor } from "~/core/group/fallback";
import type { Group } from "~/core/group/schema";
import type { Item, SessionPlan } from "~/core/session/schema";
import { itemDone } from "~/core/session/interval";
import type { Steps } from "~/core/steps";
import { coldSafe, scalesOf } from "~/core/stress/scales";
import { placeKey, totalsByItem } from "~/core/timeline/totals";
import type { Timeline } from "~/core/timeline/types";
import type { Kit } from "~/core/vocabulary/kit";
import type { LevelName } from "~/core/vocabulary/levels";
import type { Seconds, Share } from "~/core/units";

/*
 * What the people of a class do instead, chosen for all of them together: at each drill as few different things as cover
 * everybody, so that whoever leads can keep an eye on them.
 */

/** At each drill at most so many different things besides what the others do. */
export const MOST_DIFFERENT = 2;
/** Nobody rests longer than this, nor at two drills in a row. */
export const LONGEST_REST: Seconds = 60;
/** Who does something else for more of a session than this is better off with one of their own. */
export const OWN_SESSION: Share = 0.5;
/** So many ways are looked at for each who needs one. */
const LOOKED_AT = 16;
/** Warm after so much work that raises the pulse. */
const WARM: Seconds = 60;
/** Changing between floor, seat and feet inside a block weighs as much as so many places down the list. */
const STAYS = 6;

export type Does = "rest" | { drill: string; level: LevelName };
type Place = { block: number; item: number };

/** What some of a class do at a place, by their places in the group’s list; whether their coach chose it. */
export type Instead = { does: Does; name: string; people: number[]; chosen: boolean };

export type TogetherLine = Place & { name: string; instead: Instead[] };

/** Somebody who would rest for too long, or twice in a row; or for whom most of it is something else. */
export type Concern =
  | (Place & { kind: "rests"; person: number; name: string; seconds: Seconds; again: boolean })
  | { kind: "own session"; person: number; share: Share };

export type Together = {
  lines: TogetherLine[];
  concerns: Concern[];
  /** Kit that only what is done instead needs, with how many of each at once. */
  kit: Partial<Record<Kit, number>>;
};

type By = {
  drills: (id: string) => Drill | undefined;
  offered: readonly Drill[];
  arc?: Arc | undefined;
};

type Way = { key: string; does: Exclude<Does, "rest">; name: string; rank: number; drill: Drill };

/** What each of a group does at each place of a session. Who protects nothing, and for whom nothing is chosen, is in none of it. */
export function* together(
  session: SessionPlan,
  timeline: Timeline,
  group: Group,
  { drills, offered, arc = ARCS[session.purpose] }: By,
): Steps<Together> {
  const alike = alikeIn(group);
  const phases = phasesOf(session, arc);
  const seconds = totalsByItem(timeline);
  const states = alike.map((): State => ({ warm: 0, others: 0, rested: false, place: undefined, block: -1 }));
  const lines: TogetherLine[] = [];
  const concerns: Concern[] = [];
  const kit: Partial<Record<Kit, number>> = {};
  let places = 0;
  let warmed: Seconds = 0;
  for (const [b, block] of session.blocks.entries())
    for (const [i, set] of block.items.entries()) {
      yield;
      const item = itemDone(block, set, drills, session.pace);
      const own = formIn(item, drills);
      if (!own) continue;
      places++;
      const place = { block: b, item: i };
      const total = seconds.get(placeKey(b, i));
      const works = total ? total.work.left + total.work.right + total.work.both : 0;
      const lasts = works / Math.max(1, block.rounds);
      const by = { drills, offered, pace: session.pace, group, rounds: block.rounds };
      const needs: { at: number; ways: Way[] }[] = [];
      const fixed: { at: number; does: Does; name: string }[] = [];
      for (const [at, one] of alike.entries()) {
        const answer = answerFor(item, one.protections, choiceAt(one.choices, place, item), by);
        if (answer.does === "same") {
          passed(states[at]!, b, own, item.level, works);
          continue;
        }
        if (answer.chosen)
          fixed.push(
            answer.does === "rest"
              ? { at, does: "rest", name: "rest" }
              : { at, does: { drill: answer.drill.id, level: answer.level }, name: answer.drill.name },
          );
        else
          needs.push({ at, ways: waysFor(item, own, one, states[at]!, { ...by, phase: phases[b], block: b, warmed }) });
        yield;
      }
      if (scalesOf(own, item.level).pulse >= 2) warmed += works;
      const instead = [
        ...fixed.map(({ at, ...one }) => ({ ...one, people: alike[at]!.people, at: [at], chosen: true })),
        ...chosenFor(needs).map(({ way, at }) => ({
          does: way ? way.does : ("rest" as const),
          name: way ? way.name : "rest",
          people: at.flatMap((k) => alike[k]!.people),
          at,
          chosen: false,
        })),
      ];
      if (instead.length === 0) continue;
      for (const { does, at } of instead)
        for (const k of at) {
          const state = states[k]!;
          state.others++;
          if (does === "rest") {
            for (const person of alike[k]!.people)
              if (lasts > LONGEST_REST || state.rested)
                concerns.push({ kind: "rests", ...place, name: own.name, person, seconds: lasts, again: state.rested });
            state.rested = true;
            continue;
          }
          const other = drills(does.drill) ?? offered.find(({ id }) => id === does.drill);
          if (other) passed(state, b, other, does.level, works);
        }
      addKit(kit, instead, own, item.level, (id) => drills(id) ?? offered.find((one) => one.id === id));
      lines.push({
        ...place,
        name: own.name,
        instead: instead.map(({ does, name, people, chosen }) => ({
          does,
          name,
          people: [...people].sort((x, y) => x - y),
          chosen,
        })),
      });
    }
  for (const [at, { others }] of states.entries())
    if (places > 0 && others / places > OWN_SESSION)
      for (const person of alike[at]!.people) concerns.unshift({ kind: "own session", person, share: others / places });
  return { lines, concerns, kit };
}

/** How somebody has come through a class so far. */
type State = { warm: Seconds; others: number; rested: boolean; place: string | undefined; block: number };

function passed(state: State, block: number, drill: Drill, level: LevelName, work: Seconds): void {
  state.rested = false;
  state.block = block;
  state.place = placeOf(drill.levels[level].posture);
  if (scalesOf(drill, level).pulse >= 2) state.warm += work;
}

type For = Parameters<typeof fallbacksFor>[2] & { phase: Phase | undefined; block: number; warmed: Seconds };

/** Whether the job of a place is to warm, to build up or to rehearse: what stands in for it may be little easier on the heart. */
const raises = (phase: Phase | undefined): boolean =>
  phase !== undefined &&
  (phase.reaches !== undefined || phase.id === "build" || phase.takes.some(({ rehearses }) => rehearses));

/** What somebody could do at a place, the best first: safe, warm enough for, as good for the heart, and where they are already. */
function waysFor(item: Item, own: Drill, { protections }: Alike, state: State, by: For): Way[] {
  const pulse = scalesOf(own, item.level).pulse;
  const ways: Way[] = [];
  let rank = 0;
  for (const { drill, level } of fallbacksFor(item, protections, by)) {
    if (ways.length >= LOOKED_AT) break;
    rank++;
    if (raises(by.phase) && scalesOf(drill, level).pulse < pulse - 1) continue;
    // What they have done counts, not what the others have: who is colder than those gets nothing that wants warmth.
    const colder = state.warm < WARM && (by.warmed >= WARM || coldSafe(own, item.level));
    if (colder && !coldSafe(drill, level)) continue;
    const moves = state.block === by.block && state.place !== placeOf(drill.levels[level].posture) ? STAYS : 0;
    ways.push({
      key: `${drill.id} ${level}`,
      does: { drill: drill.id, level },
      name: drill.name,
      rank: rank + moves,
      drill,
    });
  }
  return ways;
}

/** As few things as cover everybody, the nearest to the drill; who has nothing, or is left over, rests. */
function chosenFor(needs: readonly { at: number; ways: readonly Way[] }[]): { way: Way | undefined; at: number[] }[] {
  const open = needs.filter(({ ways }) => ways.length > 0);
  const rest = needs.filter(({ ways }) => ways.length === 0).map(({ at }) => at);
  const all = new Map<string, Way>();
  for (const { ways } of open) for (const way of ways) if (!all.has(way.key)) all.set(way.key, way);
  const keys = [...all.keys()];
  const best = (set: readonly string[]) => {
    let cost = 0;
    let covered = 0;
    for (const { ways } of open) {
      const own = ways.filter(({ key }) => set.includes(key)).sort((a, b) => a.rank - b.rank)[0];
      if (own) {
        covered++;
        cost += own.rank;
      }
    }
    return { set, covered, cost };
  };
  const sets = [
    ...keys.map((key) => [key]),
    ...(MOST_DIFFERENT > 1 ? keys.flatMap((a, k) => keys.slice(k + 1).map((b) => [a, b])) : []),
  ].map(best);
  // Everybody first, then as few as can be, then the nearest.
  const [found] = sets.sort((a, b) => b.covered - a.covered || a.set.length - b.set.length || a.cost - b.cost);
  const given = new Map<string, number[]>();
  for (const { at, ways } of open) {
    const own = [...ways].sort((a, b) => a.rank - b.rank).find(({ key }) => found?.set.includes(key));
    if (own) given.set(own.key, [...(given.get(own.key) ?? []), at]);
    else rest.push(at);
  }
  return [
    ...[...given].map(([key, at]) => ({ way: all.get(key), at })),
    ...(rest.length > 0 ? [{ way: undefined, at: rest }] : []),
  ];
}

/** Kit of what is done instead that the drill itself needs less of, at once. */
function addKit(
  kit: Partial<Record<Kit, number>>,
  instead: readonly Pick<Instead, "does" | "people">[],
  own: Drill,
  level: LevelName,
  drillOf: (id: string) => Drill | undefined,
): void {
  const here: Partial<Record<Kit, number>> = {};
  const has = needsOf(own.levels[level]);
  for (const { does, people } of instead) {
    if (does === "rest") continue;
    const form = drillOf(does.drill)?.levels[does.level];
    for (const piece of form ? needsOf(form) : [])
      if (!has.includes(piece)) here[piece] = (here[piece] ?? 0) + people.length;
  }
  for (const [piece, n] of Object.entries(here) as [Kit, number][]) kit[piece] = Math.max(kit[piece] ?? 0, n);
}
