import { otherSide, type OneSide } from "./sides";

/** In a position with two different legs, which one the working side is. */
export const STANCES = ["front", "behind", "down", "up", "standing", "moving"] as const;
export type Stance = (typeof STANCES)[number];

/** The working side is the one in front, up, or stood on; else it is the other that is. */
const LEADS: Readonly<Record<Stance, boolean>> = {
  front: true,
  up: true,
  standing: true,
  behind: false,
  down: false,
  moving: false,
};

/** How somebody stands: the side that works, and where the legs differ, the side that leads. */
export type InUse = { side: OneSide; lead?: OneSide };

/** How somebody stands who works a side at a level. */
export const inUse = (side: OneSide, stance: Stance | undefined): InUse =>
  stance === undefined ? { side } : { side, lead: LEADS[stance] ? side : otherSide(side) };

/** Whether somebody has to change over: by the legs where both positions say which leads, else by the side that is called. */
export function changesOver(before: InUse | undefined, now: InUse): boolean {
  if (!before) return false;
  return before.lead !== undefined && now.lead !== undefined ? before.lead !== now.lead : before.side !== now.side;
}

/** The side that can be worked without changing over. */
export function keptSide(before: InUse, stance: Stance | undefined): OneSide {
  return changesOver(before, inUse(before.side, stance)) ? otherSide(before.side) : before.side;
}
