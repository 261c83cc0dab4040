import type { Setting } from "~/core/documents/setting";
import { nowDate } from "~/core/clock/clock";
import { and, desc, eq, inArray, isNotNull, isNull, or, sql, type SQL } from "drizzle-orm";
import type { LastWith } from "~/core/draft/begin";
import type { Purpose, SessionPlan } from "~/core/session/schema";
import type { Seconds } from "~/core/units";
import { openSession } from "~/core/documents/session";
import { SUMMARY_RULES, type Summary } from "~/core/profile/summary";
import { among } from "./among";
import type { Db } from "./client";
import { mustOpen, readable } from "./documents";
import type { Club } from "./clubs";
import { countRuns } from "./runs";
import { edition, entry, group, link, trainingSession } from "./schema";

export type StoredSession = {
  id: string;
  doc: SessionPlan;
  revision: number;
  updatedAt: Date;
  archivedAt: Date | null;
};

/** What a list needs of a session: columns beside the document, never the document. */
export type SessionRow = {
  id: string;
  title: string;
  purpose: Purpose;
  revision: number;
  updatedAt: Date;
  archivedAt: Date | null;
  totalSeconds: Seconds;
  /** How many editions have a link that still opens. */
  openEditions: number;
  lastHandedOut: Date | null;
  /** How many followed it, and how many of them to the end. */
  runs: number;
  finished: number;
  /** Offered as a beginning for new sessions. */
  template: boolean;
  /** What is shown of this revision; undefined where that has to be worked out first. */
  summary: Summary | undefined;
};

const own = (club: Club, id: string) => and(eq(trainingSession.clubId, club.id), eq(trainingSession.id, id));

/** So many sessions are listed at once. */
export const SESSIONS_A_PAGE = 20;

export type SessionsAsked = {
  archived?: boolean;
  find?: string;
  /** Of these, too, where what is looked for is in no name. */ purposes?: readonly Purpose[];
  template?: boolean;
  /** Only those of one group. */
  groupId?: string;
  purpose?: Purpose;
  page?: number;
  /** Only those that were never handed out. */
  neverHandedOut?: boolean;
  /** So many at most, not counted and not paged through. */
  most?: number;
};

const listed = (
  club: Club,
  { archived = false, find = "", purposes = [], template, groupId, purpose, neverHandedOut }: SessionsAsked,
) =>
  and(
    eq(trainingSession.clubId, club.id),
    archived ? isNotNull(trainingSession.archivedAt) : isNull(trainingSession.archivedAt),
    template === undefined ? undefined : eq(trainingSession.template, template),
    groupId ? eq(trainingSession.groupId, groupId) : undefined,
    purpose ? eq(trainingSession.purpose, purpose) : undefined,
    neverHandedOut
      ? sql`not exists (select 1 from ${edition} join ${link} on ${link.clubId} = ${edition.clubId} and ${link.editionId} = ${edition.id} where ${edition.clubId} = ${trainingSession.clubId} and ${edition.sessionId} = ${trainingSession.id})`
      : undefined,
    find === ""
      ? undefined
      : or(
          sql`position(lower(${find}) in lower(${trainingSession.title})) > 0`,
          purposes.length > 0 ? inArray(trainingSession.purpose, [...purposes]) : undefined,
        ),
  );

/** A page of a club's sessions, last changed first, those whose name has what is looked for in it; and how many there are in all. */
export async function listSessions(
  db: Db,
  club: Club,
  asked: SessionsAsked = {},
): Promise<{ rows: SessionRow[]; all: number }> {
  const { page = 0, most = SESSIONS_A_PAGE } = asked;
  const [found, counted] = await Promise.all([
    db
      .select({
        id: trainingSession.id,
        title: trainingSession.title,
        purpose: trainingSession.purpose,
        revision: trainingSession.revision,
        updatedAt: trainingSession.updatedAt,
        archivedAt: trainingSession.archivedAt,
        totalSeconds: trainingSession.totalSeconds,
        template: trainingSession.template,
        summary: trainingSession.summary,
        summaryOf: trainingSession.summaryOf,
      })
      .from(trainingSession)
      .where(listed(club, asked))
      .orderBy(desc(trainingSession.updatedAt), desc(trainingSession.id))
      .limit(most)
      .offset(page * most),
    // Beginnings are offered, not paged through.
    asked.template === undefined && asked.most === undefined
      ? db
          .select({ all: sql<number>`count(*)::int` })
          .from(trainingSession)
          .where(listed(club, asked))
      : undefined,
  ]);
  const ids = found.map(({ id }) => id);
  const [handed, runs] = await Promise.all([handedOut(db, club, ids), countRuns(db, club, ids)]);
  return {
    all: counted?.[0]?.all ?? found.length,
    rows: found.map(({ summary, summaryOf, ...row }) => ({
      ...row,
      openEditions: 0,
      lastHandedOut: null,
      ...handed.get(row.id),
      runs: 0,
      finished: 0,
      ...runs.get(row.id),
      summary: summary?.rules === SUMMARY_RULES && summaryOf === row.revision ? summary : undefined,
    })),
  };
}

