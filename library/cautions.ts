import { care, leaveOut, stopIf } from "./author";

/* Cautions that several drills share, so that they say the same in the same words. */

export const padKnee = care("Use a pad under the kneeling knee.");
export const padKnees = care("Use a pad under the knees.");
export const clearStick = care("Clear space for the stick, an arm’s length all round.");
export const unsteady = care("Stay near a support if you feel unsteady.");
export const supportNear = care("Keep a support within reach.");
export const neverHoldBreath = care("Keep breathing; never hold your breath.");
export const noUnseating = leaveOut("If your shoulder has ever come out of joint, leave this one out.");
export const deepKnees = leaveOut("If deep bending bothers your knees, leave this one out.");
export const bendingBack = leaveOut("If bending forward bothers your back, leave this one out.");
export const turningBack = leaveOut("If your lower back hurts when it turns, leave this one out.");
export const groinStrain = leaveOut("Not soon after a groin strain.");
export const twistedKnee = leaveOut("If twisting hurts your knee, leave this one out.");
export const foldedKnee = leaveOut("If a folded knee hurts, sit on a chair instead.");
export const soreWrists = leaveOut("If your wrists hurt, make fists or leave this one out.");
export const lightHeaded = stopIf("Come up slowly; if you feel light-headed, sit down.");
export const cramp = stopIf("If a muscle cramps, ease off and breathe.");
export const kneeGuard = stopIf(
  "If a knee hurts, stop. Try sitting on a cushion; if it still hurts, leave this one out.",
);
export const headDown = stopIf("Your head is below your heart: go slowly, and come up if you feel dizzy.");
