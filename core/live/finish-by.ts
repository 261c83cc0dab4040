import { isHere, restAfter, withCuts, type Cut, type Here } from "./cuts";
import type { NewRest } from "./commands";
import type { Live } from "./fold";
import { ARCS, phasesAt } from "~/core/arc/arcs";
import type { Arc } from "~/core/arc/schema";
import { auditInput, auditInSteps, PROTECTING } from "~/core/audit/audit";
import { amountOf } from "~/core/dose/amount";
import { formIn } from "~/core/drills/form";
import type { Drill } from "~/core/drills/schema";
import type { Group } from "~/core/group/schema";
import { positionAt } from "~/core/player/run";
import type { Item, SessionPlan } from "~/core/session/schema";
import type { Steps } from "~/core/steps";
import { indexAt } from "~/core/timeline/moment";
import type { Segment } from "~/core/timeline/types";
import type { EpochMs, Seconds } from "~/core/units";
import { listWords } from "~/core/wording/words";

export type By = {
  session: SessionPlan;
  /** The drills as they were handed out: how long they take is by these. */
  drills: (id: string) => Drill | undefined;
  /** The drills as they are known today, where that is known: what they do to people is by these. */
  known?: ((id: string) => Drill | undefined) | undefined;
  group?: Group | undefined;
  arc?: Arc | undefined;
};

export type FinishBy =
  /** Nothing has to go: so many seconds are left over. */
  | { kind: "in time"; endsAt: EpochMs; spare: Seconds }
  /** With what is cut it ends in time. */
  | { kind: "cut"; rest: NewRest; endsAt: EpochMs }
  /**
   * With all that may be cut it still ends so much too late; what is cut gets it as near as it can, or as near as could be
   * worked out while somebody waited.
   */
  | { kind: "too late"; by: Seconds; rest: NewRest | undefined; endsAt: EpochMs; hurried: boolean };

/** The least of a part that gets people warm that is never cut. */
const RAISE: Seconds = 45;

/**
 * What has to go so that a class ends by a time: rounds first, then the showing of drills that are known, then the drills that
 * give least, then doses by one step. Never what is being done, with its second side, never the closing, never what warms
 * people up below what it takes, and nothing that would leave a safety finding that was not there. Once `late` says so, what
 * was found by then is what is answered.
 */
export function* finishBy(
  live: Live,
  at: EpochMs,
  by: EpochMs,
  given: By,
  late: () => boolean = () => false,
): Steps<FinishBy> {
  const { session, drills } = given;
  const stands = standing(live, at, session);
  if (!stands) return { kind: "in time", endsAt: at, spare: Math.max(0, (by - at) / 1000) };
  const { here, kept, until } = stands;
  const before: readonly Cut[] = live.cuts;
  const restWith = (cuts: readonly Cut[]) => restAfter(session, [...before, ...cuts], here, drills);
  const lasts = (cuts: readonly Cut[]): Seconds => restWith(cuts).reduce((sum, { seconds }) => sum + seconds, 0);
  const whole = live.run.segments.slice(kept + 1).reduce((sum, { seconds }) => sum + seconds, 0);
  const room = (by - at) / 1000 - until;
  const endsWith = (rest: Seconds): EpochMs => at + (until + rest) * 1000;
  if (whole <= room + 1e-6) return { kind: "in time", endsAt: endsWith(whole), spare: room - whole };

  const safe = yield* safety(given, before);
  let cuts: Cut[] = [];
  let left = lasts(cuts);
  const saved = new Map<Cut, Seconds>();
  for (const step of [rounds, showing, leastFirst, doses]) {
    // What is not safe is not asked again in this step.
    const refused = new Set<string>();
    while (left > room + 1e-6 && !late()) {
      const ways = step(given, [...before, ...cuts], here).filter((cut) => !refused.has(JSON.stringify(cut)));
      if (ways.length === 0) break;
      yield;
      const saves = savedBy(restWith(cuts), restWith([...cuts, ...ways]));
      const worth = ways.map((cut) => ({ cut, saves: saves(cut) })).filter((one) => one.saves > 0.5);
      const taken = taking(worth, left - room, step === leastFirst);
      if (taken.length === 0) break;
      yield;
      const kept = yield* safely(taken, cuts, safe, late);
      for (const cut of taken)
        if (kept.includes(cut)) saved.set(cut, saves(cut));
        else refused.add(JSON.stringify(cut));
      if (kept.length > 0) {
        cuts = [...cuts, ...kept];
        left = lasts(cuts);
      }
    }
    if (left <= room + 1e-6 || late()) break;
  }
  // What was cut first may be more than was needed in the end.
  for (const cut of [...cuts]) {
    if (left > room + 1e-6 || late()) break;
    // About so much comes back with it: what can't fit is not worked out.
    if (left + (saved.get(cut) ?? 0) * 0.7 > room) continue;
    const without = cuts.filter((one) => one !== cut);
    yield;
    const lastsWithout = lasts(without);
    if (lastsWithout > room + 1e-6 || !(yield* safe(without))) continue;
    cuts = without;
    left = lastsWithout;
  }
  const rest: NewRest = {
    do: "rest",
    after: live.ids[kept]!,
    words: cutWords(cuts, given),
    cuts: [...before, ...cuts],
    endsBy: by,
  };
  if (left <= room + 1e-6) return { kind: "cut", rest, endsAt: endsWith(left) };
  return {
    kind: "too late",
    by: left - room,
    rest: cuts.length > 0 ? rest : undefined,
    endsAt: endsWith(left),
    hurried: late(),
  };
}

