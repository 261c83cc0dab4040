import { armSwing } from "./arms";
import type { JointAngle } from "./limits";
import { SIDES, type Side } from "./points";
import type { Solved } from "./solve";
import { anglesZXY, between, chain, degrees, inverse, turned } from "./vectors";
import type { Degrees } from "~/core/units";

/** One joint's angle, of one side where the joint has sides. */
export type AngleKey = JointAngle | `${Side}.${JointAngle}`;

export type Angles = Partial<Record<AngleKey, Degrees>>;

const SPINE = ["lumbar", "thoracic", "neck"] as const;

/** Past this lift the turn of the upper arm about itself can no longer be told from the plane it is lifted in. */
const OVERHEAD: Degrees = 150;

/** The clinical angles of a solved body, as people are shown them. */
export function anglesOf(solved: Solved): Angles {
  const out: Angles = {};
  for (const part of SPINE) {
    const [flexion, side, rotation] = solved.stance[part];
    out[`${part}.flexion`] = flexion;
    out[`${part}.side`] = side;
    out[`${part}.rotation`] = rotation;
  }
  for (const side of SIDES) {
    const s = side === "right" ? 1 : -1;
    const leg = solved.legs[side].joints;
    const hip = anglesZXY(leg.hip);
    // Around the singular place of the sequence, thigh straight out to the side, flexion and rotation trade places.
    out[`${side}.hip.flexion`] = hip.z;
    out[`${side}.hip.abduction`] = -s * hip.x;
    out[`${side}.hip.rotation`] = s * hip.y;
    const knee = anglesZXY(leg.knee);
    out[`${side}.knee.flexion`] = -knee.z;
    const ankle = anglesZXY(leg.ankle);
    out[`${side}.knee.rotation`] = s * (knee.y + ankle.y);
    out[`${side}.ankle.dorsiflexion`] = ankle.z;
    out[`${side}.ankle.inversion`] = s * ankle.x;
    out[`${side}.toes.extension`] = leg.toes;

    const { girdle, shoulder, elbow, wrist } = solved.arms[side].joints;
    out[`${side}.girdle.elevation`] = girdle[0];
    out[`${side}.girdle.protraction`] = girdle[1];
    const upper = turned([0, -1, 0], shoulder);
    const lift = between([0, -1, 0], upper);
    const behind = upper[0] < -0.05 && Math.abs(upper[2]) < -upper[0] * 1.2 && lift < 75;
    out[`${side}.shoulder.elevation`] = behind ? -lift : lift;
    if (lift < OVERHEAD) {
      const twist = chain(inverse(armSwing(upper, s)), shoulder);
      out[`${side}.shoulder.rotation`] = s * 2 * degrees(Math.atan2(twist[1], twist[3]));
    }
    out[`${side}.elbow.flexion`] = anglesZXY(elbow).z;
    out[`${side}.wrist.extension`] = wristExtension(wrist, s);
  }
  for (const key of Object.keys(out) as AngleKey[]) {
    const angle = out[key] ?? 0;
    out[key] = angle > 180 ? angle - 360 : angle < -180 ? angle + 360 : angle;
  }
  return out;
}

/** How far the hand is off the forearm's line; above zero unless it is bent to the palm. */
function wristExtension(wrist: Parameters<typeof turned>[1], s: number): Degrees {
  const hand = turned([0, -1, 0], wrist);
  const off = between([0, -1, 0], hand);
  return s * hand[2] < -0.15 && Math.abs(hand[2]) > Math.abs(hand[0]) ? -off : off;
}

export const jointOf = (key: AngleKey): JointAngle => key.replace(/^(left|right)\./, "") as JointAngle;
