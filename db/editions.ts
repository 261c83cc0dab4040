import { and, desc, eq, isNull, sql } from "drizzle-orm";
import { randomUUID } from "node:crypto";
import type { Accepted } from "~/core/audit/accepted";
import type { Edition } from "~/core/edition/edition";
import type { Protects } from "~/core/group/protect";
import type { GroupSetting } from "~/core/group/schema";
import type { Seconds } from "~/core/units";
import type { Db } from "./client";
import { athlete, edition, link, team, trainingSession } from "./schema";
import type { Athlete } from "./teams";
import { isTokenOf, linkToken, tokenHash } from "./tokens";

export type LinkRow = {
  id: string;
  /** The token of the address, or undefined when the server's secret has changed since. */
  token: string | undefined;
  teamName: string | null;
  createdAt: Date;
  withdrawnAt: Date | null;
  openings: number;
  openedAt: Date | null;
};

export type EditionRow = {
  id: string;
  number: number;
  totalSeconds: Seconds;
  createdAt: Date;
  /** Whether it says the same as the session does now. */
  current: boolean;
  /** What the coach let stand when it was handed out. */
  accepted: Accepted[];
  /** What it says. */
  session: Edition["session"];
  links: LinkRow[];
};

/** The editions of a session, newest first, each with its links. */
export async function listEditions(db: Db, ownerId: string, sessionId: string, secret: string): Promise<EditionRow[]> {
  const rows = await db
    .select({
      id: edition.id, number: edition.number, totalSeconds: edition.totalSeconds, createdAt: edition.createdAt, accepted: edition.accepted,
      session: sql`${edition.doc} -> 'session'`.mapWith((value: unknown) => (typeof value === "string" ? (JSON.parse(value) as Edition["session"]) : (value as Edition["session"]))),
      current: sql<boolean>`(${edition.doc} -> 'session') - 'notes' = ${trainingSession.doc} - 'notes'`,
      link: { id: link.id, tokenHash: link.tokenHash, createdAt: link.createdAt, withdrawnAt: link.withdrawnAt, openings: link.openings, openedAt: link.openedAt },
      teamName: team.name,
    })
    .from(edition)
    .innerJoin(trainingSession, eq(trainingSession.id, edition.sessionId))
    .leftJoin(link, eq(link.editionId, edition.id))
    .leftJoin(team, eq(team.id, link.teamId))
    .where(and(eq(edition.ownerId, ownerId), eq(edition.sessionId, sessionId)))
    .orderBy(desc(edition.number), desc(link.createdAt));
  const editions = new Map<string, EditionRow>();
  for (const { link: l, teamName, ...row } of rows) {
    const entry = editions.get(row.id) ?? { ...row, links: [] };
    if (l) {
      const { tokenHash: hash, ...rest } = l;
      const token = linkToken(secret, l.id);
      entry.links.push({ ...rest, teamName, token: isTokenOf(token, hash) ? token : undefined });
    }
    editions.set(row.id, entry);
  }
  return [...editions.values()];
}

/**
 * Hands a session out: makes an edition of it as it is now (or takes the newest one when nothing has changed since) and
 * an address that opens it. Returns the token of the address, or undefined when the session is not the coach's.
 */
export async function handOut(
  db: Db, ownerId: string, sessionId: string, doc: Edition, totalSeconds: Seconds, teamId: string | null, secret: string,
  at: Date = new Date(),
): Promise<{ token: string; number: number } | undefined> {
  return db.transaction(async (tx) => {
    const [own] = await tx.select({ id: trainingSession.id, accepted: trainingSession.accepted }).from(trainingSession)
      .where(and(eq(trainingSession.id, sessionId), eq(trainingSession.ownerId, ownerId))).for("update");
    if (!own) return undefined;
    if (teamId) {
      const [ownTeam] = await tx.select({ id: team.id }).from(team).where(and(eq(team.id, teamId), eq(team.ownerId, ownerId)));
      if (!ownTeam) return undefined;
    }
    const [newest] = await tx
      .select({ id: edition.id, number: edition.number, same: sql<boolean>`${edition.doc} #- '{session,notes}' = ${JSON.stringify(doc)}::jsonb and ${edition.accepted} = ${JSON.stringify(own.accepted)}::jsonb` })
      .from(edition).where(eq(edition.sessionId, sessionId)).orderBy(desc(edition.number)).limit(1);
    const number = newest?.same ? newest.number : (newest?.number ?? 0) + 1;
    let editionId = newest?.same ? newest.id : undefined;
    if (!editionId) {
      editionId = randomUUID();
      await tx.insert(edition).values({ id: editionId, ownerId, sessionId, number, doc, accepted: own.accepted, totalSeconds, createdAt: at });
    }
    const id = randomUUID();
    const token = linkToken(secret, id);
    await tx.insert(link).values({ id, ownerId, editionId, teamId, tokenHash: tokenHash(token), createdAt: at });
    return { token, number };
  });
}

