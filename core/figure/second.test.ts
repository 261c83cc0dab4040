import { describe, expect, it } from "vitest";
import { animationsSchema, type Animation } from "./animation";
import { draw } from "./draw";
import { withKeyCopied, withoutKey } from "./editing";
import { bodyAt, mirrorMotion, playerOf, secondAt } from "./play";
import { POINT_NAMES } from "./points";
import { otherPoint } from "./mirror";
import { distance } from "./vectors";
import { VIEWS } from "./views";
import { MOTIONS } from "~/library/animations";

const pair = MOTIONS["pair-towel-row"]!.standard;
const valid = (motion: Animation) => animationsSchema.safeParse({ standard: motion }).success;

describe("a partner", () => {
  it("stands where they are put, turned to face the first, their joints as they are", () => {
    const player = playerOf(pair);
    const own = bodyAt(player.second!.player, 0.5);
    const there = secondAt(player, 0.5)!;
    const [x] = pair.second!.at;
    for (const name of POINT_NAMES) {
      const [a, b, c] = own.points[name];
      expect(distance(there.points[name], [x - a, b, -c])).toBeLessThan(1e-6);
    }
    expect(there.legs.right.joints).toEqual(own.legs.right.joints);
  });
  it("is the mirror image on the other side, as the first is", () => {
    const [right, left] = [secondAt(playerOf(pair, "right"), 1)!, secondAt(playerOf(pair, "left"), 1)!];
    for (const name of POINT_NAMES) {
      const [a, b, c] = right.points[name];
      expect(distance(left.points[otherPoint(name)], [a, b, -c])).toBeLessThan(1e-4);
    }
    expect(mirrorMotion(mirrorMotion(pair)).second).toEqual(pair.second);
  });
  it("is drawn apart from the first", () => {
    const player = playerOf(pair);
    const marks = draw(bodyAt(player, 0), VIEWS.side, { second: { body: secondAt(player, 0)!, hair: "short" } });
    const [own, other] = [marks.filter((m) => !m.second), marks.filter((m) => m.second)];
    expect(other.some((m) => m.part === "wear")).toBe(true);
    expect(own.some((m) => m.part === "wear")).toBe(true);
    expect(draw(bodyAt(player, 0), VIEWS.side).every((m) => !m.second)).toBe(true);
  });
  it("has a position for every key, or is refused, also when keys are copied and removed", () => {
    expect(valid(pair)).toBe(true);
    expect(valid({ ...pair, second: { ...pair.second!, poses: pair.second!.poses.slice(1) } })).toBe(false);
    const more = withKeyCopied(pair, 0, 0.5);
    expect([more.keys.length, more.second!.poses.length]).toEqual([3, 3]);
    expect(valid(more)).toBe(true);
    expect(withoutKey(more, 1)).toEqual(pair);
  });
  it("stands in line with the first where a repetition ends mirrored", () => {
    const mirrored: Animation = { ...pair, ends: "mirrored" };
    expect(valid(mirrored)).toBe(true);
    expect(valid({ ...mirrored, second: { ...pair.second!, at: [1, 0.2] } })).toBe(false);
    expect(valid({ ...mirrored, second: { ...pair.second!, turn: 90 } })).toBe(false);
  });
});