/** When these sessions were last handed out, and how many of their editions have a link that still opens. */
async function handedOut(
  db: Db,
  club: Club,
  ids: readonly string[],
): Promise<Map<string, Pick<SessionRow, "openEditions" | "lastHandedOut">>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({
      id: edition.sessionId,
      openEditions: sql<number>`count(distinct ${edition.id}) filter (where ${link.withdrawnAt} is null and ${entry.tokenHash} is not null)::int`,
      lastHandedOut: sql<Date | null>`max(${link.createdAt})`.mapWith((v: string | null) =>
        v === null ? null : new Date(v),
      ),
    })
    .from(edition)
    .innerJoin(link, and(eq(link.clubId, edition.clubId), eq(link.editionId, edition.id)))
    .leftJoin(entry, and(eq(entry.clubId, link.clubId), eq(entry.target, link.id)))
    .where(and(eq(edition.clubId, club.id), among(edition.sessionId, ids)))
    .groupBy(edition.sessionId);
  return new Map(rows.map(({ id, ...row }) => [id, row]));
}

/** The documents of these sessions as they are, for what is beside them to be worked out anew. */
export async function rawSessions(
  db: Db,
  club: Club,
  ids: readonly string[],
): Promise<{ id: string; revision: number; raw: unknown }[]> {
  if (ids.length === 0) return [];
  return db
    .select({ id: trainingSession.id, revision: trainingSession.revision, raw: trainingSession.doc })
    .from(trainingSession)
    .where(and(eq(trainingSession.clubId, club.id), among(trainingSession.id, ids)));
}

/** Keeps what lists show of a revision of a session; a later one is not touched. */
export async function keepSummary(db: Db, club: Club, id: string, revision: number, summary: Summary): Promise<void> {
  await db
    .update(trainingSession)
    .set({ summary, summaryOf: revision })
    .where(and(own(club, id), eq(trainingSession.revision, revision)));
}

/** The names of a coach's sessions, last changed first; those that are put away last, when they are asked for. */
export async function listTitles(db: Db, club: Club, archived = false): Promise<{ id: string; title: string }[]> {
  return db
    .select({ id: trainingSession.id, title: trainingSession.title })
    .from(trainingSession)
    .where(and(eq(trainingSession.clubId, club.id), archived ? undefined : isNull(trainingSession.archivedAt)))
    .orderBy(sql`${trainingSession.archivedAt} is not null`, desc(trainingSession.updatedAt));
}

/** A coach's newest sessions that are not put away, with what they say; what cannot be read is left out. */
export async function newestSessions(db: Db, club: Club, most: number): Promise<{ id: string; doc: SessionPlan }[]> {
  const rows = await db
    .select({ id: trainingSession.id, doc: trainingSession.doc })
    .from(trainingSession)
    .where(and(eq(trainingSession.clubId, club.id), isNull(trainingSession.archivedAt)))
    .orderBy(desc(trainingSession.updatedAt))
    .limit(most);
  return readable(rows, (row) => openSession(row.doc)).map(({ row, doc }) => ({ id: row.id, doc }));
}

/** One session of the coach, or undefined when there is none of that id or it is someone else's. Throws `UnreadableDocument` for one that cannot be read. */
export async function findSession(db: Db, club: Club, id: string): Promise<StoredSession | undefined> {
  const [row] = await db
    .select({
      id: trainingSession.id,
      doc: trainingSession.doc,
      revision: trainingSession.revision,
      updatedAt: trainingSession.updatedAt,
      archivedAt: trainingSession.archivedAt,
    })
    .from(trainingSession)
    .where(own(club, id));
  return row && { ...row, doc: mustOpen(openSession(row.doc), "session", id) };
}

/** Keeps a new session with what stands beside it, and returns its id. `totalSeconds` is its compiled length. */
export async function addSession(
  db: Db,
  club: Club,
  doc: SessionPlan,
  totalSeconds: Seconds,
  { groupId = null, summary = null, ...beside }: Partial<Setting> & { summary?: Summary | null } = {},
): Promise<string> {
  const [row] = await db
    .insert(trainingSession)
    .values({
      clubId: club.id,
      madeBy: club.by,
      doc,
      title: doc.title,
      purpose: doc.purpose,
      totalSeconds,
      groupId,
      summary,
      summaryOf: summary && 1,
      ...beside,
    })
    .returning({ id: trainingSession.id });
  if (!row) throw new Error("The session was not kept");
  return row.id;
}

