import { otherSide } from "~/core/vocabulary/sides";
import type { Segment, TimedBeat } from "~/core/timeline/types";
import type { Seconds } from "~/core/units";

/** A segment that lasts longer by `seconds`, its beats going on to its new end. */
export function layMore(segment: Segment, seconds: Seconds): Segment {
  const longer = { ...segment, seconds: segment.seconds + seconds };
  return longer.kind === "work"
    ? { ...longer, beats: moreBeats(longer.beats, longer.start + segment.seconds, seconds) }
    : longer;
}

/** The segment as it was before `layMore` gave it so many seconds. */
export function layLess(segment: Segment, seconds: Seconds): Segment {
  if (seconds <= 0) return segment;
  const shorter = { ...segment, seconds: segment.seconds - seconds };
  if (shorter.kind !== "work") return shorter;
  const end = shorter.start + shorter.seconds;
  const beats = shorter.beats
    .filter((beat) => beat.start < end - 1e-9)
    .map((beat) => (beat.start + beat.seconds > end + 1e-9 ? { ...beat, seconds: end - beat.start } : beat));
  const reps = beats.at(-1)?.rep;
  return { ...shorter, beats: reps === undefined ? beats : beats.map((beat) => ({ ...beat, reps })) };
}

/**
 * Beats for the added time. A hold's one beat grows; repetitions and breaths go on at the tempo of the last one, the
 * last beat cut to the new end; after ramped effort the rest is easy holding, so that nobody adds maximal effort by a tap.
 */
function moreBeats(beats: readonly TimedBeat[], from: Seconds, seconds: Seconds): TimedBeat[] {
  const last = beats.at(-1);
  if (!last) return [];
  // What goes on easily after the last whole repetition goes on so; a piece of its own just lasts longer.
  if (beats.length === 1 || last.easy) return [...beats.slice(0, -1), { ...last, seconds: last.seconds + seconds }];
  const unit = beats.filter((beat) => beat.rep === last.rep);
  if (unit.some((beat) => beat.effort !== undefined))
    return [...beats, { start: from, seconds, do: "hold easily", rep: last.rep, reps: last.reps, easy: true }];
  const added: TimedBeat[] = [];
  const end = from + seconds;
  for (let at = from, rep = last.rep + 1; at < end - 1e-9; rep++) {
    for (const beat of unit) {
      if (at >= end - 1e-9) break;
      const side = last.side && ((rep - last.rep) % 2 === 1 ? otherSide(last.side) : last.side);
      const length = Math.min(beat.seconds, end - at);
      added.push({ ...beat, start: at, seconds: length, rep, ...(side && { side }) });
      at += length;
    }
  }
  const reps = added.at(-1)?.rep ?? last.reps;
  return [...beats, ...added].map((beat) => ({ ...beat, reps }));
}
