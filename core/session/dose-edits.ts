import type { DoseBounds, DrillLevel } from "~/core/drills/schema";
import { repSeconds } from "~/core/timeline/dose";
import type { Seconds } from "~/core/units";
import type { Dose, DoseKind } from "./schema";

/** The one number of a dose that a coach changes most: seconds, repetitions, breaths, effort rounds, or a ladder's hold. */
export type Amount = { value: number; unit: "s" | "reps" | "breaths" | "rounds"; label: string };

export function amountOf(dose: Dose): Amount {
  switch (dose.kind) {
    case "time":
      return { value: dose.seconds, unit: "s", label: "Seconds a side" };
    case "reps":
      return { value: dose.count, unit: "reps", label: "Repetitions a side" };
    case "breaths":
      return { value: dose.count, unit: "breaths", label: "Breaths a side" };
    case "effort":
      return { value: dose.rounds, unit: "rounds", label: "Rounds a side" };
    case "ladder":
      return { value: dose.rungs[dose.rung] ?? 0, unit: "s", label: "Rung in use" };
  }
}

/** The dose with another amount. A ladder takes the rung that is nearest. */
export function withAmount(dose: Dose, value: number): Dose {
  switch (dose.kind) {
    case "time":
      return { ...dose, seconds: value };
    case "reps":
    case "breaths":
      return { ...dose, count: Math.max(1, Math.round(value)) };
    case "effort":
      return { ...dose, rounds: Math.max(1, Math.round(value)) };
    case "ladder": {
      const distances = dose.rungs.map((rung) => Math.abs(rung - value));
      return { ...dose, rung: distances.indexOf(Math.min(...distances)) };
    }
  }
}

/** The units one value can be set in for several drills together. */
export const AMOUNT_UNITS = ["s", "reps", "breaths", "rounds"] as const satisfies readonly Amount["unit"][];

/** A dose of another kind to begin from: the drill's own when it is of that kind, else a usual one of about the same length. */
export function doseOfKind(kind: DoseKind, level: Pick<DrillLevel, "dose">, about: Seconds): Dose {
  if (level.dose.kind === kind) return level.dose;
  switch (kind) {
    case "time":
      return { kind, seconds: Math.max(5, Math.round(about / 5) * 5) };
    case "reps":
      return { kind, count: Math.max(1, Math.round(about / 4)), tempo: [{ do: "go", seconds: 2, breath: "out" }, { do: "return", seconds: 2, breath: "in" }] };
    case "breaths":
      return { kind, count: Math.max(1, Math.round(about / 6)) };
    case "effort":
      return { kind, rounds: 1, ramp: [{ effort: 30, seconds: 3 }, { effort: 50, seconds: 3 }, { effort: 60, seconds: 6 }], settle: 6 };
    case "ladder":
      return { kind, rungs: [15, 20, 30, 45, 60], rung: 2 };
  }
}

/** What is unusual about a dose for its drill, in a sentence, or undefined when it is within bounds. */
export function boundsCaution(dose: Dose, level: Pick<DrillLevel, "dose" | "bounds">): string | undefined {
  if (dose.kind !== level.dose.kind) return undefined;
  const { value, unit } = amountOf(dose);
  const { least, most } = level.bounds;
  if (value < least) return `Less than this drill’s usual ${least} to ${most} ${unit}.`;
  if (value > most) return `More than this drill’s usual ${least} to ${most} ${unit}.`;
  return undefined;
}

/** Says when a repetition is faster than is safe for the drill. */
export function tempoCaution(dose: Dose, bounds: DoseBounds): string | undefined {
  if (dose.kind !== "reps" || !bounds.leastRep) return undefined;
  const rep = repSeconds(dose.tempo);
  return rep < bounds.leastRep - 1e-9 ? `Faster than this drill allows: a repetition takes at least ${bounds.leastRep} s.` : undefined;
}