/** How much each of many cuts saves, from how long it takes at each place without any of them and with them all. */
function savedBy(without: readonly Segment[], withAll: readonly Segment[]): (cut: Cut) => Seconds {
  const seconds = new Map<string, Seconds>();
  const add = (segments: readonly Segment[], sign: 1 | -1) => {
    for (const { block, item, seconds: n } of segments)
      for (const key of [`${block}`, `${block}.${item}`]) seconds.set(key, (seconds.get(key) ?? 0) + sign * n);
  };
  add(without, 1);
  add(withAll, -1);
  return (cut) => seconds.get(cut.do === "rounds" ? `${cut.block}` : `${cut.block}.${cut.item}`) ?? 0;
}

/** Which cuts to make: as little as is enough, where none is enough alone the largest, and so on; or in the order they are in. */
function taking(ways: readonly { cut: Cut; saves: Seconds }[], toSave: Seconds, inOrder: boolean): Cut[] {
  const open = inOrder ? [...ways] : [...ways].sort((a, b) => b.saves - a.saves);
  const taken: Cut[] = [];
  for (let more = toSave; more > 1e-6 && open.length > 0;) {
    const enough = open.findLastIndex(({ saves }) => saves >= more - 1e-6);
    const [one] = open.splice(inOrder || enough < 0 ? 0 : enough, 1);
    taken.push(one!.cut);
    more -= one!.saves;
  }
  return taken;
}

/** Those of some cuts that can be made safely, the first first: all at once where that is safe, otherwise in halves. */
function* safely(wanted: readonly Cut[], made: readonly Cut[], safe: Safe, late: () => boolean): Steps<readonly Cut[]> {
  if (wanted.length === 0 || late()) return [];
  if (yield* safe([...made, ...wanted])) return wanted;
  if (wanted.length === 1) return [];
  const half = Math.ceil(wanted.length / 2);
  const first: readonly Cut[] = yield* safely(wanted.slice(0, half), made, safe, late);
  const then: readonly Cut[] = yield* safely(wanted.slice(half), [...made, ...first], safe, late);
  return [...first, ...then];
}

/** The drill that comes next in its block, after the one that follows it: undefined where none does, or where that is not safe. */
export function* nextLater(live: Live, at: EpochMs, by: By): Steps<NewRest | undefined> {
  const { session, drills } = by;
  const stands = standing(live, at, session);
  if (!stands) return undefined;
  const { here, kept } = stands;
  const next = live.run.segments[kept + 1];
  if (!next || next.block !== here.block || next.round !== here.round || next.item === here.item) return undefined;
  const cut = withCuts(session, live.cuts);
  const block = cut.blocks.indexOf(next.block);
  const order = cut.items[block]!;
  if (order.indexOf(next.item) >= order.length - 1) return undefined;
  const later: Cut = { do: "later", block: next.block, item: next.item };
  // What comes first may be the way in to what follows it.
  const safe = yield* safety(by, live.cuts);
  if (!(yield* safe([later]))) return undefined;
  const cuts: Cut[] = [...live.cuts, later];
  const name = nameOf({ session, drills }, next);
  return {
    do: "rest",
    after: live.ids[kept]!,
    words: `${name} comes later`,
    cuts,
  };
}

