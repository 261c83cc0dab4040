import { z } from "zod";

/*
 * Version 1 of the session format, as it was shipped. Nothing here is changed any more, and nothing is imported that may
 * change: documents of this version stay readable whatever becomes of the newest.
 */

const LEVELS = ["easier", "standard", "harder"] as const;

const LONGEST_SECONDS = 86_400;

const length = z.number().min(0).max(LONGEST_SECONDS);
const lengthAboveZero = z.number().gt(0).max(LONGEST_SECONDS);
const count = (most: number) => z.number().int().min(1).max(most);
const effortPercent = z.number().min(1).max(100);

const PURPOSES = [
  "before-training",
  "before-lifting",
  "before-game",
  "after-training",
  "off-day",
  "desk-break",
] as const;
const SIDE_MODES = ["together", "each", "alternating", "left", "right"] as const;

const beatSchema = z
  .strictObject({
    do: z.string().max(80).describe("What to do on this beat, in a word or two"),
    seconds: lengthAboveZero.describe("How long the beat lasts"),
    breath: z.enum(["in", "out", "hold"]).optional().describe("What the breath does on this beat"),
  })
  .describe("One beat of a repetition");

const effortStep = z
  .strictObject({
    effort: effortPercent.describe("Effort in per cent of the most the person can give, 1–100"),
    seconds: lengthAboveZero.describe("How long this effort is held"),
  })
  .describe("One step of effort");

const timeDose = z
  .strictObject({ kind: z.literal("time"), seconds: lengthAboveZero.describe("How long to work") })
  .describe("Work for a time");

const repsDose = z
  .strictObject({
    kind: z.literal("reps"),
    count: count(1000).describe("How many repetitions"),
    tempo: z.array(beatSchema).min(1).max(32).describe("The beats of one repetition"),
  })
  .describe("Repetitions at a tempo; one repetition is the sum of its beats");

const breathsDose = z
  .strictObject({
    kind: z.literal("breaths"),
    count: count(1000).describe("How many breaths"),
    pattern: z
      .tuple([length, length, length, length])
      .refine((p) => p[0] + p[1] + p[2] + p[3] > 0, "must come to more than 0 s")
      .optional()
      .describe("Seconds in, hold, out, hold; without it each breath takes `pace.breath`"),
  })
  .describe("A count of breaths");

const effortDose = z
  .strictObject({
    kind: z.literal("effort"),
    rounds: count(100).describe("How many times the whole ramp is done"),
    ramp: z.array(effortStep).min(1).max(32).describe("The steps the effort is built up in"),
    opposite: effortStep.optional().describe("The pull the opposite way after the ramp"),
    settle: length.optional().describe("Seconds of letting go after it"),
  })
  .describe("Ramped effort");

const ladderDose = z
  .strictObject({
    kind: z.literal("ladder"),
    rungs: z.array(lengthAboveZero).min(1).max(20).describe("Hold lengths to choose from"),
    rung: z.number().int().min(0).describe("Which rung is in use, counted from 0"),
  })
  .refine((d) => d.rung < d.rungs.length, { path: ["rung"], message: "must be one of the rungs, counted from 0" })
  .describe("A ladder of holds");

const doseSchema = z
  .discriminatedUnion("kind", [timeDose, repsDose, breathsDose, effortDose, ladderDose])
  .describe("How much, for one side and one direction");

const cueSchema = z
  .strictObject({
    at: length.describe("Seconds into each work segment"),
    say: z.string().min(1).max(200).describe("What to call"),
  })
  .describe("A call at a moment of the work");

const itemSchema = z
  .strictObject({
    drill: z.string().min(1).max(80).describe("The drill's id"),
    level: z.enum(LEVELS).default("standard").describe("Which level of the drill"),
    sides: z.enum(SIDE_MODES).optional().describe("How the sides are worked; without it, the drill's own way"),
    directions: z.literal([1, 2]).optional().describe("One or both directions; without it, the drill's own"),
    firstSide: z
      .enum(["left", "right", "current"])
      .optional()
      .describe("Overrides the session's first side; `current` stays on the side in use when the item is reached"),
    dose: doseSchema,
    sets: count(20).default(1).describe("How many sets"),
    restBetweenSets: length.default(0).describe("Rest between sets"),
    restAfter: length.default(0).describe("Rest after the item"),
    demo: length
      .optional()
      .describe("Watch-first time for this item; without it `pace.demo` at a drill's first appearance"),
    cues: z.array(cueSchema).max(50).optional().describe("Calls during the work"),
  })
  .describe("One drill in the session");

const blockSchema = z
  .strictObject({
    title: z.string().max(120).describe("What the block is called"),
    rounds: count(20).default(1).describe("How often the block is gone through"),
    restBetweenRounds: length.default(0).describe("Rest between rounds"),
    sideOrder: z
      .enum(["drill-by-drill", "whole-block"])
      .default("drill-by-drill")
      .describe("Change sides within each drill, or do the whole block on one side and then on the other"),
    items: z.array(itemSchema).min(1).max(60).describe("The drills, in order"),
  })
  .describe("A run of drills");

const paceSchema = z
  .strictObject({
    breath: lengthAboveZero.default(6).describe("One easy breath in and out"),
    switchSides: length.default(6).describe("Changing sides"),
    turn: length.default(2).describe("Changing direction inside one side"),
    demo: length.default(20).describe("Watch-first and set-up, at a drill's first appearance"),
    kitChange: length.default(4).describe("Picking up one piece of kit"),
  })
  .describe("How long the things between the work take");

export const sessionV1 = z
  .strictObject({
    format: z.literal("mapset/session"),
    version: z.literal(1),
    title: z.string().min(1).max(120).describe("What the session is called"),
    purpose: z.enum(PURPOSES).describe("What it is for"),
    target: lengthAboveZero.optional().describe("The promised length"),
    firstSide: z.enum(["left", "right"]).default("left").describe("Which side goes first"),
    pace: paceSchema.prefault({}),
    blocks: z.array(blockSchema).min(1).max(40).describe("The blocks, in order"),
    notes: z.string().max(10_000).optional().describe("The coach's notes"),
  })
  .describe("A session. Every time is in whole or decimal seconds.");
