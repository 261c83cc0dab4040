import type { DoseBounds, DrillLevel } from "./schema";
import { amountOf } from "~/core/dose/amount";
import { repOf, tempoOf } from "~/core/dose/dose";
import { DOSE_KINDS, type Dose, type DoseKind } from "~/core/dose/kinds";
import type { Seconds } from "~/core/units";

/** A dose of another kind to begin from: the drill's own when it is of that kind, else a usual one of about the same length. */
export const doseOfKind = (kind: DoseKind, level: Pick<DrillLevel, "dose">, about: Seconds): Dose =>
  level.dose.kind === kind ? level.dose : DOSE_KINDS[kind].usual(about);

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
  if (tempoOf(dose).length === 0 || !bounds.leastRep) return undefined;
  return repOf(dose) < bounds.leastRep - 1e-9
    ? `Faster than this drill allows: a repetition takes at least ${bounds.leastRep} s.`
    : undefined;
}