/**
 * Where a class stands: the drill that is being done, the last segment of it, which nothing changes any more, and how many
 * seconds it takes until then. Undefined for a class of nothing.
 */
export function standing(
  live: Live,
  at: EpochMs,
  session: SessionPlan,
): { here: Here; kept: number; until: Seconds } | undefined {
  const position = positionAt(live.run, at);
  const now = indexAt(live.run.segments, position);
  const here = placeOf(live.run.segments[now]);
  if (!here) return undefined;
  const kept = lastOf(live, session, here, now);
  const last = live.run.segments[kept]!;
  return { here, kept, until: last.start + last.seconds - position };
}

const placeOf = (segment: Segment | undefined): Here | undefined =>
  segment && { block: segment.block, round: segment.round, item: segment.item };

/** The last segment of what is being done. */
function lastOf({ run }: Live, session: SessionPlan, here: Here, now: number): number {
  let last = now;
  while (run.segments[last + 1] && isHere(session, here, run.segments[last + 1]!)) last++;
  return last;
}

export const nameOf = (
  { session, drills }: Pick<By, "session" | "drills">,
  { block, item }: { block: number; item: number },
) => {
  const found = session.blocks[block]?.items[item];
  return (found && formIn(found, drills)?.name) ?? "A drill";
};

/**
 * The blocks of the closing: of the last part, or the last block where none says which part it is. A session of one block has
 * none: there the last drill is the closing.
 */
export function closingOf({ session, arc }: By): ReadonlySet<number> {
  const last = session.blocks.length - 1;
  const parts = (arc ?? ARCS[session.purpose]).phases;
  const phase = parts.find(({ id }) => id === session.blocks[last]?.phase);
  if (last === 0) return new Set();
  return new Set(session.blocks.flatMap((block, b) => (b === last || (phase && block.phase === phase.id) ? [b] : [])));
}

/** The blocks that get people warm. */
function raiseOf({ session, arc }: By): ReadonlySet<number> {
  const warms = phasesAt(arc ?? ARCS[session.purpose], session.target ?? 0).find(({ reaches }) => reaches)?.id;
  return new Set(session.blocks.flatMap((block, b) => (warms && block.phase === warms ? [b] : [])));
}

/** The items that are still to come and may be changed, by their places as handed out. */
export function coming(by: By, cuts: readonly Cut[], here: Here): { block: number; item: number; what: Item }[] {
  const cut = withCuts(by.session, cuts);
  const closing = closingOf(by);
  const at = cut.blocks.indexOf(here.block);
  const whole = by.session.blocks[here.block]?.sideOrder === "whole-block";
  const lastOfOne = by.session.blocks.length === 1 ? by.session.blocks[0]!.items.length - 1 : -1;
  return cut.session.blocks.flatMap((block, b) => {
    const original = cut.blocks[b]!;
    if (b < at || closing.has(original)) return [];
    const done = b > at ? -1 : whole ? Infinity : cut.items[b]!.indexOf(here.item);
    return block.items.flatMap((what, i) =>
      i > done && !what.locked && !what.test && cut.items[b]![i] !== lastOfOne
        ? [{ block: original, item: cut.items[b]![i]!, what }]
        : [],
    );
  });
}

type Step = (by: By, cuts: readonly Cut[], here: Here) => Cut[];

/** A round less of a block that is still to come, or of the one that is being done. */
const rounds: Step = (by, cuts, here) => {
  const cut = withCuts(by.session, cuts);
  const closing = closingOf(by);
  const at = cut.blocks.indexOf(here.block);
  return cut.session.blocks.flatMap((block, b): Cut[] => {
    const original = cut.blocks[b]!;
    const least = b === at ? here.round : 1;
    if (b < at || closing.has(original) || block.rounds <= least) return [];
    return [{ do: "rounds", block: original, rounds: block.rounds - 1 }];
  });
};

