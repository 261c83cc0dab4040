import { and, asc, desc, eq, gt, isNotNull, isNull, or, sql } from "drizzle-orm";
import type { Db } from "./client";
import { athlete, edition, link, team } from "./schema";
import type { Protects } from "~/core/group/protect";
import { MOST_LATELY, type Group, type GroupSetting } from "~/core/group/schema";

export type Athlete = { id: string; name: string };
export type Member = Athlete & { areas: Protects[] };
export type Team = { id: string; name: string; setting: GroupSetting; athletes: Member[] };

/** A coach's teams by name, each with its athletes by name. */
export async function listTeams(db: Db, ownerId: string): Promise<Team[]> {
  const rows = await db
    .select({ id: team.id, name: team.name, setting: team.setting, athleteId: athlete.id, athleteName: athlete.name, areas: athlete.areas })
    .from(team)
    .leftJoin(athlete, and(eq(athlete.teamId, team.id), isNull(athlete.archivedAt)))
    .where(eq(team.ownerId, ownerId))
    .orderBy(asc(athlete.createdAt));
  const teams = new Map<string, Team>();
  for (const row of rows) {
    const entry = teams.get(row.id) ?? { id: row.id, name: row.name, setting: row.setting, athletes: [] };
    if (row.athleteId && row.athleteName) entry.athletes.push({ id: row.athleteId, name: row.athleteName, areas: row.areas ?? [] });
    teams.set(row.id, entry);
  }
  for (const entry of teams.values()) entry.athletes.sort(byName);
  return [...teams.values()].sort(byName);
}

const names = new Intl.Collator("en", { numeric: true });
/** As people sort names: P2 before P10, whatever letters are large. */
const byName = (a: { name: string }, b: { name: string }): number => names.compare(a.name, b.name);

/** The names of a coach's teams. */
export async function listTeamNames(db: Db, ownerId: string): Promise<{ id: string; name: string }[]> {
  return (await db.select({ id: team.id, name: team.name }).from(team).where(eq(team.ownerId, ownerId))).sort(byName);
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

/** How many people a coach's team has. */
export async function countPeople(db: Db, ownerId: string, teamId: string): Promise<number> {
  return db.$count(athlete, and(eq(athlete.ownerId, ownerId), eq(athlete.teamId, teamId), isNull(athlete.archivedAt)));
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

/** Who was taken off a coach's lists, the latest first, with their team: they can be put back with what they protect. */
export async function listOff(db: Db, ownerId: string, most = 100): Promise<(Athlete & { teamId: string })[]> {
  return db.select({ id: athlete.id, name: athlete.name, teamId: athlete.teamId }).from(athlete)
    .where(and(eq(athlete.ownerId, ownerId), isNotNull(athlete.archivedAt))).orderBy(desc(athlete.archivedAt)).limit(most);
}

/** Puts somebody back on their list. Returns false when they are not the coach's. */
export async function restoreAthlete(db: Db, ownerId: string, id: string): Promise<boolean> {
  const rows = await db.update(athlete).set({ archivedAt: null }).where(and(eq(athlete.id, id), eq(athlete.ownerId, ownerId))).returning({ id: athlete.id });
  return rows.length > 0;
}

/** Gives somebody another name. Returns false when they are not the coach's. */
export async function renameAthlete(db: Db, ownerId: string, id: string, name: string): Promise<boolean> {
  const rows = await db.update(athlete).set({ name }).where(and(eq(athlete.id, id), eq(athlete.ownerId, ownerId))).returning({ id: athlete.id });
  return rows.length > 0;
}

/** Somebody of a coach's, on the list or off it, with the names of the others on that list; undefined when they are not the coach's. */
export async function findAthlete(db: Db, ownerId: string, id: string): Promise<{ name: string; teamId: string; others: string[] } | undefined> {
  const [row] = await db.select({ name: athlete.name, teamId: athlete.teamId }).from(athlete).where(and(eq(athlete.id, id), eq(athlete.ownerId, ownerId)));
  return row && { ...row, others: await namesOn(db, ownerId, row.teamId, id) };
}

/** The names on a coach's list, without one of them. */
export async function namesOn(db: Db, ownerId: string, teamId: string, without?: string): Promise<string[]> {
  const rows = await db.select({ id: athlete.id, name: athlete.name }).from(athlete).where(and(eq(athlete.ownerId, ownerId), eq(athlete.teamId, teamId), isNull(athlete.archivedAt)));
  return rows.filter((row) => row.id !== without).map((row) => row.name);
}

/** Keeps what is said of a group. Returns false when it is not the coach's. */
export async function setTeamSetting(db: Db, ownerId: string, id: string, setting: GroupSetting): Promise<boolean> {
  const rows = await db.update(team).set({ setting }).where(and(eq(team.id, id), eq(team.ownerId, ownerId))).returning({ id: team.id });
  return rows.length > 0;
}

/** Keeps what someone protects. Returns false when they are not the coach's. */
export async function setAthleteAreas(db: Db, ownerId: string, id: string, areas: Protects[]): Promise<boolean> {
  const rows = await db.update(athlete).set({ areas }).where(and(eq(athlete.id, id), eq(athlete.ownerId, ownerId))).returning({ id: athlete.id });
  return rows.length > 0;
}

/** A coach's teams as the audit looks at them, with the drills each has been handed before. */
export async function listGroups(db: Db, ownerId: string): Promise<{ id: string; people: string[]; group: Group }[]> {
  const shownToThem = db
    .selectDistinct({ teamId: link.teamId, drill: sql<string>`item ->> 'drill'` })
    .from(link)
    .innerJoin(edition, eq(edition.id, link.editionId))
    .innerJoin(sql`jsonb_array_elements(${edition.doc} #> '{session,blocks}') as block`, sql`true`)
    .innerJoin(sql`jsonb_array_elements(block -> 'items') as item`, sql`true`)
    .where(eq(link.ownerId, ownerId));
  // Of each session handed to a team the newest edition; one that was taken back before anybody opened it was not done.
  const handedToThem = db
    .selectDistinctOn([link.teamId, edition.sessionId], {
      teamId: link.teamId, at: link.createdAt, title: sql<string>`${edition.doc} #>> '{session,title}'`,
      drills: sql<string[]>`(select jsonb_agg(distinct item ->> 'drill') from jsonb_array_elements(${edition.doc} #> '{session,blocks}') as block, jsonb_array_elements(block -> 'items') as item)`,
    })
    .from(link)
    .innerJoin(edition, eq(edition.id, link.editionId))
    .where(and(eq(link.ownerId, ownerId), isNotNull(link.teamId), or(isNull(link.withdrawnAt), gt(link.openings, 0))))
    .orderBy(link.teamId, edition.sessionId, desc(link.createdAt));
  const [teams, shown, handed] = await Promise.all([listTeams(db, ownerId), shownToThem, handedToThem]);
  handed.sort((a, b) => b.at.getTime() - a.at.getTime());
  const lately = (id: string) => handed.filter((one) => one.teamId === id).slice(0, MOST_LATELY).map(({ title, drills }) => ({ title, drills: drills ?? [] }));
  return teams.map(({ id, name, setting, athletes }) => ({
    id, people: athletes.map((one) => one.id), group: { name, setting, people: athletes.map(({ name: who, areas }) => ({ name: who, areas })), shown: shown.filter((row) => row.teamId === id).map((row) => row.drill), lately: lately(id) },
  }));
}
