import { and, desc, eq, isNotNull, isNull, sql } from "drizzle-orm";
import type { LastWith } from "~/core/draft/begin";
import type { Purpose, Session } from "~/core/session/schema";
import type { Seconds } from "~/core/units";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { edition, group, link, trainingSession } from "./schema";
import type { Accepted } from "~/core/audit/accepted";
import type { Choice } from "~/core/group/choices";
import type { Lock } from "~/core/session/locks";

export type StoredSession = { id: string; doc: Session; revision: number; updatedAt: Date; archivedAt: Date | null };

export type SessionRow = StoredSession & {
  totalSeconds: Seconds;
  /** How many editions have a link that still opens. */
  openEditions: number;
  lastHandedOut: Date | null;
  /** Offered as a beginning for new sessions. */
  template: boolean;
};

const own = (club: Club, id: string) => and(eq(trainingSession.clubId, club.id), eq(trainingSession.id, id));

/** A coach's sessions, last changed first. */
export async function listSessions(db: Db, club: Club, archived: boolean): Promise<SessionRow[]> {
  return db
    .select({
      id: trainingSession.id, doc: trainingSession.doc, revision: trainingSession.revision, updatedAt: trainingSession.updatedAt,
      archivedAt: trainingSession.archivedAt, totalSeconds: trainingSession.totalSeconds, template: trainingSession.template,
      openEditions: sql<number>`count(distinct ${edition.id}) filter (where ${link.id} is not null and ${link.withdrawnAt} is null)::int`,
      lastHandedOut: sql<Date | null>`max(${link.createdAt})`.mapWith((v: string | null) => (v === null ? null : new Date(v))),
    })
    .from(trainingSession)
    .leftJoin(edition, and(eq(edition.clubId, trainingSession.clubId), eq(edition.sessionId, trainingSession.id)))
    .leftJoin(link, and(eq(link.clubId, edition.clubId), eq(link.editionId, edition.id)))
    .where(and(eq(trainingSession.clubId, club.id), archived ? isNotNull(trainingSession.archivedAt) : isNull(trainingSession.archivedAt)))
    .groupBy(trainingSession.clubId, trainingSession.id)
    .orderBy(desc(trainingSession.updatedAt));
}

/** The names of a coach's sessions, last changed first; those that are put away last, when they are asked for. */
export async function listTitles(db: Db, club: Club, archived = false): Promise<{ id: string; title: string }[]> {
  return db.select({ id: trainingSession.id, title: trainingSession.title }).from(trainingSession)
    .where(and(eq(trainingSession.clubId, club.id), archived ? undefined : isNull(trainingSession.archivedAt)))
    .orderBy(sql`${trainingSession.archivedAt} is not null`, desc(trainingSession.updatedAt));
}

/** A coach's newest sessions that are not put away, with what they say. */
export async function newestSessions(db: Db, club: Club, most: number): Promise<{ id: string; doc: Session }[]> {
  return db.select({ id: trainingSession.id, doc: trainingSession.doc }).from(trainingSession)
    .where(and(eq(trainingSession.clubId, club.id), isNull(trainingSession.archivedAt))).orderBy(desc(trainingSession.updatedAt)).limit(most);
}

/** One session of the coach, or undefined when there is none of that id or it is someone else's. */
export async function findSession(db: Db, club: Club, id: string): Promise<StoredSession | undefined> {
  const [row] = await db
    .select({
      id: trainingSession.id, doc: trainingSession.doc, revision: trainingSession.revision, updatedAt: trainingSession.updatedAt,
      archivedAt: trainingSession.archivedAt,
    })
    .from(trainingSession)
    .where(own(club, id));
  return row;
}

/** Keeps a new session with what stands beside it, and returns its id. `totalSeconds` is its compiled length. */
export async function addSession(db: Db, club: Club, doc: Session, totalSeconds: Seconds, { teamId = null, ...beside }: Partial<Setting> = {}): Promise<string> {
  const [row] = await db
    .insert(trainingSession)
    .values({ clubId: club.id, madeBy: club.by, doc, title: doc.title, purpose: doc.purpose, totalSeconds, groupId: teamId, ...beside })
    .returning({ id: trainingSession.id });
  if (!row) throw new Error("The session was not kept");
  return row.id;
}

export type Saved =
  | { kind: "saved"; revision: number; updatedAt: Date }
  | { kind: "newer"; stored: StoredSession }
  | { kind: "gone" };

