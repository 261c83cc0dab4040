import type { Animation } from "./animation";
import type { Pose } from "./pose";
import type { Metres } from "~/core/units";

/** An arm's length and a half: far enough to hold hands, near enough to touch. */
const PARTNERS_APART: Metres = 0.9;

/** The motion with a partner, who faces the first and does the same; as it is where there is one. */
export const withPartner = (motion: Animation): Animation =>
  motion.second
    ? motion
    : {
        ...motion,
        second: { at: [PARTNERS_APART, 0], turn: 180, poses: motion.keys.map(({ pose }) => pose) },
      };

/** The motion without its partner. */
export function withoutPartner({ second: _, ...alone }: Animation): Animation {
  return alone;
}

/** What the partner does, by themselves, where they begin from: to be posed as anybody is. Undefined where there is none. */
export function partnerAlone(motion: Animation): Animation | undefined {
  const { second, ...alone } = motion;
  if (!second) return undefined;
  // Where they are posed by themselves the first one's kit would stand in the wrong place.
  return { ...alone, props: [], keys: motion.keys.map((key, i) => ({ ...key, pose: second.poses[i] ?? key.pose })) };
}

/** The motion with another position of the first, or of the partner, at a key. */
export function withPoseAt(motion: Animation, who: "first" | "partner", index: number, pose: Pose): Animation {
  if (who === "first" || !motion.second)
    return { ...motion, keys: motion.keys.with(index, { ...motion.keys[index]!, pose }) };
  return { ...motion, second: { ...motion.second, poses: motion.second.poses.with(index, pose) } };
}
