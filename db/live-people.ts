import { createHash, randomUUID } from "node:crypto";
import { and, asc, desc, eq, gt, isNotNull, isNull, lt, or, sql } from "drizzle-orm";
import type { Db } from "./client";
import { clubOfEntry, type Club } from "./clubs";
import { painsOf } from "./feedback";
import { isOf } from "./groups";
import { editionOf } from "./links";
import { LIVE_CHANNEL, listCommands } from "./live";
import {
  checkIn,
  edition,
  group,
  link,
  liveClass,
  liveHere,
  livePass,
  liveVersion,
  membership,
  painReport,
  person,
  run,
} from "./schema";
import { now, nowDate } from "~/core/clock/clock";
import type { PainPlace } from "~/core/checkin/pain-place";
import type { Choice } from "~/core/group/choices";
import { editionDrills } from "~/core/edition/edition";
import { advance, fold } from "~/core/live/fold";
import { freeze } from "~/core/live/frozen";
import { pacesOf, shareRun, type ClassPaces } from "~/core/live/log";
import type { Mine } from "~/core/player/mine";
import { REALLY_DONE } from "~/core/player/run";
import type { EpochMs, Seconds, Share } from "~/core/units";

const ofClass = (club: Club, id: string) => and(eq(liveClass.clubId, club.id), eq(liveClass.id, id));

/** Tells every process that something is otherwise with the people of a class. */
const tell = (db: Pick<Db, "execute">, club: Club, classId: string) =>
  db.execute(sql`select pg_notify(${LIVE_CHANNEL}, ${`${club.id}:${classId}:people`})`);

/** Whose phone is in a class, who was ticked, and what hurt: for whoever leads it, and for nobody else. */
export type ClassPeople = {
  here: { id: string; name: string; joined: boolean; here: boolean }[];
  /** Phones of people on no list. */
  strangers: number;
  others: number;
  /** What hurts, each as somebody’s phone told it during the class, the newest first; and whether one who leads has seen it. */
  hurts: { run: string; id: string; name: string; drill: string | null; at: EpochMs; noticed: boolean }[];
};

/** The people of a class as they are now. */
export async function peopleOfClass(db: Pick<Db, "select">, club: Club, classId: string): Promise<ClassPeople> {
  const [[found], ticks, passes, runs, hurts] = await Promise.all([
    db.select({ groupId: liveClass.groupId, others: liveClass.others }).from(liveClass).where(ofClass(club, classId)),
    db
      .select({ id: liveHere.personId, here: liveHere.here })
      .from(liveHere)
      .where(and(eq(liveHere.clubId, club.id), eq(liveHere.classId, classId))),
    db
      .select({ id: livePass.personId })
      .from(livePass)
      .where(and(eq(livePass.clubId, club.id), eq(livePass.classId, classId), eq(livePass.kind, "athlete"))),
    db
      .select({ personId: run.personId })
      .from(run)
      .where(and(eq(run.clubId, club.id), eq(run.classId, classId)))
      .limit(600),
    db
      .select({
        run: run.id,
        id: painReport.id,
        name: sql<string>`coalesce(${person.name}, ${run.name})`,
        place: painReport.place,
        at: painReport.saidAt,
        noticedAt: painReport.noticedAt,
        seenAt: painReport.seenAt,
      })
      .from(painReport)
      .innerJoin(run, and(eq(run.clubId, painReport.clubId), eq(run.id, painReport.runId)))
      .leftJoin(person, and(eq(person.clubId, run.clubId), eq(person.id, run.personId)))
      .where(and(eq(painReport.clubId, club.id), eq(run.classId, classId), isNull(run.removedAt)))
      // Where there are more than anybody could look at, those that nobody has seen are among them.
      .orderBy(sql`${painReport.noticedAt} is not null`, desc(painReport.saidAt))
      .limit(1000),
  ]);
  const people = found?.groupId
    ? await db
        .select({ id: person.id, name: person.name })
        .from(membership)
        .innerJoin(person, isOf)
        .where(and(eq(membership.clubId, club.id), eq(membership.groupId, found.groupId), isNull(membership.until)))
        .orderBy(asc(person.name))
    : [];
  const ticked = new Map(ticks.map(({ id, here }) => [id, here]));
  const joined = new Set([...passes, ...runs.map(({ personId }) => ({ id: personId }))].map(({ id }) => id));
  return {
    here: people.map(({ id, name }) => ({
      id,
      name,
      joined: joined.has(id),
      here: ticked.get(id) ?? joined.has(id),
    })),
    strangers: passes.filter(({ id }) => id === null).length,
    others: found?.others ?? 0,
    hurts: hurts.map(({ place, at, noticedAt, seenAt, ...one }) => ({
      ...one,
      drill: place?.name ?? null,
      at: at.getTime(),
      noticed: noticedAt !== null || seenAt !== null,
    })),
  };
}

