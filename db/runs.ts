import { randomUUID } from "node:crypto";
import { and, eq, isNull, sql } from "drizzle-orm";
import { among } from "./among";
import type { Db } from "./client";
import type { Club } from "./clubs";
import type { LinkFound } from "./links";
import { classToldOf, keyOfTicked, oneAtATime } from "./live-people";
import { checkIn, edition, link, painReport, run } from "./schema";
import { reckoned } from "~/core/checkin/moments";
import type { PainPlace } from "~/core/checkin/pain-place";
import { MOST_PAINS, type CheckIn, type Progress } from "~/core/checkin/schema";
import { nowDate } from "~/core/clock/clock";
import { REALLY_DONE } from "~/core/player/run";
import type { EpochMs } from "~/core/units";

/** Takes an athlete only when they belong to the list the link was handed out to. */
function knownAthlete(opened: LinkFound, athleteId: string | null): string | null {
  return opened.athletes.some((a) => a.id === athleteId) ? athleteId : null;
}

/** So many new runs of a link in an hour are listed among the others: a class, three times over. */
export const usualRuns = (people: number): number => Math.max(60, 3 * people);
/** So many beyond it are kept of one link; of more only their number, unless they tell of pain. */
const MOST_FOLDED = 2_000;
const HOUR_MS = 3_600_000;

type Keeping = {
  /** When it arrived; now, where that is not said. */
  at?: Date;
  /** Pain reported: kept whatever else there is. */
  always?: boolean;
  /** Kept under its link and not among the others, as what a link brings that has been taken back. */
  fold?: boolean;
  /** When a finished run ended; as it arrived, where that is not said. */
  endedAt?: Date;
  /** Of each thing that hurt, by its key, or "" where it has none, the drill it hurt in, where they said and the session has it. */
  painPlaces?: ReadonlyMap<string, PainPlace>;
};

const asDate = (moment: EpochMs | undefined): Date | null => (moment === undefined ? null : new Date(moment));

const ofLink = (opened: LinkFound) => and(eq(run.clubId, opened.club.id), eq(run.linkId, opened.id));

/** Whether a new run goes among the others, under its link, or is only counted. */
async function placeFor(
  db: Pick<Db, "select">,
  opened: LinkFound,
  { at = nowDate(), always = false, fold = false }: Keeping,
): Promise<"listed" | "folded" | "counted"> {
  // By arrival: what a device says of when it was is not for it to be counted by.
  const since = new Date(at.getTime() - HOUR_MS);
  const [n] = await db
    .select({
      lately: sql<number>`count(*) filter (where not ${run.folded} and ${run.arrivedAt} > ${since.toISOString()}::timestamptz)::int`,
      folded: sql<number>`count(*) filter (where ${run.folded})::int`,
    })
    .from(run)
    .where(ofLink(opened));
  if (!fold && (n?.lately ?? 0) < usualRuns(opened.athletes.length)) return "listed";
  return always || (n?.folded ?? 0) < MOST_FOLDED ? "folded" : "counted";
}

/**
 * Keeps what a device tells of a run. The same key again updates the same run; the share done never goes down and the
 * finishing time stays the first one. Runs beyond what a link usually gets are kept under it, and displace none. Returns the
 * run's id, or undefined for one that was only counted.
 */
export async function keepProgress(
  db: Db,
  opened: LinkFound,
  progress: Progress,
  keeping: Keeping = {},
): Promise<string | undefined> {
  const classId = progress.inClass
    ? await classToldOf(db, opened.club, progress.inClass, { editionId: opened.edition.id, groupId: opened.groupId })
    : undefined;
  const personId = knownAthlete(opened, progress.person.athleteId);
  if (!classId || !personId) return keepRun(db, opened, progress, keeping, { classId, personId });
  return db.transaction(async (tx) => {
    await oneAtATime(tx, opened.club, classId, personId);
    const { at = nowDate(), endedAt = at } = keeping;
    return (
      (await keepInTheirs(tx, opened, progress, { classId, personId, endedAt })) ??
      (await keepRun(tx, opened, progress, keeping, { classId, personId }))
    );
  });
}

/**
 * Somebody has one run in a class: another that is told of, as from a second phone or a phone without a connection that arrives after
 * they were ticked, fills up the first. Returns its id; undefined where there is no other than that of this very key.
 */
async function keepInTheirs(
  db: Pick<Db, "select" | "update">,
  { club, id: linkId }: LinkFound,
  progress: Progress,
  { classId, personId, endedAt }: { classId: string; personId: string; endedAt: Date },
): Promise<string | undefined> {
  const theirs = await db
    .select({ id: run.id, linkId: run.linkId, key: run.clientKey })
    .from(run)
    .where(
      and(
        eq(run.clubId, club.id),
        eq(run.classId, classId),
        eq(run.personId, personId),
        isNull(run.removedAt),
        eq(run.notTheirs, false),
      ),
    )
    .orderBy(run.arrivedAt, run.id);
  const [first] = theirs;
  if (!first || theirs.some(({ key, linkId: of }) => key === progress.key && of === linkId)) return undefined;
  // What was written down for who was ticked is theirs by their own phone from now on.
  const isTicked = first.key === keyOfTicked(classId, personId);
  const ended = progress.finished && progress.shareDone >= REALLY_DONE ? endedAt : null;
  await db
    .update(run)
    .set({
      ...(isTicked && { clientKey: progress.key, linkId }),
      shareDone: sql`greatest(${run.shareDone}, ${progress.shareDone})`,
      finishedAt: sql`coalesce(${run.finishedAt}, ${ended && ended.toISOString()}::timestamptz)`,
      updatedAt: nowDate(),
    })
    .where(and(eq(run.clubId, club.id), eq(run.id, first.id)));
  return first.id;
}

