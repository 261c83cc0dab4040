import { and, eq } from "drizzle-orm";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { readable } from "./documents";
import { ownArc } from "./schema";
import { nowDate } from "~/core/clock/clock";
import type { ArcChanges, OwnArcs } from "~/core/arc/own";
import { openArc } from "~/core/documents/others";
import type { Purpose } from "~/core/session/schema";

/** What a club does otherwise in its arcs, by purpose. What cannot be read is as Mapset has it. */
export async function listArcs(db: Db, club: Club): Promise<OwnArcs> {
  const rows = await db
    .select({ purpose: ownArc.purpose, doc: ownArc.doc })
    .from(ownArc)
    .where(eq(ownArc.clubId, club.id));
  return Object.fromEntries(readable(rows, (row) => openArc(row.doc)).map(({ row, doc }) => [row.purpose, doc]));
}

/** Keeps what a club does otherwise in the arc of a purpose. */
export async function saveArc(db: Db, club: Club, purpose: Purpose, doc: ArcChanges): Promise<void> {
  const now = nowDate();
  await db
    .insert(ownArc)
    .values({ clubId: club.id, purpose, doc, updatedAt: now })
    .onConflictDoUpdate({ target: [ownArc.clubId, ownArc.purpose], set: { doc, updatedAt: now } });
}

/** The arc of a purpose is as Mapset has it again. */
export async function deleteArc(db: Db, club: Club, purpose: Purpose): Promise<void> {
  await db.delete(ownArc).where(and(eq(ownArc.clubId, club.id), eq(ownArc.purpose, purpose)));
}
