import { eq, sql } from "drizzle-orm";
import type { Db } from "./client";
import { athlete, link, ownDemand, ownDrill, ownDrillRevision, team, trainingSession } from "./schema";

/** How much one coach can keep: far more than any club has, and little enough that nobody fills the machine. */
export const MOST = { sessions: 5_000, links: 5_000, people: 2_000, teams: 500, drills: 1_000, profiles: 500, revisions: 5_000 } as const;

export type Kept = keyof typeof MOST;

const TABLES = { sessions: trainingSession, links: link, people: athlete, teams: team, drills: ownDrill, profiles: ownDemand, revisions: ownDrillRevision } as const;

/** Whether a coach has room for so many more. */
export async function hasRoom(db: Db, ownerId: string, what: Kept, more = 1): Promise<boolean> {
  const table = TABLES[what];
  const [row] = await db.select({ n: sql<number>`count(*)::int` }).from(table).where(eq(table.ownerId, ownerId));
  return (row?.n ?? 0) + more <= MOST[what];
}
