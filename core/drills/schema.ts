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
import { REHEARSALS } from "~/core/vocabulary/rehearses";

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
  "moving",
  "hand",
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

/** What a caution asks for: to leave the drill out, to take care, or to stop at a sign. */
export const CAUTION_KINDS = ["leave out", "take care", "stop now"] as const;

const cautionSchema = z.strictObject({ kind: z.enum(CAUTION_KINDS), text: sentence });

const asCaution = (one: z.infer<typeof cautionSchema> | string): z.infer<typeof cautionSchema> =>
  typeof one === "string" ? { kind: "take care", text: one } : one;

/** Cautions; those that earlier versions wrote as bare sentences ask to take care. */
const cautionsSchema = z
  .array(z.union([cautionSchema, sentence]))
  .min(1)
  .max(6)
  .transform((all) => all.map(asCaution));

const step03 = z.literal([0, 1, 2, 3]);
const SIDE_WAYS = ["together", "each", "alternating"] as const;
const directionWordsSchema = z.tuple([z.string(), z.string()]);

/** One level of a drill, with everything that can differ from level to level. What is left out is as the drill says. */
export const levelSchema = z.strictObject({
  how: sentence.describe("What makes this level what it is"),
  name: z.string().min(3).max(80).optional().describe("Its name, where it is really another exercise"),
  method: z.enum(METHODS).optional(),
  posture: z.enum(POSTURES),
  endPosture: z.enum(POSTURES),
  stance: z.enum(STANCES).optional().describe("In a position with two different legs, which one the working side is"),
  sides: z.enum(SIDE_WAYS).optional(),
  gait: z
    .boolean()
    .optional()
    .describe("Left and right take turns by themselves, as in walking: each is worked half of the seconds"),
  directions: z.literal([1, 2]).optional(),
  directionWords: directionWordsSchema.optional(),
  setUp: z.array(sentence).min(1).max(6).optional(),
  steps: z.array(sentence).min(1).max(8).optional(),
  cautions: cautionsSchema.optional(),
  kit: z.array(z.enum(KIT)).max(6).describe("Everything it uses, one entry a piece"),
  helps: z
    .array(z.enum(KIT))
    .max(6)
    .optional()
    .describe("Which of its kit only helps, as a pad on a hard floor; without the rest it isn’t this drill"),
  main: z.array(z.enum(MOTIONS)).min(1),
  also: z.array(z.enum(MOTIONS)),
  otherLimb: z
    .array(z.enum(MOTIONS))
    .min(1)
    .max(MOTIONS.length)
    .optional()
    .describe("Of these rows, those that the other limb works, not the one that is called"),
  bothLimbs: z
    .array(z.enum(MOTIONS))
    .min(1)
    .max(MOTIONS.length)
    .optional()
    .describe("Of these rows, those that both limbs work, whichever is called"),
  loads: z
    .array(z.union([z.enum(AREAS), statedSchema]))
    .max(2 * AREAS.length)
    .describe("Areas it stresses besides those its drawing shows; an area alone counts as much"),
  dose: doseSchema,
  bounds: boundsSchema,
  pulse: step03.optional().describe("A fit adult’s pulse after 45 s at its own tempo"),
  speed: step03.optional().describe("How fast the fastest part of the body moves"),
  impact: step03.optional().describe("The hardest landing"),
  skill: step03.optional().describe("What a newcomer needs to do it right"),
  effort: z
    .number()
    .int()
    .min(0)
    .max(10)
    .optional()
    .describe("How strong it is at the working tissue, 0 nothing to 10 all there is"),
});

const linkSchema = z.strictObject({
  drill: z.string().min(1).max(80).describe("The id of the other drill"),
  why: sentence,
});

export const drillSchema = z.strictObject({
  id: z
    .string()
    .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/)
    .max(80),
  name: z.string().min(3).max(80),
  region: z.enum(REGIONS),
  family: z
    .string()
    .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/)
    .max(80)
    .optional()
    .describe("What drills that are the same idea have in common"),
  rehearses: z.array(z.enum(REHEARSALS)).max(6).optional().describe("What of a sport or of a day it rehearses"),
  method: z.enum(METHODS),
  sides: z.enum(SIDE_WAYS),
  working: z
    .string()
    .min(3)
    .max(60)
    .optional()
    .describe("What the side that is called is: the leg in front, the arm that reaches"),
  partner: z.enum(["alone", "pairs", "line"]).optional().describe("Done alone, in pairs, or in a line that waits"),
  directions: z.literal([1, 2]),
  directionWords: directionWordsSchema.optional().describe("What the two directions are called"),
  brief: sentence.describe("The drill in one line"),
  setUp: z.array(sentence).min(1).max(6),
  steps: z.array(sentence).min(1).max(8),
  feel: z.array(sentence).min(1).max(4).describe("What should be felt, and where"),
  elsewhere: z
    .array(z.strictObject({ felt: sentence, change: sentence }))
    .min(1)
    .max(5),
  faults: z
    .array(z.strictObject({ see: sentence, why: sentence.optional(), say: sentence }))
    .min(1)
    .max(5),
  cautions: cautionsSchema,
  links: z
    .strictObject({
      leadsTo: z.array(linkSchema).max(6).optional().describe("Harder drills it leads to"),
      insteadOf: z
        .array(linkSchema)
        .max(6)
        .optional()
        .describe("Drills for the same, where an area, kit or a surface rules this one out"),
    })
    .optional(),
  searchWords: z
    .array(z.string().min(2).max(40))
    .max(20)
    .optional()
    .describe("Everyday names of muscles, kit and shapes a coach would type"),
  reviewed: z
    .strictObject({ on: z.iso.date(), checked: sentence })
    .optional()
    .describe("When it was last gone through, and what was checked"),
  levels: z.strictObject({ easier: levelSchema, standard: levelSchema, harder: levelSchema }),
  motions: animationsSchema.optional().describe("How it moves; a drill without is shown in words"),
});

export type Region = (typeof REGIONS)[number];
export type Load = z.infer<typeof levelSchema>["loads"][number];
/** A level, with what it stresses where that was worked out. It is never part of a document. */
export type DrillLevel = z.infer<typeof levelSchema> & { stress?: LevelStress | undefined };
export type Drill = Omit<z.infer<typeof drillSchema>, "levels"> & { levels: Record<LevelName, DrillLevel> };
export type DoseBounds = z.infer<typeof boundsSchema>;
export type Caution = z.infer<typeof cautionSchema>;
export type DrillLink = z.infer<typeof linkSchema>;

/** A drill that a browser held while it was changed, in today’s shape: before, its cautions were bare sentences. */
export const inTodaysShape = (held: Drill): Drill => ({ ...held, cautions: held.cautions.map(asCaution) });
