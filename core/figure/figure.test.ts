import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { anglesOf } from "./angles";
import { LENGTH, STATURE } from "./body";
import { motionFaults } from "./check";
import { draw } from "./draw";
import { LIMITS, pastLimit } from "./limits";
import { animationSchema } from "./animation";
import { bodyAt, mirrorMotion, playerOf } from "./play";
import { poseSchema, type Pose } from "./pose";
import { usesRow } from "./rows";
import { lowest, solvePose } from "./solve";
import { pairSvg, stillSvg } from "./svg";
import { bend } from "./two-bone";
import { distance } from "./vectors";
import { VIEWS } from "./views";

const armDown = { by: "angles", elevation: 0 } as const;
const upright = (right: object = {}, left: object = {}, more: object = {}): Pose =>
  poseSchema.parse({
    pelvis: { at: [0, null, 0] },
    lumbar: [0, 0, 0],
    thoracic: [0, 0, 0],
    neck: [0, 0, 0],
    right: { arm: armDown, leg: { by: "angles", hip: [0, 0, 0] }, ...right },
    left: { arm: armDown, leg: { by: "angles", hip: [0, 0, 0] }, ...left },
    ...more,
  });

describe("the skeleton", () => {
  it("has the published fractions of stature", () => {
    // Drillis & Contini (1966), as printed in textbooks of biomechanics.
    expect(
      [LENGTH.thigh, LENGTH.shank, LENGTH.upperArm, LENGTH.forearm, LENGTH.hand, LENGTH.foot].map(
        (l) => +(l / STATURE).toFixed(3),
      ),
    ).toEqual([0.245, 0.246, 0.186, 0.146, 0.108, 0.152]);
  });
  it("stands as tall as its stature", () => {
    const { points } = solvePose(upright());
    expect(points.crown[1]).toBeGreaterThan(STATURE - 0.06);
    expect(points.crown[1]).toBeLessThan(STATURE + 0.04);
    expect(Math.abs(lowest(points))).toBeLessThan(0.005);
  });
  it("keeps every bone's length in any pose", () => {
    const angle = (most: number) => fc.double({ min: -most, max: most, noNaN: true });
    fc.assert(
      fc.property(
        angle(120),
        angle(40),
        angle(40),
        angle(140),
        angle(180),
        angle(170),
        (flexion, out, turn, knee, plane, lift) => {
          const { points } = solvePose(
            upright({
              leg: { by: "angles", hip: [flexion, out, turn], knee: Math.abs(knee) },
              arm: { by: "angles", plane, elevation: Math.abs(lift), elbow: 40 },
            }),
          );
          expect(distance(points["right.hip"], points["right.knee"])).toBeCloseTo(LENGTH.thigh, 6);
          expect(distance(points["right.knee"], points["right.ankle"])).toBeCloseTo(LENGTH.shank, 6);
          expect(distance(points["right.shoulder"], points["right.elbow"])).toBeCloseTo(LENGTH.upperArm, 6);
          expect(distance(points["right.elbow"], points["right.wrist"])).toBeCloseTo(LENGTH.forearm, 6);
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe("clinical angles", () => {
  it("come back as they were given, one motion at a time, left and right", () => {
    for (const [joint, leg, value] of [
      ["hip.flexion", { hip: [70, 0, 0] }, 70],
      ["hip.abduction", { hip: [0, 30, 0] }, 30],
      ["hip.rotation", { hip: [60, 0, 25] }, 25],
      ["knee.flexion", { hip: [40, 0, 0], knee: 80 }, 80],
      ["ankle.dorsiflexion", { hip: [60, 0, 0], knee: 60, ankle: 15 }, 15],
      ["ankle.inversion", { hip: [60, 0, 0], knee: 60, inversion: 20 }, 20],
      ["knee.rotation", { hip: [60, 0, 0], knee: 90, kneeRotation: 18 }, 18],
    ] as const) {
      // High over the floor, so that it lifts nothing.
      const pose = upright(
        { leg: { by: "angles", ...leg } },
        { leg: { by: "angles", ...leg } },
        { pelvis: { at: [0, 2, 0] } },
      );
      const angles = anglesOf(solvePose(pose));
      expect(angles[`right.${joint}`], joint).toBeCloseTo(value, 4);
      expect(angles[`left.${joint}`], joint).toBeCloseTo(value, 4);
    }
  });
  it("read an arm lifted ahead or to the side as that much elevation", () => {
    for (const plane of [0, 45, 90])
      expect(
        anglesOf(solvePose(upright({ arm: { by: "angles", plane, elevation: 80 } })))["right.shoulder.elevation"],
      ).toBeCloseTo(80, 4);
  });
  it("stay inside a limit with its allowance, and say how far past it they are", () => {
    expect(pastLimit("knee.flexion", 100)).toBe(0);
    expect(pastLimit("knee.flexion", LIMITS["knee.flexion"].most + LIMITS["knee.flexion"].past[1] + 7)).toBeCloseTo(7);
    expect(pastLimit("hip.flexion", -100)).toBeGreaterThan(0);
  });
  it("count a row as used by 15° of movement or near the end of its range", () => {
    expect(usesRow({ angle: "hip.flexion", sign: 1 }, 10, 26)).toBe(true);
    expect(usesRow({ angle: "hip.flexion", sign: 1 }, 10, 20)).toBe(false);
    expect(usesRow({ angle: "hip.flexion", sign: 1 }, 97, 98)).toBe(true);
    expect(usesRow({ angle: "hip.flexion", sign: -1 }, -17, -16)).toBe(true);
  });
});

describe("contacts", () => {
  const standing = upright(
    { leg: { by: "foot", at: [0, 0, 0.15] } },
    { leg: { by: "foot", at: [0, 0, -0.15] } },
    { pelvis: { at: [0, 0.7, 0] } },
  );
  it("hold planted feet where they are while the hips move", () => {
    for (const at of [
      [0, 0.9, 0],
      [0.1, 0.5, 0.05],
      [-0.1, 0.6, -0.1],
      [0, 1.4, 0],
    ] as [number, number, number][]) {
      const { points } = solvePose({ ...standing, pelvis: { ...standing.pelvis, at } });
      expect(points["right.ankle"][0]).toBeCloseTo(0, 2);
      expect(points["right.ankle"][1]).toBeCloseTo(LENGTH.footHeight, 2);
      expect(points["left.ankle"][2]).toBeCloseTo(-0.15, 2);
    }
  });
  it("let nothing of a free limb through the floor", () => {
    fc.assert(
      fc.property(
        fc.double({ min: -40, max: 120, noNaN: true }),
        fc.double({ min: 0, max: 140, noNaN: true }),
        fc.double({ min: -90, max: 90, noNaN: true }),
        (flexion, knee, tilt) => {
          const { points } = solvePose(
            upright({ leg: { by: "angles", hip: [flexion, 5, 0], knee } }, {}, { pelvis: { at: [0, null, 0], tilt } }),
          );
          for (const name of ["right.knee", "right.ankle", "right.heel", "right.toe"] as const)
            expect(points[name][1]).toBeGreaterThan(-0.01);
        },
      ),
      { numRuns: 200 },
    );
  });
  it("bend a two-bone limb by the law of cosines", () => {
    const elbow = bend([0, 0, 0], [0.5, 0, 0], 0.3, 0.4, [0, 1, 0]);
    expect(distance([0, 0, 0], elbow)).toBeCloseTo(0.3, 9);
    expect(distance(elbow, [0.5, 0, 0])).toBeCloseTo(0.4, 9);
    expect(elbow[1]).toBeGreaterThan(0);
  });
});

describe("motions", () => {
  const squat = animationSchema.parse({
    kind: "repeat",
    beats: 2,
    seconds: 4,
    view: "side",
    keys: [0.9, 0.45].map((y, at) => ({
      at,
      pose: upright(
        { leg: { by: "foot", at: [0, 0, 0.16] } },
        { leg: { by: "foot", at: [0, 0, -0.16] } },
        { pelvis: { at: [at ? -0.2 : 0, y, 0], tilt: at ? 30 : 0 } },
      ),
    })),
  });
  it("pass through their keys and come back", () => {
    const player = playerOf(squat);
    expect(bodyAt(player, 0).points.pelvis[1]).toBeCloseTo(0.9, 2);
    expect(bodyAt(player, 1).points.pelvis[1]).toBeCloseTo(0.45, 2);
    expect(bodyAt(player, 2).points).toEqual(bodyAt(player, 0).points);
    expect(bodyAt(player, 5).points).toEqual(bodyAt(player, 1).points);
  });
  it("keep the feet planted at every moment", () =>
    expect(motionFaults(squat).filter((f) => f.kind === "contact" || f.kind === "floor")).toEqual([]));
  it("say which foot is off its place, which joint is past its limit and which row does not move", () => {
    const far = {
      ...squat,
      keys: squat.keys.map((k) => ({
        ...k,
        pose: upright(
          { leg: { by: "foot", at: [2, 0, 0.16] } },
          { leg: { by: "foot", at: [0, 0, -0.16] } },
          { pelvis: { at: [0, 0.9, 0] } },
        ),
      })),
    };
    expect(motionFaults(far).some((f) => f.kind === "contact")).toBe(true);
    const locked = { ...squat, keys: [{ at: 0, lift: 0, pose: upright({ leg: { by: "angles", hip: [0, 90, 0] } }) }] };
    expect(motionFaults(locked, ["kn.flex"])).toEqual(
      expect.arrayContaining([
        expect.objectContaining({ kind: "limit", part: "right.hip.abduction" }),
        { kind: "row", row: "kn.flex" },
      ]),
    );
  });
  it("mirror twice into themselves", () => expect(mirrorMotion(mirrorMotion(squat)).keys).toEqual(squat.keys));
  it("refuse keys that go back or beyond the last beat, with their path", () => {
    const bad = animationSchema.safeParse({
      ...squat,
      keys: [squat.keys[0], { ...squat.keys[1], at: 0 }, { ...squat.keys[1], at: 9 }],
    });
    expect(bad.error?.issues.map((i) => i.path.join("."))).toEqual(["keys.1.at", "keys.2.at"]);
  });
  it("draw as closed lines without a number that is not one, in every view", () => {
    const player = playerOf(squat);
    for (const view of Object.values(VIEWS)) {
      const marks = draw(bodyAt(player, 0.6), view);
      expect(marks.length).toBeGreaterThan(8);
      for (const { path } of marks) expect(path).toMatch(/^M[^N]*Z$/);
    }
    expect(stillSvg(player, 1, { label: 'A "squat" & more' })).toContain('aria-label="A &quot;squat&quot; &amp; more"');
    expect(pairSvg(player, 0, 1)).toContain("fig-ghost");
  });
});
