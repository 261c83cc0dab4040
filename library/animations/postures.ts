import type { Animation } from "~/core/figure/animation";
import type { Pose } from "~/core/figure/pose";
import type { Posture } from "~/core/vocabulary/postures";
import * as poses from "./poses";

const STARTS: Readonly<Record<Posture, () => Pose>> = {
  prone: poses.prone,
  supine: poses.supine,
  "side-lying": poses.sideLying,
  "long-sit": poses.longSit,
  "straddle-sit": poses.straddle,
  "crossed-sit": poses.crossed,
  "ninety-sit": poses.ninety,
  "hands-and-knees": poses.handsKnees,
  "forearms-and-knees": poses.forearmsKnees,
  plank: poses.plank,
  "kneel-sit": poses.kneelSit,
  "side-kneel": poses.sideKneel,
  "chair-sit": poses.chairSit,
  "bench-sit": poses.chairSit,
  "half-kneeling": poses.halfKneel,
  "tall-kneeling": poses.tallKneel,
  squat: poses.squat,
  standing: poses.standing,
  "split-stance": poses.split,
  walking: poses.walking,
  hang: poses.hang,
};

/** A motion that stays in a posture, for a drill that begins from it: two keys on two beats, both the posture. */
export const motionFrom = (posture: Posture): Animation => {
  const pose = STARTS[posture]();
  return poses.rep("three-quarter", [pose, pose], propsOf(posture));
};

/** What somebody in a posture hangs from or sits on. */
function propsOf(posture: Posture): { props?: ReturnType<typeof poses.chair> } {
  if (posture === "hang") return { props: [poses.bar()] };
  if (posture === "chair-sit") return { props: poses.chair(0, 0) };
  if (posture === "bench-sit") return { props: [poses.bench(0, 0, 0.36, 1.1)] };
  return {};
}
