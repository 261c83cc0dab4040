import { inWholeUnits, isCounted } from "~/core/dose/dose";
import { kindOf } from "~/core/dose/kinds";
import type { Dose } from "~/core/dose/kinds";
import { type OneSide, otherSide } from "~/core/vocabulary/sides";
import type { Pace } from "~/core/dose/pace";
import { toMicros, toSeconds, type Micros } from "~/core/units";
import { filled } from "~/core/session/interval";
import type { TimedBeat } from "./types";

/**
 * The beats of one work segment that starts at `start`.
 * With `turns`, the units are done twice over, alternating from that side; a time or a ladder, which has no
 * units to take turns with, becomes one beat of twice the length at the person's own rhythm.
 */
export function layBeats(
  dose: Dose,
  pace: Pick<Pace, "breath">,
  units: number,
  start: Micros,
  turns?: OneSide,
): TimedBeat[] {
  const unit = kindOf(dose).beats(dose, pace);
  if (turns && !isCounted(dose)) {
    const micros = unit.reduce((sum, beat) => sum + 2 * beat.micros, 0);
    return [{ start: toSeconds(start), seconds: toSeconds(micros), do: "take turns", rep: 1, reps: 1 }];
  }
  const reps = turns ? 2 * units : units;
  const beats = new Array<TimedBeat>(reps * unit.length);
  const seconds = unit.map((beat) => toSeconds(beat.micros));
  let at = start;
  let n = 0;
  // The one loop that runs thousands of times for a session: plain assignments are several times faster than spreading.
  for (let rep = 1; rep <= reps; rep++) {
    for (let i = 0; i < unit.length; i++) {
      const loose = unit[i]!;
      const beat: TimedBeat = { start: toSeconds(at), seconds: seconds[i]!, do: loose.do, rep, reps };
      if (turns) beat.side = rep % 2 === 1 ? turns : otherSide(turns);
      if (loose.breath) beat.breath = loose.breath;
      if (loose.effort !== undefined) beat.effort = loose.effort;
      if (loose.opposite) beat.opposite = true;
      beats[n++] = beat;
      at += loose.micros;
    }
  }
  return beats;
}

/**
 * The beats of a piece of work of a fixed length: as many whole units as fit, and what is left of it easily. With `turns`,
 * sides change unit by unit from that one. A time is one beat; a unit longer than the piece is begun and ends with it.
 */
export function fillBeats(
  dose: Dose,
  pace: Pick<Pace, "breath">,
  micros: Micros,
  start: Micros,
  turns?: OneSide,
): TimedBeat[] {
  if (!inWholeUnits(dose))
    return [{ start: toSeconds(start), seconds: toSeconds(micros), do: "work", rep: 1, reps: 1 }];
  const { units, left } = filled(dose, pace, micros);
  if (units === 0) return cutBeats(layBeats(dose, pace, 1, start), start + micros);
  const beats = layBeats(dose, pace, units, start);
  if (turns) for (const beat of beats) beat.side = beat.rep % 2 === 1 ? turns : otherSide(turns);
  if (left > 0)
    beats.push({
      start: toSeconds(start + micros - left),
      seconds: toSeconds(left),
      do: kindOf(dose).leftOver,
      rep: units,
      reps: units,
      easy: true,
    });
  return beats;
}

/** Beats up to a moment. */
function cutBeats(beats: readonly TimedBeat[], end: Micros): TimedBeat[] {
  return beats.flatMap((beat) => {
    const left = end - toMicros(beat.start);
    return left <= 0 ? [] : [{ ...beat, seconds: Math.min(beat.seconds, toSeconds(left)) }];
  });
}
