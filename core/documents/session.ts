import { unreadable, type Opened } from "./opened";
import { ALIASES } from "~/core/drills/aliases";
import { withIdsNow } from "~/core/session/ids-now";
import { parseSession } from "~/core/session/read";
import type { SessionPlan } from "~/core/session/schema";
import { NEWEST_SESSION } from "~/core/session/version";

/** A kept session, of any version there was. Its drills go by their ids of today. */
export function openSession(raw: unknown, aliases: ReadonlyMap<string, string> = ALIASES): Opened<SessionPlan> {
  const read = parseSession(raw);
  if (!read.ok) return unreadable(raw, NEWEST_SESSION, read.faults);
  return { ok: true, doc: withIdsNow(read.value, aliases), was: read.value.version };
}
