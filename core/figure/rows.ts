import { LIMITS, type JointAngle } from "./limits";
import type { Motion } from "~/core/vocabulary/motions";

/** Which joint angle a coverage row is read from, and which way counts as more of it. */
export type RowAngle = { angle: JointAngle; sign: 1 | -1 | 0 };

const up = (angle: JointAngle): RowAngle => ({ angle, sign: 1 });
const down = (angle: JointAngle): RowAngle => ({ angle, sign: -1 });
const either = (angle: JointAngle): RowAngle => ({ angle, sign: 0 });

/** Rows that are seen in the joints. Breath and a trunk that holds firm are not: nothing has to move for them. */
export const ROW_ANGLES: Readonly<Partial<Record<Motion, readonly RowAngle[]>>> = {
  "nk.flex": [up("neck.flexion")],
  "nk.ext": [down("neck.flexion")],
  "nk.rot": [either("neck.rotation")],
  "nk.side": [either("neck.side")],
  "th.flex": [up("thoracic.flexion")],
  "th.ext": [down("thoracic.flexion")],
  "th.rot": [either("thoracic.rotation")],
  "th.side": [either("thoracic.side")],
  "lu.flex": [up("lumbar.flexion")],
  "lu.ext": [down("lumbar.flexion")],
  "lu.rot": [either("lumbar.rotation")],
  "lu.side": [either("lumbar.side")],
  scap: [either("girdle.protraction"), either("girdle.elevation"), up("shoulder.elevation")],
  "sh.flex": [up("shoulder.elevation")],
  "sh.ext": [down("shoulder.elevation")],
  "sh.abd": [up("shoulder.elevation")],
  "sh.ir": [up("shoulder.rotation")],
  "sh.er": [down("shoulder.rotation")],
  "wr.flex": [down("wrist.extension")],
  "wr.ext": [up("wrist.extension")],
  "hip.flex": [up("hip.flexion")],
  "hip.ext": [down("hip.flexion")],
  "hip.abd": [up("hip.abduction")],
  "hip.add": [down("hip.abduction")],
  "hip.ir": [up("hip.rotation")],
  "hip.er": [down("hip.rotation")],
  "kn.flex": [up("knee.flexion")],
  "kn.ext": [down("knee.flexion")],
  "kn.rot": [either("knee.rotation")],
  "an.df": [up("ankle.dorsiflexion")],
  "an.pf": [down("ankle.dorsiflexion")],
  "an.ie": [either("ankle.inversion")],
  "toe.ext": [up("toes.extension")],
};

/** How much a row's joint has to move, and how near its limit it may stay instead, to be called what a drill is for. */
export const ENOUGH_EXCURSION = 15;
export const NEAR_LIMIT_SHARE = 0.2;

/** Whether an angle that goes from `least` to `most` counts as using a row: it moves enough, or is near the end of its range. */
export function usesRow({ angle, sign }: RowAngle, least: number, most: number): boolean {
  if (most - least >= ENOUGH_EXCURSION) return true;
  const limit = LIMITS[angle];
  const nearMost = most >= limit.most - NEAR_LIMIT_SHARE * Math.abs(limit.most);
  const nearLeast = least <= limit.least + NEAR_LIMIT_SHARE * Math.abs(limit.least);
  return sign === 1 ? nearMost : sign === -1 ? nearLeast : nearMost || nearLeast;
}