export type Saved =
  { kind: "saved"; revision: number; updatedAt: Date } | { kind: "newer"; stored: StoredSession } | { kind: "gone" };

/**
 * Saves a session over the revision it was made from. When the stored one is newer nothing is written and the newer
 * one is returned, so that a tab with an older copy can never overwrite it unseen.
 */
export async function saveSession(
  db: Db,
  club: Club,
  id: string,
  basedOn: number,
  doc: SessionPlan,
  totalSeconds: Seconds,
  summary: Summary | null = null,
): Promise<Saved> {
  const [row] = await db
    .update(trainingSession)
    .set({
      doc,
      title: doc.title,
      purpose: doc.purpose,
      totalSeconds,
      summary,
      summaryOf: summary && basedOn + 1,
      revision: sql`${trainingSession.revision} + 1`,
      updatedAt: nowDate(),
    })
    .where(and(own(club, id), eq(trainingSession.revision, basedOn)))
    .returning({ revision: trainingSession.revision, updatedAt: trainingSession.updatedAt });
  if (row) return { kind: "saved", ...row };
  const stored = await findSession(db, club, id);
  return stored ? { kind: "newer", stored } : { kind: "gone" };
}

/** A session's target, from what stands beside it where that is of this revision: no document is opened for it then. */
const target = sql`case when ${trainingSession.summaryOf} = ${trainingSession.revision} then ${trainingSession.summary} -> 'target' else ${trainingSession.doc} -> 'target' end`;

/** What was last done with each of a coach's groups, and with nobody in particular; the latest first. */
export async function lastByGroup(db: Db, club: Club): Promise<LastWith[]> {
  // Of each the one that was changed last, found by the index: a club of some years has thousands.
  const last = (of: SQL) =>
    db
      .select({
        purpose: trainingSession.purpose,
        target: sql<number>`(${target} #>> '{}')::float8`.as("target"),
        demand: trainingSession.demandId,
        updatedAt: trainingSession.updatedAt,
      })
      .from(trainingSession)
      .where(
        and(
          eq(trainingSession.clubId, club.id),
          of,
          isNull(trainingSession.archivedAt),
          sql`jsonb_typeof(${target}) = 'number'`,
        ),
      )
      .orderBy(desc(trainingSession.updatedAt))
      .limit(1);
  const theirs = last(eq(trainingSession.groupId, group.id)).as("theirs");
  const [groups, nobodys] = await Promise.all([
    db
      .select({
        groupId: group.id,
        purpose: theirs.purpose,
        target: theirs.target,
        demand: theirs.demand,
        updatedAt: theirs.updatedAt,
      })
      .from(group)
      .innerJoinLateral(theirs, sql`true`)
      .where(eq(group.clubId, club.id)),
    last(isNull(trainingSession.groupId)),
  ]);
  return [...groups, ...nobodys.map((one) => ({ ...one, groupId: null }))]
    .sort((a, b) => b.updatedAt.getTime() - a.updatedAt.getTime())
    .map(({ groupId, purpose, target, demand }) => ({
      groupId,
      purpose,
      target: Math.min(7200, Math.max(120, target)),
      demand: demand ?? undefined,
    }));
}

/** Puts a session away, or back. Returns false when there is none of that id. */
export async function setArchived(db: Db, club: Club, id: string, archived: boolean): Promise<boolean> {
  const rows = await db
    .update(trainingSession)
    .set({ archivedAt: archived ? nowDate() : null })
    .where(own(club, id))
    .returning({ id: trainingSession.id });
  return rows.length > 0;
}

/** Offers a session as a beginning for new ones, or no longer. Returns false when there is none of that id. */
export async function setTemplate(db: Db, club: Club, id: string, template: boolean): Promise<boolean> {
  const rows = await db
    .update(trainingSession)
    .set({ template })
    .where(own(club, id))
    .returning({ id: trainingSession.id });
  return rows.length > 0;
}

/** Deletes an archived session with its editions, links and feedback. Returns false when there is none. */
export async function deleteArchived(db: Db, club: Club, id: string): Promise<boolean> {
  const rows = await db
    .delete(trainingSession)
    .where(and(own(club, id), isNotNull(trainingSession.archivedAt)))
    .returning({ id: trainingSession.id });
  return rows.length > 0;
}
