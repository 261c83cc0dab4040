import { costsOf, moveCost, type MovingPace, type Ordered } from "~/core/order/posture-order";
import { bitsOf, cheapestOrders } from "~/core/order/subsets";
import type { Seconds } from "~/core/units";

/**
 * The order of all things with the least time between them, where everything in one step comes before everything in the
 * next: exact, by dynamic programming over the subsets of each step (Held and Karp 1962), carried from step to step by the
 * thing each ends with. `after` of a thing names places in its own step. Of equally good orders, the one nearest to the
 * order given. Returns, for each step, the places in it in their new order. Throws when a step holds more than sixteen.
 */
export function orderOfSteps(
  steps: readonly (readonly Ordered[])[],
  pace: MovingPace,
): { order: number[][]; seconds: Seconds } {
  // For each thing of the step before: the least seconds with which it can be the last so far, and how.
  type End = { thing: Ordered; seconds: Seconds; order: readonly number[][] };
  let ends: End[] | undefined;
  for (const things of steps) {
    if (things.length === 0) {
      ends = ends?.map((end) => ({ ...end, order: [...end.order, []] }));
      continue;
    }
    ends = stepEnds(things, ends, pace);
  }
  const empty = { order: steps.map(() => []), seconds: 0 };
  if (!ends) return empty;
  const best = ends.reduce((a, b) => (b.seconds < a.seconds - 1e-9 ? b : a));
  // Empty steps before the first thing have no end to hang on to.
  const lead = steps.findIndex((things) => things.length > 0);
  const order = [...Array.from({ length: lead }, () => [] as number[]), ...best.order];
  return { order, seconds: Math.round(best.seconds * 1e3) / 1e3 };
}

function stepEnds(
  things: readonly Ordered[],
  before: readonly { thing: Ordered; seconds: Seconds; order: readonly number[][] }[] | undefined,
  pace: MovingPace,
) {
  // Each thing may be the first of the step, after whichever end of the step before is cheapest for it.
  const starts = things.map((thing) => {
    if (!before) return { seconds: moveCost(undefined, thing, pace), order: [] as readonly number[][] };
    const sums = before.map((end) => ({
      seconds: end.seconds + moveCost({ posture: end.thing.to, kit: end.thing.kit }, thing, pace),
      order: end.order,
    }));
    return sums.reduce((a, b) => (b.seconds < a.seconds - 1e-12 ? b : a));
  });
  const ends = cheapestOrders(things.length, {
    start: starts.map((one) => one.seconds),
    cost: costsOf(things, pace),
    needs: things.map((t) => bitsOf(t.after)),
  });
  return things.flatMap((thing, last) => {
    const seconds = ends.cost[last]!;
    if (seconds === Infinity) return [];
    const order = ends.order(last);
    return [{ thing, seconds, order: [...starts[order[0]!]!.order, order] }];
  });
}
