import { z } from "zod";
import { lengthAboveZeroSchema } from "./bounds";
import type { DoseKindFacts } from "./kind";
import { secondsText } from "~/core/lengths";
import { toMicros, type Seconds } from "~/core/units";

export const ladderSchema = () =>
  z
    .strictObject({
      kind: z.literal("ladder"),
      rungs: z.array(lengthAboveZeroSchema()).min(1).max(20).describe("Hold lengths to choose from"),
      rung: z.number().int().min(0).describe("Which rung is in use, counted from 0"),
    })
    .refine((d) => d.rung < d.rungs.length, { path: ["rung"], message: "must be one of the rungs, counted from 0" })
    .describe("A ladder of holds");

export type LadderDose = z.infer<ReturnType<typeof ladderSchema>>;

/** The hold in use; 0 where no rung is. */
const inUse = ({ rungs, rung }: LadderDose): Seconds => rungs[rung] ?? 0;

export const ladder: DoseKindFacts<LadderDose> = {
  words: "ladder of holds",
  one: "hold",
  counted: false,
  isPiece: true,
  byClock: "never",
  forClock: (dose) => ({ kind: "time", seconds: inUse(dose) }),
  unitMicros: (dose) => toMicros(inUse(dose)),
  unitCount: () => 1,
  beats: (dose) => [{ do: "hold", micros: toMicros(inUse(dose)) }],
  unitBeats: () => 1,
  leftOver: "keep it easy",
  amount: (dose) => ({ value: inUse(dose), unit: "s", label: "Rung in use" }),
  withAmount: (dose, value) => {
    const distances = dose.rungs.map((rung) => Math.abs(rung - value));
    return { ...dose, rung: distances.indexOf(Math.min(...distances)) };
  },
  choices: (dose) => dose.rungs.map((_, rung) => ({ ...dose, rung })).sort((a, b) => inUse(a) - inUse(b)),
  usual: () => ({ kind: "ladder", rungs: [15, 20, 30, 45, 60], rung: 2 }),
  text: (dose) => `ladder, ${secondsText(inUse(dose))}`,
  twice: (dose) => ({ ...dose, rungs: dose.rungs.map((rung) => 2 * rung) }),
};
