import { now, nowDate } from "~/core/clock/clock";
import { and, asc, count, eq, gt, isNull, sql } from "drizzle-orm";
import { randomUUID } from "node:crypto";
import { KEPT_MONTHS } from "~/core/club/keeping";
import { INVITED_DAYS, type Role } from "~/core/club/role";
import type { Db } from "./client";
import { addClub, type Club } from "./clubs";
import { club as clubs, coach, entry, invitation, member } from "./schema";
import { invitationToken, isTokenOf, tokenHash } from "./tokens";

export type Member = { coachId: string; name: string; email: string; role: Role; since: Date };

/** Who is in a club, the longest first. */
export async function listMembers(db: Db, club: Club): Promise<Member[]> {
  return db
    .select({ coachId: coach.id, name: coach.name, email: coach.email, role: member.role, since: member.createdAt })
    .from(member)
    .innerJoin(coach, eq(coach.id, member.coachId))
    .where(eq(member.clubId, club.id))
    .orderBy(asc(member.createdAt), asc(coach.id));
}

export async function renameClub(db: Db, club: Club, name: string): Promise<void> {
  await db.update(clubs).set({ name }).where(eq(clubs.id, club.id));
}

/** So many clubs a coach is in at most by their own doing. */
export const MOST_CLUBS = 20;

/** Makes another club, with a coach as its owner. */
export const startClub = (db: Db, coachId: string, name: string): Promise<Club> =>
  db.transaction((tx) => addClub(tx, coachId, name));

/** For how many months a club keeps reports. */
export async function keepMonthsOf(db: Db, club: Club): Promise<number> {
  const [row] = await db.select({ months: clubs.keepMonths }).from(clubs).where(eq(clubs.id, club.id));
  return row?.months ?? KEPT_MONTHS;
}

export async function setKeepMonths(db: Db, club: Club, months: number): Promise<void> {
  await db.update(clubs).set({ keepMonths: months }).where(eq(clubs.id, club.id));
}

/** Says in which time zone a club's days and hours are; with `unlessSaid` only where nobody has. */
export async function setClubZone(db: Db, club: Club, zone: string, unlessSaid = false): Promise<void> {
  await db
    .update(clubs)
    .set({ zone })
    .where(and(eq(clubs.id, club.id), unlessSaid ? isNull(clubs.zone) : undefined));
}

/** What came of changing who is in a club: a club is never left without an owner. */
export type MemberChange = "done" | "last owner" | "not here";

/**
 * Changes what somebody is in a club, or takes them out of it. What they made stays the club's. Whoever was an owner could
 * have kept the address of any open invitation, and come back by it: with them those go.
 */
export async function changeMember(db: Db, club: Club, coachId: string, role: Role | "out"): Promise<MemberChange> {
  return db.transaction(async (tx) => {
    // Two owners who step down at the same moment do it one after the other.
    const all = await tx
      .select({ coachId: member.coachId, role: member.role })
      .from(member)
      .where(eq(member.clubId, club.id))
      .orderBy(member.coachId)
      .for("update");
    const one = all.find((row) => row.coachId === coachId);
    if (!one) return "not here";
    if (one.role === "owner" && role !== "owner" && all.filter((row) => row.role === "owner").length === 1)
      return "last owner";
    const here = and(eq(member.clubId, club.id), eq(member.coachId, coachId));
    if (role === "out") await tx.delete(member).where(here);
    else await tx.update(member).set({ role }).where(here);
    if (one.role === "owner" && role !== "owner")
      await tx.delete(invitation).where(and(eq(invitation.clubId, club.id), isNull(invitation.usedAt)));
    return "done";
  });
}

/** So many invitations of a club are open at once. */
export const MOST_INVITATIONS = 50;
const DAY_MS = 86_400_000;

const isOf = and(eq(entry.clubId, invitation.clubId), eq(entry.target, invitation.id));
const isOpen = () => and(isNull(invitation.usedAt), gt(invitation.until, nowDate()));

/** Makes an address that lets one person into a club. Returns its token; undefined where there are too many already. */
export async function invite(db: Db, club: Club, role: Role, secret: string): Promise<string | undefined> {
  return db.transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(hashtext(${`invitations of ${club.id}`}))`);
    const [open] = await tx
      .select({ n: count() })
      .from(invitation)
      .where(and(eq(invitation.clubId, club.id), isOpen()));
    if (open!.n >= MOST_INVITATIONS) return undefined;
    const id = randomUUID();
    const token = invitationToken(secret, id);
    await tx
      .insert(invitation)
      .values({ clubId: club.id, id, madeBy: club.by, role, until: new Date(now() + INVITED_DAYS * DAY_MS) });
    await tx.insert(entry).values({ tokenHash: tokenHash(token), kind: "invitation", clubId: club.id, target: id });
    return token;
  });
}

export type OpenInvitation = { id: string; role: Role; until: Date; token: string | undefined };

/** The invitations of a club that still open, the newest first. */
export async function listInvitations(db: Db, club: Club, secret: string): Promise<OpenInvitation[]> {
  const rows = await db
    .select({ id: invitation.id, role: invitation.role, until: invitation.until, hash: entry.tokenHash })
    .from(invitation)
    .innerJoin(entry, isOf)
    .where(and(eq(invitation.clubId, club.id), isOpen()))
    .orderBy(sql`${invitation.createdAt} desc`);
  return rows.map(({ hash, ...row }) => {
    const token = invitationToken(secret, row.id);
    return { ...row, token: isTokenOf(token, hash) ? token : undefined };
  });
}

/** Withdraws an invitation that nobody has used. Returns false when there is none of that id. */
export async function withdrawInvitation(db: Db, club: Club, id: string): Promise<boolean> {
  const rows = await db
    .delete(invitation)
    .where(and(eq(invitation.clubId, club.id), eq(invitation.id, id), isNull(invitation.usedAt)))
    .returning({ id: invitation.id });
  return rows.length > 0;
}

export type Invited = { clubId: string; clubName: string; role: Role };

/** What a token opens, while it does. */
const byToken = (db: Pick<Db, "select">, token: string) =>
  db
    .select({ clubId: invitation.clubId, id: invitation.id, clubName: clubs.name, role: invitation.role })
    .from(entry)
    .innerJoin(invitation, isOf)
    .innerJoin(clubs, eq(clubs.id, invitation.clubId))
    .where(and(eq(entry.tokenHash, tokenHash(token)), eq(entry.kind, "invitation"), isOpen()));

/** What an invitation's address opens; undefined where it opens nothing any more. */
export async function openInvitation(db: Db, token: string): Promise<Invited | undefined> {
  const [row] = await byToken(db, token);
  return row;
}

/** Lets somebody into the club they were asked into. The address opens nothing any more then. Whoever is in already stays what they are. */
export async function acceptInvitation(db: Db, token: string, coachId: string): Promise<Invited | undefined> {
  return db.transaction(async (tx) => {
    const [found] = await byToken(tx, token).for("update", { of: invitation });
    if (!found) return undefined;
    const [already] = await tx
      .select({ role: member.role })
      .from(member)
      .where(and(eq(member.clubId, found.clubId), eq(member.coachId, coachId)));
    // Whoever is in already has not used it up for the one it was meant for.
    if (already) return { ...found, role: already.role };
    await tx.insert(member).values({ clubId: found.clubId, coachId, role: found.role });
    await tx
      .update(invitation)
      .set({ usedBy: coachId, usedAt: nowDate() })
      .where(and(eq(invitation.clubId, found.clubId), eq(invitation.id, found.id)));
    return found;
  });
}
