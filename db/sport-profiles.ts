import { nowDate } from "~/core/clock/clock";
import { and, asc, eq } from "drizzle-orm";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { sportProfile } from "./schema";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { mustOpen, readable } from "./documents";
import { openProfile } from "~/core/documents/others";

/** A demand profile of a coach's own is known by this and its id. */
export const ownProfileId = (id: string): string => `own-${id}`;

/** A coach's own demand profiles by name; each carries the id it is known by. */
export async function listProfiles(db: Db, club: Club): Promise<(SportProfile & { row: string })[]> {
  const rows = await db
    .select({ id: sportProfile.id, doc: sportProfile.doc })
    .from(sportProfile)
    .where(eq(sportProfile.clubId, club.id))
    .orderBy(asc(sportProfile.name));
  return readable(rows, (row) => openProfile(row.doc)).map(({ row: { id }, doc }) => ({
    ...doc,
    id: ownProfileId(id),
    row: id,
  }));
}

export async function findProfile(db: Db, club: Club, id: string): Promise<SportProfile | undefined> {
  const [row] = await db
    .select({ doc: sportProfile.doc })
    .from(sportProfile)
    .where(and(eq(sportProfile.id, id), eq(sportProfile.clubId, club.id)));
  return row && { ...mustOpen(openProfile(row.doc), "profile", id), id: ownProfileId(id) };
}

/** Keeps a new profile and returns its id. */
export async function addProfile(db: Db, club: Club, doc: SportProfile): Promise<string> {
  const [row] = await db
    .insert(sportProfile)
    .values({ clubId: club.id, madeBy: club.by, doc, name: doc.name })
    .returning({ id: sportProfile.id });
  if (!row) throw new Error("The profile was not kept");
  return row.id;
}

/** Keeps a changed profile. Returns false when it is not the coach's. */
export async function saveProfile(db: Db, club: Club, id: string, doc: SportProfile): Promise<boolean> {
  const rows = await db
    .update(sportProfile)
    .set({ doc, name: doc.name, updatedAt: nowDate() })
    .where(and(eq(sportProfile.id, id), eq(sportProfile.clubId, club.id)))
    .returning({ id: sportProfile.id });
  return rows.length > 0;
}

/** Deletes a profile; sessions that asked for it ask for nothing then. Returns false when it is not the coach's. */
export async function deleteProfile(db: Db, club: Club, id: string): Promise<boolean> {
  const rows = await db
    .delete(sportProfile)
    .where(and(eq(sportProfile.id, id), eq(sportProfile.clubId, club.id)))
    .returning({ id: sportProfile.id });
  return rows.length > 0;
}
