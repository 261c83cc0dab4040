import { nowDate } from "~/core/clock/clock";
import { and, asc, desc, eq, isNull, sql } from "drizzle-orm";
import type { Accepted } from "~/core/audit/accepted";
import type { Setting } from "~/core/documents/setting";
import type { Choice } from "~/core/group/choices";
import { changedByNobody, type Marks } from "~/core/saving/fields";
import { withoutName } from "~/core/group/names";
import type { Protects } from "~/core/group/protect";
import { among } from "./among";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { checkIn, edition, group, liveClass, membership, painReport, person, run, trainingSession } from "./schema";

/** So many people are listed at once. */
export const PEOPLE_A_PAGE = 60;

export type PersonRow = {
  id: string;
  name: string;
  areas: Protects[];
  groups: string[];
  /** When they last followed a session. */ last: Date | null;
};

const here = (club: Club, id: string) => and(eq(person.clubId, club.id), eq(person.id, id));
const memberOf = (club: Club, personId: string, groupId?: string) =>
  and(
    eq(membership.clubId, club.id),
    eq(membership.personId, personId),
    groupId ? eq(membership.groupId, groupId) : undefined,
  );

/** A page of a club's people by name, those whose name has what is looked for in it; and how many there are in all. */
export async function listPeople(
  db: Db,
  club: Club,
  { find = "", page = 0 }: { find?: string; page?: number } = {},
): Promise<{ rows: PersonRow[]; all: number }> {
  const which = and(
    eq(person.clubId, club.id),
    find === "" ? undefined : sql`position(lower(${find}) in lower(${person.name})) > 0`,
  );
  const [rows, counted] = await Promise.all([
    db
      .select({ id: person.id, name: person.name, areas: person.areas })
      .from(person)
      .where(which)
      .orderBy(sql`lower(${person.name})`, asc(person.createdAt), asc(person.id))
      .limit(PEOPLE_A_PAGE)
      .offset(page * PEOPLE_A_PAGE),
    db
      .select({ all: sql<number>`count(*)::int` })
      .from(person)
      .where(which),
  ]);
  const ids = rows.map((row) => row.id);
  const [groups, last] = await Promise.all([groupsOf(db, club, ids), lastOf(db, club, ids)]);
  return {
    rows: rows.map((row) => ({
      ...row,
      groups: groups.filter((one) => one.personId === row.id).map((one) => one.name),
      last: last.get(row.id) ?? null,
    })),
    all: counted[0]!.all,
  };
}

/** The groups these people are in, by name. */
async function groupsOf(db: Db, club: Club, ids: readonly string[]): Promise<{ personId: string; name: string }[]> {
  if (ids.length === 0) return [];
  return db
    .select({ personId: membership.personId, name: group.name })
    .from(membership)
    .innerJoin(group, and(eq(group.clubId, membership.clubId), eq(group.id, membership.groupId)))
    .where(and(eq(membership.clubId, club.id), among(membership.personId, ids), isNull(membership.until)))
    .orderBy(sql`lower(${group.name})`);
}

/** When these people last followed a session. */
async function lastOf(db: Db, club: Club, ids: readonly string[]): Promise<Map<string, Date>> {
  if (ids.length === 0) return new Map();
  // For each by itself the newest is at an end of the index; together all of theirs would be read.
  const newest = db
    .select({ last: run.startedAt })
    .from(run)
    .where(and(eq(run.clubId, club.id), eq(run.personId, person.id), isNull(run.removedAt), eq(run.notTheirs, false)))
    .orderBy(desc(run.startedAt))
    .limit(1)
    .as("newest");
  const rows = await db
    .select({ id: person.id, last: newest.last })
    .from(person)
    .innerJoinLateral(newest, sql`true`)
    .where(and(eq(person.clubId, club.id), among(person.id, ids)));
  return new Map(rows.map(({ id, last }) => [id, last]));
}

export type PersonFound = {
  id: string;
  name: string;
  areas: Protects[];
  since: Date;
  /** The groups they are in, and those they were in, the newest first. */
  groups: { id: string; name: string; from: Date; until: Date | null }[];
};

