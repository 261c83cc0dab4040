import { itemCount } from "~/core/session/edits";
import type { Purpose, Session } from "~/core/session/schema";
import { miniProfile, type MiniProfile } from "~/core/profile/mini";
import { profileOf } from "~/core/profile/profile";
import { compile } from "~/core/timeline/compile";
import type { Seconds } from "~/core/units";
import type { SessionRow } from "~/db/sessions";
import type { DrillLookup } from "~/library";

/** What the list shows of a session. */
export type SessionSummary = {
  id: string;
  title: string;
  purpose: Purpose;
  target: Seconds | undefined;
  totalSeconds: Seconds;
  drills: number;
  updatedAt: string;
  archived: boolean;
  template: boolean;
  openEditions: number;
  lastHandedOut: string | undefined;
  runs: number;
  finished: number;
  profile: MiniProfile;
};

type Seen = { drills: number; profile: MiniProfile };

/** What a revision of a session looks like in the list: it never changes, and is worked out once. */
const seen = new Map<string, Seen>();
const MOST_SEEN = 6_000;
const keyOf = (row: SessionRow): string => `${row.id} ${row.revision}`;
/** So many are worked out before others are served. */
const AT_A_TIME = 8;

/** What the list shows of sessions; others are served between one handful and the next. */
export async function summarise(rows: readonly SessionRow[], runs: ReadonlyMap<string, { runs: number; finished: number }>, drillsIn: (docs: readonly Session[]) => Promise<DrillLookup>): Promise<SessionSummary[]> {
  let fresh = 0;
  const drills = await drillsIn(rows.filter((row) => !seen.has(keyOf(row))).map((row) => row.doc));
  const all: SessionSummary[] = [];
  for (const row of rows) {
    const key = keyOf(row);
    let known = seen.get(key);
    if (!known) {
      if (++fresh % AT_A_TIME === 0) await new Promise((resolve) => setImmediate(resolve));
      known = { drills: itemCount(row.doc), profile: miniProfile(profileOf(row.doc, compile(row.doc, drills)), 208, 52) };
      seen.set(key, known);
      if (seen.size > MOST_SEEN) seen.delete(seen.keys().next().value!);
    }
    const counted = runs.get(row.id);
    all.push({
      id: row.id, title: row.doc.title, purpose: row.doc.purpose, target: row.doc.target, totalSeconds: row.totalSeconds,
      updatedAt: row.updatedAt.toISOString(), archived: row.archivedAt !== null, template: row.template,
      openEditions: row.openEditions, lastHandedOut: row.lastHandedOut?.toISOString(),
      runs: counted?.runs ?? 0, finished: counted?.finished ?? 0, ...known,
    });
  }
  return all;
}
