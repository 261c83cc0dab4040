import { and, asc, count, desc, eq, lt, lte, sql } from "drizzle-orm";
import { randomUUID } from "node:crypto";
import { among } from "./among";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { opensLink } from "./links";
import { edition, editionDrill, entry, group, link, trainingSession } from "./schema";
import { isTokenOf, linkToken, tokenHash } from "./tokens";
import type { Accepted } from "~/core/audit/accepted";
import { nowDate } from "~/core/clock/clock";
import { openSession } from "~/core/documents/session";
import type { Edition } from "~/core/edition/edition";
import { drillsUsed } from "~/core/files/session-file";
import type { Choice } from "~/core/group/choices";
import { sameJson } from "~/core/same-json";
import type { Seconds } from "~/core/units";

export type LinkRow = {
  id: string;
  /** The token of the address, or undefined when the server's secret has changed since. */
  token: string | undefined;
  /** Whether there is an address at all: a link that came with a club's archive has none. */
  opens: boolean;
  groupName: string | null;
  groupId: string | null;
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
  /** What the coach had accepted when it was handed out. */
  accepted: Accepted[];
  /** What it says; undefined where it cannot be read. */
  session: Edition["session"] | undefined;
  /** Its newest links, those that still open first. */
  links: LinkRow[];
  /** How many links it has in all. */
  linkCount: number;
};

export type EditionPage = {
  editions: EditionRow[];
  /** The next edition below these, with what it says; undefined when these are all. */
  next: { number: number; session: Edition["session"] | undefined } | undefined;
};

/** What an edition says of its session, without its drills. */
const sessionOf = sql<unknown>`${edition.doc} -> 'session'`.mapWith((value: unknown) =>
  typeof value === "string" ? (JSON.parse(value) as unknown) : value,
);

/** So many editions, and so many links of each, are read at once. */
export const EDITIONS_A_PAGE = 12;
export const LINKS_AN_EDITION = 24;

/**
 * The editions of a session, newest first, each with its newest links: a page at a time, those numbered below `before`.
 * The links of the edition numbered `allOf` are all there.
 */
export async function listEditions(
  db: Db,
  club: Club,
  sessionId: string,
  secret: string,
  { before, allOf }: { before?: number; allOf?: number } = {},
): Promise<EditionPage> {
  const found = await db
    .select({
      id: edition.id,
      number: edition.number,
      totalSeconds: edition.totalSeconds,
      createdAt: edition.createdAt,
      accepted: edition.accepted,
      said: sessionOf,
      // What is damaged may be anything.
      current: sql<boolean>`case when jsonb_typeof(${edition.doc} -> 'session') = 'object' and jsonb_typeof(${trainingSession.doc}) = 'object'
        then (${edition.doc} -> 'session') - 'notes' = ${trainingSession.doc} - 'notes' and ${edition.choices} = ${trainingSession.choices} else false end`,
    })
    .from(edition)
    .innerJoin(
      trainingSession,
      and(eq(trainingSession.clubId, edition.clubId), eq(trainingSession.id, edition.sessionId)),
    )
    .where(
      and(
        eq(edition.clubId, club.id),
        eq(edition.sessionId, sessionId),
        before === undefined ? undefined : lt(edition.number, before),
      ),
    )
    .orderBy(desc(edition.number))
    .limit(EDITIONS_A_PAGE + 1);
  const editions = found.slice(0, EDITIONS_A_PAGE);
  if (editions.length === 0) return { editions: [], next: undefined };
  const ofThese = and(
    eq(link.clubId, club.id),
    among(
      link.editionId,
      editions.map((one) => one.id),
    ),
  );
  const counted = db
    .select({
      id: link.id,
      editionId: link.editionId,
      tokenHash: entry.tokenHash,
      createdAt: link.createdAt,
      withdrawnAt: link.withdrawnAt,
      openings: link.openings,
      openedAt: link.openedAt,
      groupName: sql<string | null>`${group.name}`.as("group_name"),
      groupId: link.groupId,
      // Those that still open come first: a coach withdraws the others.
      place:
        sql<number>`row_number() over (partition by ${link.editionId} order by ${link.withdrawnAt} is not null, ${link.createdAt} desc)::int`.as(
          "place",
        ),
    })
    .from(link)
    .leftJoin(entry, opensLink)
    .leftJoin(group, and(eq(group.clubId, link.clubId), eq(group.id, link.groupId)))
    .where(ofThese)
    .as("counted");
  const all = editions.find((one) => one.number === allOf)?.id;
  const [links, sums] = await Promise.all([
    db
      .select()
      .from(counted)
      .where(
        all === undefined
          ? lte(counted.place, LINKS_AN_EDITION)
          : sql`(${counted.place} <= ${LINKS_AN_EDITION} or ${counted.editionId} = ${all})`,
      )
      .orderBy(asc(counted.place)),
    db.select({ editionId: link.editionId, n: count() }).from(link).where(ofThese).groupBy(link.editionId),
  ]);
  const shown = (l: (typeof links)[number]): LinkRow => {
    const { tokenHash: hash, editionId: _, place: __, ...rest } = l;
    const token = linkToken(secret, l.id);
    return { ...rest, opens: hash !== null, token: hash !== null && isTokenOf(token, hash) ? token : undefined };
  };
  return {
    editions: editions.map(({ said, ...one }) => ({
      ...one,
      session: readableSession(said),
      links: links.filter((l) => l.editionId === one.id).map(shown),
      linkCount: sums.find((sum) => sum.editionId === one.id)?.n ?? 0,
    })),
    next: found[EDITIONS_A_PAGE] && {
      number: found[EDITIONS_A_PAGE].number,
      session: readableSession(found[EDITIONS_A_PAGE].said),
    },
  };
}

