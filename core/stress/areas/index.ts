import type { AreaRule } from "./rule";
import { lowBackArch, lowBackBend, lowBackSide, lowBackTurn, upperBackTurn } from "./back";
import { ankleDeepBend, ankleRoll, heelTendon, toeBend } from "./feet";
import { grip, wristWeight } from "./hands";
import { frontOfHip, groinStretch, hamstringStretch, hipDeepBend, hipTurn } from "./hips";
import { kneeDeepBend, kneeling, kneeTwist } from "./knees";
import { neck, shoulderBehind, shoulderOverhead, shoulderWeight } from "./neck-and-shoulders";
import { balance, breathless, floor, headLow, impact } from "./whole-body";
import type { Area } from "~/core/vocabulary/areas";

/** How each area is read from the figure, or where it is told from instead. A new area has its rule here. */
export const AREA_RULES: Readonly<Record<Area, AreaRule | "by its time" | "by its dose">> = {
  neck,
  "shoulder-overhead": shoulderOverhead,
  "shoulder-behind": shoulderBehind,
  "shoulder-weight": shoulderWeight,
  "wrist-weight": wristWeight,
  grip,
  "upper-back-turn": upperBackTurn,
  "low-back-bend": lowBackBend,
  "low-back-arch": lowBackArch,
  "low-back-turn": lowBackTurn,
  "low-back-side": lowBackSide,
  "hip-deep-bend": hipDeepBend,
  "hip-turn": hipTurn,
  "front-of-hip": frontOfHip,
  "groin-stretch": groinStretch,
  "hamstring-stretch": hamstringStretch,
  kneeling,
  "knee-deep-bend": kneeDeepBend,
  "knee-twist": kneeTwist,
  "ankle-deep-bend": ankleDeepBend,
  "heel-tendon": heelTendon,
  "ankle-roll": ankleRoll,
  "toe-bend": toeBend,
  balance,
  floor,
  "head-low": headLow,
  "lying-back": "by its time",
  "lying-front": "by its time",
  "max-effort": "by its dose",
  "breath-hold": "by its dose",
  impact,
  breathless,
};
