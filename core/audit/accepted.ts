import { z } from "zod";
import { keyOf, type Finding } from "./audit";
import type { SessionPlan } from "~/core/session/schema";

/** A finding that the coach accepts, and why. Saved with the session and with each edition handed out. */
export const acceptedSchema = z.strictObject({
  key: z.string().min(1).max(200).describe("What the finding is known by"),
  says: z.string().min(1).max(600).describe("What it said when it was accepted"),
  reason: z.string().trim().min(3, "Say in a few words why.").max(300),
});

export type Accepted = z.infer<typeof acceptedSchema>;

/** Findings that still stand open, and those that were accepted with what was said then. */
export function sortOut(
  found: readonly Finding[],
  session: SessionPlan,
  accepted: readonly Accepted[],
): { open: Finding[]; accepted: { found: Finding; reason: string }[] } {
  const reasons = new Map(accepted.map((one) => [one.key, one.reason]));
  const reasonOf = (one: Finding) => reasons.get(keyOf(one, session));
  return {
    open: found.filter((one) => reasonOf(one) === undefined),
    accepted: found.flatMap((one) => {
      const reason = reasonOf(one);
      return reason === undefined ? [] : [{ found: one, reason }];
    }),
  };
}
