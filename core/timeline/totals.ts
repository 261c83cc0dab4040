import type { Seconds } from "~/core/units";
import type { Segment, SegmentKind, Timeline, WorkSeconds } from "./types";

/** What one item of a session comes to. */
export type ItemTotals = { seconds: Seconds; work: WorkSeconds; start: Seconds };

/** Key of an item's place: block and item, counted from 0. */
export const placeKey = (block: number, item: number): string => `${block}.${item}`;

/** Seconds and work by side for each item, keyed by `placeKey`; `start` is its first moment. */
export function totalsByItem(timeline: Timeline): Map<string, ItemTotals> {
  const totals = new Map<string, ItemTotals>();
  for (const segment of timeline.segments) {
    const key = placeKey(segment.block, segment.item);
    const sum = totals.get(key) ?? { seconds: 0, work: { left: 0, right: 0, both: 0 }, start: segment.start };
    sum.seconds += segment.seconds;
    if (segment.kind === "work") addWork(sum.work, segment.side, segment.seconds);
    totals.set(key, sum);
  }
  return totals;
}

function addWork(work: WorkSeconds, side: Extract<Segment, { kind: "work" }>["side"], seconds: Seconds): void {
  if (side === "alternating") {
    work.left += seconds / 2;
    work.right += seconds / 2;
  } else work[side] += seconds;
}

/** Seconds of the whole session by what they go to. */
export function totalsByKind(segments: readonly Segment[]): Record<SegmentKind, Seconds> {
  const totals: Record<SegmentKind, Seconds> = { move: 0, demo: 0, work: 0, turn: 0, switch: 0, rest: 0 };
  for (const segment of segments) totals[segment.kind] += segment.seconds;
  return totals;
}

/** How often the class changes from one posture to another. */
export function postureChanges(segments: readonly Segment[]): number {
  return segments.filter((s) => s.kind === "move" && s.from !== undefined && s.from !== s.to).length;
}
