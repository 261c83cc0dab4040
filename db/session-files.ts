import { nowDate } from "~/core/clock/clock";
import { and, eq, isNull, sql } from "drizzle-orm";
import { randomUUID } from "node:crypto";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { ownDrillId, readOwnId } from "~/core/drills/own";
import type { Drill } from "~/core/drills/schema";
import type { SessionFile } from "~/core/files/session-file";
import { takeLocks } from "~/core/session/locks";
import type { SessionPlan } from "~/core/session/schema";
import { asDocument } from "~/core/drills/stresses";
import type { Seconds } from "~/core/units";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { addRevision, linesInTurn } from "./own-drills";
import { ownProfileId } from "./sport-profiles";
import { sportProfile, ownDrill, ownDrillRevision, trainingSession } from "./schema";

/** What came of a file: the session, whether it was there before, and how many drills and profiles were new. */
export type Brought = { id: string; title: string; already: boolean; newDrills: number; newProfile: boolean };

type Tx = Pick<Db, "select" | "insert">;

/**
 * Keeps a session file as a coach's own: all of it or nothing. What the coach has already is used instead of being kept
 * again: a drill or profile that says the same, and a session that does. `totalSeconds` is the session's compiled length,
 * `missing` those of the drills the coach has nothing alike of, where that has been looked up.
 */
export async function keepSessionFile(
  db: Db,
  club: Club,
  { session, drills, profile }: SessionFile,
  totalSeconds: Seconds,
  missing?: readonly Drill[],
): Promise<Brought> {
  // Takes some tenths of a second each, and is done before anybody is held up by it.
  const lines = new Map<string, Awaited<ReturnType<typeof linesInTurn>>>();
  for (const drill of missing ?? (await missingOf(db, club, drills))) lines.set(drill.id, await linesInTurn(drill));
  return db.transaction(async (tx) => {
    // Two of the same at once are kept once.
    await tx.execute(sql`select pg_advisory_xact_lock(hashtext(${`files of ${club.id}`}))`);
    const ids = new Map<string, string>();
    const begun = new Map<string, { id: string; revision: number }>();
    let newDrills = 0;
    for (const drill of inOrder(drills)) {
      const there = await findAlike(tx, club, drill);
      if (there) {
        ids.set(drill.id, there);
        continue;
      }
      // Revisions of one drill stay revisions of one drill.
      const source = readOwnId(drill.id)?.drill ?? drill.id;
      const one = begun.get(source) ?? { id: randomUUID(), revision: 0 };
      one.revision++;
      if (one.revision === 1)
        await tx.insert(ownDrill).values({ clubId: club.id, id: one.id, madeBy: club.by, name: drill.name });
      else
        await tx
          .update(ownDrill)
          .set({ revision: one.revision, name: drill.name, updatedAt: nowDate() })
          .where(and(eq(ownDrill.id, one.id), eq(ownDrill.clubId, club.id)));
      await addRevision(tx, club, one.id, one.revision, drill, lines.get(drill.id) ?? (await linesInTurn(drill)));
      begun.set(source, one);
      ids.set(drill.id, ownDrillId(one.id, one.revision));
      newDrills++;
    }
    const { demandId, added } = await keepProfile(tx, club, profile);
    const { session: doc, locks } = takeLocks(withDrills(session, ids));
    const [same] = await tx
      .select({ id: trainingSession.id })
      .from(trainingSession)
      .where(
        and(
          eq(trainingSession.clubId, club.id),
          isNull(trainingSession.archivedAt),
          eq(trainingSession.title, doc.title),
          sql`${trainingSession.doc} = ${JSON.stringify(doc)}::jsonb`,
        ),
      )
      .limit(1);
    if (same) return { id: same.id, title: doc.title, already: true, newDrills, newProfile: added };
    const [row] = await tx
      .insert(trainingSession)
      .values({
        clubId: club.id,
        madeBy: club.by,
        doc,
        title: doc.title,
        purpose: doc.purpose,
        totalSeconds,
        demandId,
        locks,
      })
      .returning({ id: trainingSession.id });
    return { id: row!.id, title: doc.title, already: false, newDrills, newProfile: added };
  });
}

/** Those of these drills that the coach has nothing alike of. */
export async function missingOf(db: Db, club: Club, drills: readonly Drill[]): Promise<Drill[]> {
  const found = await Promise.all(drills.map((drill) => findAlike(db, club, drill)));
  return drills.filter((_, i) => found[i] === undefined);
}

/** The id of a revision of the coach's that says the same as a drill, or undefined. */
export async function findAlike(db: Tx, club: Club, drill: Drill): Promise<string | undefined> {
  const [row] = await db
    .select({ drillId: ownDrillRevision.drillId, number: ownDrillRevision.number })
    .from(ownDrillRevision)
    .where(
      and(
        eq(ownDrillRevision.clubId, club.id),
        sql`${ownDrillRevision.contentHash} = md5((${JSON.stringify(asDocument(drill))}::jsonb - 'id')::text)`,
      ),
    )
    .orderBy(ownDrillRevision.createdAt)
    .limit(1);
  return row && ownDrillId(row.drillId, row.number);
}

/** Earlier revisions of a drill come before later ones. */
const inOrder = (drills: readonly Drill[]): Drill[] =>
  [...drills].sort((a, b) => (readOwnId(a.id)?.revision ?? 0) - (readOwnId(b.id)?.revision ?? 0));

async function keepProfile(
  tx: Tx,
  club: Club,
  profile: string | SportProfile | undefined,
): Promise<{ demandId: string | null; added: boolean }> {
  if (profile === undefined || typeof profile === "string") return { demandId: profile ?? null, added: false };
  const [there] = await tx
    .select({ id: sportProfile.id })
    .from(sportProfile)
    .where(
      and(
        eq(sportProfile.clubId, club.id),
        eq(sportProfile.name, profile.name),
        sql`(${sportProfile.doc} - 'id') = (${JSON.stringify(profile)}::jsonb - 'id')`,
      ),
    )
    .limit(1);
  if (there) return { demandId: ownProfileId(there.id), added: false };
  const [row] = await tx
    .insert(sportProfile)
    .values({ clubId: club.id, madeBy: club.by, doc: profile, name: profile.name })
    .returning({ id: sportProfile.id });
  return { demandId: ownProfileId(row!.id), added: true };
}

/** A session whose drills go by other ids. */
const withDrills = (session: SessionPlan, ids: ReadonlyMap<string, string>): SessionPlan => ({
  ...session,
  blocks: session.blocks.map((block) => ({
    ...block,
    items: block.items.map((item) => ({ ...item, drill: ids.get(item.drill) ?? item.drill })),
  })),
});
