import type { Timeline } from "./types";
import type { Place } from "~/core/session/edits";
import type { SessionPlan } from "~/core/session/schema";
import type { Seconds } from "~/core/units";

/** Every call in the order it is heard, `at` in seconds of the session; calls after the end of their work are never heard. */
export function cueMoments(
  session: SessionPlan,
  timeline: Pick<Timeline, "segments">,
): { at: Seconds; say: string; place: Place }[] {
  return timeline.segments.flatMap((segment) => {
    if (segment.kind !== "work") return [];
    const cues = session.blocks[segment.block]?.items[segment.item]?.cues ?? [];
    return cues
      .filter((cue) => cue.at < segment.seconds)
      .map((cue) => ({
        at: segment.start + cue.at,
        say: cue.say,
        place: { block: segment.block, item: segment.item },
      }));
  });
}
