import { unreadable, type Opened } from "./opened";
import { ALIASES } from "~/core/drills/aliases";
import { isFit } from "~/core/fit-to-keep";
import { withIdsNow } from "~/core/session/ids-now";
import { parseSession } from "~/core/session/read";
import type { Session } from "~/core/session/schema";
import { NEWEST_SESSION } from "~/core/session/version";

/** A kept session, of any version there was. Its drills go by their ids of today. */
export function openSession(raw: unknown, aliases: ReadonlyMap<string, string> = ALIASES): Opened<Session> {
  const read = parseSession(raw);
  if (!read.ok) return unreadable(raw, NEWEST_SESSION, read.faults);
  return { ok: true, doc: withIdsNow(read.value, aliases), was: read.value.version };
}

/** What a session that cannot be read is called, as far as it says. */
export function titleOf(raw: unknown): string | undefined {
  const { title } = (typeof raw === "object" && raw !== null ? raw : {}) as { title?: unknown };
  return typeof title === "string" && title !== "" && isFit(title) ? title.slice(0, 120) : undefined;
}
