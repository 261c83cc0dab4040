import { and, asc, desc, eq, inArray, sql } from "drizzle-orm";
import { zoneHere } from "~/core/clock/zone";
import type { Role } from "~/core/club/role";
import type { Db } from "./client";
import { club, member } from "./schema";

declare const checked: unique symbol;

/**
 * A club in which whoever asks may see and do things, with who asks. Every query about a club's things takes one; it is made
 * here only: by looking up a membership, or for what an entry opens, where nobody is signed in.
 */
export type Club = { readonly id: string; readonly by: string | null; readonly [checked]: true };

const asChecked = (id: string, by: string | null): Club => ({ id, by }) as Club;

/** `zone` is the one of the server until one has been said. */
export type Membership = { club: Club; name: string; role: Role; zone: string; zoneSaid: boolean };

type Tx = Pick<Db, "select" | "insert">;

/** The clubs a coach works in, the one joined last first. */
export async function clubsOf(db: Tx, coachId: string): Promise<Membership[]> {
  const rows = await db
    .select({ id: club.id, name: club.name, role: member.role, zone: club.zone })
    .from(member)
    .innerJoin(club, eq(club.id, member.clubId))
    .where(eq(member.coachId, coachId))
    .orderBy(desc(member.createdAt), asc(club.id));
  return rows.map(({ id, name, role, zone }) => ({
    club: asChecked(id, coachId),
    name,
    role,
    zone: zone ?? zoneHere(),
    zoneSaid: zone !== null,
  }));
}

/** The club somebody signed in works in: the one they chose while they are in it, else the one joined last; whoever is in none gets one of their own. */
export async function requireMember(db: Db, coach: { id: string; name: string }, chosen?: string): Promise<Membership> {
  const all = await clubsOf(db, coach.id);
  const one = all.find((membership) => membership.club.id === chosen) ?? all[0];
  if (one) return one;
  return db.transaction(async (tx) => {
    // Several requests at once make one.
    await tx.execute(sql`select pg_advisory_xact_lock(hashtext(${`club of ${coach.id}`}))`);
    const [now] = await clubsOf(tx, coach.id);
    return (
      now ?? {
        club: await addClub(tx, coach.id, coach.name),
        name: coach.name,
        role: "owner",
        zone: zoneHere(),
        zoneSaid: false,
      }
    );
  });
}

/** The club an entry belongs to, for what it opens. Only for `db/`: whoever calls it has looked the entry up. */
export const clubOfEntry = (clubId: string): Club => asChecked(clubId, null);

const LONGEST_NAME = 80;

/** Makes a club with a coach as its owner. */
export async function addClub(db: Tx, coachId: string, name: string): Promise<Club> {
  const [row] = await db
    .insert(club)
    .values({ name: name.trim().slice(0, LONGEST_NAME) || "My club" })
    .returning({ id: club.id });
  await db.insert(member).values({ clubId: row!.id, coachId, role: "owner" });
  return asChecked(row!.id, coachId);
}

/** Deletes those of these clubs that nobody is in any more. */
export async function dropEmptyClubs(db: Pick<Db, "delete">, clubs: readonly Club[]): Promise<void> {
  if (clubs.length === 0) return;
  await db.delete(club).where(
    and(
      inArray(
        club.id,
        clubs.map((one) => one.id),
      ),
      sql`not exists (select 1 from ${member} where ${member.clubId} = ${club.id})`,
    ),
  );
}
