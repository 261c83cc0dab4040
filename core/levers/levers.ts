import { RESTS, saidOf, spokenAmounts } from "~/core/arc/doses";
import type { Among } from "~/core/arc/fits";
import { SHOWING_STEPS } from "~/core/arc/showing";
import { formIn } from "~/core/drills/form";
import { coverageOf, sharesSides, type ShareWorked } from "~/core/coverage/coverage";
import { MOTION_FACTS, MOTIONS, type Motion } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import { amountOf, withAmount } from "~/core/dose/amount";
import { editBlock, editItem, type Place } from "~/core/session/edits";
import { INTERVAL_BOUNDS } from "~/core/session/bounds";
import type { Block, Interval, Item, SessionPlan } from "~/core/session/schema";
import type { Dose } from "~/core/dose/kinds";
import { unitMicros, choicesOf, forClock, isCounted } from "~/core/dose/dose";
import { gapsOf } from "~/core/timeline/gaps";
import { itemDone } from "~/core/session/interval";
import { placeKey } from "~/core/timeline/totals";
import type { Segment, Timeline, WorkSegment } from "~/core/timeline/types";
import { toSeconds, type Seconds, type Share } from "~/core/units";
import { sameJson } from "~/core/same-json";

/** One thing that may be set another way: a dose, a rest, the work or the rest of blocks by the clock, or the time to watch. What was equal has one lever and stays equal. */
export type Lever = {
  kind: "dose" | "rest" | "showing";
  /** The places whose dose it is. */
  places: Place[];
  /** Each way it may be set, the shortest first, with the seconds it adds to the session against what is. */
  options: { adds: Seconds; dose?: Dose; set: (session: SessionPlan) => SessionPlan }[];
  now: number;
  /** What a second that it adds gives to rows, by side. */
  gives: { row: Motion; left: Share; right: Share }[];
  /** Which blocks the seconds it adds are in, and what share of them. */
  inBlocks: ReadonlyMap<number, Share>;
};

/** Which way a lever may go, and by which steps: to what a coach says aloud, by the drill's own steps, or by single seconds. */
export type Way = "no" | "down" | "up" | "any";
export type Allowed = {
  doses: Way;
  breaks: Way;
  doseSteps: "spoken" | "usual" | "fine";
  breakSteps: "spoken" | "usual" | "fine";
};

/** A rest is made no shorter than half, nor than this. */
const SHORTEST_REST: Seconds = 5;
/** The time to watch goes no lower, nor higher, than this, unless it is there already. */
const SHORTEST_SHOWING: Seconds = 10;
const LONGEST_SHOWING: Seconds = 30;
const BREAK_STEP: Seconds = 5;

/**
 * What was equal is one: the same drill at the same level with the same dose, as a test before and after, or one side here
 * and the other there. Each list has the places of one, in the session's order.
 */
export function equalPlaces(session: SessionPlan): Place[][] {
  const groups = new Map<string, Place[]>();
  session.blocks.forEach((block, b) =>
    block.items.forEach((item, i) => {
      const key = JSON.stringify([item.drill, item.level, item.dose]);
      groups.set(key, [...(groups.get(key) ?? []), { block: b, item: i }]);
    }),
  );
  return [...groups.values()];
}

type Base = {
  session: SessionPlan;
  timeline: Timeline;
  drills: (id: string) => Drill | undefined;
  locked: ReadonlySet<string>;
  /** What part of a drill each person works; without it all of it. */
  worked?: ShareWorked | undefined;
  /** What decides which doses are said aloud; without it none are known to be. */
  among?: Among | undefined;
  /** Whether a dose is for the phase its place stands in; without it all are. */
  suits?: ((place: Place, dose: Dose) => boolean) | undefined;
  /** How long each drill has to be shown; without it what has a time of its own keeps that. */
  shownFor?: ((place: Place) => Seconds) | undefined;
};

const keyOf = ({ block, item }: Place): string => placeKey(block, item);