/** Ticks somebody as there, or not. False where the class, or the person, is not the club’s. */
export async function setHere(db: Db, club: Club, classId: string, personId: string, here: boolean): Promise<boolean> {
  return db.transaction(async (tx) => {
    const [own] = await tx
      .select({ id: person.id })
      .from(liveClass)
      .innerJoin(person, and(eq(person.clubId, liveClass.clubId), eq(person.id, personId)))
      .where(ofClass(club, classId));
    if (!own) return false;
    await tx
      .insert(liveHere)
      .values({ clubId: club.id, classId, personId, here })
      .onConflictDoUpdate({ target: [liveHere.clubId, liveHere.classId, liveHere.personId], set: { here } });
    await tell(tx, club, classId);
    return true;
  });
}

/** How many were there besides who is on a list. False where the class is not the club’s. */
export async function setOthers(db: Db, club: Club, classId: string, others: number): Promise<boolean> {
  const rows = await db
    .update(liveClass)
    .set({ others: Math.max(0, Math.min(200, Math.round(others))) })
    .where(ofClass(club, classId))
    .returning({ id: liveClass.id });
  if (rows.length > 0) await tell(db, club, classId);
  return rows.length > 0;
}

/** Tells whoever leads a class that somebody joined, or reported pain. */
export const tellPeople = async (db: Db, club: Club, classId: string): Promise<void> =>
  void (await tell(db, club, classId));

/** The class that what a device tells was done in: one of the club, for the link’s group or edition. */
export async function classToldOf(
  db: Pick<Db, "select">,
  club: Club,
  classId: string,
  { editionId, groupId }: { editionId: string; groupId: string | null },
): Promise<string | undefined> {
  const [row] = await db
    .select({ id: liveClass.id })
    .from(liveClass)
    .where(
      and(
        ofClass(club, classId),
        groupId === null
          ? eq(liveClass.editionId, editionId)
          : or(eq(liveClass.groupId, groupId), and(eq(liveClass.editionId, editionId), isNull(liveClass.groupId))),
      ),
    );
  return row?.id;
}

/** What a version is worked out from, told apart from anything else. */
export const versionOf = (from: unknown): string =>
  createHash("sha256").update(JSON.stringify(from)).digest("base64url").slice(0, 22);

/** What somebody does instead in a class, where it was worked out from the same before. */
export async function keptVersion(
  db: Pick<Db, "select">,
  club: Club,
  classId: string,
  personId: string,
  of: string,
): Promise<Mine | undefined> {
  const [row] = await db
    .select({ doc: liveVersion.doc })
    .from(liveVersion)
    .where(
      and(
        eq(liveVersion.clubId, club.id),
        eq(liveVersion.classId, classId),
        eq(liveVersion.personId, personId),
        eq(liveVersion.of, of),
      ),
    );
  return row?.doc;
}

/** Keeps what somebody does instead in a class. */
export async function keepVersion(
  db: Db,
  club: Club,
  classId: string,
  personId: string,
  { of, doc }: { of: string; doc: Mine },
): Promise<void> {
  await db
    .insert(liveVersion)
    .values({ clubId: club.id, classId, personId, of, doc })
    .onConflictDoUpdate({
      target: [liveVersion.clubId, liveVersion.classId, liveVersion.personId],
      set: { of, doc },
    });
}

/** The drills that somebody’s phone told to hurt in a class. */
export async function hurtIn(
  db: Pick<Db, "select">,
  club: Club,
  classId: string,
  personId: string,
): Promise<PainPlace[]> {
  const rows = await db
    .select({ at: painReport.place })
    .from(run)
    .innerJoin(painReport, and(eq(painReport.clubId, run.clubId), eq(painReport.runId, run.id)))
    .where(
      and(eq(run.clubId, club.id), eq(run.classId, classId), eq(run.personId, personId), isNotNull(painReport.place)),
    );
  return rows.flatMap(({ at }) => (at ? [at] : []));
}

/** Its end can no longer be taken back by then. */
const CLOSES_AFTER_MS = 20_000;

