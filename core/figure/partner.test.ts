import { describe, expect, it } from "vitest";
import { animationSchema } from "./animation";
import { motionFaults } from "./check";
import { partnerAlone, withoutPartner, withPartner, withPoseAt } from "./partner";
import { motionFrom } from "~/library/animations/postures";
import { drawnDrillById } from "~/library/drawn";

const alone = motionFrom("standing");

describe("drawing a partner", () => {
  it("begins facing the first, in the same positions, and is a motion as the schema has it", () => {
    const two = withPartner(alone);
    expect(two.second).toMatchObject({ turn: 180, poses: alone.keys.map(({ pose }) => pose) });
    expect(animationSchema.safeParse(two).success).toBe(true);
    expect(withPartner(two)).toBe(two);
    expect(withoutPartner(two)).toEqual(alone);
    expect(partnerAlone(alone)).toBeUndefined();
  });
  it("shows them by themselves, where they begin from, without what the first one holds", () => {
    const pair = drawnDrillById("pair-towel-row")!.motions!.standard;
    const by = partnerAlone(pair)!;
    expect(by.second).toBeUndefined();
    expect(by.props).toEqual([]);
    expect(by.keys.map(({ pose }) => pose)).toEqual(pair.second!.poses);
    expect(by.keys.map(({ at }) => at)).toEqual(pair.keys.map(({ at }) => at));
    expect(motionFaults(by)).toEqual([]);
  });
  it("poses the one who is asked for, and leaves the other", () => {
    const two = withPartner(alone);
    const { pose } = motionFrom("squat").keys[0]!;
    const first = withPoseAt(two, "first", 1, pose);
    expect([first.keys[1]!.pose, first.keys[0], first.second]).toEqual([pose, two.keys[0], two.second]);
    const partner = withPoseAt(two, "partner", 1, pose);
    expect([partner.keys, partner.second!.poses]).toEqual([two.keys, [two.second!.poses[0], pose]]);
    // Where there is no partner, there is only the first.
    expect(withPoseAt(alone, "partner", 0, pose).keys[0]!.pose).toEqual(pose);
  });
});
