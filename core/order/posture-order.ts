import { piecesToFetch, type Kit } from "~/core/drills/kit";
import { moveSeconds, type Posture } from "~/core/timeline/postures";
import type { Seconds } from "~/core/units";

/** Something to be put in order: where it begins and ends, what is in hand, and what has to come before it. */
export type Ordered = { from: Posture; to: Posture; kit: readonly Kit[]; after?: readonly number[] };

/** What the first thing follows: where people are and what they hold; nothing at the start of a session. */
export type Standing = { posture: Posture; kit: readonly Kit[] } | undefined;

/** The most things that are put in order exactly. Held–Karp takes n² · 2ⁿ steps. */
export const MOST_ORDERED = 11;

export const moveCost = (before: Standing, next: Pick<Ordered, "from" | "kit">, kitChange: Seconds): Seconds =>
  (before ? moveSeconds(before.posture, next.from) : 0) + piecesToFetch(before?.kit ?? [], next.kit).length * kitChange;

/**
 * The order with the least time between things: exact, by dynamic programming over subsets (Held and Karp 1962), with what
 * must come before what kept; of equally good orders the one nearest to the order given. `last` stays at the end.
 * Returns places in the order given, or `undefined` for more than `MOST_ORDERED` things or an order that cannot be.
 */
export function bestOrder(things: readonly Ordered[], before: Standing, kitChange: Seconds, { last }: { last?: number | undefined } = {}): { order: number[]; seconds: Seconds } | undefined {
  const n = things.length;
  if (n > MOST_ORDERED || n === 0) return undefined;
  const size = 1 << n;
  // A little for each pair out of order, so that equal costs keep the order given.
  const tie = (i: number, mask: number) => 1e-6 * ones(((1 << i) - 1) & ~mask);
  const costs = things.map((a) => things.map((b) => moveCost({ posture: a.to, kit: a.kit }, b, kitChange)));
  const needs = things.map((t) => (t.after ?? []).reduce((mask, i) => mask | (1 << i), 0));
  const best = new Float64Array(size * n).fill(Infinity);
  const from = new Int8Array(size * n).fill(-1);
  const may = (i: number, mask: number) => (needs[i]! & ~mask) === 0 && (i !== last || mask === (size - 1) - (1 << i));
  things.forEach((thing, i) => {
    if (may(i, 0)) best[(1 << i) * n + i] = moveCost(before, thing, kitChange) + tie(i, 0);
  });
  for (let mask = 1; mask < size; mask++)
    for (let i = 0; i < n; i++) {
      const here = best[mask * n + i]!;
      if (here === Infinity) continue;
      for (let j = 0; j < n; j++) {
        if (mask & (1 << j) || !may(j, mask)) continue;
        const next = (mask | (1 << j)) * n + j;
        const cost = here + costs[i]![j]! + tie(j, mask);
        if (cost < best[next]! - 1e-12) {
          best[next] = cost;
          from[next] = i;
        }
      }
    }
  let end = -1;
  for (let i = 0; i < n; i++) if (best[(size - 1) * n + i]! < Infinity && (end < 0 || best[(size - 1) * n + i]! < best[(size - 1) * n + end]!)) end = i;
  if (end < 0) return undefined;
  const order: number[] = [];
  for (let mask = size - 1, i = end; i >= 0; ) {
    order.unshift(i);
    const previous = from[mask * n + i]!;
    mask &= ~(1 << i);
    i = previous;
  }
  return { order, seconds: secondsOf(things, order, before, kitChange) };
}

const ones = (bits: number): number => {
  let n = 0;
  for (let b = bits; b > 0; b &= b - 1) n++;
  return n;
};

/** Seconds of moving and fetching in an order. */
export function secondsOf(things: readonly Ordered[], order: readonly number[], before: Standing, kitChange: Seconds): Seconds {
  let at = before;
  return order.reduce((sum, i) => {
    const cost = moveCost(at, things[i]!, kitChange);
    at = { posture: things[i]!.to, kit: things[i]!.kit };
    return sum + cost;
  }, 0);
}
