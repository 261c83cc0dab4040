import { amount, BRISK_LIMB, BRISK_SPINE, onHeels, withWeight, type AreaRule } from "./rule";
import type { Moment } from "../types";

const bent = ({ neck }: Moment, flexion: number, side: number, rotation: number) =>
  Math.abs(neck.flexion) >= flexion || Math.abs(neck.side) >= side || Math.abs(neck.rotation) >= rotation;

/** Flexion or extension from 25 and 40°, sideways from 25 and 35°, turning from 45 and 60°; a head that lies counts only as it turns. */
export const neck: AreaRule = {
  middle: (moment, facts) => {
    if (moment.headRests && moment.lying !== "none") {
      const turns = facts.speeds.neck > 5;
      return turns ? amount(Math.abs(moment.neck.rotation) >= 45, Math.abs(moment.neck.rotation) >= 60) : 0;
    }
    const held = moment.lying !== "none" && !moment.headRests;
    return amount(held || bent(moment, 25, 25, 45), bent(moment, 40, 35, 60) || (moment.headLow && withWeight(facts)));
  },
  whole: ({ speeds }) => (speeds.neck > BRISK_SPINE ? 2 : 0),
};

/** The arm lifted from 120°, and from 150° or with weight or a pull on it. */
export const shoulderOverhead: AreaRule = {
  limb: (limb, _, facts) => {
    const loaded = limb.hand === "carries" || limb.hangs || withWeight(facts) || facts.kit.includes("band");
    return amount(limb.elevation >= 120, limb.elevation >= 150 || (limb.elevation >= 120 && loaded));
  },
};

/** The upper arm behind the trunk from 30 and 45°, or with any weight there; and the position that unseats a shoulder: elbow out and turned out. */
export const shoulderBehind: AreaRule = {
  limb: (limb, { lying }, facts, side) => {
    if ((lying === "back" || lying === "front") && limb.hand === "touches" && limb.behind > 0) return 0;
    const unseats = limb.elbowOut >= 70 && limb.turnedOut >= 70;
    const loaded = withWeight(facts) || facts.still || facts.speeds[side].shoulder > BRISK_LIMB;
    return amount(
      limb.behind >= 30 || unseats,
      limb.behind >= 45 || (limb.behind >= 10 && limb.hand === "carries") || (unseats && loaded),
    );
  },
};

/** A hand or forearm that carries on all fours; in a plank, on one arm or hanging much. Leaning back on the hands while seated is not this; with the hips on the floor, the heels or in a squat it is some. */
export const shoulderWeight: AreaRule = {
  limb: (limb, moment, facts) => {
    const { left, right, seat, lying } = moment;
    if (limb.hangs) return 2;
    if ((limb.hand !== "carries" && !limb.forearm) || seat !== "none") return 0;
    const arms = [left, right].filter((l) => l.hand === "carries" || l.forearm).length;
    const eased =
      lying === "front" ||
      facts.posture === "prone" ||
      [left, right].some((l) => onHeels(l, moment)) ||
      (facts.posture === "squat" && (left.foot || right.foot));
    return amount(true, !eased && (arms === 1 || !(left.knee || right.knee)));
  },
};