/** Every lever of a session. What is locked has none, nor what is equal to it. */
export function leversOf(base: Base, allowed: Allowed): Lever[] {
  return [
    ...(allowed.doses === "no"
      ? []
      : [...doseLevers(base, allowed), ...clockLevers(base, "work", allowed.doseSteps === "fine" ? "fine" : "usual")]),
    ...(allowed.breaks === "no"
      ? []
      : [
          ...restLevers(base, allowed),
          ...clockLevers(base, "rest", allowed.breakSteps === "fine" ? "fine" : "usual"),
          ...showingLever(base, allowed),
          ...ownShowingLevers(base),
        ]),
  ].map((lever) => goingOnly(lever, lever.kind === "dose" ? allowed.doses : allowed.breaks));
}

/** The lever without the ways it may not go. */
function goingOnly(lever: Lever, way: Way): Lever {
  if (way === "any") return lever;
  const options = way === "up" ? lever.options.slice(lever.now) : lever.options.slice(0, lever.now + 1);
  return { ...lever, options, now: way === "up" ? 0 : options.length - 1 };
}

/** What each key's number is of all of them. */
function sharesOf(counts: Iterable<readonly [number, number]>): Map<number, Share> {
  const sums = new Map<number, number>();
  for (const [block, count] of counts) sums.set(block, (sums.get(block) ?? 0) + count);
  const all = [...sums.values()].reduce((a, b) => a + b, 0);
  return new Map([...sums].map(([block, count]) => [block, count / all]));
}

function doseLevers(
  { session, timeline, drills, locked, among, suits, worked = () => 1 }: Base,
  { doseSteps }: Allowed,
): Lever[] {
  const times = workTimes(timeline.segments, (segment) => {
    const item = itemAt(session, segment);
    const drill = item && formIn(item, drills);
    return (
      item !== undefined &&
      drill !== undefined &&
      segment.side === "both" &&
      sharesSides(segment.side, session.version, drill, item)
    );
  });
  return equalPlaces(session).flatMap((all): Lever[] => {
    // By the clock of its block a dose is as long as that says.
    const places = all.filter((place) => !session.blocks[place.block]!.interval);
    if (places.length === 0) return [];
    const { block, item: at } = places[0]!;
    const item = session.blocks[block]!.items[at]!;
    const drill = formIn(item, drills);
    const counts = places.flatMap((place) => times.get(keyOf(place)) ?? []);
    if (!drill || counts.length < places.length || places.some((place) => locked.has(keyOf(place)))) return [];
    const count = counts.reduce((a, b) => ({ all: a.all + b.all, left: a.left + b.left, right: a.right + b.right }));
    const level = drill.levels[item.level];
    const spoken = doseSteps === "spoken" && among && spokenAmounts(item.dose, saidOf(drill, item.level, among));
    const doses = dosesOf(item.dose, level, spoken || (doseSteps === "fine" ? "fine" : "usual")).filter(
      (dose) => !spoken || !suits || dose === item.dose || places.every((place) => suits(place, dose)),
    );
    const seconds = (dose: Dose) => secondsOf(dose, session.pace);
    const usual = seconds(item.dose);
    const part = worked(drill, item.level);
    const gives = [
      ...level.main.map((row) => ({ row, share: part })),
      ...level.also.filter((row) => !level.main.includes(row)).map((row) => ({ row, share: part / 2 })),
    ];
    return [
      {
        kind: "dose",
        places,
        inBlocks: sharesOf(places.map(({ block }, i) => [block, counts[i]!.all])),
        now: doses.findIndex((dose) => amountOf(dose).value === amountOf(item.dose).value),
        options: doses.map((dose) => ({
          dose,
          adds: (seconds(dose) - usual) * count.all,
          set: (s) => places.reduce((so, place) => editItem(so, place, { dose }), s),
        })),
        gives: gives.map(({ row, share }) =>
          MOTION_FACTS[row].sided
            ? { row, left: (share * count.left) / count.all, right: (share * count.right) / count.all }
            : { row, left: share, right: share },
        ),
      },
    ];
  });
}

