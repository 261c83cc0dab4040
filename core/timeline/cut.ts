import type { Seconds } from "~/core/units";
import type { Segment } from "./types";

/**
 * The part of a timeline between two moments, in seconds from the session's start. Segments and beats that reach over
 * an edge are shortened to it; starts stay where they were. Neighbouring cuts put together give the whole again.
 */
export function cut(segments: readonly Segment[], from: Seconds, to: Seconds): Segment[] {
  return clip(segments, from, to).map((segment) =>
    segment.kind === "work" ? { ...segment, beats: clip(segment.beats, from, to) } : segment,
  );
}

function clip<T extends { start: Seconds; seconds: Seconds }>(list: readonly T[], from: Seconds, to: Seconds): T[] {
  return list.flatMap((entry) => {
    const start = Math.max(entry.start, from);
    const end = Math.min(entry.start + entry.seconds, to);
    return end > start ? [{ ...entry, start, seconds: end - start }] : [];
  });
}

/** Seconds of work between two moments. */
export function workWithin(segments: readonly Segment[], from: Seconds, to: Seconds): Seconds {
  return clip(segments, from, to).reduce((sum, s) => sum + (s.kind === "work" ? s.seconds : 0), 0);
}
