import type { Seconds } from "~/core/units";
import type { Segment, TimedBeat, Timeline } from "./types";

/** Everything about one moment of a timeline: what is now, how long is left in it, and what is next. */
export type Moment = {
  /** Index into the segments; the last one when the session is over. */
  index: number;
  segment: Segment;
  elapsed: Seconds;
  left: Seconds;
  /** The beat at this moment of a work segment, with what is left of it. */
  beat?: TimedBeat;
  beatLeft?: Seconds;
  next?: Segment;
  /** The next work segment after the segment now. */
  nextWork?: Extract<Segment, { kind: "work" }>;
  sessionLeft: Seconds;
  over: boolean;
};

/** Greatest index whose start is at or before `t`; the list must be ordered by start and not empty. */
export function indexAt(list: readonly { start: Seconds }[], t: Seconds): number {
  let low = 0;
  let high = list.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((list[middle]?.start ?? 0) <= t) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** The moment at `t` seconds; before the start it is the first moment, after the end the last. Undefined for an empty timeline. */
export function momentAt(timeline: Pick<Timeline, "segments" | "totalSeconds">, t: Seconds): Moment | undefined {
  const { segments, totalSeconds } = timeline;
  const at = Math.min(Math.max(t, 0), totalSeconds);
  const index = segments.length > 0 ? indexAt(segments, at) : -1;
  const segment = segments[index];
  if (!segment) return undefined;
  const beat =
    segment.kind === "work" && segment.beats.length > 0 ? segment.beats[indexAt(segment.beats, at)] : undefined;
  const next = segments[index + 1];
  const nextWork = segments.slice(index + 1).find((s) => s.kind === "work");
  return {
    index,
    segment,
    elapsed: Math.max(0, at - segment.start),
    left: Math.max(0, segment.start + segment.seconds - at),
    ...(beat && { beat, beatLeft: Math.max(0, beat.start + beat.seconds - at) }),
    ...(next && { next }),
    ...(nextWork && { nextWork }),
    sessionLeft: Math.max(0, totalSeconds - at),
    over: t >= totalSeconds,
  };
}
