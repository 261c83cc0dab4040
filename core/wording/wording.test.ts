import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { lengthUntil } from "./finish";
import { median } from "~/core/statistics";
import { DRILLS } from "~/library";
import { findDrills, makeFindable } from "~/core/browse/search";
import { piecesToFetch } from "~/core/vocabulary/kit";
import { amountOf, withAmount } from "~/core/dose/amount";
import { boundsCaution, doseOfKind, tempoCaution } from "~/core/drills/doses";
import { anyDose } from "~/fixtures/sessions";
import { doseSchema } from "~/core/dose/schema";
import { clockText, countdownText, readClock, secondsText } from "~/core/lengths";
import { againstTarget } from "./target";
import { doseWords } from "~/core/dose/dose";

describe("clocks", () => {
  it.each([
    [0, "0:00"],
    [59.4, "0:59"],
    [59.6, "1:00"],
    [605, "10:05"],
    [3600, "1:00:00"],
    [3725, "1:02:05"],
  ])("%d s reads %s", (s, text) => expect(clockText(s)).toBe(text));
  it("a countdown shows 0:00 only at the end", () => {
    expect(countdownText(0.01)).toBe("0:01");
    expect(countdownText(0)).toBe("0:00");
    expect(countdownText(30.0000001)).toBe("0:30");
  });
  it.each([
    ["12", 720],
    ["12:30", 750],
    [" 1:02:05 ", 3725],
    ["12,5", 750],
    ["90:00", 5400],
    ["", undefined],
    ["12:75", undefined],
    ["12 min", 720],
    ["12m", 720],
    ["12 minutes", 720],
    ["90 s", 90],
    ["90 sec", 90],
    ["90s", 90],
    ["1 h 5 min", 3900],
    ["1h30m", 5400],
    ["12 min 30", 750],
    ["12m30s", 750],
    ["1.5 hours", 5400],
    ["12,5 min", 750],
    ["12 min 75", undefined],
    ["12 30", undefined],
    ["min", undefined],
    ["12 parsecs", undefined],
    ["soon", undefined],
    ["-3", undefined],
  ])("“%s” is read as %s", (text, s) => expect(readClock(text)).toBe(s));
  it("reads what it writes", () =>
    fc.assert(fc.property(fc.integer({ min: 0, max: 86_399 }), (s) => readClock(clockText(s)) === s)));
  it.each([
    [45, "45 s"],
    [60, "1 min"],
    [80, "1 min 20 s"],
    [2.5, "2.5 s"],
  ])("%d s is said %s", (s, text) => expect(secondsText(s)).toBe(text));
});

describe("against the target", () => {
  it.each([
    [600, 600, "on target"],
    [600.4, 600, "on target"],
    [629, 600, "29 s over"],
    [593, 600, "7 s under"],
    [500, undefined, "no target"],
  ])("%d of %s is %s", (total, target, words) => expect(againstTarget(total, target).words).toBe(words));
});

describe("searching", () => {
  const findable = makeFindable(DRILLS);
  const ids = (query: string) => findDrills(findable, query).map((d) => d.id);
  it("finds by name first, then by joint, posture, method and kit", () => {
    // Every drill whose name begins with the word comes before any that only works on the joint.
    const begins = findDrills(findable, "ankle").map((d) => d.name.startsWith("Ankle"));
    expect(begins.indexOf(false)).toBeGreaterThan(2);
    expect(begins.slice(begins.indexOf(false))).not.toContain(true);
    expect(ids("cat")[0]).toBe("cat-camel");
    expect(ids("hang")).toContain("bar-hang");
    expect(ids("stick")).toContain("stick-pass");
    expect(ids("standing balance")).toContain("single-leg-reach");
    expect(findDrills(findable, "standing balance")[0]!.method).toBe("balance");
    expect(ids("zebra")).toEqual([]);
    expect(ids("")).toHaveLength(DRILLS.length);
  });
  it("is not troubled by case and spaces", () => expect(ids("  HIP   flexor ")).toEqual(ids("hip flexor")));
});

describe("kit", () => {
  it("counts pieces", () => {
    expect(piecesToFetch(["stick"], ["stick", "stick"])).toEqual(["stick"]);
    expect(piecesToFetch(["pad", "stick"], ["pad"])).toEqual([]);
    expect(piecesToFetch([], ["pad", "block", "block"])).toHaveLength(3);
  });
});

describe("doses at the desk", () => {
  it("an amount given is the amount that is there afterwards", () =>
    fc.assert(
      fc.property(anyDose, fc.integer({ min: 1, max: 60 }), (dose, n) => {
        const changed = withAmount(dose, n);
        expect(doseSchema.safeParse(changed).success).toBe(true);
        return dose.kind === "ladder" ? dose.rungs.includes(amountOf(changed).value) : amountOf(changed).value === n;
      }),
    ));
  it("every kind to change to is a dose", () => {
    for (const kind of ["time", "reps", "breaths", "effort", "ladder"] as const)
      for (const about of [0.5, 30, 600])
        expect(doseSchema.safeParse(doseOfKind(kind, DRILLS[0]!.levels.standard, about)).success).toBe(true);
  });
  it("says what is out of bounds, and what is too fast", () => {
    const level = DRILLS.find((d) => d.id === "cat-camel")!.levels.standard;
    expect(boundsCaution(withAmount(level.dose, 40), level)).toMatch(/More than this drill’s usual 4 to 12/);
    expect(boundsCaution(level.dose, level)).toBeUndefined();
    const fast = { kind: "reps" as const, count: 5, tempo: [{ do: "go", seconds: 1 }] };
    expect(tempoCaution(fast, level.bounds)).toMatch(/at least 5 s/);
    expect(tempoCaution(level.dose, level.bounds)).toBeUndefined();
  });
  it.each([
    [
      {
        kind: "reps",
        count: 8,
        tempo: [
          { do: "a", seconds: 2.5 },
          { do: "b", seconds: 2.5 },
        ],
      },
      "8 × 5 s",
    ],
    [{ kind: "breaths", count: 1 }, "1 breath"],
    [{ kind: "breaths", count: 6, pattern: [4, 0, 8, 0] }, "6 breaths, 4–0–8–0"],
    [
      {
        kind: "effort",
        rounds: 2,
        ramp: [
          { effort: 40, seconds: 2 },
          { effort: 95, seconds: 6 },
        ],
      },
      "2 × effort to 95 %",
    ],
    [{ kind: "ladder", rungs: [8, 12, 90], rung: 2 }, "ladder, 1 min 30 s"],
  ] as const)("in words: %o", (dose, words) => expect(doseWords(doseSchema.parse(dose))).toBe(words));
});

describe("the middle value", () => {
  it.each([
    [[], undefined],
    [[4], 4],
    [[9, 1, 5], 5],
    [[1, 2, 3, 10], 2.5],
  ])("of %o is %s", (values, middle) => expect(median(values)).toBe(middle));
});

describe("a finishing time", () => {
  it.each([
    ["17:35", "17:55", 1200],
    ["9:05", "09:15", 600],
    ["23:50", "00:10", 1200],
    ["12:00", "12:00", 0],
    ["25:00", "12:00", undefined],
    ["12:00", "", undefined],
    ["12:60", "13:00", undefined],
  ] as const)("from %s to %s is %s s", (from, to, seconds) => expect(lengthUntil(from, to)).toBe(seconds));
});
