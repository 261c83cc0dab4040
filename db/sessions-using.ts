import { and, desc, eq, or, sql } from "drizzle-orm";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { trainingSession } from "./schema";

/** The coach's sessions that use a drill under any of these ids (its revisions), last changed first. */
export async function sessionsUsing(
  db: Db,
  club: Club,
  drills: readonly string[],
): Promise<{ id: string; title: string }[]> {
  const uses = drills.map(
    (drill) => sql`${trainingSession.doc} @> ${JSON.stringify({ blocks: [{ items: [{ drill }] }] })}::jsonb`,
  );
  return db
    .select({ id: trainingSession.id, title: trainingSession.title })
    .from(trainingSession)
    .where(and(eq(trainingSession.clubId, club.id), or(...uses)))
    .orderBy(desc(trainingSession.updatedAt));
}
