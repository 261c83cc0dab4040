import { z } from "zod";
import { INTERVAL_BOUNDS } from "./bounds";
import { NEWEST_SESSION } from "./version";
import { countSchema, lengthAboveZeroSchema, lengthSchema } from "~/core/dose/bounds";
import { paceSchema } from "~/core/dose/pace";
import { doseSchema } from "~/core/dose/schema";
import { KIT } from "~/core/vocabulary/kit";
import { LEVELS } from "~/core/vocabulary/levels";

export const PURPOSES = [
  "before-training",
  "before-lifting",
  "before-game",
  "after-training",
  "off-day",
  "desk-break",
] as const;
export const SIDE_MODES = ["together", "each", "alternating", "left", "right"] as const;

const length = lengthSchema();
const lengthAboveZero = lengthAboveZeroSchema();

const cueSchema = z
  .strictObject({
    at: length.describe("Seconds into each work segment"),
    say: z.string().min(1).max(200).describe("What to call"),
  })
  .describe("A call at a moment of the work");

export const itemSchema = z
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
    sets: countSchema(20).default(1).describe("How many sets"),
    restBetweenSets: length.default(0).describe("Rest between sets"),
    restAfter: length.default(0).describe("Rest after the item"),
    demo: length
      .optional()
      .describe("Watch-first time for this item; without it `pace.demo` at a drill's first appearance"),
    cues: z.array(cueSchema).max(50).optional().describe("Calls during the work"),
    without: z
      .array(z.enum(KIT))
      .min(1)
      .max(6)
      .optional()
      .describe("Of the kit that only helps, what is left away here, as pads on grass: nobody fetches it"),
    locked: z.literal(true).optional().describe("Not to be changed when the session is fitted to a length"),
    test: z.enum(["before", "after"]).optional().describe("A test taken before or after the work it is about"),
  })
  .describe("One drill in the session");

export const intervalSchema = z
  .strictObject({
    work: z.number().min(INTERVAL_BOUNDS.leastWork).max(INTERVAL_BOUNDS.mostWork).describe("How long every pass lasts"),
    rest: z
      .number()
      .min(0)
      .max(INTERVAL_BOUNDS.mostRest)
      .describe("From one pass to the next: the change happens in it, and what is left is rest"),
  })
  .describe("Work and rest by the clock");

export const blockSchema = z
  .strictObject({
    title: z.string().max(120).describe("What the block is called"),
    rounds: countSchema(20).default(1).describe("How often the block is gone through"),
    restBetweenRounds: length.default(0).describe("Rest between rounds"),
    sideOrder: z
      .enum(["drill-by-drill", "whole-block"])
      .default("drill-by-drill")
      .describe("Change sides within each drill, or do the whole block on one side and then on the other"),
    phase: z.string().min(1).max(40).optional().describe("Which phase of its purpose's arc the block is"),
    interval: intervalSchema.optional().describe("Every pass lasts as long as `work`, with `rest` between any two"),
    items: z.array(itemSchema).min(1).max(60).describe("The drills, in order"),
  })
  .describe("A run of drills");

export const sessionSchema = z
  .strictObject({
    format: z.literal("mapset/session"),
    version: z.literal(NEWEST_SESSION),
    title: z.string().min(1).max(120).describe("What the session is called"),
    purpose: z.enum(PURPOSES).describe("Its purpose"),
    target: lengthAboveZero.optional().describe("The target length"),
    firstSide: z.enum(["left", "right"]).default("left").describe("Which side goes first"),
    pace: paceSchema().prefault({}),
    blocks: z.array(blockSchema).min(1).max(40).describe("The blocks, in order"),
    notes: z.string().max(10_000).optional().describe("The coach's notes"),
  })
  .describe("A session. Every time is in whole or decimal seconds.");

export type Purpose = (typeof PURPOSES)[number];
export type SideMode = (typeof SIDE_MODES)[number];
export type Cue = z.infer<typeof cueSchema>;
export type Item = z.infer<typeof itemSchema>;
export type Block = z.infer<typeof blockSchema>;
export type Interval = z.infer<typeof intervalSchema>;
/**
 * A session of any version, in the shape of the newest: an older one has none of what came later. Its version decides its
 * arithmetic; it stays what it is until it is first changed (`toNewest`).
 */
export type SessionPlan = Omit<z.infer<typeof sessionSchema>, "version"> & { version: 1 | typeof NEWEST_SESSION };
/** A session as it may be written, with the defaults left out. */
export type SessionInput = Omit<z.input<typeof sessionSchema>, "version"> & { version: 1 | typeof NEWEST_SESSION };