/** How often each place is worked: its dose in all, and on each side, half for each where both share it. Alternating lasts twice the dose and gives each side the dose once. */
function workTimes(
  segments: readonly Segment[],
  halves: (segment: WorkSegment) => boolean,
): Map<string, { all: number; left: number; right: number }> {
  const times = new Map<string, { all: number; left: number; right: number }>();
  for (const segment of segments) {
    if (segment.kind !== "work") continue;
    const sum = times.get(placeKey(segment.block, segment.item)) ?? { all: 0, left: 0, right: 0 };
    sum.all += segment.side === "alternating" ? 2 : 1;
    const share = halves(segment) ? 0.5 : 1;
    if (segment.side !== "right") sum.left += share;
    if (segment.side !== "left") sum.right += share;
    times.set(placeKey(segment.block, segment.item), sum);
  }
  return times;
}

type RestField = "restAfter" | "restBetweenSets" | "restBetweenRounds";
const FIELD = { after: "restAfter", sets: "restBetweenSets", rounds: "restBetweenRounds" } as const satisfies Record<
  string,
  RestField
>;

/** Rests of one kind and length are one lever. */
function restLevers({ session, timeline, locked }: Base, { breakSteps }: Allowed): Lever[] {
  const found = new Map<string, { field: RestField; seconds: Seconds; places: Map<string, Place>; blocks: number[] }>();
  for (const segment of timeline.segments) {
    if (segment.kind !== "rest") continue;
    const place = { block: segment.block, item: segment.item };
    if (segment.why === "interval" || session.blocks[segment.block]?.interval) continue;
    const field = FIELD[segment.why];
    if (field !== "restBetweenRounds" && locked.has(keyOf(place))) continue;
    const key = `${field} ${segment.seconds}`;
    const one = found.get(key) ?? { field, seconds: segment.seconds, places: new Map<string, Place>(), blocks: [] };
    one.places.set(field === "restBetweenRounds" ? String(place.block) : keyOf(place), place);
    one.blocks.push(segment.block);
    found.set(key, one);
  }
  return [...found.values()].map(({ field, seconds, places, blocks }): Lever => {
    const least = Math.min(seconds, Math.max(SHORTEST_REST, seconds / 2));
    const most = seconds + Math.max(10, seconds / 2);
    const lengths =
      breakSteps === "spoken"
        ? [...new Set([seconds, ...RESTS.filter((rest) => inside(rest, { least, most }))])].sort((a, b) => a - b)
        : lengthsBetween(least, seconds, most, breakSteps);
    const set = (to: Seconds) => (s: SessionPlan) =>
      [...places.values()].reduce(
        (so, place) =>
          field === "restBetweenRounds"
            ? editBlock(so, place.block, { [field]: to })
            : editItem(so, place, { [field]: to }),
        s,
      );
    return {
      kind: "rest",
      places: [],
      gives: [],
      inBlocks: sharesOf(blocks.map((block) => [block, 1])),
      now: lengths.indexOf(seconds),
      options: lengths.map((to) => ({ adds: (to - seconds) * blocks.length, set: set(to) })),
    };
  });
}

/** Blocks that go by the same clock, in order. */
function clocksOf({ blocks }: SessionPlan): { interval: Interval; blocks: number[] }[] {
  const clocks = new Map<string, { interval: Interval; blocks: number[] }>();
  blocks.forEach(({ interval }, b) => {
    if (!interval) return;
    const key = `${interval.work}/${interval.rest}`;
    const one = clocks.get(key) ?? { interval, blocks: [] };
    one.blocks.push(b);
    clocks.set(key, one);
  });
  return [...clocks.values()];
}

