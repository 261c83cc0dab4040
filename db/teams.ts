import { and, asc, eq, isNull, sql } from "drizzle-orm";
import type { Db } from "./client";
import { athlete, team } from "./schema";

export type Athlete = { id: string; name: string };
export type Team = { id: string; name: string; athletes: Athlete[] };

/** A coach's teams by name, each with its athletes by name. */
export async function listTeams(db: Db, ownerId: string): Promise<Team[]> {
  const rows = await db
    .select({ id: team.id, name: team.name, athleteId: athlete.id, athleteName: athlete.name })
    .from(team)
    .leftJoin(athlete, and(eq(athlete.teamId, team.id), isNull(athlete.archivedAt)))
    .where(eq(team.ownerId, ownerId))
    .orderBy(asc(team.name), asc(athlete.name));
  const teams = new Map<string, Team>();
  for (const row of rows) {
    const entry = teams.get(row.id) ?? { id: row.id, name: row.name, athletes: [] };
    if (row.athleteId && row.athleteName) entry.athletes.push({ id: row.athleteId, name: row.athleteName });
    teams.set(row.id, entry);
  }
  return [...teams.values()];
}

export async function addTeam(db: Db, ownerId: string, name: string): Promise<string> {
  const [row] = await db.insert(team).values({ ownerId, name }).returning({ id: team.id });
  if (!row) throw new Error("The team was not kept");
  return row.id;
}

export async function renameTeam(db: Db, ownerId: string, id: string, name: string): Promise<boolean> {
  const rows = await db.update(team).set({ name }).where(and(eq(team.id, id), eq(team.ownerId, ownerId))).returning({ id: team.id });
  return rows.length > 0;
}

/** Deletes a team and its athletes; what they said stays, under the name they gave. */
export async function deleteTeam(db: Db, ownerId: string, id: string): Promise<boolean> {
  const rows = await db.delete(team).where(and(eq(team.id, id), eq(team.ownerId, ownerId))).returning({ id: team.id });
  return rows.length > 0;
}

/** Adds people to the coach's own team; returns how many. A team of someone else takes none. */
export async function addAthletes(db: Db, ownerId: string, teamId: string, names: readonly string[]): Promise<number> {
  const [own] = await db.select({ id: team.id }).from(team).where(and(eq(team.id, teamId), eq(team.ownerId, ownerId)));
  if (!own || names.length === 0) return 0;
  const rows = await db.insert(athlete).values(names.map((name) => ({ ownerId, teamId, name }))).returning({ id: athlete.id });
  return rows.length;
}

/** Takes an athlete off the list; what they said stays. */
export async function archiveAthlete(db: Db, ownerId: string, id: string): Promise<boolean> {
  const rows = await db
    .update(athlete)
    .set({ archivedAt: sql`now()` })
    .where(and(eq(athlete.id, id), eq(athlete.ownerId, ownerId)))
    .returning({ id: athlete.id });
  return rows.length > 0;
}
