import { z } from "zod";
import { SURFACES } from "~/core/vocabulary/surfaces";
import { REHEARSALS } from "~/core/vocabulary/rehearses";
import { MOTIONS } from "~/core/vocabulary/motions";

/** How much a row is asked for, 0 to 3, and why in a line. */
const weightSchema = z.strictObject({ weight: z.number().min(0).max(3), why: z.string().trim().min(3).max(200) });

/** What a sport, a day's work or a purpose asks of each joint motion. */
export const sportProfileSchema = z.strictObject({
  id: z
    .string()
    .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/)
    .max(80),
  name: z.string().trim().min(3).max(80),
  about: z.string().trim().min(3).max(300),
  held: z
    .array(z.string().trim().min(3).max(120))
    .max(6)
    .describe("Positions people are in all week; their opposites weigh more"),
  rehearses: z
    .array(z.enum(REHEARSALS))
    .max(8)
    .optional()
    .describe("Actions of the sport; a session before it ends with one of them"),
  surfaces: z.array(z.enum(SURFACES)).max(SURFACES.length).optional().describe("What it usually takes place on"),
  lands: z.boolean().optional().describe("It jumps or cuts: one-leg landings belong before it"),
  groundSport: z.boolean().optional().describe("It is fought on the ground"),
  rows: z.partialRecord(z.enum(MOTIONS), weightSchema).describe("Rows that are left out weigh nothing"),
});

export type SportProfile = z.infer<typeof sportProfileSchema>;
