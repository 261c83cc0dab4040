import { amount, BRISK_LIMB, carried, cuts, handHelps, onHeels, type AreaRule } from "./rule";

/** A knee that carries or is knelt back on; on one or both knees with nothing else to help, or sliding, much. A pad helps and does not clear it. */
export const kneeling: AreaRule = {
  limb: (limb, moment) => amount(limb.knee || onHeels(limb, moment), limb.knee && !handHelps(moment)),
  wholeLimb: ({ kneeSlides }, side) => (kneeSlides[side] > 0.05 ? 2 : 0),
};

/**
 * The knee bent from 95 and 115° carrying, 125 and 135° free; sat on or pulled by the hand much; briskly from 95° carrying.
 * A shin folded under the body to its side is some from a right angle on: people sink deeper into that seat than it is drawn.
 */
export const kneeDeepBend: AreaRule = {
  limb: (limb, moment, { speeds }, side) => {
    const bend = limb.kneeFlexion;
    if (carried(limb)) return amount(bend >= 95, bend >= 115 || (bend >= 95 && speeds[side].knee > BRISK_LIMB));
    const pulled = limb.pulled && limb.hipFlexion <= 60 && bend >= 95;
    return amount(
      bend >= 125 || pulled || (limb.shinFolded && bend >= 80),
      bend >= 135 || pulled || (onHeels(limb, moment) && bend >= 125),
    );
  },
};

/** From here on a pelvis turned over a planted foot twists its knee. */
const PIVOT = 30;

/** The shin turned from 15°; the knee folded to the side, an ankle over the thigh, the knee dropped in; any of them with weight on it, the pelvis turned over a planted foot, and a cut, much. */
export const kneeTwist: AreaRule = {
  whole: (facts) => amount(false, cuts(facts)),
  limb: (limb, { seat }) => {
    const folded = limb.shinFolded || limb.ankleOverThigh || limb.droppedIn;
    const weight = carried(limb) || (limb.shinFolded && seat === "none");
    return amount(folded || Math.abs(limb.kneeRotation) >= 15, folded && weight);
  },
  wholeLimb: ({ turnsOver }, side) =>
    amount(turnsOver[side].by >= PIVOT, turnsOver[side].by >= PIVOT && !turnsOver[side].heelFree),
};
