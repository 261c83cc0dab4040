import { z } from "zod";
import { painAtSchema } from "./pain-place";
import { RATED_JOINTS } from "~/core/vocabulary/motions";

const zeroToTen = z.number().int().min(0).max(10);

export const tightnessSchema = z.strictObject({
  joint: z.enum(RATED_JOINTS),
  left: zeroToTen.nullable(),
  right: zeroToTen.nullable(),
});

export const personSchema = z.strictObject({
  athleteId: z.uuid().nullable(),
  name: z.string().trim().min(1).max(40),
});

/** The latest a device's clock is believed to show, the end of 2199: what is past it, or no moment at all, is as if it were not said. A report is never refused for it. */
const LATEST = Date.UTC(2200, 0, 1) - 1;
const moment = z.number().int().min(0).max(LATEST).optional().catch(undefined);

/** What a device tells of a run while it goes on. `key` is made on the device; the same key is the same run. */
export const progressSchema = z.strictObject({
  key: z.uuid(),
  person: personSchema,
  shareDone: z.number().min(0).max(1),
  finished: z.boolean(),
  begun: moment.describe("When it was begun, by the device's clock, in milliseconds since 1970"),
  sent: moment.describe("What the device's clock shows as this is sent"),
  inClass: z.uuid().optional().catch(undefined).describe("The class it is done in, where it is in one"),
});

/** One thing that hurt, as a device tells it. The same key again is the same report; what is told of it later is what counts. */
export const painToldSchema = z.strictObject({
  key: z.uuid(),
  at: painAtSchema.nullable().catch(null),
  where: z.string().trim().max(120),
  said: moment,
});

/** A person tells of at most so much in one run. */
export const MOST_PAINS = 40;

/** What can be read of a list of pains: one that can't is never a reason to refuse the others. */
const painsSchema = z
  .array(z.unknown())
  .transform((all) =>
    all
      .flatMap((one) => {
        const read = painToldSchema.safeParse(one);
        return read.success ? [read.data] : [];
      })
      .slice(0, MOST_PAINS),
  )
  .optional()
  .catch(undefined);

/** A check-in, together with the run it belongs to, in case nothing of the run has arrived before. */
export const checkInSchema = z.strictObject({
  run: progressSchema,
  hard: zeroToTen.nullable(),
  tightness: z.array(tightnessSchema).max(6),
  pain: z.boolean(),
  painWhere: z.string().trim().max(120),
  /** Left out by pages of before; a report of pain is never refused for it. */
  painAt: painAtSchema.nullable().optional().catch(undefined),
  /** Each thing that hurt. Pages of before told of one, by the two above. */
  pains: painsSchema,
  note: z.string().trim().max(500),
  said: moment.describe("When it was filled in, by the device's clock"),
});

export type Tightness = z.infer<typeof tightnessSchema>;
export type Person = z.infer<typeof personSchema>;
export type PainTold = z.infer<typeof painToldSchema>;
export type Progress = z.infer<typeof progressSchema>;
export type CheckIn = z.infer<typeof checkInSchema>;
