import { and, desc, eq, sql } from "drizzle-orm";
import type { Db } from "./client";
import { trainingSession } from "./schema";

/** The coach's sessions that use a drill, last changed first. */
export async function sessionsUsing(db: Db, ownerId: string, drill: string): Promise<{ id: string; title: string }[]> {
  const part = JSON.stringify({ blocks: [{ items: [{ drill }] }] });
  return db.select({ id: trainingSession.id, title: trainingSession.title }).from(trainingSession)
    .where(and(eq(trainingSession.ownerId, ownerId), sql`${trainingSession.doc} @> ${part}::jsonb`)).orderBy(desc(trainingSession.updatedAt));
}
