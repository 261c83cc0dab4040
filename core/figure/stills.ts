import type { Animation } from "./animation";

/** Moments of a repetition that stand for it in a still; a pair is the end with the start as a ghost behind it. */
export const STILL_MOMENTS = ["start", "middle", "end", "pair"] as const;
export type StillMoment = (typeof STILL_MOMENTS)[number];

/** The beat of a moment: the start, half the way, and where the movement has gone farthest. */
export function beatOf(motion: Animation, moment: Exclude<StillMoment, "pair">): number {
  if (moment === "start") return 0;
  const { keys } = motion;
  const last = keys.length - 1;
  const end = motion.kind === "hold" || keys.length < 3 ? keys[last]!.at : keys[Math.ceil(last / 2)]!.at;
  return moment === "middle" ? end / 2 : end;
}
