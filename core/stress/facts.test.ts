import { describe, expect, it } from "vitest";
import { stressesWith } from "./at";
import { paceOf, pressedOf } from "./derive";
import { longest } from "./over-time";
import { nearOf } from "./near";
import { undrawnStress } from "./stated";
import { digest } from "~/fixtures/stress/digest";
import facts from "~/fixtures/stress/frozen-facts.json";
import frozen from "~/fixtures/stress/frozen.json";
import type { Facts, Limb, Moment } from "./types";
import type { LevelStress } from "~/core/drills/stresses";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import { POSTURES, type Posture } from "~/core/vocabulary/postures";
import { drawnDrillById } from "~/library/drawn";

/** Whether two digests are the same but for the last place of a number, which another machine may round the other way. */
function sameWithin(a: unknown, b: unknown, path: string): void {
  if (typeof a === "number" && typeof b === "number")
    return void expect(Math.abs(a - b), `${path}: ${a} for ${b}`).toBeLessThan(0.021);
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null)
    return void expect(a, path).toEqual(b);
  expect(Object.keys(a), path).toEqual(Object.keys(b));
  for (const [key, value] of Object.entries(a))
    sameWithin(value, (b as Record<string, unknown>)[key], `${path}.${key}`);
}

describe("what is seen in a drawing", () => {
  it.each(frozen.drills.map(({ drill }) => [drill.id, drill] as const))("is the same as before: %s", (id, drill) =>
    sameWithin(digest(drill as unknown as Drill), (facts as Record<string, unknown>)[id], id),
  );
});

describe("a level that is not drawn", () => {
  const areas = (posture: Posture, endPosture: Posture = posture, kit: DrillLevel["kit"] = []) =>
    undrawnStress({ posture, endPosture, kit, loads: [] })
      .always.map(({ area, grade, side }) => `${area} ${grade} ${side}`)
      .sort();
  it.each<[Posture, string[]]>([
    ["standing", []],
    ["split-stance", []],
    ["squat", ["ankle-deep-bend 2 both", "hip-deep-bend 2 both", "knee-deep-bend 2 both"]],
    ["half-kneeling", ["floor 2 middle", "kneeling 2 both"]],
    ["tall-kneeling", ["floor 2 middle", "kneeling 2 both"]],
    ["kneel-sit", ["floor 2 middle", "knee-deep-bend 2 both", "kneeling 2 both"]],
    ["hands-and-knees", ["floor 2 middle", "kneeling 2 both", "shoulder-weight 2 both", "wrist-weight 2 both"]],
    ["forearms-and-knees", ["floor 2 middle", "kneeling 2 both", "shoulder-weight 2 both"]],
    ["plank", ["floor 2 middle", "shoulder-weight 2 both", "toe-bend 2 both", "wrist-weight 2 both"]],
    ["ninety-sit", ["floor 2 middle", "hip-turn 2 both", "knee-twist 2 both"]],
    ["crossed-sit", ["floor 2 middle", "knee-twist 2 both"]],
    ["straddle-sit", ["floor 2 middle", "groin-stretch 2 both"]],
    ["long-sit", ["floor 2 middle"]],
    ["supine", ["floor 2 middle"]],
    ["prone", ["floor 2 middle"]],
    ["side-lying", ["floor 2 middle"]],
    ["side-kneel", ["floor 2 middle", "groin-stretch 2 both", "kneeling 2 both"]],
    ["chair-sit", []],
    ["bench-sit", []],
    ["walking", []],
    ["hang", ["grip 2 both", "shoulder-overhead 2 both", "shoulder-weight 2 both"]],
  ])("in %s has what its position has", (posture, expected) => expect(areas(posture)).toEqual(expected));
  it("names every position above", () => expect(POSTURES.length).toBe(21));
  it("has what its last position and a bar have, too, each once", () => {
    expect(areas("standing", "squat")).toEqual(areas("squat"));
    expect(areas("standing", "standing", ["bar"])).toEqual(areas("hang"));
    expect(areas("supine", "supine", ["bar"]).filter((one) => one.startsWith("floor"))).toHaveLength(1);
  });
  it("is lain in from fifteen seconds on, on the back or the front", () => {
    const timed = (posture: Posture) =>
      undrawnStress({ posture, endPosture: "standing", kit: [], loads: [] }).timed.map(
        ({ area, grade, from }) => `${area} ${grade} ${from}`,
      );
    expect([timed("supine"), timed("prone"), timed("side-lying")]).toEqual([
      ["lying-back 1 15.001", "lying-back 2 60.001"],
      ["lying-front 1 15.001", "lying-front 2 60.001"],
      [],
    ]);
  });
  it("bends as far as it can be said to", () =>
    expect(
      Object.values(undrawnStress({ posture: "standing", endPosture: "standing", kit: [], loads: [] }).bends),
    ).toEqual([
      { working: 180, other: 180 },
      { working: 180, other: 180 },
      { working: 180, other: 180 },
    ]));
});

