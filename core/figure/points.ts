/** Points of the body on its middle line. */
export const MIDDLE_POINTS = [
  "pelvis",
  "sacrum",
  "waist",
  "chest",
  "back",
  "sternum",
  "neck",
  "head",
  "crown",
  "nose",
] as const;
/** Points of the body there are two of. */
export const SIDED_POINTS = [
  "hip",
  "seat",
  "knee",
  "ankle",
  "heel",
  "ball",
  "toe",
  "shoulder",
  "elbow",
  "wrist",
  "palm",
  "fingers",
] as const;
export const SIDES = ["left", "right"] as const;

export type Side = (typeof SIDES)[number];
export type MiddlePoint = (typeof MIDDLE_POINTS)[number];
export type SidedPoint = (typeof SIDED_POINTS)[number];
export type PointName = MiddlePoint | `${Side}.${SidedPoint}`;

export const POINT_NAMES: readonly PointName[] = [
  ...MIDDLE_POINTS,
  ...SIDES.flatMap((side) => SIDED_POINTS.map((p) => `${side}.${p}` as const)),
];
