import { nowDate } from "~/core/clock/clock";
import { and, desc, eq, isNotNull, isNull, sql } from "drizzle-orm";
import { randomUUID } from "node:crypto";
import { setImmediate } from "node:timers/promises";
import { ownDrillId, readOwnId } from "~/core/drills/own";
import type { Drill } from "~/core/drills/schema";
import { openDrill } from "~/core/documents/drill";
import type { Opened } from "~/core/documents/opened";
import type { UnreadableRow } from "./unreadable";
import type { Db } from "./client";
import { mustOpen, readable } from "./documents";
import { ClubCache } from "./club-cache";
import type { Club } from "./clubs";
import { ownDrill, ownDrillRevision, ownDrillStress } from "./schema";
import { asDocument } from "~/core/drills/stresses";
import { withStress, type LevelLines } from "~/core/stress/attach";
import { stressLines } from "~/core/stress/own";
import { STRESS_RULES } from "~/core/stress/version";
import { LEVELS } from "~/core/vocabulary/levels";

export type OwnDrill = { id: string; revision: number; archivedAt: Date | null; updatedAt: Date; doc: Drill };

const own = (club: Club, id: string) => and(eq(ownDrill.clubId, club.id), eq(ownDrill.id, id));
const shown = {
  id: ownDrill.id,
  revision: ownDrill.revision,
  archivedAt: ownDrill.archivedAt,
  updatedAt: ownDrill.updatedAt,
  doc: ownDrillRevision.doc,
};
/** A drill without how it moves: lists and timing need only its words and numbers, which are a twentieth of it. */
const unmoving = sql<unknown>`${ownDrillRevision.doc} - 'motions'`.mapWith(ownDrillRevision.doc);
/** What a revision stresses, where it was worked out the way it is now. */
const stressed = and(
  eq(ownDrillStress.clubId, ownDrillRevision.clubId),
  eq(ownDrillStress.drillId, ownDrillRevision.drillId),
  eq(ownDrillStress.number, ownDrillRevision.number),
  eq(ownDrillStress.rules, STRESS_RULES),
);
type Kept = { drillId: string; number: number; doc: unknown; lines: Partial<LevelLines> | null };
const known = <R extends Kept>({ lines, drillId: _, number: __, ...row }: R, doc: Drill) => ({
  ...row,
  doc: withStress(doc, lines),
});

/** Revisions that have been read and were right. A revision never changes, so it is looked through once. */
const right = new ClubCache<object>(50_000);
const RIGHT = {};

/** A kept revision of a club, in full or without its motions. */
function openRevision(club: Club, { drillId, number, doc }: Kept, whole: boolean): Opened<Drill> {
  const key = `${drillId} ${number} ${whole}`;
  if (right.get(club, key)) return { ok: true, doc: doc as Drill, was: 1 };
  const opened = openDrill(doc);
  if (opened.ok) right.set(club, key, RIGHT);
  return opened;
}

/** Those that can be read, with what they stress. */
const allKnown = <R extends Kept>(club: Club, rows: readonly R[], whole: boolean) =>
  readable(rows, (row) => openRevision(club, row, whole)).map(({ row, doc }) => known(row, doc));
/** One that was asked for by itself. */
const theKnown = <R extends Kept>(club: Club, row: R) =>
  known(row, mustOpen(openRevision(club, row, true), "drill", row.drillId));
/** Which revision a row is of. */
const revisionOf = { drillId: ownDrillRevision.drillId, number: ownDrillRevision.number };
const newest = and(
  eq(ownDrillRevision.clubId, ownDrill.clubId),
  eq(ownDrillRevision.drillId, ownDrill.id),
  eq(ownDrillRevision.number, ownDrill.revision),
);

/** That a revision is one of those named by id. */
const isNamed = (ids: readonly string[]) => {
  const named = ids.map(readOwnId).filter((one) => one !== undefined);
  const [drills, numbers] = [named.map((one) => one.drill), named.map((one) => one.revision)];
  return sql`(${ownDrillRevision.drillId}, ${ownDrillRevision.number}) in (select * from unnest(${sql.param(drills)}::uuid[], ${sql.param(numbers)}::int[]))`;
};

/** The coach's own drills in their newest revision, last changed first. Archived ones are left out. */
export async function listOwnDrills(db: Db, club: Club): Promise<OwnDrill[]> {
  const rows = await db
    .select({ ...shown, ...revisionOf, lines: ownDrillStress.levels })
    .from(ownDrill)
    .innerJoin(ownDrillRevision, newest)
    .leftJoin(ownDrillStress, stressed)
    .where(and(eq(ownDrill.clubId, club.id), isNull(ownDrill.archivedAt)))
    .orderBy(desc(ownDrill.updatedAt));
  return allKnown(club, rows, true);
}