/** Somebody of a club's, with their groups; undefined where there is nobody of that id. */
export async function findPerson(db: Db, club: Club, id: string): Promise<PersonFound | undefined> {
  const [one] = await db
    .select({ id: person.id, name: person.name, areas: person.areas, since: person.createdAt })
    .from(person)
    .where(here(club, id));
  if (!one) return undefined;
  const groups = await db
    .select({ id: group.id, name: group.name, from: membership.from, until: membership.until })
    .from(membership)
    .innerJoin(group, and(eq(group.clubId, membership.clubId), eq(group.id, membership.groupId)))
    .where(memberOf(club, id))
    .orderBy(sql`${membership.until} is not null`, desc(membership.from), asc(group.id));
  return { ...one, groups };
}

/** How much somebody has said: runs, check-ins, those that tell of pain, and of these how many nobody has seen to; and when the last was. */
export type Said = { runs: number; checkIns: number; pain: number; unseenPain: number; last: Date | null };

/** What there is of a person's reports. Those taken off the list count where they tell of pain that nobody has seen to. */
export async function whatTheySaid(db: Db, club: Club, id: string): Promise<Said> {
  const [row] = await db
    .select({
      runs: sql<number>`count(*) filter (where ${run.removedAt} is null)::int`,
      checkIns: sql<number>`count(${checkIn.runId}) filter (where ${run.removedAt} is null)::int`,
      pain: sql<number>`count(*) filter (where ${checkIn.pain} and ${run.removedAt} is null)::int`,
      unseenPain: sql<number>`count(*) filter (where ${checkIn.pain} and ${checkIn.seenAt} is null and ${run.removedAt} is null)::int`,
      last: sql<Date | null>`max(${run.startedAt})`.mapWith((v: string | null) => (v === null ? null : new Date(v))),
    })
    .from(run)
    .leftJoin(checkIn, and(eq(checkIn.clubId, run.clubId), eq(checkIn.runId, run.id)))
    .where(and(eq(run.clubId, club.id), eq(run.personId, id), eq(run.notTheirs, false)));
  return row!;
}

/** Puts somebody of a club's into one of its groups, again where they were in it before. Returns false where there is no such person or group. */
export async function joinGroup(db: Db, club: Club, id: string, groupId: string): Promise<boolean> {
  return db.transaction(async (tx) => {
    const [one] = await tx.select({ id: person.id }).from(person).where(here(club, id));
    const [into] = await tx
      .select({ id: group.id })
      .from(group)
      .where(and(eq(group.clubId, club.id), eq(group.id, groupId)));
    if (!one || !into) return false;
    await tx
      .insert(membership)
      .values({ clubId: club.id, groupId, personId: id })
      .onConflictDoUpdate({
        target: [membership.clubId, membership.groupId, membership.personId],
        set: { until: null },
      });
    return true;
  });
}

/** Takes somebody out of one group; what they said stays, and so does what they protect. Returns false where they were never in it. */
export async function leaveGroup(db: Db, club: Club, id: string, groupId: string): Promise<boolean> {
  const rows = await db
    .update(membership)
    .set({ until: sql`coalesce(${membership.until}, ${nowDate().toISOString()}::timestamptz)` })
    .where(memberOf(club, id, groupId))
    .returning({ id: membership.personId });
  return rows.length > 0;
}

/** What came of forgetting somebody. */
export type Forgotten = "forgotten" | "unseen pain" | "not here";

/** What a report of somebody who was forgotten is under. */
export const NOBODY = "Someone";

/**
 * Erases a person: their name, groups, what they protect and what was chosen for them. How much they did, how hard it was and
 * that something hurt stays, unlinked; their name on it and what they wrote goes. Pain that nobody has seen to has to be seen to
 * first, while somebody knows whose it is. Cannot be undone.
 */
