import { describe, expect, it } from "vitest";
import { SECOND_CODING } from "./second-coding";
import { drillById } from "~/library";

const SCALES = ["pulse", "speed", "impact", "skill", "effort"] as const;
const MOST = 10;

const pairs = SECOND_CODING.flatMap(([id, level, codes]) =>
  SCALES.map((scale, i) => ({
    at: `${id} ${level} ${scale}`,
    first: drillById(id)!.levels[level][scale]!,
    second: codes[i]!,
  })),
);

/** Cohen's kappa with weights that fall off evenly with the distance (Cohen 1968): 1 as alike as can be, 0 as alike as by chance. */
function weightedKappa(all: readonly { first: number; second: number }[]): number {
  const weight = (a: number, b: number) => 1 - Math.abs(a - b) / MOST;
  const seen = all.reduce((sum, { first, second }) => sum + weight(first, second), 0) / all.length;
  const chance =
    all.reduce((sum, a) => sum + all.reduce((more, b) => more + weight(a.first, b.second), 0), 0) / all.length ** 2;
  return (seen - chance) / (1 - chance);
}

describe("levels coded twice", () => {
  it("are forty different ones", () => expect(new Set(SECOND_CODING.map(([id]) => id)).size).toBe(40));
  it("are coded the same in 85 of 100, and never more than one apart", () => {
    const apart = pairs.filter(({ first, second }) => first !== second);
    expect(1 - apart.length / pairs.length, apart.map(({ at }) => at).join("\n")).toBeGreaterThanOrEqual(0.85);
    expect(apart.filter(({ first, second }) => Math.abs(first - second) > 1)).toEqual([]);
  });
  it("agree well beyond chance", () => expect(weightedKappa(pairs)).toBeGreaterThanOrEqual(0.75));
  it("would not agree if the second time were another level’s", () => {
    const shifted = pairs.map((pair, i) => ({ ...pair, second: pairs[(i + 3) % pairs.length]!.second }));
    expect(weightedKappa(shifted)).toBeLessThan(0.75);
  });
});
