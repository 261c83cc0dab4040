import { amount, BRISK_LIMB, carried, cuts, type AreaRule } from "./rule";
import type { Moment } from "../types";

/** The hip folded from 100 and 115° carrying, 110 and 125° free; from 90° turned in or across the middle. */
export const hipDeepBend: AreaRule = {
  limb: (limb) => {
    const bend = limb.hipFlexion;
    const pinched = bend >= 90 && (limb.hipRotation >= 20 || limb.across);
    return carried(limb) ? amount(bend >= 100, bend >= 115 || pinched) : amount(bend >= 110, bend >= 125 || pinched);
  },
};

/** The hip turned in or out from 30 and 40°; from 30° with weight through it: seats with the knee folded, one shin in front, pivots. */
export const hipTurn: AreaRule = {
  limb: (limb) => {
    const turn = Math.abs(limb.hipRotation);
    return amount(turn >= 30, turn >= 40 || (turn >= 30 && (carried(limb) || limb.shinFolded)));
  },
};

/** From this speed on a leg is swung, not held. */
const SWUNG = 120;

/** The front of the hip: opened from 10 and, with weight, 20°; the knee well bent with the hip open; a straight leg held up; a kick or a sprint much. */
export const frontOfHip: AreaRule = {
  whole: ({ speed, rehearses }) =>
    amount(false, speed === 3 && rehearses.some((one) => one === "run" || one === "kick")),
  limb: (limb, _, { speeds }, side) => {
    const open = -limb.hipFlexion;
    const kneeBent = limb.kneeFlexion >= 100;
    const held = limb.legHeldUp && speeds[side].hip < SWUNG;
    return amount(
      open >= 10 || (kneeBent && open >= 0) || held,
      (open >= 20 && carried(limb)) || (open >= 10 && kneeBent),
    );
  },
};

const WIDE = 0.9;
const SIDE_SQUAT = 0.75;

const sideSquat = ({ left, right, feetApart }: Moment): boolean =>
  feetApart > SIDE_SQUAT &&
  left.foot &&
  right.foot &&
  Math.max(left.kneeFlexion, right.kneeFlexion) >= 60 &&
  Math.min(left.kneeFlexion, right.kneeFlexion) <= 30;

/** The leg out from 30° carrying and 35° free, 40° much; soles together; feet wider than 0.9 m, straight-kneed, into a side squat or into a cut much. */
export const groinStretch: AreaRule = {
  whole: (facts) => amount(false, cuts(facts)),
  limb: (limb, moment) => {
    const out = limb.hipAbduction;
    const wide = moment.feetApart > WIDE && limb.foot;
    return amount(
      (carried(limb) ? out >= 30 : out >= 35) || moment.solesTogether || wide,
      out >= 40 || (wide && limb.kneeFlexion < 30) || sideSquat(moment),
    );
  },
};

const UNDER_LOAD = new Set(["resisted", "effort"]);

/** Straight knee, hip folded: the hip's bend less the knee's from 60 and 80°; from 60° briskly or against resistance. */
export const hamstringStretch: AreaRule = {
  limb: (limb, _, { speeds, method }, side) => {
    if (limb.kneeFlexion > 30) return 0;
    const stretch = limb.hipFlexion - limb.kneeFlexion;
    return amount(
      stretch >= 60,
      stretch >= 80 || (stretch >= 60 && (speeds[side].hip > BRISK_LIMB || UNDER_LOAD.has(method))),
    );
  },
};