describe("what is drawn just short of an area", () => {
  it.each([
    ["squat-round-hold", ["ankle-deep-bend"]],
    ["hip-flexor-hold", undefined],
    ["open-book", undefined],
    ["butterfly-hold", undefined],
    ["single-leg-reach", undefined],
    ["cat-camel", undefined],
  ] as const)("%s", (id, least) => {
    const drill = drawnDrillById(id)!;
    const near = nearOf(drill, "standard");
    if (least) expect(near).toEqual(expect.arrayContaining([...least]));
    // Nothing is near without going further, and going further only ever adds.
    expect(nearOf(drill, "standard", 0)).toEqual([]);
    expect(nearOf(drill, "standard", 15)).toEqual(
      expect.arrayContaining(near.filter((area) => nearOf(drill, "standard", 10).includes(area))),
    );
  });
  it("is the same as before, for seven levels", () =>
    expect(
      [
        "hip-flexor-hold",
        "open-book",
        "butterfly-hold",
        "single-leg-reach",
        "cat-camel",
        "leg-swing-front",
        "squat-free",
      ].map((id) => [id, nearOf(drawnDrillById(id)!, "standard").join(" ")]),
    ).toMatchInlineSnapshot(`
    [
      [
        "hip-flexor-hold",
        "knee-deep-bend",
      ],
      [
        "open-book",
        "",
      ],
      [
        "butterfly-hold",
        "hip-deep-bend knee-deep-bend",
      ],
      [
        "single-leg-reach",
        "heel-tendon",
      ],
      [
        "cat-camel",
        "low-back-bend low-back-arch knee-deep-bend",
      ],
      [
        "leg-swing-front",
        "shoulder-behind front-of-hip heel-tendon",
      ],
      [
        "squat-free",
        "low-back-bend ankle-deep-bend",
      ],
    ]
  `));
  it("is nothing of a level without a drawing", () => {
    const { motions: _, ...undrawn } = drawnDrillById("cat-camel")!;
    expect(nearOf(undrawn as Drill, "standard")).toEqual([]);
  });
});

const LIMB = {
  hipFlexion: 0,
  shinFolded: false,
  ankleOverThigh: false,
  droppedIn: false,
  kneeRotation: 0,
} as unknown as Limb;
const moment = (limb: Partial<Limb>, more: Partial<Moment> = {}): Moment =>
  ({ left: LIMB, right: { ...LIMB, ...limb }, lying: "none", ...more }) as Moment;
const still = { hip: 0, knee: 0, shoulder: 0 };
const base = {
  method: "effort",
  rows: [],
  moments: [moment({})],
  still: false,
  speeds: { neck: 0, thoracic: 0, lumbar: 0, left: still, right: still },
} as unknown as Facts;

describe("what is pressed in an effort", () => {
  const pressed = (change: Partial<Facts>, sides: Drill["sides"] = "each") =>
    pressedOf({ ...base, ...change }, sides).map(({ area, grade, side, from }) => `${area} ${grade} ${side} ${from}`);
  it("is the inner thigh by what squeezes it, the knee when it is folded or turned, the neck by its own rows", () => {
    expect(pressed({ rows: ["hip.add"] })).toEqual(["groin-stretch 1 working 30", "groin-stretch 2 working 50"]);
    expect(pressed({ rows: ["hip.add"] }, "together")).toEqual(["groin-stretch 1 both 30", "groin-stretch 2 both 50"]);
    for (const limb of [
      { shinFolded: true },
      { ankleOverThigh: true },
      { droppedIn: true },
      { kneeRotation: 15 },
      { kneeRotation: -15 },
    ])
      expect(pressed({ moments: [moment({}), moment(limb)] })).toEqual(["knee-twist 2 working 1"]);
    expect(pressed({ moments: [moment({ kneeRotation: 14.9 })] })).toEqual([]);
    expect(pressed({ rows: ["hip.flex", "nk.rot"] })).toEqual(["neck 2 middle 31"]);
    for (const row of ["nk.flex", "nk.ext", "nk.side"] as const) expect(pressed({ rows: [row] })).toHaveLength(1);
    expect(pressed({ rows: ["hip.flex", "th.rot"] })).toEqual([]);
  });
  it("is nothing where nobody pushes", () =>
    expect(pressed({ method: "hold", rows: ["hip.add", "nk.rot"], moments: [moment({ shinFolded: true })] })).toEqual(
      [],
    ));
});

