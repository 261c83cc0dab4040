import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { z } from "zod";
import { fallbackFor, fitsSegment, HARD_WAYS } from "./fallback";
import { piecesFor, piecesThere } from "./kit";
import {
  against,
  allProtections,
  gradeFor,
  itemAsWorked,
  levelAsWorked,
  protectionsOf,
  protectsListSchema,
  sidesHit,
  spares,
  type AsWorked,
  type Protection,
} from "./protect";
import { groupSettingSchema } from "./schema";
import { settingWords } from "~/core/wording/group";
import { AREAS, isSided, type Area } from "~/core/vocabulary/areas";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import { parseWith } from "~/core/faults";
import { LEVELS } from "~/core/vocabulary/levels";
import { itemOf, newSession } from "~/core/session/start";
import { USUAL_PACE } from "~/core/dose/pace";
import { peakEffort, doseSeconds } from "~/core/dose/dose";
import { LIMITABLE, type Stress } from "~/core/drills/stresses";
import { madeDrill } from "~/fixtures/drills";
import { compile } from "~/core/timeline/compile";
import { HEIGHT } from "~/core/vocabulary/postures";
import { DRILLS, drillById } from "~/library";

describe("kit of a group", () => {
  it("is needed by everyone at once, but for a wall", () => {
    expect([piecesFor("stick", 2, 24), piecesFor("wall", 1, 24), piecesFor("pad", 0, 24)]).toEqual([48, 1, 0]);
    expect(piecesThere(["stick", "stick"], 3, { kit: { stick: 6 } })).toBe(true);
    expect(piecesThere(["stick", "stick"], 3, { kit: { stick: 5 } })).toBe(false);
    expect(piecesThere(["stick"], 3, {})).toBe(true);
    expect(piecesThere(["stick"], 3, { kit: {} })).toBe(false);
    // Every kind of it, each by its own count; a wall is there for all, however often it is named.
    expect(piecesThere(["stick", "pad"], 3, { kit: { stick: 3 } })).toBe(false);
    expect(piecesThere(["stick", "pad"], 3, { kit: { stick: 3, pad: 3 } })).toBe(true);
    expect(piecesThere(["wall", "wall"], 9, { kit: { wall: 1 } })).toBe(true);
    expect(piecesFor("wall", 0, 9)).toBe(0);
    expect(piecesThere([], 9, { kit: {} })).toBe(true);
  });
});

const keepOff = (...areas: Area[]): Protection[] => areas.map((area) => ({ area, way: "keep-off" }));

