import { z } from "zod";
import { lengthAboveZeroSchema } from "./bounds";
import type { DoseKindFacts } from "./kind";
import { secondsText } from "~/core/lengths";
import { toMicros } from "~/core/units";

export const timeSchema = () =>
  z
    .strictObject({ kind: z.literal("time"), seconds: lengthAboveZeroSchema().describe("How long to work") })
    .describe("Work for a time");

export type TimeDose = z.infer<ReturnType<typeof timeSchema>>;

export const time: DoseKindFacts<TimeDose> = {
  words: "time",
  one: "time",
  counted: false,
  isPiece: true,
  byClock: "fills",
  forClock: (dose) => dose,
  unitMicros: ({ seconds }) => toMicros(seconds),
  unitCount: () => 1,
  beats: ({ seconds }) => [{ do: "work", micros: toMicros(seconds) }],
  unitBeats: () => 1,
  leftOver: "keep it easy",
  amount: ({ seconds }) => ({ value: seconds, unit: "s", label: "Seconds a side" }),
  withAmount: (dose, seconds) => ({ ...dose, seconds }),
  usual: (about) => ({ kind: "time", seconds: Math.max(5, Math.round(about / 5) * 5) }),
  text: ({ seconds }) => secondsText(seconds),
  change: (from, to) =>
    from.seconds < 60 && to.seconds < 60
      ? `${from.seconds} → ${to.seconds} s`
      : `${secondsText(from.seconds)} → ${secondsText(to.seconds)}`,
  twice: (dose) => ({ ...dose, seconds: 2 * dose.seconds }),
};
