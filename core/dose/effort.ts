import { z } from "zod";
import { countSchema, effortSchema, lengthAboveZeroSchema, lengthSchema } from "./bounds";
import type { DoseKindFacts } from "./kind";
import { toMicros, type Percent } from "~/core/units";

const stepSchema = () =>
  z
    .strictObject({
      effort: effortSchema().describe("Effort in per cent of the most the person can give, 1–100"),
      seconds: lengthAboveZeroSchema().describe("How long this effort is held"),
    })
    .describe("One step of effort");

export const effortDoseSchema = () =>
  z
    .strictObject({
      kind: z.literal("effort"),
      rounds: countSchema(100).describe("How many times the whole ramp is done"),
      ramp: z.array(stepSchema()).min(1).max(32).describe("The steps the effort is built up in"),
      opposite: stepSchema().optional().describe("The pull the opposite way after the ramp"),
      settle: lengthSchema().optional().describe("Seconds of letting go after it"),
    })
    .describe("Ramped effort");

export type EffortDose = z.infer<ReturnType<typeof effortDoseSchema>>;

/** The strongest step of the ramp, in per cent. */
const top = ({ ramp }: EffortDose): Percent => Math.max(...ramp.map((step) => step.effort));

export const effort: DoseKindFacts<EffortDose> = {
  words: "effort ramp",
  one: "round",
  counted: true,
  isPiece: false,
  byClock: "never",
  forClock: () => undefined,
  unitMicros: ({ ramp, opposite, settle }) =>
    ramp.reduce((sum, step) => sum + toMicros(step.seconds), 0) +
    toMicros(opposite?.seconds ?? 0) +
    toMicros(settle ?? 0),
  unitCount: ({ rounds }) => rounds,
  beats: ({ ramp, opposite, settle }) => [
    ...ramp.map((step) => ({ do: "press", effort: step.effort, micros: toMicros(step.seconds) })),
    ...(opposite
      ? [
          {
            do: "pull the other way",
            effort: opposite.effort,
            opposite: true as const,
            micros: toMicros(opposite.seconds),
          },
        ]
      : []),
    ...(settle ? [{ do: "let go and settle", micros: toMicros(settle) }] : []),
  ],
  unitBeats: ({ ramp, opposite, settle }) => ramp.length + (opposite ? 1 : 0) + (settle ? 1 : 0),
  leftOver: "keep it easy",
  amount: ({ rounds }) => ({ value: rounds, unit: "rounds", label: "Rounds a side" }),
  withAmount: (dose, value) => ({ ...dose, rounds: Math.max(1, Math.round(value)) }),
  usual: () => ({
    kind: "effort",
    rounds: 1,
    ramp: [
      { effort: 30, seconds: 3 },
      { effort: 50, seconds: 3 },
      { effort: 60, seconds: 6 },
    ],
    settle: 6,
  }),
  text: (dose) => `${dose.rounds > 1 ? `${dose.rounds} × ` : ""}effort to ${top(dose)} %`,
  capped: (dose, atMost) => {
    const capped = <S extends { effort: Percent }>(step: S): S => ({ ...step, effort: Math.min(step.effort, atMost) });
    return { ...dose, ramp: dose.ramp.map(capped), ...(dose.opposite && { opposite: capped(dose.opposite) }) };
  },
  effortHeld: ({ ramp, opposite }, atLeast) => {
    const strong = ramp.filter((step) => step.effort >= atLeast).reduce((sum, step) => sum + step.seconds, 0);
    return Math.max(strong, opposite && opposite.effort >= atLeast ? opposite.seconds : 0);
  },
  peak: (dose) => Math.max(dose.opposite?.effort ?? 0, top(dose)),
};
