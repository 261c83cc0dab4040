import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { bestOrder, betterOrder, MOST_ORDERED, secondsOf, type Ordered, type Standing } from "./posture-order";
import { POSTURES } from "~/core/vocabulary/postures";

const thing = (from: Ordered["from"], to = from, kit: Ordered["kit"] = []): Ordered => ({ from, to, kit });

/** Every order of n things. */
const orders = (n: number): number[][] =>
  n === 0 ? [[]] : orders(n - 1).flatMap((rest) => Array.from({ length: n }, (_, at) => rest.toSpliced(at, 0, n - 1)));

const things = fc.array(
  fc.record({
    from: fc.constantFrom(...POSTURES),
    to: fc.constantFrom(...POSTURES),
    kit: fc.subarray(["pad", "stick", "block"] as const, { maxLength: 2 }),
  }),
  { minLength: 1, maxLength: 6 },
);
const standing: fc.Arbitrary<Standing> = fc.option(
  fc.record({ posture: fc.constantFrom(...POSTURES), kit: fc.constant([] as const) }),
  { nil: undefined },
);

describe("the order with the fewest moves", () => {
  it("keeps floor work together: two on the floor between three standing", () => {
    const list = [thing("standing"), thing("supine"), thing("standing"), thing("supine"), thing("standing")];
    // Now 11 + 11 + 11 + 11 s; together 11 + 11 s, or 11 s from the floor up.
    expect(secondsOf(list, [0, 1, 2, 3, 4], undefined, { kitChange: 4 })).toBe(44);
    expect(bestOrder(list, undefined, { kitChange: 4 })).toEqual({ order: [0, 2, 4, 1, 3], seconds: 11 });
    expect(bestOrder(list, undefined, { kitChange: 4 }, { last: 4 })).toEqual({ order: [1, 3, 0, 2, 4], seconds: 11 });
  });
  it("leaves an order that cannot be better as it is", () => {
    const list = [thing("supine"), thing("hands-and-knees"), thing("half-kneeling"), thing("standing")];
    expect(bestOrder(list, undefined, { kitChange: 4 })?.order).toEqual([0, 1, 2, 3]);
  });
  it("fetches a piece of kit once", () => {
    const list = [
      thing("standing", "standing", ["stick"]),
      thing("standing"),
      thing("standing", "standing", ["stick"]),
    ];
    expect(bestOrder(list, undefined, { kitChange: 4 })).toMatchObject({ seconds: 4 });
  });
  it("is as good as the best of all orders, with what comes first kept first", () => {
    fc.assert(
      fc.property(things, standing, fc.boolean(), fc.boolean(), (list, before, fixed, chained) => {
        const n = list.length;
        const own: Ordered[] = list.map((t, i) => (chained && i === n - 1 && n > 2 ? { ...t, after: [0] } : t));
        const last = fixed ? n - 1 : undefined;
        const allowed = orders(n).filter(
          (order) =>
            (last === undefined || order.at(-1) === last) &&
            own.every((t, i) => (t.after ?? []).every((j) => order.indexOf(j) < order.indexOf(i))),
        );
        const best = Math.min(...allowed.map((order) => secondsOf(own, order, before, { kitChange: 4 })));
        const found = bestOrder(own, before, { kitChange: 4 }, { last })!;
        expect(found.seconds).toBeCloseTo(best, 9);
        expect([...found.order].sort((a, b) => a - b)).toEqual(list.map((_, i) => i));
        expect(allowed.some((order) => order.join() === found.order.join())).toBe(true);
      }),
      { numRuns: 200 },
    );
  });
  it("says nothing of more than it can try, of none, and of what cannot be", () => {
    expect(
      bestOrder(
        Array.from({ length: MOST_ORDERED + 1 }, () => thing("supine")),
        undefined,
        { kitChange: 4 },
      ),
    ).toBeUndefined();
    expect(bestOrder([], undefined, { kitChange: 4 })).toBeUndefined();
    expect(
      bestOrder(
        [
          { ...thing("supine"), after: [1] },
          { ...thing("standing"), after: [0] },
        ],
        undefined,
        { kitChange: 4 },
      ),
    ).toBeUndefined();
  });
  it("finds a good order for more, never a worse one, with what comes first kept first", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            from: fc.constantFrom(...POSTURES),
            to: fc.constantFrom(...POSTURES),
            kit: fc.subarray(["pad", "stick"] as const),
          }),
          { minLength: 2, maxLength: 14 },
        ),
        (list) => {
          const n = list.length;
          const things: Ordered[] = list.map((t, i) => (i === n - 2 ? { ...t, after: [0] } : t));
          const found = betterOrder(things, undefined, { kitChange: 4 }, { last: n - 1 });
          expect(found.seconds).toBeLessThanOrEqual(
            secondsOf(
              things,
              list.map((_, i) => i),
              undefined,
              { kitChange: 4 },
            ) + 1e-9,
          );
          expect(found.seconds).toBeCloseTo(secondsOf(things, found.order, undefined, { kitChange: 4 }), 9);
          expect([...found.order].sort((a, b) => a - b)).toEqual(list.map((_, i) => i));
          expect(found.order.at(-1)).toBe(n - 1);
          if (n > 2) expect(found.order.indexOf(0)).toBeLessThanOrEqual(found.order.indexOf(n - 2));
        },
      ),
      { numRuns: 60 },
    );
  });
});