export type ListedDrill = { doc: Drill; drawn: boolean };

/** The same for a list to look through: without their motions, and whether there are any. The archived ones instead, when asked. */
export async function browseOwnDrills(db: Db, club: Club, aside = false): Promise<ListedDrill[]> {
  return (await browseAllOwn(db, club, aside)).drills;
}

/** The same, with those that cannot be read. */
export async function browseAllOwn(
  db: Db,
  club: Club,
  aside = false,
): Promise<{ drills: ListedDrill[]; unreadable: UnreadableRow[] }> {
  const rows = await db
    .select({
      ...revisionOf,
      title: ownDrill.name,
      doc: unmoving,
      drawn: sql<boolean>`${ownDrillRevision.doc} ? 'motions'`,
      lines: ownDrillStress.levels,
    })
    .from(ownDrill)
    .innerJoin(ownDrillRevision, newest)
    .leftJoin(ownDrillStress, stressed)
    .where(and(eq(ownDrill.clubId, club.id), aside ? isNotNull(ownDrill.archivedAt) : isNull(ownDrill.archivedAt)))
    .orderBy(desc(ownDrill.updatedAt));
  const unreadable = rows.flatMap((row): UnreadableRow[] => {
    const opened = openRevision(club, row, false);
    return opened.ok
      ? []
      : [{ kind: "drill", id: row.drillId, title: row.title, newer: opened.newer, why: opened.why }];
  });
  return { unreadable, drills: allKnown(club, rows, false).map(({ title: _, ...row }) => row) };
}

/** One of the coach's own drills in its newest revision, or undefined. */
export async function findOwnDrill(db: Db, club: Club, id: string): Promise<OwnDrill | undefined> {
  const [row] = await db
    .select({ ...shown, ...revisionOf, lines: ownDrillStress.levels })
    .from(ownDrill)
    .innerJoin(ownDrillRevision, newest)
    .leftJoin(ownDrillStress, stressed)
    .where(own(club, id));
  if (!row) return undefined;
  return theKnown(club, row);
}

export type Revision = { number: number; createdAt: Date };

/** Every revision of one own drill, newest first. */
export async function listRevisions(db: Db, club: Club, id: string): Promise<Revision[]> {
  return db
    .select({ number: ownDrillRevision.number, createdAt: ownDrillRevision.createdAt })
    .from(ownDrillRevision)
    .where(and(eq(ownDrillRevision.clubId, club.id), eq(ownDrillRevision.drillId, id)))
    .orderBy(desc(ownDrillRevision.number));
}

/** One revision of one of the coach's own drills, with its motions, or undefined. */
export async function findRevision(db: Db, club: Club, id: string, number: number): Promise<Drill | undefined> {
  const [row] = await db
    .select({ ...revisionOf, doc: ownDrillRevision.doc, lines: ownDrillStress.levels })
    .from(ownDrillRevision)
    .leftJoin(ownDrillStress, stressed)
    .where(
      and(eq(ownDrillRevision.clubId, club.id), eq(ownDrillRevision.drillId, id), eq(ownDrillRevision.number, number)),
    );
  return row && theKnown(club, row).doc;
}

/** Those revisions of the coach's own drills that are named by the id they are used by, without motions. */
export async function revisionsNamed(db: Db, club: Club, ids: readonly string[]): Promise<Drill[]> {
  if (ids.length === 0) return [];
  const rows = await db
    .select({ ...revisionOf, doc: unmoving, lines: ownDrillStress.levels })
    .from(ownDrillRevision)
    .leftJoin(ownDrillStress, stressed)
    .where(and(eq(ownDrillRevision.clubId, club.id), isNamed(ids)));
  return allKnown(club, rows, false).map((row) => row.doc);
}

/**
 * The newest revisions of the coach's own drills that are not shelved, and those named by id, as the text of a list for
 * core/drills/own-list. The database writes the text: laying out some megabytes of drills here would hold up everybody else.
 */
export async function ownDrillsText(db: Db, club: Club, named: readonly string[] = []): Promise<string> {
  const listed = (offered: boolean) => ({
    text: sql<string>`json_build_object('doc', ${ownDrillRevision.doc} - 'motions', 'lines', ${ownDrillStress.levels}, 'offered', ${sql.raw(String(offered))})::text`,
  });
  const [offered, others] = await Promise.all([
    db
      .select(listed(true))
      .from(ownDrill)
      .innerJoin(ownDrillRevision, newest)
      .leftJoin(ownDrillStress, stressed)
      .where(and(eq(ownDrill.clubId, club.id), isNull(ownDrill.archivedAt)))
      .orderBy(desc(ownDrill.updatedAt)),
    named.length === 0
      ? []
      : db
          .select(listed(false))
          .from(ownDrillRevision)
          .leftJoin(ownDrillStress, stressed)
          .where(and(eq(ownDrillRevision.clubId, club.id), isNamed(named))),
  ]);
  return `[${[...offered, ...others].map((row) => row.text).join(",")}]`;
}

