import type { Joint } from "./motions";
import type { Rehearsal } from "./rehearses";

/** Lifts, as what rehearses them is coded. */
export const LIFTS = { squat: "squat", hinge: "hinge", press: "push" } as const satisfies Record<string, Rehearsal>;

export type Lift = keyof typeof LIFTS;

/** The joints that a lift loads: what is moved and switched on before it. */
export const LIFT_JOINTS: Readonly<Record<Lift, readonly Joint[]>> = {
  squat: ["hip", "knee", "ankle", "trunk", "upper-back"],
  hinge: ["hip", "knee", "trunk", "lower-back", "upper-back"],
  press: ["shoulder", "shoulder-blade", "upper-back", "trunk", "wrist"],
};