/** Withdraws an address; it opens nothing from then on. Returns false when it is not the coach's. */
export async function withdrawLink(db: Db, ownerId: string, id: string): Promise<boolean> {
  const rows = await db
    .update(link)
    .set({ withdrawnAt: sql`coalesce(${link.withdrawnAt}, now())` })
    .where(and(eq(link.id, id), eq(link.ownerId, ownerId)))
    .returning({ id: link.id });
  return rows.length > 0;
}

export type OpenLink = {
  id: string;
  ownerId: string;
  coachLabel: string | null;
  teamId: string | null;
  edition: { id: string; number: number; doc: Edition; totalSeconds: Seconds };
  athletes: Athlete[];
};

/** What an address opens: undefined when there is none of that token, "withdrawn" when it has been taken back. */
export async function openLink(db: Db, token: string, countOpening: boolean): Promise<OpenLink | "withdrawn" | undefined> {
  const found = await linkOf(db, token);
  if (!found) return undefined;
  if (found.withdrawnAt) return "withdrawn";
  if (countOpening) await db.update(link).set({ openings: sql`${link.openings} + 1`, openedAt: sql`now()` }).where(eq(link.id, found.opened.id));
  return found.opened;
}

/** A link by its token, whether or not it has been taken back. */
export async function linkOf(db: Db, token: string): Promise<{ opened: OpenLink; withdrawnAt: Date | null } | undefined> {
  const [row] = await db
    .select({
      id: link.id, ownerId: link.ownerId, withdrawnAt: link.withdrawnAt, teamId: link.teamId, coachLabel: team.name,
      edition: { id: edition.id, number: edition.number, doc: edition.doc, totalSeconds: edition.totalSeconds },
    })
    .from(link)
    .innerJoin(edition, eq(edition.id, link.editionId))
    .leftJoin(team, eq(team.id, link.teamId))
    .where(eq(link.tokenHash, tokenHash(token)));
  if (!row) return undefined;
  const athletes = row.teamId
    ? await db.select({ id: athlete.id, name: athlete.name }).from(athlete)
        .where(and(eq(athlete.teamId, row.teamId), isNull(athlete.archivedAt))).orderBy(athlete.name)
    : [];
  return { withdrawnAt: row.withdrawnAt, opened: { id: row.id, ownerId: row.ownerId, coachLabel: row.coachLabel, teamId: row.teamId, edition: row.edition, athletes } };
}

/** What someone on a link's list protects, with the setting of their group; undefined for anybody else. */
export async function protectedOnLink(db: Db, opened: OpenLink, athleteId: string): Promise<{ areas: Protects[]; setting: GroupSetting; name: string } | undefined> {
  if (!opened.teamId) return undefined;
  const [row] = await db
    .select({ areas: athlete.areas, setting: team.setting, name: team.name })
    .from(athlete)
    .innerJoin(team, eq(team.id, athlete.teamId))
    .where(and(eq(athlete.id, athleteId), eq(athlete.teamId, opened.teamId), eq(athlete.ownerId, opened.ownerId), isNull(athlete.archivedAt)));
  return row;
}

/** The newest edition of a session, with what it says, and whether any address still opens it. */
export async function newestEdition(
  db: Db, ownerId: string, sessionId: string,
): Promise<{ number: number; createdAt: string; session: Edition["session"]; open: boolean } | undefined> {
  const [row] = await db
    .select({
      number: edition.number, createdAt: edition.createdAt, doc: edition.doc,
      open: sql<boolean>`count(${link.id}) filter (where ${link.withdrawnAt} is null) > 0`,
    })
    .from(edition)
    .leftJoin(link, eq(link.editionId, edition.id))
    .where(and(eq(edition.ownerId, ownerId), eq(edition.sessionId, sessionId)))
    .groupBy(edition.id)
    .orderBy(desc(edition.number))
    .limit(1);
  return row && { number: row.number, createdAt: row.createdAt.toISOString(), session: row.doc.session, open: row.open };
}