/**
 * Saves a session over the revision it was made from. When the stored one is newer nothing is written and the newer
 * one is returned, so that a tab with an older copy can never overwrite it unseen.
 */
export async function saveSession(
  db: Db, club: Club, id: string, basedOn: number, doc: Session, totalSeconds: Seconds,
): Promise<Saved> {
  const [row] = await db
    .update(trainingSession)
    .set({
      doc, title: doc.title, purpose: doc.purpose, totalSeconds,
      revision: sql`${trainingSession.revision} + 1`, updatedAt: sql`now()`,
    })
    .where(and(own(club, id), eq(trainingSession.revision, basedOn)))
    .returning({ revision: trainingSession.revision, updatedAt: trainingSession.updatedAt });
  if (row) return { kind: "saved", ...row };
  const stored = await findSession(db, club, id);
  return stored ? { kind: "newer", stored } : { kind: "gone" };
}

/** What stands beside a session's document: who it is for, what is asked of it, what the coach lets stand, and what fitting leaves as it is. */
export type Setting = { teamId: string | null; demandId: string | null; accepted: Accepted[]; locks: Lock[]; choices: Choice[] };

export async function findSetting(db: Db, club: Club, id: string): Promise<Setting | undefined> {
  const [row] = await db.select({ teamId: trainingSession.groupId, demandId: trainingSession.demandId, accepted: trainingSession.accepted, locks: trainingSession.locks, choices: trainingSession.choices }).from(trainingSession).where(own(club, id));
  return row;
}

/** What was last done with each of a coach's groups, and with nobody in particular; the latest first. */
export async function lastByTeam(db: Db, club: Club): Promise<LastWith[]> {
  const rows = await db.selectDistinctOn([trainingSession.groupId], { teamId: trainingSession.groupId, purpose: sql<Purpose>`${trainingSession.doc}->>'purpose'`, target: sql<number>`(${trainingSession.doc}->>'target')::float8`, demand: trainingSession.demandId, updatedAt: trainingSession.updatedAt })
    .from(trainingSession).where(and(eq(trainingSession.clubId, club.id), isNull(trainingSession.archivedAt), sql`${trainingSession.doc} ? 'target'`)).orderBy(trainingSession.groupId, desc(trainingSession.updatedAt));
  return rows.sort((a, b) => b.updatedAt.getTime() - a.updatedAt.getTime()).map(({ teamId, purpose, target, demand }) => ({ teamId, purpose, target: Math.min(7200, Math.max(120, target)), demand: demand ?? undefined }));
}

/** Keeps what is given of it, the rest stays. Returns false when the session, or the team, is not the coach's. */
export async function saveSetting(db: Db, club: Club, id: string, { teamId, ...rest }: { [K in keyof Setting]?: Setting[K] | undefined }): Promise<boolean> {
  if (teamId) {
    const [ownTeam] = await db.select({ id: group.id }).from(group).where(and(eq(group.id, teamId), eq(group.clubId, club.id)));
    if (!ownTeam) return false;
  }
  const setting = { groupId: teamId, ...rest };
  if (Object.values(setting).every((part) => part === undefined)) return (await findSetting(db, club, id)) !== undefined;
  const rows = await db.update(trainingSession).set(setting).where(own(club, id)).returning({ id: trainingSession.id });
  return rows.length > 0;
}

/** Puts a session away, or back. Returns false when there is none of that id. */
export async function setArchived(db: Db, club: Club, id: string, archived: boolean): Promise<boolean> {
  const rows = await db
    .update(trainingSession)
    .set({ archivedAt: archived ? sql`now()` : null })
    .where(own(club, id))
    .returning({ id: trainingSession.id });
  return rows.length > 0;
}

/** Offers a session as a beginning for new ones, or no longer. Returns false when there is none of that id. */
export async function setTemplate(db: Db, club: Club, id: string, template: boolean): Promise<boolean> {
  const rows = await db.update(trainingSession).set({ template }).where(own(club, id)).returning({ id: trainingSession.id });
  return rows.length > 0;
}

/** Deletes an archived session with its editions, links and what was heard back. Returns false when there is none. */
export async function deleteArchived(db: Db, club: Club, id: string): Promise<boolean> {
  const rows = await db
    .delete(trainingSession)
    .where(and(own(club, id), isNotNull(trainingSession.archivedAt)))
    .returning({ id: trainingSession.id });
  return rows.length > 0;
}
