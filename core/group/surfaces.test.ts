import { describe, expect, it } from "vitest";
import { inForm } from "~/core/drills/form";
import { groundAgainst } from "./surfaces";
import { SURFACES } from "~/core/vocabulary/surfaces";
import type { Drill } from "~/core/drills/schema";
import { drawnDrillById } from "~/library/drawn";

const against = (drill: Drill, surface: (typeof SURFACES)[number], level: keyof Drill["levels"] = "standard") =>
  groundAgainst(inForm(drill, level), drill.levels[level], surface);
const drill = (id: string) => drawnDrillById(id)!;
/** Which surfaces keep a drill off. */
const off = (one: Drill) => SURFACES.filter((surface) => against(one, surface) !== undefined);

describe("what a group stands on", () => {
  it.each([
    ["lying or on hands and knees", "cat-camel", ["wet grass", "hard ground", "dock or deck"]],
    ["kneeling with a pad", "hip-flexor-hold", ["wet grass", "dock or deck"]],
    ["standing on both feet", "squat-free", []],
    ["travelling", "squat-walk", ["dock or deck"]],
    ["on one leg with nothing to hold on to", "single-leg-reach", ["dock or deck"]],
    ["in a lunge, both feet down", "lunge-reverse", []],
    ["sitting on a chair", "chair-round-and-tall", []],
    ["marching on the spot", "marching-knee-drives", []],
    ["landing from a jump", "jump-and-stick", ["dock or deck"]],
    ["dropping with the feet down", "rise-drop-freeze", []],
    ["pushing off sideways, or braking", "plant-and-cut", ["wet grass", "dock or deck"]],
    ["jogging", "jog-lanes", ["dock or deck"]],
  ] as const)("a drill that is %s", (_, id, surfaces) => expect(off(drill(id))).toEqual(surfaces));
  it("wants a pad under a knee on a hall floor or hard ground", () => {
    const hold = drill("hip-flexor-hold");
    const bare: Drill = { ...hold, levels: { ...hold.levels, standard: { ...hold.levels.standard, kit: [] } } };
    expect(off(bare)).toEqual(["hall floor", "wet grass", "hard ground", "dock or deck"]);
    expect(against(bare, "hall floor")).toBe("kneels on a hall floor without a pad");
    expect(against(bare, "dock or deck")).toBe("kneels on a dock or deck");
  });
  it("wants one that is there: a pad that only helps on mats is needed on a hall floor", () => {
    const hold = drill("hip-flexor-hold");
    const without = (surface: (typeof SURFACES)[number]) =>
      groundAgainst(hold, hold.levels.standard, surface, false) !== undefined;
    expect(SURFACES.filter(without)).toEqual(["hall floor", "wet grass", "hard ground", "dock or deck"]);
  });
  it("goes by what a level is where it differs: one that travels has an edge to go over", () => {
    const squat = drill("squat-free");
    const walks: Drill = {
      ...squat,
      levels: { ...squat.levels, standard: { ...squat.levels.standard, method: "travel" } },
    };
    expect(off(walks)).toEqual(["dock or deck"]);
  });
  it("wants a pad under both knees, too, and under one with the leg out to the side", () => {
    for (const id of ["cat-camel", "adductor-hold", "toe-sit"]) {
      const one = drill(id);
      const bare: Drill = { ...one, levels: { ...one.levels, standard: { ...one.levels.standard, kit: [] } } };
      expect(against(bare, "hall floor"), id).toBe("kneels on a hall floor without a pad");
      expect(against(bare, "mat"), id).toBeUndefined();
    }
  });
  it("lets people walk through a cut on wet grass, and keeps off one at speed, or a stop from a run", () => {
    expect(against(drill("plant-and-cut"), "wet grass", "easier")).toBeUndefined();
    expect(against(drill("plant-and-cut"), "wet grass")).toBe("cuts or brakes on wet grass");
    expect(against(drill("run-brake-hold"), "wet grass")).toBe("cuts or brakes on wet grass");
    expect(against(drill("side-bound"), "wet grass")).toBe("cuts or brakes on wet grass");
  });
  it("looks at where a drill ends, too", () => {
    const squat = drill("squat-free");
    const ends: Drill = {
      ...squat,
      levels: { ...squat.levels, standard: { ...squat.levels.standard, endPosture: "long-sit" } },
    };
    expect(against(ends, "wet grass")).toBe("goes down on wet grass");
  });
});