/** The work, or the rest, of blocks by the same clock; none where a drill of theirs is locked. */
function clockLevers(
  { session, timeline, drills, locked, worked }: Base,
  part: "work" | "rest",
  steps: "usual" | "fine",
): Lever[] {
  return clocksOf(session).flatMap(({ interval, blocks }): Lever[] => {
    const own = blocks.flatMap((b) =>
      session.blocks[b]!.items.map((item, i) => ({ item, key: placeKey(b, i), block: session.blocks[b]! })),
    );
    if (own.some(({ key }) => locked.has(key))) return [];
    const now = interval[part];
    const set = (to: Seconds) => (s: SessionPlan) =>
      blocks.reduce((so, b) => editBlock(so, b, { interval: { ...so.blocks[b]!.interval!, [part]: to } }), s);
    const inside = (segment: Segment) => blocks.includes(segment.block);
    if (part === "rest") {
      const gaps = gapsOf(session, timeline.segments).filter(({ to }) => inside(to));
      if (gaps.length === 0 || now === 0) return [];
      // What fits into the rest goes on fitting into it.
      const needed = Math.max(0, ...gaps.filter(({ takes, has }) => takes <= has).map(({ takes }) => takes));
      const lengths = lengthsBetween(
        Math.min(now, Math.max(SHORTEST_REST, now / 2, needed)),
        now,
        Math.min(INTERVAL_BOUNDS.mostRest, now + Math.max(10, now / 2)),
        steps,
      );
      const lasts = (rest: Seconds) =>
        gaps.reduce((sum, { has, takes, planned }) => sum + Math.max(takes, planned, rest) - Math.max(takes, has), 0);
      return [
        {
          kind: "rest",
          places: [],
          gives: [],
          inBlocks: sharesOf(gaps.map(({ to }) => [to.block, 1])),
          now: lengths.indexOf(now),
          options: lengths.map((to) => ({ adds: lasts(to), set: set(to) })),
        },
      ];
    }
    const work = timeline.segments.filter(
      (segment): segment is WorkSegment => segment.kind === "work" && inside(segment),
    );
    const seconds = work.reduce((sum, segment) => sum + segment.seconds, 0);
    if (seconds === 0) return [];
    const passes = seconds / now;
    // As much as each drill's bounds allow, and nothing further outside them than it is.
    const off = (to: Seconds) =>
      own.map(({ item, block }) =>
        offBounds({ ...block, interval: { ...interval, work: to } }, item, { drills, pace: session.pace }),
      );
    const before = off(now);
    const lengths = lengthsBetween(
      Math.max(INTERVAL_BOUNDS.leastWork, now / 2),
      now,
      Math.min(INTERVAL_BOUNDS.mostWork, now * 2),
      steps,
    ).filter((to) => to === now || off(to).every((by, i) => by <= before[i]! + 1e-9));
    return [
      {
        kind: "dose",
        places: [],
        gives: givenBy(work, session, drills, worked),
        inBlocks: sharesOf(work.map(({ block, seconds: s }) => [block, s])),
        now: lengths.indexOf(now),
        options: lengths.map((to) => ({ adds: (to - now) * passes, set: set(to) })),
      },
    ];
  });
}

/** How far what is done of an item is outside its drill's bounds, in their unit; 0 inside. */
function offBounds(
  block: Block,
  item: Item,
  { drills, pace }: Pick<Base, "drills"> & Pick<SessionPlan, "pace">,
): number {
  const level = formIn(item, drills)?.levels[item.level];
  const done = itemDone(block, item, drills, pace).dose;
  if (!level || done.kind !== (forClock(level.dose) ?? level.dose).kind) return 0;
  const { value } = amountOf(done);
  return Math.max(0, level.bounds.least - value, value - level.bounds.most);
}

/** What a second more over all these pieces of work gives to rows, by side. */
function givenBy(
  work: readonly WorkSegment[],
  session: SessionPlan,
  drills: Base["drills"],
  worked: ShareWorked | undefined,
): Lever["gives"] {
  const seconds = work.reduce((sum, segment) => sum + segment.seconds, 0);
  const coverage = coverageOf(session, { segments: work }, drills, worked);
  return MOTIONS.flatMap((row) => {
    const { left, right } = coverage[row];
    return left + right > 0 ? [{ row, left: left / seconds, right: right / seconds }] : [];
  });
}

/** The time to watch, where it is the session's own and nothing locked is shown in it. */
function showingLever({ session, timeline, locked }: Base, { breakSteps }: Allowed): Lever[] {
  const steps = breakSteps === "fine" ? "fine" : "usual";
  const { demo } = session.pace;
  const shown = timeline.segments.filter(
    (segment) => segment.kind === "demo" && itemAt(session, segment)?.demo === undefined,
  );
  // Between two passes by the clock it takes the place of rest, as long as there is some.
  if (shown.some((segment) => segment.kind === "demo" && segment.gap)) return [];
  if (demo <= 0 || shown.length === 0 || shown.some((segment) => locked.has(keyOf(segment)))) return [];
  const lengths = lengthsBetween(Math.min(demo, SHORTEST_SHOWING), demo, Math.max(demo, LONGEST_SHOWING), steps);
  return [
    {
      kind: "showing",
      places: [],
      gives: [],
      inBlocks: sharesOf(shown.map(({ block }) => [block, 1])),
      now: lengths.indexOf(demo),
      options: lengths.map((to) => ({
        adds: (to - demo) * shown.length,
        set: (s) => ({ ...s, pace: { ...s.pace, demo: to } }),
      })),
    },
  ];
}

