import type { Dose, OneSide, Pace } from "~/core/session/schema";
import { toMicros, toSeconds, type Micros } from "~/core/units";
import { filled } from "./interval";
import { otherSide } from "./sides";
import type { TimedBeat } from "./types";

/** A beat before it has a place in time. */
type LooseBeat = Pick<TimedBeat, "do" | "breath" | "effort" | "opposite"> & { micros: Micros };

const BREATH_WORDS = { in: "breathe in", out: "breathe out", hold: "hold the breath" } as const;

/** The beats of one repetition, breath, effort round or hold. An easy breath is half in, half out. */
function unitBeats(dose: Dose, pace: Pick<Pace, "breath">): LooseBeat[] {
  switch (dose.kind) {
    case "time":
      return [{ do: "work", micros: toMicros(dose.seconds) }];
    case "ladder":
      return [{ do: "hold", micros: toMicros(dose.rungs[dose.rung] ?? 0) }];
    case "reps":
      return dose.tempo.map((beat) => ({ do: beat.do, micros: toMicros(beat.seconds), ...(beat.breath && { breath: beat.breath }) }));
    case "breaths": {
      const breath = toMicros(pace.breath);
      const half = Math.floor(breath / 2);
      const parts = dose.pattern?.map(toMicros) ?? [half, 0, breath - half, 0];
      return (["in", "hold", "out", "hold"] as const)
        .map((way, i) => ({ do: BREATH_WORDS[way], breath: way, micros: parts[i] ?? 0 }))
        .filter((beat) => beat.micros > 0);
    }
    case "effort":
      return [
        ...dose.ramp.map((step) => ({ do: "press", effort: step.effort, micros: toMicros(step.seconds) })),
        ...(dose.opposite
          ? [{ do: "pull the other way", effort: dose.opposite.effort, opposite: true as const, micros: toMicros(dose.opposite.seconds) }]
          : []),
        ...(dose.settle ? [{ do: "let go and settle", micros: toMicros(dose.settle) }] : []),
      ];
  }
}

/**
 * The beats of one work segment that starts at `start`.
 * With `turns`, the units are done twice over, taking turns from that side; a time or a ladder, which has no
 * units to take turns with, becomes one beat of twice the length at the person's own rhythm.
 */
export function layBeats(dose: Dose, pace: Pick<Pace, "breath">, units: number, start: Micros, turns?: OneSide): TimedBeat[] {
  const unit = unitBeats(dose, pace);
  if (turns && (dose.kind === "time" || dose.kind === "ladder")) {
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
export function fillBeats(dose: Dose, pace: Pick<Pace, "breath">, micros: Micros, start: Micros, turns?: OneSide): TimedBeat[] {
  if (dose.kind !== "reps" && dose.kind !== "breaths") return [{ start: toSeconds(start), seconds: toSeconds(micros), do: "work", rep: 1, reps: 1 }];
  const { units, left } = filled(dose, pace, micros);
  if (units === 0) return cutBeats(layBeats(dose, pace, 1, start), start + micros);
  const beats = layBeats(dose, pace, units, start);
  if (turns) for (const beat of beats) beat.side = beat.rep % 2 === 1 ? turns : otherSide(turns);
  if (left > 0) beats.push({ start: toSeconds(start + micros - left), seconds: toSeconds(left), do: dose.kind === "breaths" ? "breathe easily" : "keep it easy", rep: units, reps: units, easy: true });
  return beats;
}

/** Beats up to a moment. */
function cutBeats(beats: readonly TimedBeat[], end: Micros): TimedBeat[] {
  return beats.flatMap((beat) => {
    const left = end - toMicros(beat.start);
    return left <= 0 ? [] : [{ ...beat, seconds: Math.min(beat.seconds, toSeconds(left)) }];
  });
}
