import { z } from "zod";
import { lengthAboveZeroSchema } from "./bounds";

/** What has to be known of a beat besides its words. */
export const BEAT_KINDS = ["step", "hop", "hold", "release", "settle"] as const;
export const beatSchema = () =>
  z
    .strictObject({
      do: z.string().max(80).describe("What to do on this beat, in a word or two"),
      seconds: lengthAboveZeroSchema().describe("How long the beat lasts"),
      breath: z.enum(["in", "out", "hold"]).optional().describe("What the breath does on this beat"),
      kind: z
        .enum(BEAT_KINDS)
        .optional()
        .describe("What sort of beat it is, where that matters; its words are for people only"),
    })
    .describe("One beat of a repetition");

export type Beat = z.infer<ReturnType<typeof beatSchema>>;
