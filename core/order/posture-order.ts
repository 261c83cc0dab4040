import { bitsOf, cheapestOrders } from "./subsets";
import { carried, piecesToFetch, type Kit } from "~/core/vocabulary/kit";
import { moveSeconds, type MovePace, type Posture } from "~/core/vocabulary/postures";
import type { Seconds } from "~/core/units";

/** Something to be put in order: where it begins and ends, what is in hand, and what has to come before it. */
export type Ordered = { from: Posture; to: Posture; kit: readonly Kit[]; after?: readonly number[] };

/** What the first thing follows: where people are and what they hold; nothing at the start of a session. */
export type Standing = { posture: Posture; kit: readonly Kit[] } | undefined;

/** How long a class takes to change position, and to pick up a piece of kit. */
export type MovingPace = MovePace & { kitChange: Seconds };

/** The most things that are put in order exactly. Held–Karp takes n² · 2ⁿ steps. */
export const MOST_ORDERED = 10;

/** Seconds from one thing to the next. Kit that stays where it is costs the same in any order, and is left out. */
export const moveCost = (before: Standing, next: Pick<Ordered, "from" | "kit">, pace: MovingPace): Seconds =>
  (before ? moveSeconds(before.posture, next.from, pace) : 0) +
  (next.kit.length === 0 ? 0 : piecesToFetch(carried(before?.kit ?? []), carried(next.kit)).length * pace.kitChange);

/**
 * The order with the least time between things: exact, by dynamic programming over subsets (Held and Karp 1962), with what
 * must come before what kept; of equally good orders the one nearest to the order given. `last` stays at the end.
 * Returns places in the order given, or `undefined` for more than `MOST_ORDERED` things or an order that cannot be.
 */
export function bestOrder(
  things: readonly Ordered[],
  before: Standing,
  pace: MovingPace,
  { last }: { last?: number | undefined } = {},
): { order: number[]; seconds: Seconds } | undefined {
  const n = things.length;
  if (n > MOST_ORDERED || n === 0) return undefined;
  const start = Float64Array.from(things, (thing) => moveCost(before, thing, pace));
  const ends = cheapestOrders(n, {
    start,
    cost: costsOf(things, pace),
    needs: Int32Array.from(things, (t) => bitsOf(t.after)),
    last,
  });
  const least = Math.min(...ends.cost);
  if (least === Infinity) return undefined;
  const order = ends.order(ends.cost.indexOf(least));
  return { order, seconds: secondsOf(things, order, before, pace) };
}

/**
 * A good order for more things than can be tried: the one given, with single things moved to where that saves most, until
 * no move saves anything. Not proven to be the best.
 */
export function betterOrder(
  things: readonly Ordered[],
  before: Standing,
  pace: MovingPace,
  { last }: { last?: number | undefined } = {},
): { order: number[]; seconds: Seconds } {
  const n = things.length;
  const cost = costsOf(things, pace);
  const start = Float64Array.from(things, (thing) => moveCost(before, thing, pace));
  // What it costs to come to one thing from another, or from the beginning; nothing after the end.
  const step = (a: number | undefined, b: number | undefined): Seconds =>
    b === undefined ? 0 : a === undefined ? start[b]! : cost[a * n + b]!;
  let order = things.map((_, i) => i);
  for (let round = 0; round < n; round++) {
    let best: { order: number[]; saves: Seconds } | undefined;
    for (let i = 0; i < n; i++) {
      const one = order[i]!;
      if (one === last) continue;
      const rest = order.toSpliced(i, 1);
      const out = step(order[i - 1], one) + step(one, order[i + 1]) - step(order[i - 1], order[i + 1]);
      for (let j = 0; j < n - (last === undefined ? 0 : 1); j++) {
        const saves = out - step(rest[j - 1], one) - step(one, rest[j]) + step(rest[j - 1], rest[j]);
        if (saves <= (best?.saves ?? 1e-9)) continue;
        const next = rest.toSpliced(j, 0, one);
        if (keeps(things, next)) best = { order: next, saves };
      }
    }
    if (!best) break;
    order = best.order;
  }
  return { order, seconds: secondsOf(things, order, before, pace) };
}

/** What it costs to come from each thing to each, row by row. */
export function costsOf(things: readonly Ordered[], pace: MovingPace): Float64Array {
  const n = things.length;
  const cost = new Float64Array(n * n);
  things.forEach((a, i) =>
    things.forEach((b, j) => (cost[i * n + j] = moveCost({ posture: a.to, kit: a.kit }, b, pace))),
  );
  return cost;
}

function keeps(things: readonly Ordered[], order: readonly number[]): boolean {
  const place = new Int32Array(order.length);
  order.forEach((i, at) => (place[i] = at));
  return things.every(({ after }, i) => after === undefined || after.every((j) => place[j]! < place[i]!));
}

/** Seconds of moving and fetching in an order, but for what is set up once. */
export function secondsOf(
  things: readonly Ordered[],
  order: readonly number[],
  before: Standing,
  pace: MovingPace,
): Seconds {
  let at = before;
  return order.reduce((sum, i) => {
    const cost = moveCost(at, things[i]!, pace);
    at = { posture: things[i]!.to, kit: things[i]!.kit };
    return sum + cost;
  }, 0);
}
