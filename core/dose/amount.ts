import type { Amount } from "./kind";
import { kindOf, type Dose } from "./kinds";

export type { Amount } from "./kind";

/** The one number of a dose that a coach changes most. */
export const amountOf = (dose: Dose): Amount => kindOf(dose).amount(dose);

/** The dose with another amount. A ladder takes the rung that is nearest. */
export const withAmount = (dose: Dose, value: number): Dose => kindOf(dose).withAmount(dose, value);

/** The units one value can be set in for several drills together. */
export const AMOUNT_UNITS = ["s", "reps", "breaths", "rounds"] as const satisfies readonly Amount["unit"][];