describe("what someone does instead", () => {
  const by = { drills: drillById, offered: DRILLS, pace: USUAL_PACE };
  const protections = fc.array(
    fc
      .record({
        area: fc.constantFrom(...AREAS),
        side: fc.constantFrom(undefined, "left" as const, "right" as const),
        way: fc.constantFrom("keep-off" as const, "small" as const),
        limit: fc.constantFrom(undefined, 60, 90, 120),
      })
      .map(({ area, side, way, limit }): Protection => ({
        area,
        way,
        ...(side && isSided(area) && { side }),
        ...(limit && (LIMITABLE as readonly Area[]).includes(area) && { limit }),
      })),
    { minLength: 1, maxLength: 4 },
  );
  it("is the drill itself where nothing is loaded, and its nearest easier level first", () => {
    const reach = itemOf(drillById("single-leg-reach")!);
    expect(fallbackFor(reach, [], by)).toMatchObject({ drill: { id: "single-leg-reach" }, level: "standard" });
    expect(fallbackFor(reach, keepOff("balance"), by)).toMatchObject({
      drill: { id: "single-leg-reach" },
      level: "easier",
    });
    // An easier level of a ramp goes by its own ramp, whatever the others' is.
    expect(
      fallbackFor({ ...itemOf(drillById("ankle-effort")!, "harder") }, [{ area: "max-effort", way: "small" }], by),
    ).toMatchObject({ drill: { id: "ankle-effort" }, level: "easier" });
  });
  it("never loads what is protected on that side, is no harder in any way, serves the same main work, and takes the same times", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DRILLS),
        fc.constantFrom(...LEVELS),
        protections,
        fc.constantFrom(undefined, "left" as const, "right" as const),
        (drill, level, all, sides) => {
          const item = { ...itemOf(drill, level), ...(sides && { sides }) };
          const found = fallbackFor(item, all, by);
          if (!found) return;
          const [form, own] = [found.drill.levels[found.level], drill.levels[level]];
          const worked = itemAsWorked(drill, item, USUAL_PACE);
          const dose =
            form.dose.kind === "effort" || found.drill.id !== drill.id || item.dose.kind === "effort"
              ? form.dose
              : item.dose;
          const same = found.drill.id === drill.id && found.level === level;
          expect(against(form, { ...worked, dose: same ? item.dose : dose }, all)).toEqual([]);
          expect(LEVELS.indexOf(found.level)).toBeLessThanOrEqual(LEVELS.indexOf(level));
          if (same) return;
          expect(peakEffort(dose)).toBeLessThanOrEqual(peakEffort(item.dose));
          expect(form.stress!.pace).toBeLessThanOrEqual(own.stress!.pace);
          const impact = (of: DrillLevel) =>
            Math.max(0, ...of.stress!.always.filter((s) => s.area === "impact").map((s) => s.grade));
          expect(impact(form)).toBeLessThanOrEqual(impact(own));
          if (found.drill.id === drill.id) return;
          if (HARD_WAYS.has(found.drill.method)) expect(found.drill.method).toBe(drill.method);
          for (const row of own.main) expect(form.main).toContain(row);
          expect(Math.abs(HEIGHT[form.posture] - HEIGHT[own.posture]) <= 1 || form.posture === "standing").toBe(true);
          expect(fitsSegment(form, doseSeconds(item.dose, USUAL_PACE), USUAL_PACE)).toBe(true);
          const seconds = (id: string) => {
            const session = newSession({ title: "t", purpose: "off-day" }, [
              {
                title: "",
                rounds: 1,
                restBetweenRounds: 0,
                sideOrder: "drill-by-drill",
                items: [{ ...item, drill: id, level: id === drill.id ? level : found.level }],
              },
            ]);
            return compile(session, drillById)
              .segments.filter((s) => s.kind === "work" || s.kind === "switch" || s.kind === "turn")
              .map((s) => s.seconds);
          };
          // Told to keep the others' dose, it is worked in the very same stretches.
          if (item.sides === undefined && found.drill.sides === drill.sides)
            expect(seconds(found.drill.id)).toEqual(seconds(drill.id));
        },
      ),
      { numRuns: 400 },
    );
  });
  it("is never strength, effort, resistance, balance or travel in place of something gentler, nor far from the others but on the feet", () => {
    const gentle = drillById("hip-flexor-hold")!;
    const of = (change: Partial<Drill>, level: Partial<DrillLevel> = {}): Drill => ({
      ...gentle,
      id: "other",
      ...change,
      levels: {
        ...gentle.levels,
        easier: { ...bare(gentle.levels.easier), ...level },
        standard: { ...bare(gentle.levels.standard), ...level },
        harder: { ...bare(gentle.levels.harder), ...level },
      },
    });
    // What it is drawn as does not matter here, only that it is.
    const bare = (level: DrillLevel): DrillLevel => ({
      ...level,
      loads: [],
      stress: { ...level.stress!, always: [], timed: [], pressed: [] },
    });
    const offered = (drill: Drill) =>
      fallbackFor(itemOf(gentle), keepOff("kneeling"), { ...by, offered: [drill] })?.drill.id;
    expect(offered(of({}))).toBe("other");
    for (const method of ["strength", "effort", "resisted", "balance", "travel"] as const)
      expect(offered(of({ method })), method).toBeUndefined();
    for (const [posture, fine] of [
      ["squat", true],
      ["standing", true],
      ["split-stance", true],
      ["plank", true],
      ["long-sit", false],
      ["prone", false],
      ["hang", false],
    ] as const)
      expect(offered(of({}, { posture })), posture).toBe(fine ? "other" : undefined);
    // From lying, getting up to stand is in reach as staying there is; half the way up is not.
    const lying: Drill = {
      ...gentle,
      levels: {
        easier: { ...gentle.levels.easier, posture: "prone" },
        standard: { ...gentle.levels.standard, posture: "prone" },
        harder: { ...gentle.levels.harder, posture: "prone" },
      },
    };
    const fromLying = (drill: Drill) =>
      fallbackFor(itemOf(lying), keepOff("kneeling"), { ...by, drills: () => lying, offered: [drill] })?.drill.id;
    expect([
      fromLying(of({}, { posture: "standing" })),
      fromLying(of({}, { posture: "supine" })),
      fromLying(of({}, { posture: "squat" })),
    ]).toEqual(["other", "other", undefined]);
    expect(offered(of({}, { stress: undefined }))).toBeUndefined();
    // Nothing faster, with landings or with more effort than what it stands in for.
    const stress = { ...gentle.levels.standard.stress!, always: [], timed: [], pressed: [] };
    expect(stress.pace).toBe(0);
    expect([
      offered(of({}, { stress: { ...stress, pace: 0 } })),
      offered(of({}, { stress: { ...stress, pace: 1 } })),
    ]).toEqual(["other", undefined]);
    const landing = (grade: 1 | 2) => ({
      ...stress,
      always: [{ area: "impact" as const, grade, side: "both" as const }],
    });
    expect([offered(of({}, { stress: landing(1) })), offered(of({}, { stress: landing(2) }))]).toEqual([
      undefined,
      undefined,
    ]);
    const jumping: Drill = {
      ...gentle,
      levels: {
        ...gentle.levels,
        standard: {
          ...gentle.levels.standard,
          stress: {
            ...gentle.levels.standard.stress!,
            always: [...gentle.levels.standard.stress!.always, ...landing(1).always],
          },
        },
      },
    };
    const fromJumping = (drill: Drill) =>
      fallbackFor(itemOf(jumping), keepOff("kneeling"), { ...by, drills: () => jumping, offered: [drill] })?.drill.id;
    expect([fromJumping(of({}, { stress: landing(1) })), fromJumping(of({}, { stress: landing(2) }))]).toEqual([
      "other",
      undefined,
    ]);
    const effort = (most: number) => ({
      dose: { kind: "effort" as const, rounds: 1, ramp: [{ effort: most, seconds: 30 }] },
      bounds: { least: 1, most: 3, step: 1 },
    });
    expect(offered(of({}, effort(30)))).toBeUndefined();
    const pushing: Drill = {
      ...gentle,
      levels: { ...gentle.levels, standard: { ...gentle.levels.standard, ...effort(40) } },
    };
    const fromPushing = (drill: Drill) =>
      fallbackFor(itemOf(pushing), keepOff("kneeling"), { ...by, drills: () => pushing, offered: [drill] })?.drill.id;
    expect([fromPushing(of({}, effort(40))), fromPushing(of({}, effort(41)))]).toEqual(["other", undefined]);
    expect(offered(of({ directions: 2 }))).toBeUndefined();
    expect(offered(of({ sides: "together" }))).toBeUndefined();
  });
  it("fits a stretch when the drill's own amounts do", () => {
    const level = {
      dose: { kind: "reps" as const, count: 6, tempo: [{ do: "go", seconds: 4 }] },
      bounds: { least: 5, most: 10, step: 1 },
    };
    expect([16, 20, 40, 43.9, 44].map((seconds) => fitsSegment(level, seconds, USUAL_PACE))).toEqual([
      false,
      true,
      true,
      true,
      false,
    ]);
  });
  it("is nothing where nothing does", () => {
    expect(fallbackFor(itemOf(drillById("squat-walk")!), keepOff(...AREAS), by)).toBeUndefined();
    expect(fallbackFor({ ...itemOf(drillById("squat-walk")!), drill: "not-there" }, [], by)).toBeUndefined();
  });
  it("is never a level that is not drawn, nor is such a one fine for anybody who protects something", () => {
    const plain = {
      ...drillById("cat-camel")!,
      levels: Object.fromEntries(
        LEVELS.map((name) => [name, { ...drillById("cat-camel")!.levels[name], stress: undefined }]),
      ) as Drill["levels"],
    };
    const so = { ...by, drills: () => plain, offered: [plain] };
    expect(fallbackFor(itemOf(plain), [], so)).toMatchObject({ level: "standard" });
    expect(fallbackFor(itemOf(plain), keepOff("grip"), so)).toBeUndefined();
  });
});

