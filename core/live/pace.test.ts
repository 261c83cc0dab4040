import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { atPace, isWorthOffering, observed, paceOf, spreadOf, USUAL_SPREAD, type Observed } from "./pace";

describe("the pace a group really has", () => {
  const planned = [64, 58, 71, 60, 66];
  const real = [83, 70, 101, 75, 90];
  const n = [7.1, 6.4, 7.8, 6.6, 7.3];
  const five: Observed[] = planned.map((p, i) => ({ y: Math.log(real[i]! / p), n: n[i]!, weeksAgo: 0 }));
  it("is 1.26 in the worked example, likely 1.13 to 1.42", () => {
    const pace = paceOf(five);
    expect(pace.mean).toBeCloseTo(0.2348, 3);
    expect(pace.deviation).toBeCloseTo(0.0889, 3);
    expect(pace.ratio).toBeCloseTo(1.26, 2);
    expect(pace.likely.map((one) => one.toFixed(2))).toEqual(["1.13", "1.42"]);
    expect(pace.within.map((one) => one.toFixed(2))).toEqual(["1.06", "1.51"]);
    expect(isWorthOffering(pace, 1)).toBe(true);
    expect(isWorthOffering(pace, 1.25)).toBe(false);
  });
  it("counts segments by their effective number, from three on", () => {
    expect(observed({ planned: [10, 10], real: [12, 12] })).toBeUndefined();
    expect(observed({ planned: [10, 10, 10], real: [12, 12, 12] })!.n).toBeCloseTo(3, 9);
    expect(observed({ planned: [30, 1, 1], real: [30, 1, 1] })!.n).toBeLessThan(1.2);
    expect(observed({ planned: [10, 10, 10], real: [20, 20, 20] })!.y).toBeCloseTo(Math.log(2), 9);
  });
  it("is not moved far by one class that was quite other, and names it", () => {
    const odd = [...five, { y: Math.log(4), n: 7, weeksAgo: 0 }];
    const pace = paceOf(odd);
    expect(pace.outlying).toEqual([5]);
    expect(pace.ratio).toBeLessThan(1.5);
    expect(paceOf(five).outlying).toEqual([]);
  });
  it("hears a class of more than 26 weeks ago for half", () => {
    const one = (weeksAgo: number) => paceOf([{ y: 0.4, n: 8, weeksAgo }]).mean;
    expect(one(26)).toBeGreaterThan(one(27));
  });
  it("is offered from three classes on, and only where it is clear", () => {
    const same = (count: number, y: number): Observed[] =>
      Array.from({ length: count }, () => ({ y, n: 7, weeksAgo: 0 }));
    expect(isWorthOffering(paceOf(same(2, 0.5)), 1)).toBe(false);
    expect(isWorthOffering(paceOf(same(3, 0.5)), 1)).toBe(true);
    expect(isWorthOffering(paceOf(same(3, 0.1)), 1)).toBe(false);
  });
  it("lies between no change and what was seen", () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            y: fc.double({ min: 0.01, max: 1, noNaN: true }),
            n: fc.double({ min: 1, max: 20, noNaN: true }),
          }),
          {
            minLength: 1,
            maxLength: 12,
          },
        ),
        (list) => {
          const { mean } = paceOf(list.map((one) => ({ ...one, weeksAgo: 0 })));
          expect(mean).toBeGreaterThan(0);
          expect(mean).toBeLessThan(Math.max(...list.map(({ y }) => y)));
        },
      ),
    );
  });
  it("spreads as the club’s own classes do, from thirty of them on", () => {
    // Normal numbers, the same each time.
    let seed = 7;
    const uniform = () => (seed = (seed * 48_271) % 2_147_483_647) / 2_147_483_647;
    const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    const club = (groups: number, classes: number, tau: number, sigma: number) =>
      Array.from({ length: groups }, () => {
        const own = 0.25 * normal();
        return Array.from({ length: classes }, () => {
          const day = own + tau * normal();
          const planned = Array.from({ length: 10 }, () => 5 + 3 * uniform());
          return { planned, real: planned.map((p) => p * Math.exp(day + sigma * normal())) };
        });
      });
    const few = club(3, 9, 0.2, 0.5);
    expect(spreadOf(few)).toBe(USUAL_SPREAD);
    const found = spreadOf(club(40, 12, 0.2, 0.5));
    expect(found.sigma).toBeCloseTo(0.5, 1);
    expect(found.tau).toBeCloseTo(0.2, 1);
    // Kept inside what can be believed, on both sides.
    expect(spreadOf(club(40, 12, 0, 0.4)).tau).toBeGreaterThanOrEqual(0.05);
    expect(spreadOf(club(40, 12, 0.9, 0.4)).tau).toBe(0.3);
    expect(spreadOf(club(40, 12, 0.1, 0)).sigma).toBe(0.1);
    expect(spreadOf([])).toBe(USUAL_SPREAD);
    const single = club(40, 1, 0.2, 0.5);
    expect(spreadOf(single)).toBe(USUAL_SPREAD);
  });
  it("is set to half a second, and never far from what is usual", () => {
    expect(atPace(3, 1.26)).toBe(4);
    expect(atPace(2, 1.26)).toBe(2.5);
    expect(atPace(3, 9)).toBe(7.5);
    expect(atPace(10, 0.1)).toBe(6);
  });
});
