import { describe, expect, it } from "vitest";
import { METHODS } from "~/core/vocabulary/methods";
import { drillSchema } from "~/core/drills/schema";
import { LEVELS } from "~/core/vocabulary/levels";
import { doseSeconds, unitCount, unitMicros } from "~/core/dose/dose";
import { HEIGHT } from "~/core/vocabulary/postures";
import { USUAL_PACE } from "~/core/dose/pace";
import { asDocument } from "~/core/drills/stresses";
import { DRILLS } from ".";
import { motionsOf } from "./animations";

const levels = DRILLS.flatMap((drill) =>
  LEVELS.map((name) => ({ id: drill.id, name, level: drill.levels[name], drill })),
);

describe("the library", () => {
  it("has all 166 drills with their own ids and names", () => {
    expect(DRILLS).toHaveLength(166);
    expect(new Set(DRILLS.map((d) => d.id)).size).toBe(166);
    expect(new Set(DRILLS.map((d) => d.name)).size).toBe(166);
  });
  it("has every dose kind, side mode, posture height and method", () => {
    expect(new Set(DRILLS.map((d) => d.levels.standard.dose.kind)).size).toBe(5);
    expect(new Set(DRILLS.map((d) => d.sides)).size).toBe(3);
    expect(new Set(DRILLS.map((d) => HEIGHT[d.levels.standard.posture])).size).toBe(6);
    expect(new Set(DRILLS.map((d) => d.method)).size).toBe(METHODS.length);
  });
});

describe.each(DRILLS.map((drill) => [drill.id, drill] as const))("%s", (_, drill) => {
  it("is complete", () => {
    expect(drillSchema.safeParse(asDocument(drill))).toMatchObject({ success: true });
    const sentences = [
      ...drill.setUp,
      ...drill.steps,
      ...drill.feel,
      ...drill.cautions,
      ...drill.elsewhere.flatMap((e) => [e.felt, e.change]),
      ...drill.faults.map((f) => f.see),
    ];
    for (const sentence of sentences) expect(sentence).toMatch(/^[A-Z].*[.!?]$/s);
    expect(drill.steps.length).toBeGreaterThanOrEqual(2);
  });
  it("names its directions when it has two", () =>
    expect(drill.directionWords !== undefined).toBe(drill.directions === 2));
});

describe.each(levels.map((l) => [`${l.id}, ${l.name}`, l] as const))("%s", (_, { level, drill, name }) => {
  it("has a dose inside its own bounds and tempo", () => {
    const { dose, bounds } = level;
    const amount = dose.kind === "time" || dose.kind === "ladder" ? doseSeconds(dose, USUAL_PACE) : unitCount(dose);
    expect(amount).toBeGreaterThanOrEqual(bounds.least);
    expect(amount).toBeLessThanOrEqual(bounds.most);
    if (dose.kind === "reps")
      expect(unitMicros(dose, USUAL_PACE) / 1e6).toBeGreaterThanOrEqual(bounds.leastRep ?? Infinity);
  });
  it("differs from the standard in more than its name", () => {
    const { stress: _, ...data } = level;
    const { stress: __, ...standard } = drill.levels.standard;
    if (name !== "standard" && !motionsOf(drill.id)?.[name])
      expect(data).not.toEqual({ ...standard, how: level.how, ...(level.how === drill.brief && { how: "" }) });
  });
});
