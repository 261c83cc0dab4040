import { describe, expect, it } from "vitest";
import { coldSafe, scalesOf } from "./scales";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import { readDrillText, drillFile } from "~/core/drills/read";
import { DRILLS, drillById } from "~/library";
import { drawnDrillById } from "~/library/drawn";
import { LEVELS } from "~/core/vocabulary/levels";
import { scaleLines } from "~/core/wording/scales";

const march = drillById("rib-shift")!;
const as = (part: Partial<DrillLevel>, drill: Partial<Drill> = {}): Drill => ({
  ...march,
  ...drill,
  levels: { ...march.levels, standard: { ...march.levels.standard, ...part } },
});
const UNSAID = { pulse: undefined, speed: undefined, impact: undefined, skill: undefined, effort: undefined };
const stress = (part: object) => ({ stress: { ...march.levels.standard.stress!, ...part } });

describe("a level that nobody coded", () => {
  it("counts by its method, rather too much than too little", () => {
    expect(scalesOf(as(UNSAID, { method: "spring" }), "standard")).toMatchObject({ pulse: 3, impact: 2, effort: 7 });
    expect(scalesOf(as(UNSAID, { method: "breath" }), "standard")).toMatchObject({ pulse: 0, impact: 0, effort: 1 });
  });
  it("is as fast as its tempo and its drawing", () => {
    const rep = (seconds: number) => ({ dose: { kind: "reps" as const, count: 6, tempo: [{ do: "go", seconds }] } });
    const speed = (part: Partial<DrillLevel>, method: Drill["method"] = "dynamic") =>
      scalesOf(as({ ...UNSAID, ...part }, { method }), "standard").speed;
    expect(speed({ ...rep(3), ...stress({ pace: 1 }) })).toBe(1);
    expect(speed({ ...rep(2.9), ...stress({ pace: 1 }) })).toBe(2);
    expect(speed({ ...rep(6), ...stress({ pace: 2 }) })).toBe(2);
    expect(speed({ dose: { kind: "time", seconds: 30 }, ...stress({ pace: 0 }) }, "hold")).toBe(0);
  });
  it("is as strong as its ramp, and what is said counts before what is guessed", () => {
    const ramp = { kind: "effort" as const, rounds: 1, ramp: [{ effort: 85, seconds: 5 }] };
    expect(scalesOf(as({ ...UNSAID, dose: ramp }, { method: "effort" }), "standard").effort).toBe(9);
    expect(scalesOf(as({ ...UNSAID, dose: ramp, effort: 3 }, { method: "effort" }), "standard").effort).toBe(3);
  });
});

describe("what may be done cold", () => {
  const quiet = {
    ...stress({ endRange: false, pace: 1 }),
    pulse: 1,
    speed: 1,
    impact: 0,
    skill: 1,
    effort: 4,
  } as const;
  it.each<[string, Partial<DrillLevel>, boolean]>([
    ["little effort", {}, true],
    ["a strong effort", { effort: 5 }, false],
    ["a brisk movement", { speed: 2 }, false],
    ["walking, however brisk", { speed: 2, gait: true }, true],
    ["soft landings", { impact: 1 }, true],
    ["jumps", { impact: 2 }, false],
    ["the end of a joint's range", stress({ endRange: true }), false],
    ["a weight", { kit: ["light weight"] }, false],
    ["a ramp", { dose: { kind: "effort", rounds: 1, ramp: [{ effort: 20, seconds: 5 }] } }, false],
  ])("with %s", (_, part, expected) => expect(coldSafe(as({ ...quiet, ...part }), "standard")).toBe(expected));
  it("is never one that is not drawn", () => {
    const { stress: _, ...level } = march.levels.standard;
    expect(coldSafe({ ...march, levels: { ...march.levels, standard: level } }, "standard")).toBe(false);
  });
  it("is some of the library, and no ramp, weight or deep squat of it", () => {
    const cold = DRILLS.flatMap((drill) =>
      LEVELS.filter((level) => coldSafe(drill, level)).map((l) => `${drill.id} ${l}`),
    );
    expect(cold.length).toBeGreaterThan(40);
    for (const none of ["squat-round-hold standard", "ankle-effort easier", "roll-down standard", "bar-hang standard"])
      expect(cold).not.toContain(none);
  });
});

describe("the words of the scales", () => {
  it("say what each step means", () =>
    expect(scaleLines(drillById("squat-free")!, "standard").map(({ scale, step }) => `${scale} ${step}`)).toEqual([
      "pulse 2",
      "speed 1",
      "impact 0",
      "skill 1",
      "effort 4",
    ]));
});

describe("drill files", () => {
  const drill = drawnDrillById("cat-camel")!;
  it("of the newest version come back as they went", () => {
    const read = readDrillText(JSON.stringify(drillFile(drill)));
    expect(read).toMatchObject({ ok: true, value: { cautions: drill.cautions, levels: { easier: { effort: 2 } } } });
  });
  it("of the second version open, their cautions asking to take care", () => {
    const { drill: doc } = drillFile(drill);
    const levels = Object.fromEntries(
      LEVELS.map((level) => {
        const { pulse: _, speed: _s, impact: _i, skill: _k, effort: _e, helps: _h, ...before } = doc.levels[level];
        return [level, before];
      }),
    );
    const before = { ...doc, cautions: doc.cautions.map(({ text }) => text), levels, family: undefined };
    const read = readDrillText(JSON.stringify({ format: "mapset/drill", version: 2, drill: before }));
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    expect(read.value.cautions).toEqual(drill.cautions.map(({ text }) => ({ kind: "take care", text })));
    expect(scalesOf(read.value, "standard").pulse).toBe(1);
  });
  it("say where a code is beyond its scale", () => {
    const { drill: doc } = drillFile(drill);
    const bad = { ...doc, levels: { ...doc.levels, harder: { ...doc.levels.harder, pulse: 4, effort: 11 } } };
    const read = readDrillText(JSON.stringify({ format: "mapset/drill", version: 3, drill: bad }));
    expect(read.ok ? [] : read.faults.map(({ path }) => path)).toEqual(
      expect.arrayContaining(["drill.levels.harder.pulse", "drill.levels.harder.effort"]),
    );
  });
});
