import { z } from "zod";
import { plainCommandSchema } from "./commands";
import { LEVELS } from "~/core/vocabulary/levels";

const place = z.int().min(0).max(10_000);
const cutSchema = z.discriminatedUnion("do", [
  z.looseObject({ do: z.literal("rounds"), block: place, rounds: z.int().min(1).max(100) }),
  z.looseObject({ do: z.literal("showing"), block: place, item: place, seconds: z.number().min(0).max(3600) }),
  z.looseObject({ do: z.literal("out"), block: place, item: place }),
  z.looseObject({ do: z.literal("dose"), block: place, item: place, amount: z.number().min(0).max(100_000) }),
  z.looseObject({ do: z.literal("later"), block: place, item: place }),
  z.looseObject({ do: z.literal("swap"), block: place, item: place, drill: z.string().max(80), level: z.enum(LEVELS) }),
]);
const segmentSchema = z.looseObject({
  kind: z.string().max(20),
  start: z.number().min(0).max(1e7),
  seconds: z.number().min(0).max(1e6),
  block: place,
  item: place,
});
const changeFields = {
  after: z.string().max(24),
  words: z.string().max(20_000),
  cuts: z.array(cutSchema).max(5_000).optional(),
  segments: z.array(segmentSchema).max(20_000).optional(),
  endsBy: z.number().optional(),
};
/** A command as it is read from somewhere else, as from an archive: whichever there is, with all that it needs to be folded. */
export const commandSchema = z.union([
  plainCommandSchema,
  z.looseObject({ do: z.literal("rest"), ...changeFields }),
  z.looseObject({
    do: z.literal("swap"),
    ...changeFields,
    at: z.looseObject({ block: place, item: place }),
    drill: z.looseObject({ id: z.string().max(80), name: z.string().max(200), levels: z.looseObject({}) }),
    level: z.enum(LEVELS),
  }),
]);