/**
 * Writes down what became of a class that is over: what it says of the pace of its group, and for everybody who was ticked and
 * had no phone in it a run of what was really run. Once; false where it is too early, or it was done before.
 */
export async function closeClass(db: Db, club: Club, classId: string): Promise<boolean> {
  const [found] = await db
    .select({
      editionId: liveClass.editionId,
      groupId: liveClass.groupId,
      fold: liveClass.fold,
      endedAt: liveClass.endedAt,
      closedAt: liveClass.closedAt,
    })
    .from(liveClass)
    .where(ofClass(club, classId));
  if (!found?.endedAt || found.closedAt || now() - found.endedAt.getTime() < CLOSES_AFTER_MS) return false;
  const [doc, commands, people] = await Promise.all([
    editionOf(db, { club, edition: { id: found.editionId } }),
    listCommands(db, club, classId),
    peopleOfClass(db, club, classId),
  ]);
  const frozen = freeze(doc.session, editionDrills(doc), found.fold);
  const { timeline } = frozen;
  const live = advance(fold(frozen, commands), found.endedAt.getTime());
  const { left, right, both } = timeline.workSeconds;
  const share = shareRun(live, left + right + both);
  return db.transaction(async (tx) => {
    const [mine] = await tx
      .update(liveClass)
      .set({ closedAt: nowDate(), paces: pacesOf(live, commands) })
      .where(and(ofClass(club, classId), isNull(liveClass.closedAt), isNotNull(liveClass.endedAt)))
      .returning({ id: liveClass.id });
    if (!mine) return false;
    const linkId = await linkFor(tx, club, found);
    // A phone that joined and never told anything is none. What one tells just now has come first, or fills up what is written here.
    const ticked = people.here.filter(({ here }) => here);
    for (const id of ticked.map((one) => one.id).sort()) await oneAtATime(tx, club, classId, id);
    const told = new Set((await runsOfClass(tx, club, classId)).map(({ personId }) => personId));
    const without = ticked.filter(({ id }) => !told.has(id));
    if (linkId && share > 0 && without.length > 0)
      await tx
        .insert(run)
        .values(
          without.map(({ id, name }) => ({
            clubId: club.id,
            linkId,
            clientKey: keyOfTicked(classId, id),
            personId: id,
            classId,
            name: name.slice(0, 40),
            startedAt: new Date(live.begun ?? found.endedAt!.getTime()),
            arrivedAt: nowDate(),
            shareDone: share,
            finishedAt: share >= REALLY_DONE ? found.endedAt : null,
          })),
        )
        .onConflictDoNothing();
    return true;
  });
}

/** The address under which what was done in a class is listed: its group’s, or another of its edition; the newest. */
async function linkFor(
  db: Pick<Db, "select">,
  club: Club,
  { editionId, groupId }: { editionId: string; groupId: string | null },
): Promise<string | undefined> {
  const [row] = await db
    .select({ id: link.id })
    .from(link)
    .where(and(eq(link.clubId, club.id), eq(link.editionId, editionId)))
    .orderBy(
      desc(groupId === null ? isNull(link.groupId) : sql`coalesce(${link.groupId} = ${groupId}, false)`),
      desc(link.createdAt),
    )
    .limit(1);
  return row?.id;
}

/** Of one person in one class nothing else is kept meanwhile: of two at the same moment one comes after the other. */
export const oneAtATime = async (
  tx: Pick<Db, "execute">,
  club: Club,
  classId: string,
  personId: string,
): Promise<void> =>
  void (await tx.execute(
    sql`select pg_advisory_xact_lock(hashtextextended(${`${club.id} ${classId} ${personId}`}, 0))`,
  ));

/** A key for the run of somebody without a phone: the same each time. */
export function keyOfTicked(classId: string, personId: string): string {
  const hash = createHash("sha256").update(`${classId} ${personId}`).digest("hex");
  return `${hash.slice(0, 8)}-${hash.slice(8, 12)}-4${hash.slice(13, 16)}-8${hash.slice(17, 20)}-${hash.slice(20, 32)}`;
}

/** A class that could not be closed so often is damaged: it is closed when somebody looks at it, if ever. */
const CLOSE_TRIES = 5;

/**
 * Closes what ended a while ago and was not closed, as when its server was stopped. One that can’t be closed keeps none of the
 * others waiting: it comes last the next time. `onTrouble` is told of each.
 */
