import { and, eq, inArray, sql } from "drizzle-orm";
import type { Accounts } from "./accounts";
import type { Db } from "./client";
import { clubsOf, type Club } from "./clubs";
import {
  checkIn,
  club as clubs,
  coach,
  credential,
  member,
  message,
  person,
  run,
  trainingSession,
  verification,
} from "./schema";

/** What a club has, for whoever is about to lose it. */
export type Holdings = {
  sessions: number;
  people: number;
  reports: number;
  /** Reports of pain that nobody has seen to. */ unseenPain: number;
};

/** How much a club has. */
export async function holdingsOf(db: Pick<Db, "$count">, club: Club): Promise<Holdings> {
  const [sessions, people, reports, unseenPain] = await Promise.all([
    db.$count(trainingSession, eq(trainingSession.clubId, club.id)),
    db.$count(person, eq(person.clubId, club.id)),
    db.$count(run, eq(run.clubId, club.id)),
    db.$count(checkIn, and(eq(checkIn.clubId, club.id), sql`pain and seen_at is null`)),
  ]);
  return { sessions, people, reports, unseenPain };
}

/** Erases a club with everything in it: people, sessions, links, reports. Whoever worked there keeps their account. Cannot be undone. */
export async function eraseClub(db: Db, club: Club): Promise<void> {
  await db.delete(clubs).where(eq(clubs.id, club.id));
}

/** What would become of the clubs somebody is in if their account went. */
export type Leaving = {
  /** They stay, with others in them. */
  stay: { id: string; name: string }[];
  /** They have others in them, but no other owner: somebody has to be made one first. */
  ownerless: { id: string; name: string }[];
  /** Nobody else is in them: they are erased. */
  alone: ({ id: string; name: string } & Holdings)[];
};

/** What would become of somebody's clubs if their account went. */
export async function whatLeaves(db: Pick<Db, "select" | "insert" | "$count">, coachId: string): Promise<Leaving> {
  const leaving: Leaving = { stay: [], ownerless: [], alone: [] };
  for (const { club, name, role } of await clubsOf(db, coachId)) {
    const others = (
      await db.select({ coachId: member.coachId, role: member.role }).from(member).where(eq(member.clubId, club.id))
    ).filter((one) => one.coachId !== coachId);
    const one = { id: club.id, name };
    if (others.length === 0) leaving.alone.push({ ...one, ...(await holdingsOf(db, club)) });
    else if (role === "owner" && others.every((other) => other.role !== "owner")) leaving.ownerless.push(one);
    else leaving.stay.push(one);
  }
  return leaving;
}

/** Whether this is the password of whoever is signed in. */
export async function isPasswordOf(db: Db, accounts: Accounts, coachId: string, password: string): Promise<boolean> {
  const [kept] = await db
    .select({ hash: credential.password })
    .from(credential)
    .where(and(eq(credential.userId, coachId), eq(credential.providerId, "credential")));
  if (!kept?.hash) return false;
  return (await accounts.$context).password.verify({ hash: kept.hash, password });
}

/**
 * Erases an account: who they are, what signs them in, and what was written to them. Clubs with others in them keep everything, without
 * saying who made it; clubs with nobody else in them go with it, and have to be named, so that none is that nobody was asked about. Returns
 * false where their clubs are not as they were told, or one would be left without an owner: nothing is changed then.
 */
export async function eraseAccount(db: Db, coachId: string, alone: readonly string[]): Promise<boolean> {
  return db.transaction(async (tx) => {
    const [who] = await tx.select({ email: coach.email }).from(coach).where(eq(coach.id, coachId)).for("update");
    if (!who) return false;
    // Whoever else joins, leaves or steps down in these clubs does so before or after, not meanwhile.
    await tx.execute(
      sql`select 1 from ${clubs} where id in (select club_id from ${member} where coach_id = ${coachId}) order by id for update`,
    );
    await tx.execute(
      sql`select 1 from ${member} where ${member.clubId} in (select club_id from ${member} where coach_id = ${coachId}) order by club_id, coach_id for update`,
    );
    const leaving = await whatLeaves(tx, coachId);
    if (
      leaving.ownerless.length > 0 ||
      leaving.alone
        .map((one) => one.id)
        .sort()
        .join() !== [...alone].sort().join()
    )
      return false;
    if (alone.length > 0) await tx.delete(clubs).where(inArray(clubs.id, [...alone]));
    await tx.delete(verification).where(eq(verification.value, coachId));
    await tx.delete(message).where(eq(message.recipient, who.email.toLowerCase()));
    await tx.delete(coach).where(eq(coach.id, coachId));
    return true;
  });
}
