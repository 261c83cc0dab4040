import { editItem, type Place } from "./edits";
import type { Cue, Session } from "./schema";
import type { Timeline } from "~/core/timeline/types";
import type { Seconds } from "~/core/units";

/** The most calls an item holds; the format's bound. */
export const MOST_CUES = 50;

/** Adds a call to an item, in order of time. A full list, or a second that has a call already, is left as it is. */
export function addCue(session: Session, place: Place, cue: Cue): Session {
  const cues = session.blocks[place.block]?.items[place.item]?.cues ?? [];
  if (cues.length >= MOST_CUES || cues.some((one) => one.at === cue.at)) return session;
  return editItem(session, place, { cues: [...cues, cue].sort((a, b) => a.at - b.at) });
}

/** Every call in the order it is heard, `at` in seconds of the session; calls after the end of their work are never heard. */
export function cueMoments(session: Session, timeline: Pick<Timeline, "segments">): { at: Seconds; say: string; place: Place }[] {
  return timeline.segments.flatMap((segment) => {
    if (segment.kind !== "work") return [];
    const cues = session.blocks[segment.block]?.items[segment.item]?.cues ?? [];
    return cues.filter((cue) => cue.at < segment.seconds).map((cue) => ({ at: segment.start + cue.at, say: cue.say, place: { block: segment.block, item: segment.item } }));
  });
}