/** What is shown for a time of its own, longer than it has to be: by steps, down to that. */
function ownShowingLevers({ session, timeline, locked, shownFor }: Base): Lever[] {
  if (!shownFor) return [];
  return timeline.segments.flatMap((segment): Lever[] => {
    const demo = segment.kind === "demo" && !segment.gap ? itemAt(session, segment)?.demo : undefined;
    if (demo === undefined || locked.has(keyOf(segment))) return [];
    const place = { block: segment.block, item: segment.item };
    const needs = shownFor(place);
    const lengths = [...SHOWING_STEPS.filter((step) => step >= needs && step < demo), demo];
    if (lengths.length < 2) return [];
    return [
      {
        kind: "showing",
        places: [],
        gives: [],
        inBlocks: new Map([[place.block, 1]]),
        now: lengths.length - 1,
        options: lengths.map((to) => ({ adds: to - demo, set: (s) => editItem(s, place, { demo: to }) })),
      },
    ];
  });
}

const itemAt = (session: SessionPlan, { block, item }: Place): Item | undefined => session.blocks[block]?.items[item];

/** From the least to the most by steps from what is, which is always among them. */
function lengthsBetween(least: Seconds, now: Seconds, most: Seconds, steps: "usual" | "fine"): Seconds[] {
  const step = steps === "fine" ? 1 : BREAK_STEP;
  const all = new Set<Seconds>([now]);
  for (let to = now - step; to >= least - 1e-9; to -= step) all.add(round(to));
  for (let to = now + step; to <= most + 1e-9; to += step) all.add(round(to));
  return [...all].sort((a, b) => a - b);
}

const secondsOf = (dose: Dose, pace: SessionPlan["pace"]): Seconds => {
  const unit = toSeconds(unitMicros(dose, pace));
  return isCounted(dose) ? unit * amountOf(dose).value : unit;
};

/** The doses an item may take: by its drill's step from what it is, by single seconds where it is timed, or of some amounts only; the one there is always among them. */
function dosesOf(
  dose: Dose,
  { bounds, dose: usual }: Drill["levels"]["standard"],
  steps: "usual" | "fine" | readonly number[],
): Dose[] {
  const choices = choicesOf(dose);
  if (choices) return choices.filter((one) => inside(amountOf(one).value, bounds) || sameJson(one, dose));
  // Bounds are in the unit of the drill's own dose; another kind of dose is left as it is.
  if (dose.kind !== (forClock(usual) ?? usual).kind) return [dose];
  const now = amountOf(dose).value;
  const amounts = new Set<number>([now]);
  if (typeof steps !== "string") {
    for (const amount of steps) if (inside(amount, bounds)) amounts.add(amount);
    return inOrder(amounts, dose, now);
  }
  const step = !isCounted(dose) ? (steps === "fine" ? 1 : bounds.step) : Math.max(1, Math.round(bounds.step));
  for (let n = now; n >= bounds.least - 1e-9; n -= step) if (n <= bounds.most) amounts.add(round(n));
  for (let n = now; n <= bounds.most + 1e-9; n += step) if (n >= bounds.least) amounts.add(round(n));
  return inOrder(amounts, dose, now);
}

const inOrder = (amounts: ReadonlySet<number>, dose: Dose, now: number): Dose[] =>
  [...amounts].sort((a, b) => a - b).map((value) => (value === now ? dose : withAmount(dose, value)));

const inside = (value: number, { least, most }: { least: number; most: number }) => value >= least && value <= most;
const round = (n: number): number => Math.round(n * 1e6) / 1e6;
