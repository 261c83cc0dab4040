import type { Dose, Pace } from "~/core/session/schema";
import { toMicros, toSeconds, type Micros, type Seconds } from "~/core/units";

/** Microseconds of one repetition, breath, effort round or hold of a dose. */
export function unitMicros(dose: Dose, pace: Pick<Pace, "breath">): Micros {
  switch (dose.kind) {
    case "time":
      return toMicros(dose.seconds);
    case "reps":
      return dose.tempo.reduce((sum, beat) => sum + toMicros(beat.seconds), 0);
    case "breaths":
      return dose.pattern ? dose.pattern.reduce((sum, s) => sum + toMicros(s), 0) : toMicros(pace.breath);
    case "effort":
      return (
        dose.ramp.reduce((sum, step) => sum + toMicros(step.seconds), 0) +
        toMicros(dose.opposite?.seconds ?? 0) +
        toMicros(dose.settle ?? 0)
      );
    case "ladder":
      return toMicros(dose.rungs[dose.rung] ?? 0);
  }
}

/** Seconds of one repetition of a tempo. */
export const repSeconds = (tempo: readonly { seconds: Seconds }[]): Seconds => tempo.reduce((sum, beat) => sum + beat.seconds, 0);

/** The lengths of the beats of one repetition as it is dosed; empty where a dose has no repetitions. */
export const tempoOf = (dose: Dose): Seconds[] => (dose.kind === "reps" ? dose.tempo.map((beat) => beat.seconds) : []);

/** How many repetitions, breaths or effort rounds a dose has; 1 for a time and a ladder. */
export function unitCount(dose: Dose): number {
  switch (dose.kind) {
    case "reps":
    case "breaths":
      return dose.count;
    case "effort":
      return dose.rounds;
    default:
      return 1;
  }
}

/** Seconds of a dose, for one side and one direction. */
export function doseSeconds(dose: Dose, pace: Pick<Pace, "breath">): Seconds {
  return toSeconds(unitCount(dose) * unitMicros(dose, pace));
}

/** How many beats a dose gives, for one side and one direction. */
export function beatCount(dose: Dose): number {
  switch (dose.kind) {
    case "time":
    case "ladder":
      return 1;
    case "reps":
      return dose.count * dose.tempo.length;
    case "breaths":
      return dose.count * (dose.pattern ? dose.pattern.filter((s) => s > 0).length : 2);
    case "effort":
      return dose.rounds * (dose.ramp.length + (dose.opposite ? 1 : 0) + (dose.settle ? 1 : 0));
  }
}
