import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fallbackFor, fitsSegment, loaded } from "./fallback";
import { piecesFor, piecesThere } from "./kit";
import { groupSettingSchema } from "./schema";
import { settingWords } from "./words";
import { AREAS } from "~/core/drills/areas";
import { LEVELS } from "~/core/session/schema";
import { itemOf, USUAL_PACE } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { newSession } from "~/core/session/start";
import { DRILLS, drillById } from "~/library";

describe("kit of a group", () => {
  it("is needed by everyone at once, but for a wall", () => {
    expect([piecesFor("stick", 2, 24), piecesFor("wall", 1, 24), piecesFor("pad", 0, 24)]).toEqual([48, 1, 0]);
    expect(piecesThere(["stick", "stick"], 3, { kit: { stick: 6 } })).toBe(true);
    expect(piecesThere(["stick", "stick"], 3, { kit: { stick: 5 } })).toBe(false);
    expect(piecesThere(["stick"], 3, {})).toBe(true);
    expect(piecesThere(["stick"], 3, { kit: {} })).toBe(false);
  });
});

describe("what someone does instead", () => {
  const by = { drills: drillById, offered: DRILLS, pace: USUAL_PACE };
  it("is the drill itself where nothing is loaded, and its nearest easier level first", () => {
    const squat = itemOf(drillById("squat-free")!);
    expect(fallbackFor(squat, [], by)).toMatchObject({ drill: { id: "squat-free" }, level: "standard" });
    expect(fallbackFor(squat, ["knee-deep-bend"], by)).toMatchObject({ drill: { id: "squat-free" }, level: "easier" });
  });
  it("never loads what is protected, serves the same main work, and takes the same times", () => {
    fc.assert(fc.property(fc.constantFrom(...DRILLS), fc.constantFrom(...LEVELS), fc.subarray([...AREAS], { minLength: 1, maxLength: 4 }), (drill, level, areas) => {
      const item = itemOf(drill, level);
      const found = fallbackFor(item, areas, by);
      if (!found) return;
      expect(loaded(found.drill.levels[found.level], areas)).toEqual([]);
      if (found.drill.id === drill.id) return;
      for (const row of drill.levels[level].main) expect(found.drill.levels[found.level].main).toContain(row);
      const seconds = (id: string) => {
        const session = newSession({ title: "t", purpose: "off-day" }, [{ title: "", rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items: [{ ...item, drill: id, level: id === drill.id ? level : found.level }] }]);
        return compile(session, drillById).segments.filter((s) => s.kind === "work" || s.kind === "switch" || s.kind === "turn").map((s) => s.seconds);
      };
      // Told to keep the others' dose, it is worked in the very same stretches.
      if (item.sides === undefined && found.drill.sides === drill.sides) expect(seconds(found.drill.id)).toEqual(seconds(drill.id));
    }), { numRuns: 300 });
  });
  it("fits a stretch when the drill's own amounts do", () => {
    const level = { dose: { kind: "reps" as const, count: 6, tempo: [{ do: "go", seconds: 4 }] }, bounds: { least: 5, most: 10, step: 1 } };
    expect([16, 20, 40, 43.9, 44].map((seconds) => fitsSegment(level, seconds, USUAL_PACE))).toEqual([false, true, true, true, false]);
  });
  it("is nothing where nothing does", () => {
    expect(fallbackFor(itemOf(drillById("squat-walk")!), [...AREAS], by)).toBeUndefined();
    expect(fallbackFor({ ...itemOf(drillById("squat-walk")!), drill: "not-there" }, [], by)).toBeUndefined();
  });
});

describe("what was said of a group, in words", () => {
  it("is a line each, and nothing for nothing", () => {
    expect(settingWords({})).toEqual([]);
    expect(settingWords({ kit: { stick: 4, pad: 0 }, floor: 12, effortCap: 70, holdCap: 45, support: true, mixed: true, areas: ["neck", "floor"] })).toEqual([
      "Kit: 4 × stick", "Floor: 12 m", "Effort up to 70 %", expect.stringMatching(/^Holds up to 45 ?s$/), "Something to hold on to in balance drills", "Mixed abilities", "Everyone protects neck and getting down to the floor and up",
    ]);
    expect(settingWords({ kit: {} })).toEqual(["No kit at all"]);
  });
  it("is refused where it makes no sense", () => {
    for (const bad of [{ floor: 0 }, { effortCap: 101 }, { kit: { spoon: 1 } }, { kit: { stick: -1 } }, { areas: ["elbow"] }, { holdCap: "long" }]) expect(groupSettingSchema.safeParse(bad).success, JSON.stringify(bad)).toBe(false);
  });
});