describe("what someone protects", () => {
  const drill = drillById("ninety-lean-front")!;
  const level = drill.levels.standard;
  const stresses = (of: Stress[]): DrillLevel => ({
    ...level,
    stress: { ...level.stress!, always: of, timed: [], pressed: [] },
  });
  const hits = (of: Stress[], one: Protection, sides: AsWorked["sides"] = "each") =>
    against(stresses(of), { dose: level.dose, seconds: 10, sides }, [one]).length > 0;
  const twist = (side: Stress["side"], grade: 1 | 2 = 1): Stress[] => [{ area: "knee-twist", grade, side }];
  it("is read from a name alone as both sides, keep off", () => {
    expect(
      protectionsOf(["neck", { area: "knee-twist", side: "left", way: "small" }, { area: "hip-deep-bend", limit: 90 }]),
    ).toEqual([
      { area: "neck", way: "keep-off" },
      { area: "knee-twist", side: "left", way: "small" },
      { area: "hip-deep-bend", way: "keep-off", limit: 90 },
    ]);
  });
  it("kept off is nothing of it; small amounts are fine is not much of it", () => {
    expect([
      hits(twist("both", 1), { area: "knee-twist", way: "keep-off" }),
      hits(twist("both", 1), { area: "knee-twist", way: "small" }),
      hits(twist("both", 2), { area: "knee-twist", way: "small" }),
    ]).toEqual([true, false, true]);
    expect(hits(twist("both", 2), { area: "neck", way: "keep-off" })).toBe(false);
  });
  it("on a side is met by the working or the other side, whichever side is worked", () => {
    const left: Protection = { area: "knee-twist", side: "left", way: "keep-off" };
    expect(["each", "left", "right"].map((sides) => hits(twist("working"), left, sides as AsWorked["sides"]))).toEqual([
      true,
      true,
      false,
    ]);
    expect(["each", "left", "right"].map((sides) => hits(twist("other"), left, sides as AsWorked["sides"]))).toEqual([
      true,
      false,
      true,
    ]);
    expect(hits(twist("both"), left, "right")).toBe(true);
    expect([...sidesHit("middle", "left")]).toEqual(["left", "right"]);
  });
  it("with a limit is met from ten degrees under it on, free or carried, on its side", () => {
    const bent = (working: number, other = 0): DrillLevel => ({
      ...level,
      stress: {
        ...level.stress!,
        always: [],
        timed: [],
        pressed: [],
        bends: { ...level.stress!.bends, "hip-deep-bend": { working, other } },
      },
    });
    const limit = (of: DrillLevel, more: Partial<Protection> = {}, sides: AsWorked["sides"] = "each") =>
      against(of, { dose: level.dose, seconds: 10, sides }, [
        { area: "hip-deep-bend", way: "small", limit: 90, ...more },
      ]).length > 0;
    expect([limit(bent(79)), limit(bent(80)), limit(bent(0, 80))]).toEqual([false, true, true]);
    expect([
      limit(bent(80), { side: "left" }, "left"),
      limit(bent(80), { side: "left" }, "right"),
      limit(bent(0, 80), { side: "left" }, "right"),
    ]).toEqual([true, false, true]);
  });
  it("is refused where it makes no sense, with its place", () => {
    const read = (list: unknown) => parseWith(z.strictObject({ areas: protectsListSchema }), { areas: list });
    expect(
      read(["neck", { area: "knee-twist" }, { area: "hip-deep-bend", side: "left", way: "small", limit: 90 }]).ok,
    ).toBe(true);
    for (const bad of [
      ["elbow"],
      [{ area: "neck", side: "left" }],
      [{ area: "neck", limit: 90 }],
      [{ area: "hip-deep-bend", limit: 10 }],
      [{ area: "knee-twist", way: "often" }],
      [{ area: "neck", why: "secret" }],
      "neck",
      Array.from({ length: 65 }, () => "neck"),
    ])
      expect(read(bad).ok, JSON.stringify(bad)).toBe(false);
    const faults = (list: unknown) => {
      const answer = read(list);
      return answer.ok ? [] : answer.faults.map((fault) => `${fault.path} ${fault.message}`);
    };
    expect(
      faults([
        { area: "neck", side: "left" },
        { area: "neck", limit: 90 },
      ]),
    ).toEqual([
      "areas[0].side has no left and right",
      "areas[1].limit has no limit in degrees; only hip-deep-bend, knee-deep-bend, shoulder-overhead have",
    ]);
  });
  it("is theirs and the whole group's together", () => {
    expect(allProtections({ areas: ["neck"] }, { areas: ["grip"] }).map((one) => one.area)).toEqual(["neck", "grip"]);
    expect(allProtections({ areas: [] }, {})).toEqual([]);
  });
  it("is met by the worst of its area, wherever it stands among others", () => {
    const mixed: Stress[] = [
      { area: "knee-twist", grade: 1, side: "both" },
      { area: "neck", grade: 2, side: "middle" },
      { area: "knee-twist", grade: 2, side: "working" },
      { area: "grip", grade: 1, side: "both" },
    ];
    expect(gradeFor(level, mixed, { area: "knee-twist", way: "keep-off" }, "each")).toBe(2);
    expect(gradeFor(level, mixed, { area: "knee-twist", side: "right", way: "keep-off" }, "left")).toBe(1);
    expect(gradeFor(level, [...mixed].reverse(), { area: "knee-twist", way: "keep-off" }, "each")).toBe(2);
    expect(gradeFor(level, mixed, { area: "grip", way: "keep-off" }, "each")).toBe(1);
    expect(gradeFor(level, mixed, { area: "kneeling", way: "keep-off" }, "each")).toBe(0);
    expect(against(level, { dose: level.dose, seconds: 10, sides: "each" }, [])).toEqual([]);
  });
  it("is met by an item on its own sides, for as long as all its rounds take, and by a level at its own dose", () => {
    const made = madeDrill("made", { sides: "each", dose: { kind: "time", seconds: 30 } });
    const item = { ...itemOf(made), sets: 2 };
    expect(itemAsWorked(made, item, USUAL_PACE)).toEqual({
      dose: { kind: "time", seconds: 30 },
      seconds: 120,
      sides: "each",
    });
    expect(itemAsWorked(made, { ...item, sides: "left" }, USUAL_PACE, 3)).toEqual({
      dose: { kind: "time", seconds: 30 },
      seconds: 180,
      sides: "left",
    });
    expect(levelAsWorked(made, "easier")).toEqual({ dose: { kind: "time", seconds: 30 }, seconds: 60, sides: "each" });
    const long = madeDrill("long", {
      sides: "each",
      stress: { ...made.levels.standard.stress!, timed: [{ area: "neck", grade: 1, side: "middle", from: 60 }] },
    });
    expect([
      spares(made, "standard", keepOff("neck")),
      spares(long, "standard", keepOff("neck")),
      spares(long, "standard", []),
    ]).toEqual([true, false, true]);
  });
});

