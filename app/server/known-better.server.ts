import { KNOWN_BETTER_SINCE, type WrittenBefore } from "~/core/audit/known-better";
import type { SessionPlan } from "~/core/session/schema";
import written from "~/library/loads-before.json";

const before = written as WrittenBefore;

/** What was written down of a session's drills when it was last saved, where that was before their drawings were looked at; undefined for a session saved since. */
export function writtenBefore(session: SessionPlan, savedAt: Date): WrittenBefore | undefined {
  if (savedAt >= KNOWN_BETTER_SINCE) return undefined;
  const ids = new Set(session.blocks.flatMap((block) => block.items.map((item) => item.drill)));
  return Object.fromEntries([...ids].flatMap((id) => (before[id] ? [[id, before[id]] as const] : [])));
}