describe("how fast it is", () => {
  const at = (part: Partial<Facts["speeds"]>, more: Partial<Facts> = {}) =>
    paceOf({ ...base, ...more, speeds: { ...base.speeds, ...part } });
  it("is still under three degrees a second, and brisk over sixty of the spine and a hundred and eighty of a limb", () => {
    expect([2.9, 3, 60, 60.1].map((lumbar) => at({ lumbar }))).toEqual([0, 1, 1, 2]);
    expect([at({ neck: 61 }), at({ thoracic: 61 })]).toEqual([2, 2]);
    for (const joint of ["hip", "knee", "shoulder"] as const)
      for (const side of ["left", "right"] as const)
        expect([2.9, 3, 180, 180.1].map((fast) => at({ [side]: { ...still, [joint]: fast } }))).toEqual([0, 1, 1, 2]);
    expect(at({ lumbar: 20 }, { still: true })).toBe(0);
  });
});

describe("the longest that something holds", () => {
  const of = (holds: boolean[], more: Partial<Facts> = {}) =>
    longest(
      {
        ...base,
        moments: holds.map((head) => ({ headLow: head }) as Moment),
        usual: holds.map((_, i) => i * 2),
        seconds: 20,
        ...more,
      },
      (m) => m.headLow,
    );
  it("is an unbroken stretch, all of it where it never ends, and a hold's last moment", () => {
    expect([
      of([true, true, false, true, true, true]),
      of([false, true, false]),
      of([false, false]),
      of([true, true]),
    ]).toEqual([4, 0, 0, Infinity]);
    expect([of([false, true], { still: true }), of([true, false], { still: true }), of([], { still: true })]).toEqual([
      Infinity,
      0,
      0,
    ]);
    expect(of([true, true, true, false], { seconds: 3 })).toBe(3);
  });
});

describe("stresses put together", () => {
  const level = (known: Partial<LevelStress>) =>
    ({
      dose: { kind: "time", seconds: 10 },
      stress: { drawn: true, pace: 0, always: [], timed: [], pressed: [], bends: {}, ...known },
    }) as unknown as DrillLevel;
  const of = (known: Partial<LevelStress>, seconds = 10) =>
    stressesWith(level(known), { kind: "time", seconds }, seconds).map(
      ({ area, grade, side }) => `${area} ${grade} ${side}`,
    );
  it("are each area and side once, the most of it, in the order of the areas", () => {
    expect(
      of({
        always: [
          { area: "toe-bend", grade: 1, side: "working" },
          { area: "neck", grade: 1, side: "middle" },
          { area: "toe-bend", grade: 2, side: "working" },
          { area: "toe-bend", grade: 1, side: "other" },
        ],
      }),
    ).toEqual(["neck 1 middle", "toe-bend 2 working", "toe-bend 1 other"]);
    expect(
      of({
        always: [
          { area: "toe-bend", grade: 2, side: "working" },
          { area: "toe-bend", grade: 1, side: "working" },
        ],
      }),
    ).toEqual(["toe-bend 2 working"]);
    expect(
      of({
        always: [
          { area: "toe-bend", grade: 1, side: "both" },
          { area: "toe-bend", grade: 1, side: "working" },
          { area: "toe-bend", grade: 2, side: "other" },
        ],
      }),
    ).toEqual(["toe-bend 1 both", "toe-bend 2 other"]);
    expect(of({ timed: [{ area: "head-low", grade: 2, side: "middle", from: 20 }] }, 19.9)).toEqual([]);
    expect(of({ timed: [{ area: "head-low", grade: 2, side: "middle", from: 20 }] }, 20)).toEqual([
      "head-low 2 middle",
    ]);
  });
});
