import { z } from "zod";
import { countSchema, lengthSchema } from "./bounds";
import type { DoseKindFacts } from "./kind";
import { sameJson } from "~/core/same-json";
import { toMicros } from "~/core/units";

export const breathsSchema = () =>
  z
    .strictObject({
      kind: z.literal("breaths"),
      count: countSchema(1000).describe("How many breaths"),
      pattern: z
        .tuple([lengthSchema(), lengthSchema(), lengthSchema(), lengthSchema()])
        .refine((p) => p[0] + p[1] + p[2] + p[3] > 0, "must come to more than 0 s")
        .optional()
        .describe("Seconds in, hold, out, hold; without it each breath takes `pace.breath`"),
    })
    .describe("A count of breaths");

export type BreathsDose = z.infer<ReturnType<typeof breathsSchema>>;

const WAYS = [
  ["in", "breathe in"],
  ["hold", "hold the breath"],
  ["out", "breathe out"],
  ["hold", "hold the breath"],
] as const;

export const breaths: DoseKindFacts<BreathsDose> = {
  words: "breaths",
  one: "breath",
  counted: true,
  isPiece: false,
  byClock: "whole-units",
  forClock: (dose) => dose,
  unitMicros: ({ pattern }, { breath }) =>
    pattern ? pattern.reduce((sum, s) => sum + toMicros(s), 0) : toMicros(breath),
  unitCount: ({ count }) => count,
  // An easy breath is half in, half out.
  beats: ({ pattern }, pace) => {
    const breath = toMicros(pace.breath);
    const half = Math.floor(breath / 2);
    const parts = pattern?.map(toMicros) ?? [half, 0, breath - half, 0];
    return WAYS.map(([way, words], i) => ({ do: words, breath: way, micros: parts[i] ?? 0 })).filter(
      (beat) => beat.micros > 0,
    );
  },
  unitBeats: ({ pattern }) => (pattern ? pattern.filter((s) => s > 0).length : 2),
  leftOver: "breathe easily",
  amount: ({ count }) => ({ value: count, unit: "breaths", label: "Breaths a side" }),
  withAmount: (dose, value) => ({ ...dose, count: Math.max(1, Math.round(value)) }),
  usual: (about) => ({ kind: "breaths", count: Math.max(1, Math.round(about / 6)) }),
  text: ({ count, pattern }) =>
    pattern ? `${count} breaths, ${pattern.join("–")}` : `${count} ${count === 1 ? "breath" : "breaths"}`,
  change: (from, to) => (sameJson(from.pattern, to.pattern) ? `${from.count} → ${to.count} breaths` : undefined),
  breathHeld: ({ pattern }) => (pattern ? Math.max(pattern[1], pattern[3]) : 0),
};
