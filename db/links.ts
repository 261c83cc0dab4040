import { and, eq, isNull, sql } from "drizzle-orm";
import { among } from "./among";
import type { Db } from "./client";
import { type Club, clubOfEntry } from "./clubs";
import { mustOpen } from "./documents";
import { edition, entry, group, link, membership, person } from "./schema";
import { type Athlete, isOf } from "./groups";
import { isTokenOf, linkToken, tokenHash } from "./tokens";
import { nowDate } from "~/core/clock/clock";
import { openEdition } from "~/core/documents/edition";
import type { Edition } from "~/core/edition/edition";
import type { Choice } from "~/core/group/choices";
import type { Protects } from "~/core/group/protect";
import type { GroupSetting } from "~/core/group/schema";
import type { Seconds } from "~/core/units";

/** The entry by which a link is found. */
export const opensLink = and(eq(entry.clubId, link.clubId), eq(entry.target, link.id));

/** The token of a coach's link that still opens; undefined when there is none, or the server's secret has changed since. */
export const tokenOfLink = async (db: Db, club: Club, id: string, secret: string): Promise<string | undefined> =>
  (await tokensOfLinks(db, club, [id], secret)).get(id);

/** The same of several; those that do not open are missing. */
export async function tokensOfLinks(
  db: Db,
  club: Club,
  ids: readonly string[],
  secret: string,
): Promise<Map<string, string>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({ id: link.id, hash: entry.tokenHash })
    .from(link)
    .innerJoin(entry, opensLink)
    .where(and(eq(link.clubId, club.id), among(link.id, ids), isNull(link.withdrawnAt)));
  return new Map(
    rows.flatMap(({ id, hash }) => {
      const token = linkToken(secret, id);
      return isTokenOf(token, hash) ? [[id, token] as const] : [];
    }),
  );
}

/** Withdraws an address; it opens nothing from then on. Returns false when it is not the coach's. */
export async function withdrawLink(db: Db, club: Club, id: string): Promise<boolean> {
  const rows = await db
    .update(link)
    .set({ withdrawnAt: sql`coalesce(${link.withdrawnAt}, ${nowDate().toISOString()}::timestamptz)` })
    .where(and(eq(link.id, id), eq(link.clubId, club.id)))
    .returning({ id: link.id });
  return rows.length > 0;
}

/** What is known of a link without opening its edition's document, which can be long and never changes. */
export type LinkFound = {
  id: string;
  club: Club;
  coachLabel: string | null;
  groupId: string | null;
  edition: { id: string; number: number; totalSeconds: Seconds; choices: Choice[] };
  athletes: Athlete[];
};

export type OpenLink = LinkFound & { edition: { doc: Edition } };

/** What an address opens: undefined when there is none of that token, "withdrawn" when it has been taken back. */
export async function findOpenLink(
  db: Db,
  token: string,
  countOpening: boolean,
): Promise<LinkFound | "withdrawn" | undefined> {
  const found = await linkOf(db, token);
  if (!found) return undefined;
  if (found.withdrawnAt) return "withdrawn";
  if (countOpening)
    await db
      .update(link)
      .set({ openings: sql`${link.openings} + 1`, openedAt: nowDate() })
      .where(and(eq(link.clubId, found.opened.club.id), eq(link.id, found.opened.id)));
  return found.opened;
}

/** The same with the edition itself. */
export async function openLink(
  db: Db,
  token: string,
  countOpening: boolean,
): Promise<OpenLink | "withdrawn" | undefined> {
  const found = await findOpenLink(db, token, countOpening);
  if (!found || found === "withdrawn") return found;
  return { ...found, edition: { ...found.edition, doc: await editionOf(db, found) } };
}

/** The edition a link opens. Throws `UnreadableDocument` where it can't be read. */
export async function editionOf(
  db: Db,
  { club, edition: { id } }: { club: Club; edition: { id: string } },
): Promise<Edition> {
  const [row] = await db
    .select({ doc: edition.doc })
    .from(edition)
    .where(and(eq(edition.clubId, club.id), eq(edition.id, id)));
  return mustOpen(openEdition(row?.doc), "edition", id);
}

/** An edition with what was chosen in it, for a class that is run from it. Throws `UnreadableDocument` where it can't be read. */
export async function editionInClass(
  db: Db,
  club: Club,
  id: string,
): Promise<{ id: string; doc: Edition; choices: Choice[] }> {
  const [row] = await db
    .select({ doc: edition.doc, choices: edition.choices })
    .from(edition)
    .where(and(eq(edition.clubId, club.id), eq(edition.id, id)));
  return { id, doc: mustOpen(openEdition(row?.doc), "edition", id), choices: row?.choices ?? [] };
}

/** A link by its token, whether or not it has been taken back. */
export async function linkOf(
  db: Db,
  token: string,
): Promise<{ opened: LinkFound; withdrawnAt: Date | null } | undefined> {
  const [row] = await db
    .select({
      id: link.id,
      clubId: link.clubId,
      withdrawnAt: link.withdrawnAt,
      groupId: link.groupId,
      coachLabel: group.name,
      edition: { id: edition.id, number: edition.number, totalSeconds: edition.totalSeconds, choices: edition.choices },
    })
    .from(entry)
    .innerJoin(link, opensLink)
    .innerJoin(edition, and(eq(edition.clubId, link.clubId), eq(edition.id, link.editionId)))
    .leftJoin(group, and(eq(group.clubId, link.clubId), eq(group.id, link.groupId)))
    .where(and(eq(entry.tokenHash, tokenHash(token)), eq(entry.kind, "link")));
  if (!row) return undefined;
  const athletes = row.groupId
    ? await db
        .select({ id: person.id, name: person.name })
        .from(membership)
        .innerJoin(person, isOf)
        .where(and(eq(membership.clubId, row.clubId), eq(membership.groupId, row.groupId), isNull(membership.until)))
        .orderBy(person.name)
    : [];
  return {
    withdrawnAt: row.withdrawnAt,
    opened: {
      club: clubOfEntry(row.clubId),
      id: row.id,
      coachLabel: row.coachLabel,
      groupId: row.groupId,
      edition: row.edition,
      athletes,
    },
  };
}

/** What someone on a link's list protects, with the setting of their group; undefined for anybody else. */
export async function protectedOnLink(
  db: Db,
  opened: LinkFound,
  athleteId: string,
): Promise<{ areas: Protects[]; setting: GroupSetting; name: string } | undefined> {
  if (!opened.groupId) return undefined;
  const [row] = await db
    .select({ areas: person.areas, setting: group.setting, name: group.name })
    .from(membership)
    .innerJoin(person, isOf)
    .innerJoin(group, and(eq(group.clubId, membership.clubId), eq(group.id, membership.groupId)))
    .where(
      and(
        eq(membership.clubId, opened.club.id),
        eq(membership.groupId, opened.groupId),
        eq(membership.personId, athleteId),
        isNull(membership.until),
      ),
    );
  return row;
}
