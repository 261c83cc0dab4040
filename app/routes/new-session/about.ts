import { z } from "zod";
import { PURPOSES } from "~/core/session/schema";
import { readClock } from "~/core/lengths";

/** What is said of a session before it has drills. A length is read as it is typed. */
export const titleField = z.string().trim().min(1, "Give it a name.").max(120, "At most 120 characters.");
export const targetField = z.string().transform((text, ctx) => {
  if (text.trim() === "") return undefined;
  const seconds = readClock(text);
  if (seconds !== undefined && seconds > 0 && seconds <= 86_400) return seconds;
  ctx.addIssue({ code: "custom", message: "Write it like 12 min, 12:30 or 90 s." });
  return z.NEVER;
});
export const aboutSchema = z.object({
  title: titleField,
  purpose: z.enum(PURPOSES),
  target: targetField,
  groupId: z.union([z.uuid(), z.literal("")]),
});
