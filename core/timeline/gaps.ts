import { restOf } from "~/core/session/interval";
import type { Segment, WorkSegment } from "./types";
import type { Block } from "~/core/session/schema";
import type { Seconds } from "~/core/units";

/** What happens between two passes of a block by the clock: how long they have (the rest, or a longer one that is planned there), what their change takes, and how much of it is showing. */
export type Gap = { to: WorkSegment; planned: Seconds; has: Seconds; takes: Seconds; showing: Seconds };

/** Every change between two passes by the clock, in order. */
export function gapsOf(session: { blocks: readonly Block[] }, segments: readonly Segment[]): Gap[] {
  const gaps: Gap[] = [];
  let before: WorkSegment | undefined;
  let [takes, showing] = [0, 0];
  for (const segment of segments) {
    if (segment.kind === "work") {
      const block = session.blocks[segment.block];
      const item = before && block?.items[before.item];
      // The second direction of a pass follows without a gap.
      if (
        before &&
        item &&
        block.interval &&
        before.block === segment.block &&
        (takes > 0 || segment.direction === 1)
      ) {
        const again = before.item === segment.item && before.round === segment.round;
        const planned = again
          ? before.set === segment.set
            ? 0
            : item.restBetweenSets
          : Math.max(item.restAfter, before.round === segment.round ? 0 : block.restBetweenRounds);
        gaps.push({ to: segment, planned, has: restOf(block.interval, planned), takes, showing });
      }
      before = segment;
      [takes, showing] = [0, 0];
    } else if (segment.gap && segment.kind !== "rest") {
      takes += segment.seconds;
      if (segment.kind === "demo") showing += segment.seconds;
    }
  }
  return gaps;
}
