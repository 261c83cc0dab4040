import { moveCost, type Ordered } from "~/core/order/posture-order";
import type { Seconds } from "~/core/units";

/**
 * The order of all things with the least time between them, where everything in one step comes before everything in the
 * next: exact, by dynamic programming over the subsets of each step (Held and Karp 1962), carried from step to step by the
 * thing each ends with. `after` of a thing names places in its own step. Of equally good orders, the one nearest to the
 * order given. Returns, for each step, the places in it in their new order. Throws when a step holds more than sixteen.
 */
export function orderOfSteps(steps: readonly (readonly Ordered[])[], kitChange: Seconds): { order: number[][]; seconds: Seconds } {
  // For each thing of the step before: the least seconds with which it can be the last so far, and how.
  type End = { thing: Ordered; seconds: Seconds; order: readonly number[][] };
  let ends: End[] | undefined;
  for (const things of steps) {
    if (things.length === 0) {
      ends = ends?.map((end) => ({ ...end, order: [...end.order, []] }));
      continue;
    }
    ends = stepEnds(things, ends, kitChange);
  }
  const empty = { order: steps.map(() => []), seconds: 0 };
  if (!ends) return empty;
  const best = ends.reduce((a, b) => (b.seconds < a.seconds - 1e-9 ? b : a));
  // Empty steps before the first thing have no end to hang on to.
  const lead = steps.findIndex((things) => things.length > 0);
  const order = [...Array.from({ length: lead }, () => [] as number[]), ...best.order];
  return { order, seconds: Math.round(best.seconds * 1e3) / 1e3 };
}

const TIE = 1e-6;

function stepEnds(things: readonly Ordered[], before: readonly { thing: Ordered; seconds: Seconds; order: readonly number[][] }[] | undefined, kitChange: Seconds) {
  const n = things.length;
  if (n > 16) throw new RangeError(`A step of ${n} drills is too long to be ordered.`);
  const size = 1 << n;
  const cost = things.map((a) => things.map((b) => moveCost({ posture: a.to, kit: a.kit }, b, kitChange)));
  const needs = things.map((t) => (t.after ?? []).reduce((mask, i) => mask | (1 << i), 0));
  const best = new Float64Array(size * n).fill(Infinity);
  const from = new Int16Array(size * n).fill(-1);
  const skipped = (i: number, mask: number) => {
    let count = 0;
    for (let k = 0; k < i; k++) if (!(mask & (1 << k))) count++;
    return TIE * count;
  };
  things.forEach((thing, i) => {
    if (needs[i] !== 0) return;
    let least = before ? Infinity : moveCost(undefined, thing, kitChange);
    let by = -1;
    before?.forEach((end, e) => {
      const sum = end.seconds + moveCost({ posture: end.thing.to, kit: end.thing.kit }, thing, kitChange);
      if (sum < least - 1e-12) [least, by] = [sum, e];
    });
    best[(1 << i) * n + i] = least + skipped(i, 0);
    from[(1 << i) * n + i] = by;
  });
  for (let mask = 1; mask < size; mask++)
    for (let j = 0; j < n; j++) {
      if (mask & (1 << j) || (needs[j]! & ~mask) !== 0) continue;
      let least = Infinity;
      let by = -1;
      for (let i = 0; i < n; i++) {
        const sum = best[mask * n + i]! + cost[i]![j]!;
        if (sum < least - 1e-12) [least, by] = [sum, i];
      }
      if (by < 0) continue;
      best[(mask | (1 << j)) * n + j] = least + skipped(j, mask);
      from[(mask | (1 << j)) * n + j] = by;
    }
  return things.flatMap((thing, last) => {
    const seconds = best[(size - 1) * n + last]!;
    if (seconds === Infinity) return [];
    const order: number[] = [];
    let start = -1;
    for (let mask = size - 1, i = last; ; ) {
      order.unshift(i);
      const by = from[mask * n + i]!;
      if (mask === 1 << i) {
        start = by;
        break;
      }
      mask ^= 1 << i;
      i = by;
    }
    return [{ thing, seconds, order: [...(before?.[start]?.order ?? []), order] }];
  });
}
