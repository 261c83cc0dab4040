import { z } from "zod";
import { animationsSchema } from "~/core/figure/animation";
import { doseSchema } from "~/core/dose/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import type { LevelStress } from "./stresses";
import { POSTURES } from "~/core/vocabulary/postures";
import { STANCES } from "~/core/vocabulary/stance";
import { AREAS } from "~/core/vocabulary/areas";
import { KIT } from "~/core/vocabulary/kit";
import { METHODS } from "~/core/vocabulary/methods";
import { MOTIONS } from "~/core/vocabulary/motions";

export const REGIONS = [
  "breath-and-trunk",
  "spine",
  "shoulder",
  "hip-front",
  "hip-back",
  "hip-sides",
  "hip-turn",
  "knee",
  "ankle-and-foot",
  "whole-body",
] as const;

const sentence = z.string().min(3).max(400);

const boundsSchema = z.strictObject({
  least: z
    .number()
    .gt(0)
    .describe("Smallest sensible amount: seconds, repetitions, breaths, effort rounds, or hold seconds of a ladder"),
  most: z.number().gt(0).describe("Largest sensible amount, in the same unit"),
  step: z.number().gt(0).describe("Sensible step between amounts"),
  leastRep: z.number().gt(0).optional().describe("Shortest safe repetition, in seconds"),
});

/** An area a level stresses besides what its drawing shows, how much, and why. */
const statedSchema = z.strictObject({
  area: z.enum(AREAS),
  grade: z.literal([0, 1, 2]).describe("0 not, 1 some, 2 much; takes the place of what the drawing shows"),
  side: z
    .enum(["working", "other", "both", "middle"])
    .optional()
    .describe("The side that is called, the other, both, or the middle; left out, where the drawing has it"),
  because: sentence,
});

/** One level of a drill, with everything that can differ from level to level. */
export const levelSchema = z.strictObject({
  how: sentence.describe("What makes this level what it is"),
  posture: z.enum(POSTURES),
  endPosture: z.enum(POSTURES),
  stance: z.enum(STANCES).optional().describe("In a position with two different legs, which one the working side is"),
  kit: z.array(z.enum(KIT)).max(6).describe("One entry a piece"),
  main: z.array(z.enum(MOTIONS)).min(1),
  also: z.array(z.enum(MOTIONS)),
  loads: z
    .array(z.union([z.enum(AREAS), statedSchema]))
    .max(2 * AREAS.length)
    .describe("Areas it stresses besides those its drawing shows; an area alone counts as much"),
  dose: doseSchema,
  bounds: boundsSchema,
});

export const drillSchema = z.strictObject({
  id: z
    .string()
    .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/)
    .max(80),
  name: z.string().min(3).max(80),
  region: z.enum(REGIONS),
  method: z.enum(METHODS),
  sides: z.enum(["together", "each", "alternating"]),
  directions: z.literal([1, 2]),
  directionWords: z.tuple([z.string(), z.string()]).optional().describe("What the two directions are called"),
  brief: sentence.describe("The drill in one line"),
  setUp: z.array(sentence).min(1).max(6),
  steps: z.array(sentence).min(1).max(8),
  feel: z.array(sentence).min(1).max(4).describe("What should be felt, and where"),
  elsewhere: z
    .array(z.strictObject({ felt: sentence, change: sentence }))
    .min(1)
    .max(5),
  faults: z
    .array(z.strictObject({ see: sentence, say: sentence }))
    .min(1)
    .max(5),
  cautions: z.array(sentence).min(1).max(5),
  levels: z.strictObject({ easier: levelSchema, standard: levelSchema, harder: levelSchema }),
  motions: animationsSchema.optional().describe("How it moves; a drill without is shown in words"),
});

export type Region = (typeof REGIONS)[number];
export type Load = z.infer<typeof levelSchema>["loads"][number];
/** A level, with what it stresses where that was worked out. It is never part of a document. */
export type DrillLevel = z.infer<typeof levelSchema> & { stress?: LevelStress | undefined };
export type Drill = Omit<z.infer<typeof drillSchema>, "levels"> & { levels: Record<LevelName, DrillLevel> };
export type DoseBounds = z.infer<typeof boundsSchema>;
