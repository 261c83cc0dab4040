import type { Beat } from "./beat";
import type { Breathing } from "./pace";
import type { Micros, Percent, Seconds } from "~/core/units";

/** A beat before it has a place in time. */
export type LooseBeat = {
  do: string;
  breath?: Beat["breath"];
  effort?: Percent;
  opposite?: true;
  micros: Micros;
};

/** The one number of a dose that a coach changes most: seconds, repetitions, breaths, effort rounds, or a ladder's hold. */
export type Amount = { value: number; unit: "s" | "reps" | "breaths" | "rounds"; label: string };

/** Everything that is asked of a kind of dose. A unit is a repetition, a breath, an effort round, or all of a hold. */
export type DoseKindFacts<D> = {
  /** What a coach chooses it by. */
  words: string;
  /** One unit of it, in a word. */
  one: string;
  /** Whether it has units that are counted; else it goes by seconds. Only what is counted can take turns between the sides. */
  counted: boolean;
  /** What becomes of it in a block by the clock: it takes all of the work, whole units of it are done as long as they fit, or it keeps a time of its own, which a clock can't. */
  byClock: "fills" | "whole-units" | "never";
  /** The dose it becomes where a block is put by the clock; undefined where there is none. */
  forClock(dose: D): { kind: "time"; seconds: Seconds } | D | undefined;
  /** Whether all of it is one piece that is held or kept up, as long as its seconds. */
  isPiece: boolean;
  unitMicros(dose: D, pace: Breathing): Micros;
  unitCount(dose: D): number;
  /** The beats of one unit. */
  beats(dose: D, pace: Breathing): LooseBeat[];
  /** How many beats a unit has. Apart from the beats themselves, so that a hostile document is counted and not laid out. */
  unitBeats(dose: D): number;
  /** What is done with what is left of work by the clock after the last whole unit. */
  leftOver: string;
  amount(dose: D): Amount;
  /** With another amount; the nearest there is. */
  withAmount(dose: D, value: number): D;
  /** A usual dose of about so long, to begin from. */
  usual(about: Seconds): D;
  /** In a few words, for one side and one direction. */
  text(dose: D): string;
  /** From one to another that differs in nothing but its amount, `30 → 45 s`; undefined where more is different. */
  change?(from: D, to: D): string | undefined;
  /** The doses to choose from, least first, where not any amount is possible. */
  choices?(dose: D): D[];
  /** The same without what sort of beats it has. */
  withoutSorts?(dose: D): D;
  /** A dose twice as long, as one that was done once for each side; left out where it is the same. */
  twice?(dose: D): D;
  /** The strongest effort that is asked for, in per cent; 0 where none is. */
  peak?(dose: D): Percent;
  /** The same with no effort over so many per cent. */
  capped?(dose: D, atMost: Percent): D;
  /** How long an effort of at least so many per cent is kept up in one go. */
  effortHeld?(dose: D, atLeast: Percent): Seconds;
  /** The longest the breath is held on purpose. */
  breathHeld?(dose: D): Seconds;
  /** The lengths of the beats of one repetition, for a figure to keep in step with. */
  tempo?(dose: D): Seconds[];
  /** The same, slowed down as evenly as tenths of a second allow until a repetition takes so long. */
  slowed?(dose: D, atLeast: Seconds): D;
};