/** One revision with what it stresses; its document gets the id it is used by. */
export async function addRevision(
  tx: Pick<Db, "insert">,
  club: Club,
  drillId: string,
  number: number,
  doc: Drill,
  levels: Partial<LevelLines>,
): Promise<void> {
  await tx.insert(ownDrillRevision).values({
    clubId: club.id,
    drillId,
    number,
    madeBy: club.by,
    doc: { ...asDocument(doc), id: ownDrillId(drillId, number) },
  });
  await tx.insert(ownDrillStress).values({ clubId: club.id, drillId, number, rules: STRESS_RULES, levels });
}

/**
 * Works out what revisions stress that were kept before it was worked out, or when it was worked out another way, one at a
 * time so that others are served between. A document that cannot be drawn any more stays unknown and holds up none of the others. Until then they count as not drawn: nobody who protects anything is given them.
 * Returns how many there were.
 */
export async function workOutOwnStresses(db: Db, atATime = 20): Promise<number> {
  for (let done = 0; ;) {
    const rows = await db
      .select({
        drillId: ownDrillRevision.drillId,
        number: ownDrillRevision.number,
        clubId: ownDrillRevision.clubId,
        doc: ownDrillRevision.doc,
      })
      .from(ownDrillRevision)
      .leftJoin(ownDrillStress, stressed)
      .where(isNull(ownDrillStress.drillId))
      .limit(atATime);
    for (const { doc, ...key } of rows) {
      const row = { rules: STRESS_RULES, levels: await linesOf(doc).catch(() => ({})) };
      await db
        .insert(ownDrillStress)
        .values({ ...key, ...row })
        .onConflictDoUpdate({
          target: [ownDrillStress.clubId, ownDrillStress.drillId, ownDrillStress.number],
          set: row,
        });
    }
    done += rows.length;
    if (rows.length < atATime) return done;
  }
}

/** What a kept drill stresses; nothing is known of one that cannot be read. */
async function linesOf(raw: unknown): Promise<Partial<LevelLines>> {
  const opened = openDrill(raw);
  return opened.ok ? linesInTurn(opened.doc) : {};
}

/** What a drill stresses, level by level: others are served between, since one that moves a lot takes a tenth of a second each. */
export async function linesInTurn(doc: Drill): Promise<Partial<LevelLines>> {
  const lines: Partial<LevelLines> = {};
  for (const level of LEVELS) {
    await setImmediate();
    Object.assign(lines, stressLines(doc, [level]));
  }
  return lines;
}

/** Keeps a new drill of the coach as its first revision. Its document gets the id it is used by. Returns the drill's id. */
export async function addOwnDrill(db: Db, club: Club, doc: Drill): Promise<string> {
  const id = randomUUID();
  const lines = await linesInTurn(doc);
  await db.transaction(async (tx) => {
    await tx.insert(ownDrill).values({ clubId: club.id, id, madeBy: club.by, name: doc.name });
    await addRevision(tx, club, id, 1, doc, lines);
  });
  return id;
}

export type KeptRevision = { kind: "kept"; revision: number } | { kind: "newer"; stored: OwnDrill } | { kind: "gone" };

/** Keeps a drill as its next revision. Where a newer one than it was made from has been kept meanwhile nothing is written, and that one is returned. */
export async function keepRevision(db: Db, club: Club, id: string, basedOn: number, doc: Drill): Promise<KeptRevision> {
  const lines = await linesInTurn(doc);
  const kept = await db.transaction(async (tx) => {
    const [row] = await tx.select({ revision: ownDrill.revision }).from(ownDrill).where(own(club, id)).for("update");
    if (!row) return "gone";
    if (row.revision !== basedOn) return "newer";
    const number = row.revision + 1;
    await addRevision(tx, club, id, number, doc, lines);
    await tx.update(ownDrill).set({ revision: number, name: doc.name, updatedAt: nowDate() }).where(own(club, id));
    return number;
  });
  if (typeof kept === "number") return { kind: "kept", revision: kept };
  const stored = kept === "newer" ? await findOwnDrill(db, club, id) : undefined;
  return stored ? { kind: "newer", stored } : { kind: "gone" };
}

/** Archives a drill or restores it. Sessions that use it go on as they are. Returns false when it is not the coach's. */
export async function shelveOwnDrill(db: Db, club: Club, id: string, away: boolean): Promise<boolean> {
  const rows = await db
    .update(ownDrill)
    .set({ archivedAt: away ? nowDate() : null })
    .where(own(club, id))
    .returning({ id: ownDrill.id });
  return rows.length > 0;
}
