import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { orderOfSteps } from "./order";
import { secondsOf, type Ordered } from "~/core/order/posture-order";
import { POSTURES } from "~/core/vocabulary/postures";

const thing = fc.record({
  from: fc.constantFrom(...POSTURES),
  to: fc.constantFrom(...POSTURES),
  kit: fc.subarray(["pad", "stick", "block"] as const),
});

/** Every order of a list. */
function orders(n: number): number[][] {
  if (n === 0) return [[]];
  return orders(n - 1).flatMap((order) => Array.from({ length: n }, (_, at) => order.toSpliced(at, 0, n - 1)));
}

describe("the order of steps", () => {
  it("takes the least time of all orders, tried one by one", () => {
    fc.assert(
      fc.property(fc.array(fc.array(thing, { maxLength: 4 }), { minLength: 1, maxLength: 3 }), (steps: Ordered[][]) => {
        const { order, seconds } = orderOfSteps(steps, { kitChange: 4 });
        expect(order.map((list) => [...list].sort())).toEqual(steps.map((list) => list.map((_, i) => i)));
        const flat = (each: readonly number[][]) => each.flatMap((list, s) => list.map((i) => steps[s]![i]!));
        const cost = (each: readonly number[][]) => {
          const list = flat(each);
          return secondsOf(
            list,
            list.map((_, i) => i),
            undefined,
            { kitChange: 4 },
          );
        };
        let least = Infinity;
        const walk = (s: number, each: number[][]): void => {
          if (s === steps.length) least = Math.min(least, cost(each));
          else for (const one of orders(steps[s]!.length)) walk(s + 1, [...each, one]);
        };
        walk(0, []);
        expect(cost(order)).toBeCloseTo(least, 6);
        expect(seconds).toBeCloseTo(least, 2);
      }),
      { numRuns: 60 },
    );
  });
  it("keeps what has to come before, and the order given among equals", () => {
    const same = { from: "standing", to: "standing", kit: [] } as const;
    expect(orderOfSteps([[same, same, same]], { kitChange: 4 })).toEqual({ order: [[0, 1, 2]], seconds: 0 });
    expect(orderOfSteps([[{ ...same, after: [2] }, same, same]], { kitChange: 4 }).order[0]!.indexOf(0)).toBe(2);
  });
  it("has nothing to say of nothing, and refuses a step too long", () => {
    expect(orderOfSteps([[], []], { kitChange: 4 })).toEqual({ order: [[], []], seconds: 0 });
    expect(() =>
      orderOfSteps([Array.from({ length: 17 }, () => ({ from: "standing", to: "standing", kit: [] }) as const)], {
        kitChange: 4,
      }),
    ).toThrow(RangeError);
  });
});
