import type { AreaRule } from "./rule";
import { lowBackArch, lowBackBend, lowBackSide, lowBackTurn, upperBackTurn } from "./back";
import { ankleDeepBend, ankleRoll, heelTendon, toeBend } from "./feet";
import { grip, wristWeight } from "./hands";
import { frontOfHip, groinStretch, hamstringStretch, hipDeepBend, hipTurn } from "./hips";
import { kneeDeepBend, kneeling, kneeTwist } from "./knees";
import { neck, shoulderBehind, shoulderOverhead, shoulderWeight } from "./neck-and-shoulders";
import { balance, floor, headLow } from "./whole-body";
import type { Area } from "~/core/drills/areas";

/** How each area is read from the figure. Areas that are not here come from the dose, the time or what is stated. */
export const AREA_RULES: Readonly<Partial<Record<Area, AreaRule>>> = {
  neck, "shoulder-overhead": shoulderOverhead, "shoulder-behind": shoulderBehind, "shoulder-weight": shoulderWeight, "wrist-weight": wristWeight, grip,
  "upper-back-turn": upperBackTurn, "low-back-bend": lowBackBend, "low-back-arch": lowBackArch, "low-back-turn": lowBackTurn, "low-back-side": lowBackSide,
  "hip-deep-bend": hipDeepBend, "hip-turn": hipTurn, "front-of-hip": frontOfHip, "groin-stretch": groinStretch, "hamstring-stretch": hamstringStretch,
  kneeling, "knee-deep-bend": kneeDeepBend, "knee-twist": kneeTwist, "ankle-deep-bend": ankleDeepBend, "heel-tendon": heelTendon, "ankle-roll": ankleRoll, "toe-bend": toeBend,
  balance, floor, "head-low": headLow,
};
