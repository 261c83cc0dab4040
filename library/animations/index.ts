import type { DrillAnimations } from "~/core/figure/animation";
import { ankleAndFootMotions } from "./ankle-and-foot";
import { breathAndTrunkMotions } from "./breath-and-trunk";
import { hipBackMotions } from "./hip-back";
import { hipFrontMotions } from "./hip-front";
import { hipSidesMotions } from "./hip-sides";
import { hipTurnMotions } from "./hip-turn";
import { kneeMotions } from "./knee";
import type { MotionSet } from "./poses";
import { shoulderMotions } from "./shoulder";
import { spineMotions } from "./spine";
import { wholeBodyMotions } from "./whole-body";

/** How every shipped drill moves, by its id. */
export const MOTIONS: MotionSet = {
  ...breathAndTrunkMotions,
  ...spineMotions,
  ...shoulderMotions,
  ...hipFrontMotions,
  ...hipBackMotions,
  ...hipSidesMotions,
  ...hipTurnMotions,
  ...kneeMotions,
  ...ankleAndFootMotions,
  ...wholeBodyMotions,
};

/** The motions of a shipped drill, or undefined. */
export const motionsOf = (id: string): DrillAnimations | undefined =>
  Object.hasOwn(MOTIONS, id) ? MOTIONS[id] : undefined;
