import { and, asc, eq, sql } from "drizzle-orm";
import type { Db } from "./client";
import { ownDemand } from "./schema";
import type { Demand } from "~/core/demands/schema";

/** A demand profile of a coach's own is known by this and its id. */
export const ownDemandId = (id: string): string => `own-${id}`;

/** A coach's own demand profiles by name; each carries the id it is known by. */
export async function listDemands(db: Db, ownerId: string): Promise<(Demand & { row: string })[]> {
  const rows = await db.select({ id: ownDemand.id, doc: ownDemand.doc }).from(ownDemand).where(eq(ownDemand.ownerId, ownerId)).orderBy(asc(ownDemand.name));
  return rows.map(({ id, doc }) => ({ ...doc, id: ownDemandId(id), row: id }));
}

export async function findDemand(db: Db, ownerId: string, id: string): Promise<Demand | undefined> {
  const [row] = await db.select({ doc: ownDemand.doc }).from(ownDemand).where(and(eq(ownDemand.id, id), eq(ownDemand.ownerId, ownerId)));
  return row && { ...row.doc, id: ownDemandId(id) };
}

/** Keeps a new profile and returns its id. */
export async function addDemand(db: Db, ownerId: string, doc: Demand): Promise<string> {
  const [row] = await db.insert(ownDemand).values({ ownerId, doc, name: doc.name }).returning({ id: ownDemand.id });
  if (!row) throw new Error("The profile was not kept");
  return row.id;
}

/** Keeps a changed profile. Returns false when it is not the coach's. */
export async function saveDemand(db: Db, ownerId: string, id: string, doc: Demand): Promise<boolean> {
  const rows = await db.update(ownDemand).set({ doc, name: doc.name, updatedAt: sql`now()` }).where(and(eq(ownDemand.id, id), eq(ownDemand.ownerId, ownerId))).returning({ id: ownDemand.id });
  return rows.length > 0;
}

/** Deletes a profile; sessions that asked for it ask for nothing then. Returns false when it is not the coach's. */
export async function deleteDemand(db: Db, ownerId: string, id: string): Promise<boolean> {
  const rows = await db.delete(ownDemand).where(and(eq(ownDemand.id, id), eq(ownDemand.ownerId, ownerId))).returning({ id: ownDemand.id });
  return rows.length > 0;
}