export async function closeOldClasses(db: Db, onTrouble: (error: unknown) => void = () => undefined): Promise<void> {
  const rows = await db
    .select({ clubId: liveClass.clubId, id: liveClass.id })
    .from(liveClass)
    .where(
      and(
        isNull(liveClass.closedAt),
        lt(liveClass.endedAt, new Date(now() - CLOSES_AFTER_MS)),
        lt(liveClass.closeTries, CLOSE_TRIES),
      ),
    )
    .orderBy(asc(liveClass.closeTries), asc(liveClass.endedAt))
    .limit(200);
  for (const { clubId, id } of rows) {
    const club = clubOfEntry(clubId);
    try {
      await closeClass(db, club, id);
    } catch (error) {
      onTrouble(error);
      await db
        .update(liveClass)
        .set({ closeTries: sql`${liveClass.closeTries} + 1` })
        .where(ofClass(club, id));
    }
  }
}

export type PastClass = {
  id: string;
  title: string;
  begunAt: Date;
  endedAt: Date | null;
  totalSeconds: Seconds;
  /** People who were there. */
  people: number;
};

/** The classes of a group, the newest first. */
export async function classesOf(
  db: Pick<Db, "select">,
  club: Club,
  groupId: string,
  most: number,
): Promise<PastClass[]> {
  const there = sql<number>`(
    select count(distinct who)::int from (
      select ${liveHere.personId}::text as who from ${liveHere}
        where ${liveHere.clubId} = ${liveClass.clubId} and ${liveHere.classId} = ${liveClass.id} and ${liveHere.here}
      union select coalesce(${run.personId}::text, ${run.id}::text) from ${run}
        where ${run.clubId} = ${liveClass.clubId} and ${run.classId} = ${liveClass.id}
    ) w) + ${liveClass.others}`;
  return db
    .select({
      id: liveClass.id,
      title: sql<string>`coalesce(${edition.doc} -> 'session' ->> 'title', '')`,
      begunAt: liveClass.createdAt,
      endedAt: liveClass.endedAt,
      totalSeconds: edition.totalSeconds,
      people: there,
    })
    .from(liveClass)
    .innerJoin(edition, and(eq(edition.clubId, liveClass.clubId), eq(edition.id, liveClass.editionId)))
    .where(and(eq(liveClass.clubId, club.id), eq(liveClass.groupId, groupId), gt(liveClass.lastN, 0)))
    .orderBy(desc(liveClass.createdAt))
    .limit(most);
}

/** What the latest classes of all groups of a club say of their pace, the newest first. */
export async function pacesOfClub(
  db: Pick<Db, "select">,
  club: Club,
  most = 400,
): Promise<{ groupId: string; paces: ClassPaces; at: Date; by: string | null }[]> {
  const rows = await db
    .select({
      groupId: liveClass.groupId,
      paces: liveClass.paces,
      at: liveClass.createdAt,
      by: liveClass.madeBy,
    })
    .from(liveClass)
    .where(and(eq(liveClass.clubId, club.id), isNotNull(liveClass.groupId), isNotNull(liveClass.paces)))
    .orderBy(desc(liveClass.createdAt))
    .limit(most);
  return rows.flatMap(({ groupId, paces, at, by }) => (paces && groupId ? [{ groupId, paces, at, by }] : []));
}

/** A class that is over or running, with its group’s name. */
export async function classRecord(db: Pick<Db, "select">, club: Club, classId: string) {
  const [row] = await db
    .select({
      id: liveClass.id,
      editionId: liveClass.editionId,
      groupId: liveClass.groupId,
      groupName: group.name,
      fold: liveClass.fold,
      createdAt: liveClass.createdAt,
      endedAt: liveClass.endedAt,
      closedAt: liveClass.closedAt,
      sessionId: edition.sessionId,
    })
    .from(liveClass)
    .innerJoin(edition, and(eq(edition.clubId, liveClass.clubId), eq(edition.id, liveClass.editionId)))
    .leftJoin(group, and(eq(group.clubId, liveClass.clubId), eq(group.id, liveClass.groupId)))
    .where(ofClass(club, classId));
  return row;
}

export type RunOfClass = {
  id: string;
  personId: string | null;
  name: string;
  shareDone: Share;
  effort: number | null;
  pain: boolean | null;
  /** Each thing that hurt: where in the body, and in which drill. */
  pains: { where: string | null; drill: string | null }[];
};

