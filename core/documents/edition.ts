import { z } from "zod";
import { unreadable, type Opened } from "./opened";
import { drillSchema } from "~/core/drills/schema";
import { NEWEST_EDITION, type Edition } from "~/core/edition/edition";
import { isObject, parseWith } from "~/core/faults";
import { missingDrill } from "~/core/session/missing";
import { parseSession } from "~/core/session/read";

const drillsSchema = z.array(drillSchema).max(2_400);

/**
 * A kept edition, of any version there was. The first said nothing of its version. Its session keeps the version it was handed
 * out in, and with it its arithmetic; its drills are those of that day, by the ids of that day.
 */
export function openEdition(raw: unknown): Opened<Edition> {
  const { session: said, drills: brought, ...head } = isObject(raw) ? raw : {};
  const was = isObject(raw) && !("version" in raw) ? 1 : head["version"];
  if (!isObject(raw) || (was !== 1 && was !== NEWEST_EDITION))
    return unreadable(raw, NEWEST_EDITION, [{ path: "version", message: `must be 1 or ${NEWEST_EDITION}` }]);
  const session = parseSession(said);
  const drills = parseWith(drillsSchema, brought);
  const ids = new Set(drills.ok ? drills.value.map((drill) => drill.id) : []);
  const missing = session.ok ? missingDrill(session.value, (id) => (ids.has(id) ? id : undefined)) : undefined;
  if (drills.ok && missing !== undefined)
    return unreadable(raw, NEWEST_EDITION, [{ path: "drills", message: `has no ${missing}, which the session names` }]);
  if (session.ok && drills.ok)
    return {
      ok: true,
      doc: {
        ...(was === NEWEST_EDITION && { format: "mapset/edition", version: NEWEST_EDITION }),
        session: session.value,
        drills: drills.value,
      },
      was,
    };
  return unreadable(raw, NEWEST_EDITION, [...(session.ok ? [] : session.faults), ...(drills.ok ? [] : drills.faults)]);
}
