import { mirrored, type Vec } from "./vectors";
import type { PointName } from "./points";
import type { Arm, Leg, Pose, SpinePart } from "./pose";

/** The same point on the other side of the body. */
export function otherPoint(name: PointName): PointName {
  if (name.startsWith("left.")) return name.replace("left.", "right.") as PointName;
  if (name.startsWith("right.")) return name.replace("right.", "left.") as PointName;
  return name;
}

const flip = (v: Vec): [number, number, number] => [...mirrored(v)];
const flipped = <K extends string>(key: K, v: Vec | undefined) =>
  v ? ({ [key]: flip(v) } as Record<K, [number, number, number]>) : {};

/** The other side's arm in the mirror. Clinical angles stay; places and directions change sides. */
export function mirrorArm(arm: Arm): Arm {
  switch (arm.by) {
    case "angles":
      return arm;
    case "aim":
      return { ...arm, upper: flip(arm.upper), fore: flip(arm.fore) };
    case "elbow":
      return { ...arm, at: flip(arm.at), fore: flip(arm.fore) };
    case "hand":
      return {
        ...arm,
        at: flip(arm.at),
        ...(arm.of && { of: otherPoint(arm.of) }),
        ...flipped("normal", arm.normal),
        ...flipped("fingers", arm.fingers),
        ...flipped("pole", arm.pole),
      };
  }
}

export function mirrorLeg(leg: Leg): Leg {
  switch (leg.by) {
    case "angles":
      return leg;
    case "foot":
      return { ...leg, at: flip(leg.at), ...flipped("pole", leg.pole) };
    case "knee":
      return { ...leg, at: flip(leg.at) };
    case "aim":
      return { ...leg, thigh: flip(leg.thigh), shank: flip(leg.shank) };
  }
}

const mirrorSpine = ([flexion, side, rotation]: SpinePart): SpinePart => [flexion, -side, -rotation];

/** The mirror image of a pose: what the left did the right does. */
export function mirrorPose(pose: Pose): Pose {
  const { pelvis, lumbar, thoracic, neck, left, right } = pose;
  return {
    pelvis: { ...pelvis, at: [pelvis.at[0], pelvis.at[1], -pelvis.at[2]], side: -pelvis.side, turn: -pelvis.turn },
    lumbar: mirrorSpine(lumbar),
    thoracic: mirrorSpine(thoracic),
    neck: mirrorSpine(neck),
    left: { arm: mirrorArm(right.arm), leg: mirrorLeg(right.leg) },
    right: { arm: mirrorArm(left.arm), leg: mirrorLeg(left.leg) },
  };
}
