import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { canComeTo } from "./reach";

describe("what sums can come to", () => {
  it("is at the second, or not, by the seconds there are", () => {
    const beats = [
      [0, 1.4, 2.8, 4.2],
      [0, 1.4, 2.8],
    ];
    expect(canComeTo(beats, 7, 7)).toBe(true);
    expect(canComeTo(beats, 6, 6)).toBe(false);
    expect(canComeTo(beats, 5, 6)).toBe(true);
    expect(canComeTo(beats, 7.1, 8)).toBe(false);
  });
  it("may go down as well as up", () => {
    expect(
      canComeTo(
        [
          [0, -3],
          [0, 5],
        ],
        2,
        2,
      ),
    ).toBe(true);
    expect(
      canComeTo(
        [
          [0, -3],
          [0, 5],
        ],
        1,
        1,
      ),
    ).toBe(false);
  });
  it("of nothing to choose is nothing", () => {
    expect(canComeTo([], 0, 0)).toBe(true);
    expect(canComeTo([], 1, 2)).toBe(false);
  });
  it("says that it may be where there are too many sums to tell", () => {
    const many = Array.from({ length: 24 }, (_, k) => [0, 0.001 * 2 ** k]);
    expect(canComeTo(many, 0.0015, 0.0015)).toBe(true);
  });
  it("is as trying every way finds", () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.array(
            fc.integer({ min: -40, max: 40 }).map((n) => n / 10),
            { minLength: 1, maxLength: 4 },
          ),
          { maxLength: 5 },
        ),
        fc.integer({ min: -80, max: 80 }).map((n) => n / 10),
        fc.integer({ min: 0, max: 10 }).map((n) => n / 10),
        (lists, least, wide) => {
          const sums = lists.reduce((all, list) => all.flatMap((sum) => list.map((more) => sum + more)), [0]);
          const is = sums.some((sum) => sum >= least - 1e-6 && sum <= least + wide + 1e-6);
          expect(canComeTo(lists, least, least + wide)).toBe(is);
        },
      ),
    ));
});