export async function forgetPerson(db: Db, club: Club, id: string): Promise<Forgotten> {
  return db.transaction(async (tx) => {
    const [one] = await tx.select({ name: person.name }).from(person).where(here(club, id)).for("update");
    if (!one) return "not here";
    const linked = and(eq(run.clubId, club.id), eq(run.personId, id));
    // What somebody else said under their name is that one's: it is unlinked, and stays to be seen to.
    const theirs = and(linked, eq(run.notTheirs, false));
    const reports = await tx
      .select({ pain: checkIn.pain, seenAt: checkIn.seenAt, removedAt: run.removedAt })
      .from(run)
      .innerJoin(checkIn, and(eq(checkIn.clubId, run.clubId), eq(checkIn.runId, run.id)))
      .where(theirs)
      .for("update", { of: checkIn });
    if (reports.some((report) => report.pain && report.seenAt === null && report.removedAt === null))
      return "unseen pain";
    await tx.execute(
      sql`update ${checkIn} set ${sql.identifier("note")} = null from ${run} where ${run.clubId} = ${checkIn.clubId} and ${run.id} = ${checkIn.runId} and ${theirs}`,
    );
    await tx.execute(
      sql`update ${painReport} set ${sql.identifier("where")} = null from ${run} where ${run.clubId} = ${painReport.clubId} and ${run.id} = ${painReport.runId} and ${theirs}`,
    );
    await tx.update(run).set({ name: NOBODY, personId: null }).where(linked);
    await forgetBeside(tx, club, id, one.name);
    await forgetInClasses(tx, club, id);
    await tx.delete(person).where(here(club, id));
    return "forgotten";
  });
}

/** Takes somebody out of what is kept beside sessions and what was handed out: choices made for them, findings that name them. */
async function forgetBeside(tx: Pick<Db, "select" | "update">, club: Club, id: string, name: string): Promise<void> {
  const without = (beside: { choices: Choice[]; accepted: Accepted[] }) => ({
    choices: beside.choices.filter((one) => one.athleteId !== id),
    accepted: beside.accepted.map((one) => ({
      ...one,
      says: withoutName(one.says, name),
      reason: withoutName(one.reason, name),
    })),
  });
  for (const table of [trainingSession, edition]) {
    const names = sql`(${table.choices} @> ${JSON.stringify([{ athleteId: id }])}::jsonb or position(${JSON.stringify(name).slice(1, -1)} in ${table.accepted}::text) > 0)`;
    const rows = await tx
      .select({ id: table.id, choices: table.choices, accepted: table.accepted })
      .from(table)
      .where(and(eq(table.clubId, club.id), names));
    for (const row of rows)
      await tx
        .update(table)
        .set({ ...without(row), ...(table === trainingSession && { settingMarks: await unseen(tx, club, row.id) }) })
        .where(and(eq(table.clubId, club.id), eq(table.id, row.id)));
  }
}

/** Takes somebody out of what was chosen in classes. */
async function forgetInClasses(tx: Pick<Db, "select" | "update">, club: Club, id: string): Promise<void> {
  const rows = await tx
    .select({ id: liveClass.id, choices: liveClass.choices })
    .from(liveClass)
    .where(
      and(eq(liveClass.clubId, club.id), sql`${liveClass.choices} @> ${JSON.stringify([{ athleteId: id }])}::jsonb`),
    );
  for (const { id: of, choices } of rows)
    await tx
      .update(liveClass)
      .set({ choices: choices.filter(({ athleteId }) => athleteId !== id) })
      .where(and(eq(liveClass.clubId, club.id), eq(liveClass.id, of)));
}

/** Marks of a session of which no open page has seen what is beside it now: none may write somebody who was forgotten back unasked. */
async function unseen(tx: Pick<Db, "select">, club: Club, id: string): Promise<Marks<Setting>> {
  const [row] = await tx
    .select({ marks: trainingSession.settingMarks })
    .from(trainingSession)
    .where(and(eq(trainingSession.clubId, club.id), eq(trainingSession.id, id)));
  return changedByNobody<Setting>(row?.marks ?? {}, ["choices", "accepted"]);
}

/** How many people a club has. */
export async function countAll(db: Db, club: Club): Promise<number> {
  return db.$count(person, eq(person.clubId, club.id));
}
