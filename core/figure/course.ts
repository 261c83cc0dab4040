import { anglesOf, type AngleKey } from "./angles";
import { bodyAt, playerOf } from "./play";
import { LIMITS, type JointAngle } from "./limits";
import type { Animation } from "./animation";
import { ROW_ANGLES } from "./rows";
import type { Motion } from "~/core/vocabulary/motions";
import type { Degrees } from "~/core/units";

export const JOINT_ANGLE_WORDS: Readonly<Record<JointAngle, string>> = {
  "neck.flexion": "neck bending",
  "neck.side": "neck tipping",
  "neck.rotation": "neck turning",
  "thoracic.flexion": "upper back bending",
  "thoracic.side": "upper back to the side",
  "thoracic.rotation": "upper back turning",
  "lumbar.flexion": "lower back bending",
  "lumbar.side": "lower back to the side",
  "lumbar.rotation": "lower back turning",
  "girdle.elevation": "shoulder blade up",
  "girdle.protraction": "shoulder blade forward",
  "shoulder.elevation": "arm lifted",
  "shoulder.rotation": "shoulder turned in",
  "elbow.flexion": "elbow bent",
  "wrist.extension": "wrist bent back",
  "hip.flexion": "hip folded",
  "hip.abduction": "leg out",
  "hip.rotation": "hip turned in",
  "knee.flexion": "knee bent",
  "knee.rotation": "shin turned",
  "ankle.dorsiflexion": "ankle bent",
  "ankle.inversion": "sole turned in",
  "toes.extension": "toes bent back",
};

export type Course = {
  joint: JointAngle;
  words: string;
  side: "right" | "left" | undefined;
  angles: (Degrees | null)[];
  least: Degrees;
  most: Degrees;
};

const SAMPLES = 48;
/** Less than this over a repetition is not worth a line. */
const WORTH: Degrees = 6;

/** How the joints of the rows move through one repetition of the right side, the widest first. `SAMPLES + 1` angles each. */
export function courses(motion: Animation, rows: readonly Motion[]): Course[] {
  const player = playerOf(motion);
  const beats = Array.from({ length: SAMPLES + 1 }, (_, i) => (motion.beats * i) / SAMPLES);
  const all = beats.map((beat) => anglesOf(bodyAt(player, beat)));
  const joints = [...new Set(rows.flatMap((row) => ROW_ANGLES[row] ?? []).map((way) => way.angle))];
  return joints
    .flatMap((joint) =>
      (joint in (all[0] ?? {}) ? [undefined] : (["right", "left"] as const)).map((side): Course => {
        const key: AngleKey = side ? `${side}.${joint}` : joint;
        return {
          joint,
          words: `${JOINT_ANGLE_WORDS[joint]}${side ? `, ${side}` : ""}`,
          side,
          angles: all.map((angles) => (angles[key] === undefined ? null : Math.round(angles[key] * 10) / 10)),
          least: LIMITS[joint].least,
          most: LIMITS[joint].most,
        };
      }),
    )
    .map((course) => ({ course, span: span(course.angles) }))
    .filter(({ span: width }) => width >= WORTH)
    .sort((a, b) => b.span - a.span)
    .map(({ course }) => course);
}

function span(angles: readonly (number | null)[]): Degrees {
  const known = angles.filter((angle) => angle !== null);
  return known.length === 0 ? 0 : Math.max(...known) - Math.min(...known);
}