/** What was done in a class, and said of it, by everybody who was in it. */
export async function runsOfClass(db: Pick<Db, "select">, club: Club, classId: string): Promise<RunOfClass[]> {
  const rows = await db
    .select({
      id: run.id,
      personId: run.personId,
      name: sql<string>`coalesce(${person.name}, ${run.name})`,
      shareDone: run.shareDone,
      effort: checkIn.effort,
      pain: checkIn.pain,
    })
    .from(run)
    .leftJoin(person, and(eq(person.clubId, run.clubId), eq(person.id, run.personId)))
    .leftJoin(checkIn, and(eq(checkIn.clubId, run.clubId), eq(checkIn.runId, run.id)))
    .where(and(eq(run.clubId, club.id), eq(run.classId, classId), isNull(run.removedAt)))
    .orderBy(desc(sql`coalesce(${checkIn.pain}, false)`), asc(sql`lower(coalesce(${person.name}, ${run.name}))`))
    .limit(600);
  const pains = await painsOf(
    db,
    club,
    rows.flatMap(({ id, pain }) => (pain ? [id] : [])),
  );
  return rows.map((row) => ({
    ...row,
    pains: (pains.get(row.id) ?? []).map(({ where, place }) => ({ where, drill: place?.name ?? null })),
  }));
}

/** What somebody without a phone said of a class, written down by their coach. Pain that was told stays. False where there is no such run in a class of the club. */
export async function sayFor(
  db: Db,
  club: Club,
  classId: string,
  runId: string,
  said: { effort: number | null; pain: boolean; painWhere: string },
): Promise<boolean> {
  const mine = db
    .select({ id: run.id })
    .from(run)
    .where(and(eq(run.clubId, club.id), eq(run.classId, classId), eq(run.id, runId)));
  const [known] = await mine;
  if (!known) return false;
  return db.transaction(async (tx) => {
    await tx
      .insert(checkIn)
      .values({
        clubId: club.id,
        runId,
        effort: said.effort,
        pain: said.pain,
        sentAt: nowDate(),
        arrivedAt: nowDate(),
        // Whoever writes it down has seen it.
        seenAt: nowDate(),
      })
      .onConflictDoUpdate({
        target: [checkIn.clubId, checkIn.runId],
        set: {
          effort: sql`coalesce(excluded.effort, ${checkIn.effort})`,
          pain: sql`${checkIn.pain} or excluded.pain`,
        },
      });
    if (said.pain) {
      const where = said.painWhere || null;
      const told = await tx
        .select({ where: painReport.where })
        .from(painReport)
        .where(and(eq(painReport.clubId, club.id), eq(painReport.runId, runId)));
      if (!told.some((one) => one.where === where))
        await tx.insert(painReport).values({
          clubId: club.id,
          runId,
          id: randomUUID(),
          where,
          saidAt: nowDate(),
          arrivedAt: nowDate(),
          noticedAt: nowDate(),
          noticedBy: club.by,
          // Whoever writes it down has spoken to them.
          seenAt: nowDate(),
          seenBy: club.by,
        });
    }
    return true;
  });
}

/** Notes for all who lead a class that one of them has seen a report of pain. It is spoken of in feedback. False where it is none of that class of the club’s. */
export async function noticePain(db: Db, club: Club, classId: string, runId: string, id: string): Promise<boolean> {
  const [own] = await db
    .select({ id: run.id })
    .from(run)
    .where(and(eq(run.clubId, club.id), eq(run.classId, classId), eq(run.id, runId)));
  if (!own) return false;
  const rows = await db
    .update(painReport)
    .set({
      noticedAt: sql`coalesce(${painReport.noticedAt}, ${nowDate().toISOString()}::timestamptz)`,
      noticedBy: sql`case when ${painReport.noticedAt} is null then ${club.by} else ${painReport.noticedBy} end`,
    })
    .where(and(eq(painReport.clubId, club.id), eq(painReport.runId, runId), eq(painReport.id, id)))
    .returning({ id: painReport.id });
  if (rows.length > 0) await tell(db, club, classId);
  return rows.length > 0;
}

/** Keeps what is chosen for people of a class. False where the class is not the club’s. */
export async function setClassChoices(db: Db, club: Club, classId: string, choices: Choice[]): Promise<boolean> {
  const rows = await db
    .update(liveClass)
    .set({ choices })
    .where(ofClass(club, classId))
    .returning({ id: liveClass.id });
  return rows.length > 0;
}