/** Without showing what the group has done. */
const showing: Step = (by, cuts, here) => {
  const known = new Set(by.group?.shown ?? []);
  return coming(by, cuts, here).flatMap(({ block, item, what }): Cut[] =>
    (what.demo ?? by.session.pace.demo) > 0 && known.has(what.drill)
      ? [{ do: "showing", block, item, seconds: 0 }]
      : [],
  );
};

/** The drills that are still to come, the one that gives least of what nothing else gives first. */
const leastFirst: Step = (by, cuts, here) => {
  const raise = raiseOf(by);
  const list = coming(by, cuts, here).filter(({ block }) => !raise.has(block));
  const rowsOf = (what: Item) => formIn(what, by.drills)?.levels[what.level].main ?? [];
  const times = new Map<string, number>();
  for (const { what } of list) for (const row of rowsOf(what)) times.set(row, (times.get(row) ?? 0) + 1);
  // What it alone moves counts whole, what others move as well in part.
  const worth = ({ what }: (typeof list)[number]) => rowsOf(what).reduce((sum, row) => sum + 1 / times.get(row)!, 0);
  return list.sort((a, b) => worth(a) - worth(b)).map(({ block, item }): Cut => ({ do: "out", block, item }));
};

/** A step less of a dose, inside its bounds; what warms people up keeps what it takes. */
const doses: Step = (by, cuts, here) => {
  const raise = raiseOf(by);
  return coming(by, cuts, here).flatMap(({ block, item, what }): Cut[] => {
    const level = formIn(what, by.drills)?.levels[what.level];
    const { value, unit } = amountOf(what.dose);
    if (!level || unit === "rounds") return [];
    const usual = by.session.blocks[block]!.items[item]!.dose;
    const amount = value - level.bounds.step;
    // By one step: what was handed out is not made half of.
    if (amount < level.bounds.least - 1e-9 || amountOf(usual).value - amount > level.bounds.step + 1e-9) return [];
    if (raise.has(block) && unit === "s" && amount < RAISE) return [];
    return [{ do: "dose", block, item, amount }];
  });
};

/** Whether changes leave no safety finding that the session did not have. */
type Safe = (cuts: readonly Cut[]) => Steps<boolean>;

export function* safety({ session, drills, known = drills, group, arc }: By, before: readonly Cut[]): Steps<Safe> {
  function* found(cuts: readonly Cut[]): Steps<string[]> {
    const cut = withCuts(session, [...before, ...cuts]);
    const input = auditInput(cut.session, known, {
      ...(group && { group }),
      ...(arc && { arc }),
      offered: [],
    });
    yield;
    // By rule and drill: the numbers of a finding may change, which drill it is about may not.
    return (yield* auditInSteps(input))
      .filter(({ rule, severity }) => severity === "stop" || (severity === "warn" && GUARDED.has(rule)))
      .map(({ rule, severity, place }) => {
        const drill = place && `${cut.blocks[place.block]}.${cut.items[place.block]?.[place.item]}`;
        return [rule, severity, drill].join(" ");
      });
  }
  const were = new Set(yield* found([]));
  return function* (cuts) {
    return (yield* found(cuts)).every((one) => were.has(one));
  };
}

/** What a cut must not bring about, besides what protects people. */
const GUARDED: ReadonlySet<string> = new Set([...PROTECTING, "closing", "never-warm", "unequal-sides", "floor-before"]);

/** What is cut, in a line. */
function cutWords(cuts: readonly Cut[], by: By): string {
  const blockName = (b: number) => by.session.blocks[b]!.title || `block ${b + 1}`;
  const counts = new Map<number, number>();
  for (const cut of cuts) if (cut.do === "rounds") counts.set(cut.block, (counts.get(cut.block) ?? 0) + 1);
  const words = [...counts].map(([b, n]) => `${n === 1 ? "one round" : `${n} rounds`} of ${blockName(b)}`);
  const shown = cuts.filter((cut) => cut.do === "showing").length;
  if (shown > 0) words.push(`showing ${shown === 1 ? "one drill they know" : `${shown} drills they know`}`);
  words.push(...cuts.flatMap((cut) => (cut.do === "out" ? [nameOf(by, cut)] : [])));
  const less = cuts.filter((cut) => cut.do === "dose").length;
  if (less > 0) words.push(`a little of ${less === 1 ? "one drill" : `${less} drills`}`);
  return words.length > 0 ? `Cut: ${listWords(words)}` : "Nothing is cut";
}
