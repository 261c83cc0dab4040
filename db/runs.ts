import { and, desc, eq, inArray, isNull, sql } from "drizzle-orm";
import type { CheckIn, Progress, Tightness } from "~/core/checkin/schema";
import type { Seconds, Share } from "~/core/units";
import type { Db } from "./client";
import { athlete, checkIn, edition, link, run, trainingSession } from "./schema";
import type { OpenLink } from "./editions";

/** Takes an athlete only when they belong to the list the link was handed out to. */
function knownAthlete(opened: OpenLink, athleteId: string | null): string | null {
  return opened.athletes.some((a) => a.id === athleteId) ? athleteId : null;
}

/**
 * Keeps what a device tells of a run. The same key again updates the same run; the share done never goes down and the
 * finishing time stays the first one. Returns the run's id.
 */
export async function keepProgress(db: Db, opened: OpenLink, progress: Progress): Promise<string> {
  const [row] = await db
    .insert(run)
    .values({
      ownerId: opened.ownerId, linkId: opened.id, clientKey: progress.key,
      athleteId: knownAthlete(opened, progress.person.athleteId), name: progress.person.name,
      shareDone: progress.shareDone, finishedAt: progress.finished ? new Date() : null,
    })
    .onConflictDoUpdate({
      target: [run.linkId, run.clientKey],
      set: {
        shareDone: sql`greatest(${run.shareDone}, excluded.share_done)`,
        finishedAt: sql`coalesce(${run.finishedAt}, excluded.finished_at)`,
        updatedAt: sql`now()`,
      },
    })
    .returning({ id: run.id });
  if (!row) throw new Error("The run was not kept");
  return row.id;
}

/** Keeps a check-in once: a second one for the same run changes nothing. Returns whether this one was the first. */
export async function keepCheckIn(db: Db, opened: OpenLink, sent: CheckIn): Promise<boolean> {
  return db.transaction(async (tx) => {
    const runId = await keepProgress(tx, opened, sent.run);
    const rows = await tx
      .insert(checkIn)
      .values({
        runId, ownerId: opened.ownerId, hard: sent.hard, tightness: sent.tightness, pain: sent.pain,
        painWhere: sent.painWhere || null, note: sent.note || null,
      })
      .onConflictDoNothing()
      .returning({ runId: checkIn.runId });
    return rows.length > 0;
  });
}

export type HeardRow = {
  runId: string;
  name: string;
  startedAt: Date;
  finishedAt: Date | null;
  shareDone: Share;
  sessionId: string;
  sessionTitle: string;
  editionNumber: number;
  totalSeconds: Seconds;
  checkIn: { hard: number | null; tightness: Tightness[]; pain: boolean; painWhere: string | null; note: string | null; sentAt: Date; seenAt: Date | null } | null;
};

/** What has been heard back: pain that nobody has looked at first, then the newest. `sessionId` narrows it to one session. */
export async function listHeard(db: Db, ownerId: string, sessionId: string | null, most: number): Promise<HeardRow[]> {
  const unseenPain = sql`(${checkIn.pain} is true and ${checkIn.seenAt} is null)`;
  return db
    .select({
      runId: run.id, name: sql<string>`coalesce(${athlete.name}, ${run.name})`, startedAt: run.startedAt, finishedAt: run.finishedAt,
      shareDone: run.shareDone, sessionId: edition.sessionId, sessionTitle: trainingSession.title, editionNumber: edition.number,
      totalSeconds: edition.totalSeconds,
      // The first column must be one that is never null: by it Drizzle tells a missing row from an unanswered question.
      checkIn: {
        sentAt: checkIn.sentAt, hard: checkIn.hard, tightness: checkIn.tightness, pain: checkIn.pain, painWhere: checkIn.painWhere,
        note: checkIn.note, seenAt: checkIn.seenAt,
      },
    })
    .from(run)
    .innerJoin(link, eq(link.id, run.linkId))
    .innerJoin(edition, eq(edition.id, link.editionId))
    .innerJoin(trainingSession, eq(trainingSession.id, edition.sessionId))
    .leftJoin(athlete, eq(athlete.id, run.athleteId))
    .leftJoin(checkIn, eq(checkIn.runId, run.id))
    .where(and(eq(run.ownerId, ownerId), sessionId ? eq(edition.sessionId, sessionId) : undefined))
    .orderBy(desc(sql`coalesce(${unseenPain}, false)`), desc(run.startedAt))
    .limit(most);
}

/** How many check-ins speak of pain and have not been looked at. */
export async function countUnseenPain(db: Db, ownerId: string): Promise<number> {
  const [row] = await db
    .select({ n: sql<number>`count(*)::int` })
    .from(checkIn)
    .where(and(eq(checkIn.ownerId, ownerId), eq(checkIn.pain, true), isNull(checkIn.seenAt)));
  return row?.n ?? 0;
}

/** Marks a check-in as looked at, or not. Returns false when it is not the coach's. */
export async function setSeen(db: Db, ownerId: string, runId: string, seen: boolean): Promise<boolean> {
  const rows = await db
    .update(checkIn)
    .set({ seenAt: seen ? sql`coalesce(${checkIn.seenAt}, now())` : null })
    .where(and(eq(checkIn.runId, runId), eq(checkIn.ownerId, ownerId)))
    .returning({ runId: checkIn.runId });
  return rows.length > 0;
}

/** For each session: how many runs there were and how many were finished. */
export async function countRuns(db: Db, ownerId: string, sessionIds: readonly string[]): Promise<Map<string, { runs: number; finished: number }>> {
  if (sessionIds.length === 0) return new Map();
  const rows = await db
    .select({ id: edition.sessionId, runs: sql<number>`count(${run.id})::int`, finished: sql<number>`count(${run.finishedAt})::int` })
    .from(run)
    .innerJoin(link, eq(link.id, run.linkId))
    .innerJoin(edition, eq(edition.id, link.editionId))
    .where(and(eq(run.ownerId, ownerId), inArray(edition.sessionId, [...sessionIds])))
    .groupBy(edition.sessionId);
  return new Map(rows.map((row) => [row.id, { runs: row.runs, finished: row.finished }]));
}
