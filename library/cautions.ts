import { care, leaveOut, stopIf } from "./author";

/* Cautions that several drills share, so that they say the same in the same words. */

export const padKnee = care("Use a pad under the kneeling knee.");
export const padKnees = care("Use a pad under the knees.");
export const clearStick = care("Clear space for the stick, an arm’s length all round.");
export const unsteady = care("Stay near a support if you feel unsteady.");
export const besideWall = care("Walk beside a wall if you feel unsteady.");
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

/* For what is done on the feet, at speed and in the air. */
export const breathless = care("You should still be able to talk; if you can’t, slow down.");
export const chestPain = stopIf("Stop and tell your coach if your chest hurts or you feel faint.");
export const landings = leaveOut("Not with a sore knee, shin, heel or foot, or late in pregnancy; march instead.");
export const hardLandings = leaveOut(
  "Not with a sore knee, heel or foot, a weak pelvic floor or late in pregnancy; rise onto the toes instead.",
);
export const clearFloor = care("Look where you are going, and keep a clear lane.");
export const goodGrip = care("Only on a dry floor that grips, in shoes that grip.");
export const warmFirst = care("Only when you are warm.");
export const heelTendon = leaveOut("Not with a sore heel tendon or a calf strain.");
export const hamstringStrain = leaveOut("Not soon after a hamstring strain.");
export const sprainedAnkle = leaveOut("Not soon after an ankle sprain.");
export const chairFirm = care("Use a firm chair without wheels, against a wall if it slides.");
export const afterHip = leaveOut("Not soon after hip surgery, unless you were told that you may.");
export const afterBlow = leaveOut("Not soon after a blow to the head or neck.");
export const neckSigns = stopIf("Stop if you feel dizzy, or if an arm tingles or goes numb.");
export const sorePartner = care("Say “stop” and it stops; your partner says so too.");
export const soreShoulder = care("Keep it below any pain in the shoulder.");
export const throwersArm = leaveOut(
  "Not with a sore elbow or shoulder, or if the shoulder has ever come out of joint.",
);
