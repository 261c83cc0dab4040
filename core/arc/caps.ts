import type { For } from "./people";
import type { Seconds } from "~/core/units";

/** How long anybody stays in one position in one piece. What depends on who it is stands with the people. */
export const IN_ONE_PIECE = {
  sit: 180,
  chair: 360,
  front: 120,
  headLow: 45,
  oneLeg: 45,
  kneeSoft: 120,
  kneeHard: 60,
} as const satisfies Record<string, Seconds>;

/** The deep squat in one piece: shorter before power; older people don't stay in it. */
export const squatAtMost = ({ squat }: For, power: boolean): Seconds =>
  power ? Math.min(60, squat) : squat === 60 ? 90 : squat;
