import { openSession } from "~/core/documents/session";
import type { Purpose, SessionPlan } from "~/core/session/schema";
import type { MiniProfile } from "~/core/profile/mini";
import { SUMMARY_RULES, summaryOf, type Summary } from "~/core/profile/summary";
import { compile } from "~/core/timeline/compile";
import type { Seconds } from "~/core/units";
import type { Db } from "~/db/client";
import type { Club } from "~/db/clubs";
import { keepSummary, rawSessions, type SessionRow } from "~/db/sessions";
import type { DrillLookup } from "~/library";
import { missingDrill } from "~/core/session/missing";

/** What the list shows of a session; `unreadable` says why there is nothing to show. */
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
  profile: MiniProfile | undefined;
  unreadable: { newer: boolean; why: string } | undefined;
};

/** So many are worked out before others are served. */
const AT_A_TIME = 8;

/**
 * What the list shows of sessions, from what is kept beside them. Where there is nothing of their newest revision (written by
 * an older program, or by a newer one with other rules) it is worked out once, and kept; others are served in between.
 */
export async function summarise(
  db: Db,
  club: Club,
  rows: readonly SessionRow[],
  drillsIn: (docs: readonly SessionPlan[]) => Promise<DrillLookup>,
): Promise<SessionSummary[]> {
  const stale = rows.filter((row) => !row.summary).map((row) => row.id);
  const fresh = stale.length > 0 ? await freshSummaries(db, club, stale, drillsIn) : new Map<string, Summary>();
  return rows.flatMap((row): SessionSummary[] => {
    const summary = row.summary ?? fresh.get(row.id);
    if (!summary) return [];
    const shown =
      "unreadable" in summary
        ? { drills: 0, target: undefined, profile: undefined, unreadable: summary.unreadable }
        : {
            drills: summary.drills,
            target: summary.target ?? undefined,
            profile: summary.profile,
            unreadable: undefined,
          };
    return [
      {
        id: row.id,
        title: row.title,
        purpose: row.purpose,
        totalSeconds: row.totalSeconds,
        updatedAt: row.updatedAt.toISOString(),
        archived: row.archivedAt !== null,
        template: row.template,
        openEditions: row.openEditions,
        lastHandedOut: row.lastHandedOut?.toISOString(),
        runs: row.runs,
        finished: row.finished,
        ...shown,
      },
    ];
  });
}

async function freshSummaries(
  db: Db,
  club: Club,
  ids: readonly string[],
  drillsIn: (docs: readonly SessionPlan[]) => Promise<DrillLookup>,
): Promise<Map<string, Summary>> {
  const opened = (await rawSessions(db, club, ids)).map((row) => ({ ...row, opened: openSession(row.raw) }));
  const drills = await drillsIn(opened.flatMap((row) => (row.opened.ok ? [row.opened.doc] : [])));
  const all = new Map<string, Summary>();
  for (const [i, { id, revision, opened: one }] of opened.entries()) {
    if (i % AT_A_TIME === AT_A_TIME - 1) await new Promise((resolve) => setImmediate(resolve));
    const summary: Summary = one.ok
      ? summaryWith(one.doc, drills)
      : { rules: SUMMARY_RULES, unreadable: { newer: one.newer, why: one.why } };
    all.set(id, summary);
    await keepSummary(db, club, id, revision, summary);
  }
  return all;
}

function summaryWith(session: SessionPlan, drills: DrillLookup): Summary {
  const missing = missingDrill(session, drills);
  if (missing !== undefined)
    return {
      rules: SUMMARY_RULES,
      unreadable: { newer: false, why: `It names a drill that is not here: ${missing}.` },
    };
  return summaryOf(session, compile(session, drills));
}
