import { describe, expect, it } from "vitest";
import { METHODS } from "~/core/vocabulary/methods";
import { drillSchema } from "~/core/drills/schema";
import { LEVELS } from "~/core/vocabulary/levels";
import { inForm, needsOf } from "~/core/drills/form";
import { asksEffort, doseSeconds, peakEffort, repOf, unitCount, unitMicros } from "~/core/dose/dose";
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
  it("has every dose kind, side mode and posture height, and every method but jumps", () => {
    expect(new Set(DRILLS.map((d) => d.levels.standard.dose.kind)).size).toBe(5);
    expect(new Set(DRILLS.map((d) => d.sides)).size).toBe(3);
    expect(new Set(DRILLS.map((d) => HEIGHT[d.levels.standard.posture])).size).toBe(6);
    expect(METHODS.filter((method) => !DRILLS.some((d) => d.method === method))).toEqual(["spring"]);
  });
  it("has in each family drills of different names, and more than one", () => {
    const families = new Set(DRILLS.flatMap((d) => d.family ?? []));
    for (const family of families) expect(DRILLS.filter((d) => d.family === family).length, family).toBeGreaterThan(1);
  });
});

describe.each(DRILLS.map((drill) => [drill.id, drill] as const))("%s", (_, drill) => {
  it("is complete", () => {
    expect(drillSchema.safeParse(asDocument(drill))).toMatchObject({ success: true });
    const sentences = [
      ...drill.setUp,
      ...drill.steps,
      ...drill.feel,
      ...LEVELS.flatMap((level) => inForm(drill, level).cautions.map(({ text }) => text)),
      ...LEVELS.map((level) => drill.levels[level].how),
      ...drill.elsewhere.flatMap((e) => [e.felt, e.change]),
      ...drill.faults.map((f) => f.see),
    ];
    for (const sentence of sentences) expect(sentence).toMatch(/^[A-Z0-9].*[.!?]$/s);
    expect(drill.steps.length).toBeGreaterThanOrEqual(2);
  });
  it("says what the side that is called is, unless both work together", () => {
    if (drill.sides !== "together") expect(drill.working).toMatch(/^[a-z]/);
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
  it("is coded on every scale, its effort by its ramp where it has one", () => {
    const { pulse, speed, impact, skill, effort, dose } = level;
    for (const step of [pulse, speed, impact, skill]) expect(step).toBeDefined();
    expect(effort).toBeGreaterThanOrEqual(0);
    expect(effort).toBeLessThanOrEqual(10);
    if (asksEffort(dose)) expect(effort).toBe(peakEffort(dose) / 10);
    if (impact === 0)
      expect(dose.kind === "reps" && dose.tempo.some((beat) => beat.kind === "hop"), "hops land").toBe(false);
  });
  it("is no faster in its drawing than it says, at the fastest tempo it allows", () => {
    if (level.stress!.pace === 2) expect(level.speed).toBeGreaterThanOrEqual(2);
    if (level.dose.kind === "reps" && repOf(level.dose) < 3) expect(level.speed).toBeGreaterThanOrEqual(2);
  });
  it("is easier or harder than the standard on a scale", () => {
    if (name === "standard") return;
    const { standard } = drill.levels;
    const [less, more] = name === "easier" ? [level, standard] : [standard, level];
    const scales = ["pulse", "speed", "impact", "skill", "effort"] as const;
    expect(scales.some((scale) => less[scale]! < more[scale]!)).toBe(true);
    expect(scales.filter((scale) => scale !== "speed" && less[scale]! > more[scale]!)).toEqual([]);
  });
  it("has among its kit whatever only helps, each piece once", () => {
    const { kit, helps = [] } = level;
    expect(needsOf(level)).toHaveLength(kit.length - helps.length);
  });
  it("differs from the standard in more than its name", () => {
    const { stress: _, ...data } = level;
    const { stress: __, ...standard } = drill.levels.standard;
    if (name !== "standard" && !motionsOf(drill.id)?.[name])
      expect(data).not.toEqual({ ...standard, how: level.how, ...(level.how === drill.brief && { how: "" }) });
  });
});