describe("what was said of a group, in words", () => {
  it("is a line each, and nothing for nothing", () => {
    expect(settingWords({})).toEqual([]);
    expect(
      settingWords({
        kit: { stick: 4, pad: 0 },
        floor: 12,
        effortCap: 70,
        holdCap: 45,
        support: true,
        mixed: true,
        areas: ["neck", { area: "knee-twist", side: "left", way: "small" }, { area: "hip-deep-bend", limit: 90 }],
      }),
    ).toEqual([
      "Kit: 4 × stick",
      "Floor: 12 m",
      "Effort up to 70 %",
      expect.stringMatching(/^Holds up to 45 ?s$/),
      "Something to hold on to in balance drills",
      "Mixed abilities",
      "Everyone protects the neck, twisting the knee on the left (small amounts are fine) and a deep bend of the hip (limit 90°)",
    ]);
    expect(settingWords({ kit: {} })).toEqual(["No kit at all"]);
  });
  it("is refused where it makes no sense", () => {
    for (const bad of [
      { floor: 0 },
      { effortCap: 101 },
      { kit: { spoon: 1 } },
      { kit: { stick: -1 } },
      { areas: ["elbow"] },
      { holdCap: "long" },
    ])
      expect(groupSettingSchema.safeParse(bad).success, JSON.stringify(bad)).toBe(false);
  });
});
