import type { Metres } from "~/core/units";

/** Height of the figure. */
export const STATURE: Metres = 1.75;

const of = (fraction: number): Metres => fraction * STATURE;

/**
 * Segment lengths as fractions of stature after Drillis & Contini (1966). The trunk, hip to shoulder, is shared out over
 * pelvis, two lumbar and three thoracic parts so that the spine bends as a curve.
 */
export const LENGTH = {
  thigh: of(0.245),
  shank: of(0.246),
  footHeight: of(0.039),
  foot: of(0.152),
  trunk: of(0.288),
  halfShoulders: of(0.129),
  halfHips: of(0.0955),
  upperArm: of(0.186),
  forearm: of(0.146),
  hand: of(0.108),
  headAndNeck: of(0.182),
} as const;

export const LUMBAR_PARTS = 2;
export const THORACIC_PARTS = 3;
export const NECK_PARTS = 2;

export const PELVIS: Metres = 0.2 * LENGTH.trunk;
export const LUMBAR_PART: Metres = (0.34 * LENGTH.trunk) / LUMBAR_PARTS;
export const THORACIC_PART: Metres = (0.46 * LENGTH.trunk) / THORACIC_PARTS;
export const NECK_PART: Metres = (0.3 * LENGTH.headAndNeck) / NECK_PARTS;
/** From the top of the neck to the middle of the head. */
export const TO_HEAD: Metres = 0.35 * LENGTH.headAndNeck;

/** Along the foot from the point under the ankle: back to the heel, ahead to the ball and to the tips of the toes. */
export const HEEL: Metres = 0.25 * LENGTH.foot;
export const BALL: Metres = 0.45 * LENGTH.foot;
export const TOES: Metres = 0.75 * LENGTH.foot;

/** Half thicknesses of the body, for what touches the floor and for drawing. */
export const RADIUS = {
  hip: 0.085,
  knee: 0.055,
  calf: 0.056,
  ankle: 0.036,
  heel: 0.033,
  ball: 0.024,
  toe: 0.014,
  shoulder: 0.055,
  elbow: 0.04,
  wrist: 0.027,
  palm: 0.03,
  fingers: 0.016,
  pelvis: 0.1,
  waist: 0.083,
  chest: 0.098,
  neck: 0.05,
  head: 0.096,
  thigh: 0.082,
} as const;

/** Height of the wrist over what a flat hand rests on. */
export const FLAT_WRIST: Metres = 0.035;
/** Height of the middle of a knee over what it kneels on. */
export const KNEELING_KNEE: Metres = RADIUS.knee;