async function keepRun(
  db: Pick<Db, "select" | "insert" | "update">,
  opened: LinkFound,
  progress: Progress,
  keeping: Keeping,
  { classId, personId }: { classId: string | undefined; personId: string | null },
): Promise<string | undefined> {
  const [known] = await db
    .select({ id: run.id, folded: run.folded })
    .from(run)
    .where(and(ofLink(opened), eq(run.clientKey, progress.key)));
  const place = known ? (known.folded ? "folded" : "listed") : await placeFor(db, opened, keeping);
  if (place === "counted") {
    await db
      .update(link)
      .set({ uncounted: sql`${link.uncounted} + 1` })
      .where(and(eq(link.clubId, opened.club.id), eq(link.id, opened.id)));
    return undefined;
  }
  const { at = nowDate(), endedAt = at } = keeping;
  const [row] = await db
    .insert(run)
    .values({
      startedAt: new Date(reckoned({ at: progress.begun, sent: progress.sent }, at.getTime())),
      deviceAt: asDate(progress.begun),
      arrivedAt: at,
      clubId: opened.club.id,
      linkId: opened.id,
      clientKey: progress.key,
      folded: place === "folded",
      personId,
      classId,
      name: progress.person.name,
      shareDone: progress.shareDone,
      finishedAt: progress.finished && progress.shareDone >= REALLY_DONE ? endedAt : null,
    })
    .onConflictDoUpdate({
      target: [run.clubId, run.linkId, run.clientKey],
      set: {
        shareDone: sql`greatest(${run.shareDone}, excluded.share_done)`,
        finishedAt: sql`coalesce(${run.finishedAt}, excluded.finished_at)`,
        classId: sql`coalesce(${run.classId}, excluded.class_id)`,
        updatedAt: nowDate(),
      },
    })
    .returning({ id: run.id });
  if (!row) throw new Error("The run was not kept");
  return row.id;
}

/**
 * Keeps a check-in once. A second one for the same run fills in what the first left open, and takes nothing back: pain that was
 * told stays, and is to be looked at again where something is new of it. Returns whether this one was the first, or undefined
 * when it could not be kept.
 */
export async function keepCheckIn(
  db: Db,
  opened: LinkFound,
  sent: CheckIn,
  keeping: Keeping = {},
): Promise<boolean | undefined> {
  return db.transaction(async (tx) => {
    const { at = nowDate() } = keeping;
    const said = new Date(reckoned({ at: sent.said, sent: sent.run.sent }, at.getTime()));
    const runId = await keepProgress(tx, opened, sent.run, { ...keeping, at, endedAt: said, always: sent.pain });
    if (!runId) return undefined;
    const rows = await tx
      .insert(checkIn)
      .values({
        clubId: opened.club.id,
        runId,
        effort: sent.hard,
        tightness: sent.tightness,
        pain: sent.pain,
        note: sent.note || null,
        sentAt: said,
        deviceAt: asDate(sent.said),
        arrivedAt: at,
      })
      .onConflictDoUpdate({
        target: [checkIn.clubId, checkIn.runId],
        set: {
          effort: sql`coalesce(${checkIn.effort}, excluded.effort)`,
          tightness: sql`case when ${checkIn.tightness} = '[]'::jsonb then excluded.tightness else ${checkIn.tightness} end`,
          pain: sql`${checkIn.pain} or excluded.pain`,
          note: sql`coalesce(${checkIn.note}, excluded.note)`,
        },
      })
      .returning({ fresh: sql<boolean>`(xmax = 0)` });
    if (sent.pain && (await keepPains(tx, opened.club, runId, sent, { at, places: keeping.painPlaces })))
      await tx
        .update(checkIn)
        .set({ seenAt: null })
        .where(and(eq(checkIn.clubId, opened.club.id), eq(checkIn.runId, runId)));
    return rows[0]?.fresh === true;
  });
}

/**
 * Keeps each thing that hurt: of one that is told again, what is said last and what was left open before. Returns whether
 * anything of it is new, and has to be looked at.
 */
