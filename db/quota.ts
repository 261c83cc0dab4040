import { eq, sql } from "drizzle-orm";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { group, link, ownDrill, ownDrillRevision, person, sportProfile, trainingSession } from "./schema";

/** How much one coach can keep: far more than any club has, and little enough that nobody fills the machine. */
export const MOST = {
  sessions: 5_000,
  links: 5_000,
  people: 2_000,
  groups: 500,
  drills: 1_000,
  profiles: 500,
  revisions: 5_000,
} as const;

export type Kept = keyof typeof MOST;

const TABLES = {
  sessions: trainingSession,
  links: link,
  people: person,
  groups: group,
  drills: ownDrill,
  profiles: sportProfile,
  revisions: ownDrillRevision,
} as const;

/** Whether a coach has room for so many more. */
export async function hasRoom(db: Db, club: Club, what: Kept, more = 1): Promise<boolean> {
  const table = TABLES[what];
  const [row] = await db
    .select({ n: sql<number>`count(*)::int` })
    .from(table)
    .where(eq(table.clubId, club.id));
  return (row?.n ?? 0) + more <= MOST[what];
}
