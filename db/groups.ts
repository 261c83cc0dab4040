import { and, asc, desc, eq, gt, isNotNull, isNull, lte, or, sql } from "drizzle-orm";
import { among } from "./among";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { edition, editionDrill, group, link, membership, person } from "./schema";
import type { Protects } from "~/core/group/protect";
import { MOST_LATELY, type Group, type GroupSetting } from "~/core/group/schema";

export type Athlete = { id: string; name: string };
export type Member = Athlete & { areas: Protects[] };
export type GroupWithPeople = { id: string; name: string; setting: GroupSetting; athletes: Member[] };

/** Whose a membership is. */
export const isOf = and(eq(person.clubId, membership.clubId), eq(person.id, membership.personId));

/** A club's groups by name, each with its people by name. */
export async function listGroupsWithPeople(db: Db, club: Club): Promise<GroupWithPeople[]> {
  const rows = await db
    .select({
      id: group.id,
      name: group.name,
      setting: group.setting,
      athleteId: person.id,
      athleteName: person.name,
      areas: person.areas,
    })
    .from(group)
    .leftJoin(
      membership,
      and(eq(membership.clubId, group.clubId), eq(membership.groupId, group.id), isNull(membership.until)),
    )
    .leftJoin(person, isOf)
    .where(eq(group.clubId, club.id))
    .orderBy(asc(person.createdAt));
  const groups = new Map<string, GroupWithPeople>();
  for (const row of rows) {
    const entry = groups.get(row.id) ?? { id: row.id, name: row.name, setting: row.setting, athletes: [] };
    if (row.athleteId && row.athleteName)
      entry.athletes.push({ id: row.athleteId, name: row.athleteName, areas: row.areas ?? [] });
    groups.set(row.id, entry);
  }
  for (const entry of groups.values()) entry.athletes.sort(byName);
  return [...groups.values()].sort(byName);
}

const names = new Intl.Collator("en", { numeric: true });
/** As people sort names: P2 before P10, whatever letters are large. */
const byName = (a: { name: string }, b: { name: string }): number => names.compare(a.name, b.name);

/** The names of a coach's groups. */
export async function listGroupNames(db: Db, club: Club): Promise<{ id: string; name: string }[]> {
  return (await db.select({ id: group.id, name: group.name }).from(group).where(eq(group.clubId, club.id))).sort(
    byName,
  );
}

export async function addGroup(db: Db, club: Club, name: string): Promise<string> {
  const [row] = await db.insert(group).values({ clubId: club.id, madeBy: club.by, name }).returning({ id: group.id });
  if (!row) throw new Error("The group was not kept");
  return row.id;
}

export async function renameGroup(db: Db, club: Club, id: string, name: string): Promise<boolean> {
  const rows = await db
    .update(group)
    .set({ name })
    .where(and(eq(group.id, id), eq(group.clubId, club.id)))
    .returning({ id: group.id });
  return rows.length > 0;
}

/** Deletes a group. Its people stay, with what they protect and what they said. */
export async function deleteGroup(db: Db, club: Club, id: string): Promise<boolean> {
  const rows = await db
    .delete(group)
    .where(and(eq(group.id, id), eq(group.clubId, club.id)))
    .returning({ id: group.id });
  return rows.length > 0;
}

/** Adds people to the club's own group; returns how many. A group of another club takes none. */
export async function addPeople(db: Db, club: Club, groupId: string, names: readonly string[]): Promise<number> {
  return db.transaction(async (tx) => {
    const [own] = await tx
      .select({ id: group.id })
      .from(group)
      .where(and(eq(group.id, groupId), eq(group.clubId, club.id)))
      .for("update");
    if (!own || names.length === 0) return 0;
    // Sent twice, as by an impatient press, they are there already: that is as good as added.
    const there = await tx
      .select({ name: person.name })
      .from(membership)
      .innerJoin(person, isOf)
      .where(and(eq(membership.clubId, club.id), eq(membership.groupId, groupId), isNull(membership.until)));
    const known = new Set(there.map(({ name }) => name));
    const fresh = names.filter((name) => !known.has(name));
    if (fresh.length === 0) return names.length;
    const rows = await tx
      .insert(person)
      .values(fresh.map((name) => ({ clubId: club.id, name })))
      .returning({ id: person.id });
    await tx.insert(membership).values(rows.map(({ id }) => ({ clubId: club.id, groupId, personId: id })));
    return rows.length;
  });
}

/** How many people a club's group has. */
export async function countPeople(db: Db, club: Club, groupId: string): Promise<number> {
  return db.$count(
    membership,
    and(eq(membership.clubId, club.id), eq(membership.groupId, groupId), isNull(membership.until)),
  );
}

/** Who was taken off a club's lists, the latest first, with the group: they can be put back with what they protect. */
export async function listOff(db: Db, club: Club, most = 100): Promise<(Athlete & { groupId: string })[]> {
  return db
    .select({ id: person.id, name: person.name, groupId: membership.groupId })
    .from(membership)
    .innerJoin(person, isOf)
    .where(and(eq(membership.clubId, club.id), isNotNull(membership.until)))
    .orderBy(desc(membership.until))
    .limit(most);
}

