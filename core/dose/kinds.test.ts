import { readdirSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { amountOf, withAmount } from "./amount";
import {
  beatCount,
  choicesOf,
  doseSeconds,
  doseWords,
  forClock,
  inWholeUnits,
  isCounted,
  sameDose,
  unitMicros,
} from "./dose";
import { DOSE_KIND_NAMES, DOSE_KINDS, kindOf } from "./kinds";
import { doseSchema } from "./schema";
import { anyDose } from "~/fixtures/sessions";
import { toSeconds } from "~/core/units";

const PACE = { breath: 5 };
/** Files of this folder that are not a kind. */
const SHARED = ["amount", "beat", "bounds", "dose", "kind", "kinds", "pace", "schema"];

describe("kinds of doses", () => {
  it("each have a file of their own, and are all in the registry", () => {
    const files = readdirSync(import.meta.dirname)
      .filter((file) => !file.includes(".test."))
      .map((file) => file.replace(".ts", ""));
    expect(files.filter((file) => !SHARED.includes(file)).sort()).toEqual([...DOSE_KIND_NAMES].sort());
  });
  it("each have an editor", () => {
    const editors = readdirSync(`${import.meta.dirname}/../../app/ui/dose`).map((file) => file.replace(".tsx", ""));
    expect(DOSE_KIND_NAMES.filter((kind) => !editors.includes(kind))).toEqual([]);
  });
  it.each(DOSE_KIND_NAMES)("begin with a dose that the format takes, about as long as is asked: %s", (kind) => {
    for (const about of [12, 30, 60]) {
      const dose = DOSE_KINDS[kind].usual(about);
      expect(doseSchema.parse(dose)).toEqual(dose);
      expect(dose.kind).toBe(kind);
      if (kind !== "effort" && kind !== "ladder")
        expect(Math.abs(doseSeconds(dose, PACE) - about)).toBeLessThanOrEqual(10);
    }
  });
  it("last as long as their beats, and have as many as are counted", () => {
    fc.assert(
      fc.property(anyDose, (dose) => {
        const beats = kindOf(dose).beats(dose, PACE);
        expect(beats.reduce((sum, beat) => sum + beat.micros, 0)).toBe(unitMicros(dose, PACE));
        expect(beatCount(dose)).toBe(beats.length * kindOf(dose).unitCount(dose));
        expect(doseSeconds(dose, PACE)).toBeCloseTo(
          toSeconds(unitMicros(dose, PACE)) * kindOf(dose).unitCount(dose),
          6,
        );
      }),
    );
  });
  it("say their amount, and stay what they are when it is given back", () => {
    fc.assert(
      fc.property(anyDose, (dose) => {
        const { value, unit } = amountOf(dose);
        expect(amountOf(withAmount(dose, value)).value).toBe(value);
        expect(unit === "s").toBe(!isCounted(dose));
        expect(doseWords(dose)).not.toMatch(/undefined|NaN/);
        // Among its choices, where it has any, is the one it is.
        const choices = choicesOf(dose);
        if (choices) expect(choices.map((one) => amountOf(one).value)).toContain(value);
      }),
    );
  });
  it("become something that a block by the clock can keep, or nothing", () => {
    fc.assert(
      fc.property(anyDose, (dose) => {
        const clocked = forClock(dose);
        if (clocked) expect(kindOf(clocked).byClock).not.toBe("never");
        else expect(kindOf(dose).byClock).toBe("never");
        if (inWholeUnits(dose)) expect(isCounted(dose)).toBe(true);
      }),
    );
  });
  it("are the same whatever sort of beats they have, and not with another beat", () => {
    const dose = { kind: "reps" as const, count: 4, tempo: [{ do: "step", seconds: 1 }] };
    expect(sameDose(dose, { ...dose, tempo: [{ do: "step", seconds: 1, kind: "step" }] })).toBe(true);
    expect(sameDose(dose, { ...dose, tempo: [{ do: "step", seconds: 1.5, kind: "step" }] })).toBe(false);
    expect(sameDose(dose, { kind: "time", seconds: 4 })).toBe(false);
  });
});
