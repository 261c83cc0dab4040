import { phasesAt } from "./arcs";
import type { Arc } from "./schema";
import type { Seconds } from "~/core/units";

/** A phase as it is drawn before anything is in it: how long it is to be, and how brisk, 0 to 3. */
export type PhaseShape = {
  id: string;
  title: string;
  why: string;
  least: Seconds;
  most: Seconds;
  /** The middle of the two, by which it is drawn. */
  middle: Seconds;
  pulse: number;
};

/** How a session for a purpose rises and falls at a length: its phases, each with its seconds and the pulse it gets to. */
export const arcShape = (arc: Arc, target: Seconds): PhaseShape[] =>
  phasesAt(arc, target).map(({ id, title, why, share, seconds, pulse, reaches }) => {
    const least = Math.max(seconds, (share.least / 100) * target);
    const most = Math.max(seconds, (share.most / 100) * target);
    return {
      id,
      title,
      why,
      least,
      most,
      middle: (least + most) / 2,
      pulse: reaches?.pulse ?? pulse.ends ?? (pulse.least >= 2 ? pulse.most : Math.min(pulse.most, pulse.least + 1)),
    };
  });
