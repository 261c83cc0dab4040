import type { DrillAnimations } from "~/core/figure/animation";
import { ankleAndFootMotions } from "./ankle-and-foot";
import { breathAndTrunkMotions } from "./breath-and-trunk";
import { chairMotions } from "./chair";
import { feetMotions } from "./feet";
import { handsAndNeckMotions } from "./hands-and-neck";
import { hipBackMotions } from "./hip-back";
import { hipFrontMotions } from "./hip-front";
import { hipSidesMotions } from "./hip-sides";
import { hipTurnMotions } from "./hip-turn";
import { kneeMotions } from "./knee";
import { movingMotions } from "./moving";
import { pairMotions } from "./pairs";
import type { MotionSet } from "./poses";
import { shoulderMotions } from "./shoulder";
import { sportMotions } from "./sports";
import { springMotions } from "./springs";
import { spineMotions } from "./spine";
import { standingMotions } from "./standing";
import { withVariations } from "./varied";
import { walkMotions } from "./walks";
import { wholeBodyMotions } from "./whole-body";

/** How every shipped drill moves, by its id. */
export const MOTIONS: MotionSet = withVariations({
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
  ...movingMotions,
  ...springMotions,
  ...walkMotions,
  ...feetMotions,
  ...standingMotions,
  ...handsAndNeckMotions,
  ...chairMotions,
  ...sportMotions,
  ...pairMotions,
});

/** The motions of a shipped drill, or undefined. */
export const motionsOf = (id: string): DrillAnimations | undefined =>
  Object.hasOwn(MOTIONS, id) ? MOTIONS[id] : undefined;
