import type { Degrees } from "~/core/units";

/** Joint angles people are shown, one name a motion. Degrees, zero in upright standing with the arms at the sides. */
export const JOINT_ANGLES = [
  "neck.flexion",
  "neck.side",
  "neck.rotation",
  "thoracic.flexion",
  "thoracic.side",
  "thoracic.rotation",
  "lumbar.flexion",
  "lumbar.side",
  "lumbar.rotation",
  "girdle.elevation",
  "girdle.protraction",
  "shoulder.elevation",
  "shoulder.rotation",
  "elbow.flexion",
  "wrist.extension",
  "hip.flexion",
  "hip.abduction",
  "hip.rotation",
  "knee.flexion",
  "knee.rotation",
  "ankle.dorsiflexion",
  "ankle.inversion",
  "toes.extension",
] as const;

export type JointAngle = (typeof JOINT_ANGLES)[number];

/** The usual range of a motion, and how far past it a shipped drill may go, with the reason. */
export type Limit = { least: Degrees; most: Degrees; past: [Degrees, Degrees]; why: string };

const limit = (least: Degrees, most: Degrees, past: [Degrees, Degrees] = [0, 0], why = ""): Limit => ({
  least,
  most,
  past,
  why,
});

/**
 * Adult reference ranges of clinical goniometry (American Academy of Orthopaedic Surgeons 1965; Norkin & White; spine after
 * White & Panjabi). The allowance is for end-range drills, where body weight or the hands take a joint past its free range.
 */
export const LIMITS: Readonly<Record<JointAngle, Limit>> = {
  "neck.flexion": limit(-45, 45, [20, 20], "head tucked or propped by the floor"),
  "neck.side": limit(-45, 45),
  "neck.rotation": limit(-70, 70, [10, 10], "looking round with the shoulder girdle"),
  "thoracic.flexion": limit(-25, 45, [5, 5], "over a roller, or curled up"),
  "thoracic.side": limit(-30, 30, [5, 5], "reaching with the arm overhead"),
  "thoracic.rotation": limit(-40, 40, [10, 10], "turned by the arms or the floor"),
  "lumbar.flexion": limit(-30, 60, [10, 10], "pressed up by the arms, or folded by body weight"),
  "lumbar.side": limit(-30, 30),
  "lumbar.rotation": limit(-15, 15, [10, 10], "knees dropped to the floor"),
  "girdle.elevation": limit(-15, 40),
  "girdle.protraction": limit(-30, 30),
  "shoulder.elevation": limit(-60, 180, [15, 0], "weight on hands behind the body, or an arm swung past the hip"),
  "shoulder.rotation": limit(-90, 90, [20, 20], "arm behind the body, or elbow out beside the head"),
  "elbow.flexion": limit(0, 150, [2, 5], "hand behind the head"),
  "wrist.extension": limit(-80, 80, [10, 20], "hand flat on the floor under body weight"),
  "hip.flexion": limit(
    -20,
    120,
    [25, 35],
    "the pelvis rolls with it in deep folds; a pushed-back leg opens past free range",
  ),
  "hip.abduction": limit(-30, 45, [10, 40], "wide sitting, shin boxes and side squats under body weight, hip folded"),
  "hip.rotation": limit(
    -45,
    45,
    [45, 30],
    "sitting on the turned leg, hip folded and out to the side, where the sequence of turns reads high",
  ),
  "knee.flexion": limit(0, 140, [4, 20], "sitting back on the heels"),
  "knee.rotation": limit(-35, 40, [10, 10], "foot held by the floor"),
  "ankle.dorsiflexion": limit(-50, 20, [28, 25], "kneeling on the instep; knee driven over the toes under body weight"),
  "ankle.inversion": limit(-15, 35, [15, 5], "foot rolled on the floor, shin leaning over it"),
  "toes.extension": limit(-40, 70, [10, 25], "toes tucked under body weight"),
};

/** How far an angle is outside its range with the allowance: 0 inside, positive degrees past it. */
export function pastLimit(name: JointAngle, angle: Degrees): Degrees {
  const { least, most, past } = LIMITS[name];
  return Math.max(0, least - past[0] - angle, angle - most - past[1]);
}
