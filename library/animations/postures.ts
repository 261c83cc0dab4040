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
  "half-kneeling": poses.halfKneel,
  "tall-kneeling": poses.tallKneel,
  squat: poses.squat,
  standing: poses.standing,
  "split-stance": poses.split,
  hang: poses.hang,
};

/** A motion that stays in a posture, for a drill that begins from it: two keys on two beats, both the posture. */
export const motionFrom = (posture: Posture): Animation => {
  const pose = STARTS[posture]();
  return poses.rep("three-quarter", [pose, pose], posture === "hang" ? { props: [poses.bar()] } : {});
};
