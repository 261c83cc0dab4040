import { amount, type AreaRule } from "./rule";

/** A hand that carries; much where the wrist is bent back from 45°. A fist, a grip or a block keeps it straighter. */
export const wristWeight: AreaRule = {
  limb: (limb) => {
    const carries = limb.hand === "carries" && !limb.hangs;
    return amount(carries, carries && limb.wrist >= 45 && !limb.onBlock);
  },
};

/** Hanging by the hands. A band pulled for longer than 20 s counts by its time. */
export const grip: AreaRule = { limb: (limb) => amount(false, limb.hangs) };
