import { editItem, type Place } from "./edits";
import type { Cue, SessionPlan } from "./schema";

/** The most calls an item holds; the format's bound. */
export const MOST_CUES = 50;

/** Adds a call to an item, in order of time. A full list, or a second that has a call already, is left as it is. */
export function addCue(session: SessionPlan, place: Place, cue: Cue): SessionPlan {
  const cues = session.blocks[place.block]?.items[place.item]?.cues ?? [];
  if (cues.length >= MOST_CUES || cues.some((one) => one.at === cue.at)) return session;
  return editItem(session, place, { cues: [...cues, cue].sort((a, b) => a.at - b.at) });
}