async function keepPains(
  db: Pick<Db, "select" | "insert">,
  club: Club,
  runId: string,
  sent: CheckIn,
  { at, places }: { at: Date; places: ReadonlyMap<string, PainPlace> | undefined },
): Promise<boolean> {
  const known = await db
    .select({ id: painReport.id, place: painReport.place, where: painReport.where })
    .from(painReport)
    .where(and(eq(painReport.clubId, club.id), eq(painReport.runId, runId)));
  const drillOf = (place: PainPlace | null | undefined) => place && `${place.drill} ${place.number}`;
  let fresh = false;
  for (const told of sent.pains?.length ? sent.pains : [toldBefore(sent)]) {
    const place = places?.get(told.key ?? "") ?? null;
    const where = told.where || null;
    const before = told.key
      ? known.find(({ id }) => id === told.key)
      : // Of pages that give it no key: the same where no other drill and no other place in the body is told.
        known.find(
          (one) =>
            (!place || !one.place || drillOf(one.place) === drillOf(place)) &&
            (!where || !one.where || one.where === where),
        );
    const next = { place: place ?? before?.place ?? null, where: where ?? before?.where ?? null };
    const isNew = !before || drillOf(next.place) !== drillOf(before.place) || next.where !== before.where;
    if (!isNew) continue;
    fresh = true;
    // Whoever sends reports without end fills up their own run and nothing else; that there are more is to be looked at all the same.
    if (!before && known.length >= MOST_PAINS) continue;
    const id = before?.id ?? told.key ?? randomUUID();
    if (before) Object.assign(before, next);
    else known.push({ id, ...next });
    await db
      .insert(painReport)
      .values({
        clubId: club.id,
        runId,
        id,
        ...next,
        saidAt: new Date(reckoned({ at: told.said, sent: sent.run.sent }, at.getTime())),
        deviceAt: asDate(told.said),
        arrivedAt: at,
      })
      .onConflictDoUpdate({
        target: [painReport.clubId, painReport.runId, painReport.id],
        set: { ...next, seenAt: null, seenBy: null },
      });
  }
  return fresh;
}

/** What pages of before told of the one thing that hurt. */
const toldBefore = ({ painWhere, said }: CheckIn) => ({ key: undefined, where: painWhere, said });

/** Whether a device has told of a run of this key before, and it was kept. */
export async function isKnownRun(db: Db, opened: LinkFound, key: string): Promise<boolean> {
  const [row] = await db
    .select({ id: run.id })
    .from(run)
    .where(and(ofLink(opened), eq(run.clientKey, key)));
  return row !== undefined;
}

/** Takes what was heard of a run off the list, or puts it back. Returns false when it is not the coach's. */
export async function setRemoved(db: Db, club: Club, runId: string, removed: boolean): Promise<boolean> {
  const rows = await db
    .update(run)
    .set({ removedAt: removed ? sql`coalesce(${run.removedAt}, ${nowDate().toISOString()}::timestamptz)` : null })
    .where(and(eq(run.id, runId), eq(run.clubId, club.id)))
    .returning({ id: run.id });
  return rows.length > 0;
}

/** Marks a run as somebody else's than the one whose name was chosen, or takes that back. Returns false when it is not the coach's. */
export async function setNotTheirs(db: Db, club: Club, runId: string, notTheirs: boolean): Promise<boolean> {
  const rows = await db
    .update(run)
    .set({ notTheirs })
    .where(and(eq(run.id, runId), eq(run.clubId, club.id)))
    .returning({ id: run.id });
  return rows.length > 0;
}

/** Marks all that hurt somebody in a run as spoken of, or not. Returns false when it is not the coach's. */
export async function setSeen(db: Db, club: Club, runId: string, seen: boolean): Promise<boolean> {
  return db.transaction(async (tx) => {
    const rows = await tx
      .update(checkIn)
      .set({ seenAt: seen ? sql`coalesce(${checkIn.seenAt}, ${nowDate().toISOString()}::timestamptz)` : null })
      .where(and(eq(checkIn.runId, runId), eq(checkIn.clubId, club.id)))
      .returning({ runId: checkIn.runId });
    await tx
      .update(painReport)
      .set(
        seen
          ? {
              seenAt: sql`coalesce(${painReport.seenAt}, ${nowDate().toISOString()}::timestamptz)`,
              seenBy: sql`case when ${painReport.seenAt} is null then ${club.by} else ${painReport.seenBy} end`,
            }
          : { seenAt: null, seenBy: null },
      )
      .where(and(eq(painReport.runId, runId), eq(painReport.clubId, club.id)));
    return rows.length > 0;
  });
}

/** For each session: how many runs there were and how many were finished. */
export async function countRuns(
  db: Db,
  club: Club,
  sessionIds: readonly string[],
): Promise<Map<string, { runs: number; finished: number }>> {
  if (sessionIds.length === 0) return new Map();
  const rows = await db
    .select({
      id: edition.sessionId,
      runs: sql<number>`count(${run.id})::int`,
      finished: sql<number>`count(${run.finishedAt})::int`,
    })
    .from(run)
    .innerJoin(link, and(eq(link.clubId, run.clubId), eq(link.id, run.linkId)))
    .innerJoin(edition, and(eq(edition.clubId, link.clubId), eq(edition.id, link.editionId)))
    .where(
      and(eq(run.clubId, club.id), isNull(run.removedAt), eq(run.folded, false), among(edition.sessionId, sessionIds)),
    )
    .groupBy(edition.sessionId);
  return new Map(rows.map((row) => [row.id, { runs: row.runs, finished: row.finished }]));
}
