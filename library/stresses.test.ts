import { describe, expect, it } from "vitest";
import { GOLDEN } from "./golden-stresses";
import { drillById } from "~/library";
import { AREAS, type Area } from "~/core/drills/areas";

describe("the golden table of stresses", () => {
  it("has forty levels, half of them easier ones, and every area at least once", () => {
    expect(GOLDEN).toHaveLength(40);
    expect(GOLDEN.filter(({ level }) => level === "easier")).toHaveLength(20);
    expect(new Set(GOLDEN.map(({ drill, level }) => `${drill} ${level}`)).size).toBe(40);
    expect(GOLDEN.filter(({ drill }) => !drillById(drill))).toEqual([]);
    const named = new Set(GOLDEN.flatMap(({ stresses }) => Object.keys(stresses) as Area[]));
    expect(AREAS.filter((area) => !named.has(area))).toEqual([]);
  });
});
