import { z } from "zod";
import { beatSchema } from "./beat";
import { countSchema } from "./bounds";
import type { DoseKindFacts } from "./kind";
import { secondsText } from "~/core/lengths";
import { sameJson } from "~/core/same-json";
import { toMicros, type Seconds } from "~/core/units";

export const repsSchema = () =>
  z
    .strictObject({
      kind: z.literal("reps"),
      count: countSchema(1000).describe("How many repetitions"),
      tempo: z.array(beatSchema()).min(1).max(32).describe("The beats of one repetition"),
    })
    .describe("Repetitions at a tempo; one repetition is the sum of its beats");

export type RepsDose = z.infer<ReturnType<typeof repsSchema>>;

/** Seconds of one repetition of a tempo. */
export const repSeconds = (tempo: readonly { seconds: Seconds }[]): Seconds =>
  tempo.reduce((sum, beat) => sum + beat.seconds, 0);

export const reps: DoseKindFacts<RepsDose> = {
  words: "repetitions",
  one: "repetition",
  counted: true,
  isPiece: false,
  byClock: "whole-units",
  forClock: (dose) => dose,
  unitMicros: ({ tempo }) => tempo.reduce((sum, beat) => sum + toMicros(beat.seconds), 0),
  unitCount: ({ count }) => count,
  beats: ({ tempo }) =>
    tempo.map((beat) => ({ do: beat.do, micros: toMicros(beat.seconds), ...(beat.breath && { breath: beat.breath }) })),
  unitBeats: ({ tempo }) => tempo.length,
  leftOver: "keep it easy",
  amount: ({ count }) => ({ value: count, unit: "reps", label: "Repetitions a side" }),
  withAmount: (dose, value) => ({ ...dose, count: Math.max(1, Math.round(value)) }),
  usual: (about) => ({
    kind: "reps",
    count: Math.max(1, Math.round(about / 4)),
    tempo: [
      { do: "go", seconds: 2, breath: "out" },
      { do: "return", seconds: 2, breath: "in" },
    ],
  }),
  text: ({ count, tempo }) => `${count} × ${secondsText(repSeconds(tempo))}`,
  change: (from, to) => (sameJson(from.tempo, to.tempo) ? `${from.count} → ${to.count} repetitions` : undefined),
  breathHeld: ({ tempo }) => Math.max(0, ...tempo.map((beat) => (beat.breath === "hold" ? beat.seconds : 0))),
  slowed: (dose, atLeast) => {
    const now = repSeconds(dose.tempo);
    return {
      ...dose,
      tempo: dose.tempo.map((beat) => ({ ...beat, seconds: Math.ceil((beat.seconds * atLeast * 10) / now) / 10 })),
    };
  },
  withoutSorts: (dose) => ({ ...dose, tempo: dose.tempo.map(({ kind: _, ...beat }) => beat) }),
  tempo: ({ tempo }) => tempo.map((beat) => beat.seconds),
};
