import { kindOf, type Dose } from "./kinds";
import type { Breathing } from "./pace";
import { sameJson } from "~/core/same-json";
import { toSeconds, type Micros, type Percent, type Seconds } from "~/core/units";

/** Microseconds of one repetition, breath, effort round or hold of a dose. */
export const unitMicros = (dose: Dose, pace: Breathing): Micros => kindOf(dose).unitMicros(dose, pace);

/** The lengths of the beats of one repetition as it is dosed, in seconds; empty where a dose has no repetitions. */
export const tempoOf = (dose: Dose): Seconds[] => kindOf(dose).tempo?.(dose) ?? [];

/** How many repetitions, breaths or effort rounds a dose has; 1 for what is not counted. */
export const unitCount = (dose: Dose): number => kindOf(dose).unitCount(dose);

/** Seconds of a dose, for one side and one direction. */
export const doseSeconds = (dose: Dose, pace: Breathing): Seconds =>
  toSeconds(unitCount(dose) * unitMicros(dose, pace));

/** How many beats a dose gives, for one side and one direction. */
export const beatCount = (dose: Dose): number => unitCount(dose) * kindOf(dose).unitBeats(dose);

/** Whether a dose is counted in repetitions, breaths or rounds, and not in seconds. */
export const isCounted = (dose: Dose): boolean => kindOf(dose).counted;

/** Whether all of a dose is one piece, held or kept up as long as its seconds. */
export const isPiece = (dose: Dose): boolean => kindOf(dose).isPiece;

/** Whether whole units of a dose are done, as many as fit, in a block by the clock. */
export const inWholeUnits = (dose: Dose): boolean => kindOf(dose).byClock === "whole-units";

/** Whether a dose has times of its own, which a block by the clock can't keep. */
export const hasOwnTimes = (dose: Dose): boolean => kindOf(dose).byClock === "never";

/** The strongest step of a dose, in per cent of the most there is; 0 where it asks for no effort. */
export const peakEffort = (dose: Dose): Percent => kindOf(dose).peak?.(dose) ?? 0;

/** Whether a dose says how strong an effort is to be. */
export const asksEffort = (dose: Dose): boolean => kindOf(dose).peak !== undefined;

/** A dose with no effort over so many per cent; as it is where it asks for none. */
export const cappedAt = (dose: Dose, atMost: Percent): Dose => kindOf(dose).capped?.(dose, atMost) ?? dose;

/** Seconds of one repetition; 0 where a dose has none. */
export const repOf = (dose: Dose): Seconds => tempoOf(dose).reduce((sum, beat) => sum + beat, 0);

/** A dose slowed down until a repetition takes at least so long; as it is where it has none. */
export const slowedTo = (dose: Dose, atLeast: Seconds): Dose => kindOf(dose).slowed?.(dose, atLeast) ?? dose;

/** How long an effort of at least so many per cent is kept up in one go, in seconds. */
export const effortHeld = (dose: Dose, atLeast: Percent): Seconds => kindOf(dose).effortHeld?.(dose, atLeast) ?? 0;

/** The longest a dose has the breath held on purpose, in seconds. */
export const breathHeld = (dose: Dose): Seconds => kindOf(dose).breathHeld?.(dose) ?? 0;

/** The doses to choose from, least first, where not any amount is possible. */
export const choicesOf = (dose: Dose): Dose[] | undefined => kindOf(dose).choices?.(dose);

/** What a dose is in a block by the clock, a ladder a time; undefined where it can't be in one. */
export const forClock = (dose: Dose): Dose | undefined => kindOf(dose).forClock(dose);

/** A dose in a few words: `8 × 5 s`, `30 s`, `5 breaths`, `effort to 95 %`. For one side and one direction. */
export const doseWords = (dose: Dose): string => kindOf(dose).text(dose);

/** Whether two doses are done alike. What sort of beats they have plays no part: sessions of before say nothing of it. */
export const sameDose = (a: Dose, b: Dose): boolean => sameJson(withoutSorts(a), withoutSorts(b));

const withoutSorts = (dose: Dose): Dose => kindOf(dose).withoutSorts?.(dose) ?? dose;

/** A dose twice as long, as one that was done once for each side; a counted one has its sides in its count. */
export const twice = (dose: Dose): Dose => kindOf(dose).twice?.(dose) ?? dose;

/** Whether the out-breath of a dose is longer than the in-breath, as far as the dose says. */
export const breathesOutLonger = (dose: Dose): boolean =>
  dose.kind === "breaths" && dose.pattern !== undefined && dose.pattern[2] > dose.pattern[0];
