import { describe, expect, it } from "vitest";
import { drag, heldBy, holdArm, holdLeg, legAngles, armAngles, sliders } from "./editing";
import { poseSchema, type Pose } from "./pose";
import { POINT_NAMES } from "./points";
import { solvePose } from "./solve";
import { distance } from "./vectors";
import { MOTIONS } from "~/library/animations";

const poses: [string, Pose][] = Object.entries(MOTIONS)
  .slice(0, 160)
  .filter((_, i) => i % 8 === 0)
  .map(([id, m]) => [id, m.standard.keys.at(-1)!.pose]);

describe("a pose being edited", () => {
  it.each(poses)("%s keeps its shape when its limbs are written by their angles", (_, pose) => {
    const before = solvePose(pose);
    const still: Pose = { ...pose, pelvis: { ...pose.pelvis, of: undefined, at: [...before.points.pelvis] } };
    let freed = still;
    for (const side of ["left", "right"] as const)
      freed = { ...freed, [side]: { arm: pose[side].arm, leg: legAngles(before, side) } };
    const after = solvePose({ ...freed, pelvis: still.pelvis });
    for (const name of ["left.knee", "right.knee"] as const)
      expect(distance(before.points[name], after.points[name]), name).toBeLessThan(0.05);
  });
  it.each(poses)("%s stays a pose the schema takes under any slider, drag or change of hold", (_, pose) => {
    for (const slider of sliders(pose)) {
      expect(Number.isFinite(slider.value), slider.key).toBe(true);
      const next = slider.set(slider.value);
      expect(poseSchema.safeParse(next), slider.key).toMatchObject({ success: true });
    }
    for (const handle of ["pelvis", "left.palm", "right.ankle", "right.knee", "left.ankle"] as const) {
      const next = drag(pose, handle, [0.05, 0.04, 0.03]);
      expect(poseSchema.safeParse(next), handle).toMatchObject({ success: true });
      for (const name of POINT_NAMES)
        expect(solvePose(next).points[name].every(Number.isFinite), `${handle} ${name}`).toBe(true);
    }
    for (const side of ["left", "right"] as const) {
      for (const held of ["angles", "foot", "knee"] as const)
        expect(heldBy(holdLeg(pose, side, held)[side].leg)).toBe(held);
      for (const held of ["angles", "flat", "grip"] as const)
        expect(poseSchema.safeParse(holdArm(pose, side, held))).toMatchObject({ success: true });
    }
  });
  it("moves a planted foot with the pointer and leaves the other where it is", () => {
    const { pose } = MOTIONS["squat-free"]!.standard.keys[0]!;
    const before = solvePose(pose);
    const after = solvePose(drag(pose, "right.ankle", [0.1, 0, 0.05]));
    expect(after.points["right.ankle"][0] - before.points["right.ankle"][0]).toBeCloseTo(0.1, 2);
    expect(distance(before.points["left.ankle"], after.points["left.ankle"])).toBeLessThan(0.005);
  });
  it("keeps the feet planted when the pelvis is dragged down", () => {
    const { pose } = MOTIONS["squat-free"]!.standard.keys[0]!;
    const before = solvePose(pose);
    const after = solvePose(drag(pose, "pelvis", [-0.1, -0.3, 0]));
    expect(after.points.pelvis[1]).toBeLessThan(before.points.pelvis[1] - 0.25);
    for (const name of ["left.ankle", "right.ankle"] as const)
      expect(distance(before.points[name], after.points[name])).toBeLessThan(0.005);
  });
  it("brings a free hand to where it is dragged, when it is within reach", () => {
    const { pose } = MOTIONS["rib-shift"]!.standard.keys[0]!;
    const before = solvePose(pose);
    const after = solvePose(drag(pose, "right.palm", [0.1, 0.1, 0]));
    expect(
      distance(after.points["right.palm"], [
        before.points["right.palm"][0] + 0.1,
        before.points["right.palm"][1] + 0.1,
        before.points["right.palm"][2],
      ]),
    ).toBeLessThan(0.04);
    expect(armAngles(after, "right").by).toBe("angles");
  });
});