/** Gives somebody another name. Returns false when they are not the club's. */
export async function renamePerson(db: Db, club: Club, id: string, name: string): Promise<boolean> {
  const rows = await db
    .update(person)
    .set({ name })
    .where(and(eq(person.id, id), eq(person.clubId, club.id)))
    .returning({ id: person.id });
  return rows.length > 0;
}

/** The names on a group's list, without one of them. */
export async function namesOn(db: Db, club: Club, groupId: string, without?: string): Promise<string[]> {
  const rows = await db
    .select({ id: person.id, name: person.name })
    .from(membership)
    .innerJoin(person, isOf)
    .where(and(eq(membership.clubId, club.id), eq(membership.groupId, groupId), isNull(membership.until)));
  return rows.filter((row) => row.id !== without).map((row) => row.name);
}

/** Keeps what is said of a group. Returns false when it is not the coach's. */
export async function setGroupSetting(db: Db, club: Club, id: string, setting: GroupSetting): Promise<boolean> {
  const rows = await db
    .update(group)
    .set({ setting })
    .where(and(eq(group.id, id), eq(group.clubId, club.id)))
    .returning({ id: group.id });
  return rows.length > 0;
}

/** Keeps what someone protects. Returns false when they are not the coach's. */
export async function setPersonAreas(db: Db, club: Club, id: string, areas: Protects[]): Promise<boolean> {
  const rows = await db
    .update(person)
    .set({ areas })
    .where(and(eq(person.id, id), eq(person.clubId, club.id)))
    .returning({ id: person.id });
  return rows.length > 0;
}

/** What was neither handed out nor opened for so many weeks is not known any more, and is shown as if it were new. A working rule. */
const WEEKS_KNOWN = 8;

/** A coach's groups as the audit looks at them, with the drills each has been handed lately. */
export async function listGroups(db: Db, club: Club): Promise<{ id: string; people: string[]; group: Group }[]> {
  const shownToThem = db
    .selectDistinct({ groupId: link.groupId, drill: editionDrill.drill })
    .from(link)
    .innerJoin(editionDrill, and(eq(editionDrill.clubId, link.clubId), eq(editionDrill.editionId, link.editionId)))
    .where(
      and(
        eq(link.clubId, club.id),
        gt(
          sql`greatest(${link.createdAt}, ${link.openedAt})`,
          sql`now() - make_interval(weeks => ${WEEKS_KNOWN}::int)`,
        ),
      ),
    );
  // Of each session handed to a group the newest edition; one that was taken back before anybody opened it was not done.
  const newest = db
    .selectDistinctOn([link.groupId, edition.sessionId], {
      groupId: link.groupId,
      at: link.createdAt,
      editionId: edition.id,
    })
    .from(link)
    .innerJoin(edition, and(eq(edition.clubId, link.clubId), eq(edition.id, link.editionId)))
    .where(and(eq(link.clubId, club.id), isNotNull(link.groupId), or(isNull(link.withdrawnAt), gt(link.openings, 0))))
    .orderBy(link.groupId, edition.sessionId, desc(link.createdAt))
    .as("newest");
  const ranked = db
    .select({
      groupId: newest.groupId,
      editionId: newest.editionId,
      place: sql<number>`row_number() over (partition by ${newest.groupId} order by ${newest.at} desc)`.as("place"),
    })
    .from(newest)
    .as("ranked");
  const handedToThem = db
    .select({ groupId: ranked.groupId, editionId: ranked.editionId })
    .from(ranked)
    .where(lte(ranked.place, MOST_LATELY))
    .orderBy(ranked.groupId, ranked.place);
  const [groups, shown, handed] = await Promise.all([listGroupsWithPeople(db, club), shownToThem, handedToThem]);
  const lastOf = new Map(
    groups.map(({ id }) => [id, handed.filter((one) => one.groupId === id).map((one) => one.editionId)]),
  );
  const said = await saidOf(db, club, [...lastOf.values()].flat());
  const lately = (id: string) => (lastOf.get(id) ?? []).flatMap((edition) => said.get(edition) ?? []);
  return groups.map(({ id, name, setting, athletes }) => ({
    id,
    people: athletes.map((one) => one.id),
    group: {
      name,
      setting,
      people: athletes.map(({ name: who, areas }) => ({ name: who, areas })),
      shown: shown.filter((row) => row.groupId === id).map((row) => row.drill),
      lately: lately(id),
    },
  }));
}

/** What these editions are called, and which drills they have. */
async function saidOf(
  db: Db,
  club: Club,
  ids: readonly string[],
): Promise<Map<string, { title: string; drills: string[] }>> {
  if (ids.length === 0) return new Map();
  const [titles, drills] = await Promise.all([
    db
      .select({ id: edition.id, title: sql<string>`coalesce(${edition.doc} #>> '{session,title}', '')` })
      .from(edition)
      .where(and(eq(edition.clubId, club.id), among(edition.id, ids))),
    db
      .select({ id: editionDrill.editionId, drill: editionDrill.drill })
      .from(editionDrill)
      .where(and(eq(editionDrill.clubId, club.id), among(editionDrill.editionId, ids)))
      .orderBy(asc(editionDrill.drill)),
  ]);
  return new Map(
    titles.map(({ id, title }) => [
      id,
      { title, drills: drills.filter((one) => one.id === id).map((one) => one.drill) },
    ]),
  );
}
