import type { z } from "zod";
import { breaths, breathsSchema } from "./breaths";
import { effort, effortDoseSchema } from "./effort";
import type { DoseKindFacts } from "./kind";
import { ladder, ladderSchema } from "./ladder";
import { reps, repsSchema } from "./reps";
import { time, timeSchema } from "./time";

/** Every kind of dose, in the order a coach chooses from. A kind is its file, and its name in these two lists. */
export const DOSE_KINDS = { time, reps, breaths, effort, ladder } as const;

/** What each looks like in a document. Apart from the facts, so that a device that only follows needs no schemas. */
export const doseSchemas = () =>
  [timeSchema(), repsSchema(), breathsSchema(), effortDoseSchema(), ladderSchema()] as const;

export type Dose = z.infer<ReturnType<typeof doseSchemas>[number]>;
export type DoseKind = Dose["kind"];

export const DOSE_KIND_NAMES = Object.keys(DOSE_KINDS) as DoseKind[];

/** What is known of a dose's kind. The facts of a kind take doses of that kind only, and are found by it. */
export const kindOf = (dose: { kind: DoseKind }): DoseKindFacts<Dose> => DOSE_KINDS[dose.kind];