function readableSession(raw: unknown): Edition["session"] | undefined {
  const opened = openSession(raw);
  return opened.ok ? opened.doc : undefined;
}

export type HandedOut = { token: string; number: number; editionId: string };
/** What was looked at before it is handed out. */
export type Looked = { revision: number; accepted: Accepted[]; choices: Choice[] };

/**
 * Hands a session out: makes an edition of it as it is now (or takes the newest one when nothing has changed since) and
 * an address that opens it. Returns the token of the address, undefined when the session is not the club's, and "changed" when
 * it, or what stands beside it, is no longer what was looked at.
 */
export async function handOut(
  db: Db,
  club: Club,
  sessionId: string,
  doc: Edition,
  totalSeconds: Seconds,
  groupId: string | null,
  secret: string,
  how?: { at?: Date },
): Promise<HandedOut | undefined>;
export async function handOut(
  db: Db,
  club: Club,
  sessionId: string,
  doc: Edition,
  totalSeconds: Seconds,
  groupId: string | null,
  secret: string,
  how: { looked: Looked },
): Promise<HandedOut | "changed" | undefined>;
export async function handOut(
  db: Db,
  club: Club,
  sessionId: string,
  doc: Edition,
  totalSeconds: Seconds,
  groupId: string | null,
  secret: string,
  { at = nowDate(), looked }: { at?: Date; looked?: Looked } = {},
): Promise<HandedOut | "changed" | undefined> {
  return db.transaction(async (tx) => {
    const [own] = await tx
      .select({
        id: trainingSession.id,
        revision: trainingSession.revision,
        accepted: trainingSession.accepted,
        choices: trainingSession.choices,
      })
      .from(trainingSession)
      .where(and(eq(trainingSession.id, sessionId), eq(trainingSession.clubId, club.id)))
      .for("update");
    if (!own) return undefined;
    if (
      looked &&
      !(
        own.revision === looked.revision &&
        sameJson(own.accepted, looked.accepted) &&
        sameJson(own.choices, looked.choices)
      )
    )
      return "changed";
    if (groupId) {
      const [ownGroup] = await tx
        .select({ id: group.id })
        .from(group)
        .where(and(eq(group.id, groupId), eq(group.clubId, club.id)));
      if (!ownGroup) return undefined;
    }
    const [newest] = await tx
      .select({
        id: edition.id,
        number: edition.number,
        same: sql<boolean>`${edition.doc} #- '{session,notes}' #- '{format}' #- '{version}' = ${JSON.stringify({ session: doc.session, drills: doc.drills })}::jsonb and ${edition.accepted} = ${JSON.stringify(own.accepted)}::jsonb and ${edition.choices} = ${JSON.stringify(own.choices)}::jsonb`,
      })
      .from(edition)
      .where(and(eq(edition.clubId, club.id), eq(edition.sessionId, sessionId)))
      .orderBy(desc(edition.number))
      .limit(1);
    const number = newest?.same ? newest.number : (newest?.number ?? 0) + 1;
    let editionId = newest?.same ? newest.id : undefined;
    if (!editionId) {
      editionId = randomUUID();
      await tx.insert(edition).values({
        clubId: club.id,
        id: editionId,
        madeBy: club.by,
        sessionId,
        number,
        doc,
        accepted: own.accepted,
        choices: own.choices,
        totalSeconds,
        createdAt: at,
      });
      await tx
        .insert(editionDrill)
        .values(drillsUsed(doc.session).map((drill) => ({ clubId: club.id, editionId: editionId!, drill })));
    }
    const id = randomUUID();
    const token = linkToken(secret, id);
    await tx.insert(link).values({ clubId: club.id, id, madeBy: club.by, editionId, groupId, createdAt: at });
    await tx.insert(entry).values({ tokenHash: tokenHash(token), kind: "link", clubId: club.id, target: id });
    return { token, number, editionId };
  });
}

/** The newest edition of a session, with what it says where it can be read, and whether any address still opens it. */
export async function newestEdition(
  db: Db,
  club: Club,
  sessionId: string,
): Promise<
  | { number: number; createdAt: string; session: Edition["session"] | undefined; choices: Choice[]; open: boolean }
  | undefined
> {
  const [row] = await db
    .select({
      number: edition.number,
      createdAt: edition.createdAt,
      said: sessionOf,
      choices: edition.choices,
      open: sql<boolean>`count(${link.id}) filter (where ${link.withdrawnAt} is null) > 0`,
    })
    .from(edition)
    .leftJoin(link, and(eq(link.clubId, edition.clubId), eq(link.editionId, edition.id)))
    .where(and(eq(edition.clubId, club.id), eq(edition.sessionId, sessionId)))
    .groupBy(edition.clubId, edition.id)
    .orderBy(desc(edition.number))
    .limit(1);
  if (!row) return undefined;
  return {
    number: row.number,
    createdAt: row.createdAt.toISOString(),
    session: readableSession(row.said),
    choices: row.choices,
    open: row.open,
  };
}

/** An edition of a club by its id, with the session it is of. */
export async function findEdition(
  db: Pick<Db, "select">,
  club: Club,
  id: string,
): Promise<{ id: string; sessionId: string } | undefined> {
  const [row] = await db
    .select({ id: edition.id, sessionId: edition.sessionId })
    .from(edition)
    .where(and(eq(edition.clubId, club.id), eq(edition.id, id)));
  return row;
}
