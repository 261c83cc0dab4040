import { amount, cuts, landsOnOne, onHeels, type AreaRule } from "./rule";
import type { Facts } from "../types";
import { repOf, tempoOf } from "~/core/dose/dose";

/** The ankle bent from 25 and 35° under weight. */
export const ankleDeepBend: AreaRule = {
  limb: (limb) => amount(limb.foot && limb.dorsiflexion >= 25, limb.foot && limb.dorsiflexion >= 35),
};

/** Where the ankle bends at least this share of its most, the calf is stretched: a squat passes through a straight knee, it does not stay there. */
const MOST_BENT = 0.8;

/** Up to this length a bounce follows the last one before the tendon has rested. */
const QUICK_BOUNCE = 1.5;
const bounces = ({ method, impact, dose }: Facts) =>
  method === "spring" && impact >= 1 && (tempoOf(dose).length === 0 || repOf(dose) < QUICK_BOUNCE);
const sprints = ({ rehearses, speed }: Facts) => speed === 3 && rehearses.includes("run");

/** A heel rise, the ankle bent from 10° with the knee straight, or a soft landing; on one leg, the heel below the edge, a jump or bound, quick bounces or fast running, much. */
export const heelTendon: AreaRule = {
  whole: (facts) => amount(facts.impact >= 1, facts.impact >= 2 || bounces(facts) || sprints(facts)),
  limb: (limb, { left, right }) => {
    if (!limb.foot) return 0;
    const rise = limb.onBall && limb.dorsiflexion <= -10 && limb.kneeFlexion <= 40;
    const alone = [left, right].filter((l) => l.foot || l.knee).length === 1;
    return amount(rise, (rise && alone) || limb.heelBelow);
  },
  wholeLimb: ({ moments }, side) => {
    const down = moments.map((m) => m[side]).filter((limb) => limb.foot);
    const most = down.reduce((max, limb) => Math.max(max, limb.dorsiflexion), 0);
    return amount(
      down.some((limb) => limb.dorsiflexion >= 10 && limb.kneeFlexion <= 20 && limb.dorsiflexion >= MOST_BENT * most),
      false,
    );
  },
};

/** The sole turned in from 15° under weight; rolled over its edge, or a hop, bound or cut, much. */
export const ankleRoll: AreaRule = {
  whole: (facts) => amount(false, landsOnOne(facts) || cuts(facts)),
  limb: (limb) => amount(limb.foot && limb.inversion >= 15, limb.soleRolled && limb.inversion >= 15),
};

/** The toes bent back from 40 and 60° under weight, or tucked under the seat. */
export const toeBend: AreaRule = {
  limb: (limb, moment) =>
    amount(limb.foot && limb.toes >= 40, (limb.foot && limb.toes >= 60) || (onHeels(limb, moment) && limb.toes >= 40)),
};
