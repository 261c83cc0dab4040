import { readFileSync, existsSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { drillSchema, METHODS } from "~/core/drills/schema";
import { LEVELS } from "~/core/session/schema";
import { doseSeconds, unitCount, unitMicros } from "~/core/timeline/dose";
import { HEIGHT } from "~/core/timeline/postures";
import { USUAL_PACE } from "~/core/session/start";
import { DRILLS } from ".";

const levels = DRILLS.flatMap((drill) => LEVELS.map((name) => ({ id: drill.id, name, level: drill.levels[name], drill })));

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
    expect(drillSchema.safeParse(drill)).toMatchObject({ success: true });
    const sentences = [...drill.setUp, ...drill.steps, ...drill.feel, ...drill.cautions, ...drill.elsewhere.flatMap((e) => [e.felt, e.change]), ...drill.faults.map((f) => f.see)];
    for (const sentence of sentences) expect(sentence).toMatch(/^[A-Z].*[.!?]$/s);
    expect(drill.steps.length).toBeGreaterThanOrEqual(2);
  });
  it("names its directions when it has two", () => expect(drill.directionWords !== undefined).toBe(drill.directions === 2));
});

describe.each(levels.map((l) => [`${l.id}, ${l.name}`, l] as const))("%s", (_, { level, drill, name }) => {
  it("has a dose inside its own bounds and tempo", () => {
    const { dose, bounds } = level;
    const amount = dose.kind === "time" || dose.kind === "ladder" ? doseSeconds(dose, USUAL_PACE) : unitCount(dose);
    expect(amount).toBeGreaterThanOrEqual(bounds.least);
    expect(amount).toBeLessThanOrEqual(bounds.most);
    if (dose.kind === "reps") expect(unitMicros(dose, USUAL_PACE) / 1e6).toBeGreaterThanOrEqual(bounds.leastRep ?? Infinity);
  });
  it("loads what its posture and method load", () => {
    const { posture, loads, dose } = level;
    if (posture === "half-kneeling" || posture === "tall-kneeling") expect(loads).toContain("kneeling");
    if (HEIGHT[posture] <= 1) expect(loads).toContain("floor");
    if (posture === "hang") expect(loads).toContain("shoulder-overhead");
    if (dose.kind === "effort" && dose.ramp.some((step) => step.effort > 80)) expect(loads).toContain("max-effort");
    // A knee that only comes down in passing, from a squat or a plank, goes without a pad; its caution speaks of one.
    if (loads.includes("kneeling") && posture !== "squat" && posture !== "plank") expect(level.kit).toContain("pad");
  });
  it("differs from the standard in more than its name", () => {
    if (name !== "standard") expect(level).not.toEqual({ ...drill.levels.standard, how: level.how, ...(level.how === drill.brief && { how: "" }) });
  });
});

/** Where the table's main rows did not stand up to the drawn motion. */
const MAIN_ROWS_CORRECTED = new Set(["adductor-rock-short"]);

describe("the working table of drills", () => {
  const table = new URL("../../shared/design/drills.csv", import.meta.url);
  it.runIf(existsSync(table))("agrees with posture, sides, method and the length of one side", () => {
    const rows = readFileSync(table, "utf8").trim().split("\n").slice(1).map((line) => line.split(";"));
    for (const drill of DRILLS) {
      const row = rows.find((r) => r[0] === drill.id);
      expect(row?.slice(1, 5), drill.id).toEqual([drill.name, drill.levels.standard.posture, drill.sides, drill.method]);
      if (!MAIN_ROWS_CORRECTED.has(drill.id)) expect(row?.[5]?.split(","), drill.id).toEqual(drill.levels.standard.main);
      const reps = /reps (\d+)x([\d.]+)/.exec(row?.[7] ?? "");
      if (reps) expect(doseSeconds(drill.levels.standard.dose, USUAL_PACE), drill.id).toBeCloseTo(Number(reps[1]) * Number(reps[2]));
    }
  });
});
