import { and, count, eq, isNull, notInArray } from "drizzle-orm";
import { among } from "./among";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { loadExampleInto, type DemoSettings } from "./demo/load";
import { club as clubs, edition, group, link, person, trainingSession } from "./schema";
import type { ExampleIds } from "./schema/clubs";

/** What the example brought that is in a club; undefined where there is none. */
export async function exampleOf(db: Db, club: Club): Promise<ExampleIds | undefined> {
  const [row] = await db.select({ example: clubs.example }).from(clubs).where(eq(clubs.id, club.id));
  return row?.example ?? undefined;
}

/** Loads the example, once. Returns false where it is there already. */
export async function loadExample(db: Db, club: Club, settings: Omit<DemoSettings, "password">): Promise<boolean> {
  return db.transaction(async (tx) => {
    // Whoever else asks waits, and finds it there.
    const [row] = await tx
      .select({ id: clubs.id })
      .from(clubs)
      .where(and(eq(clubs.id, club.id), isNull(clubs.example)))
      .for("update");
    if (!row) return false;
    const example = await loadExampleInto(tx, club, settings);
    await tx.update(clubs).set({ example }).where(eq(clubs.id, club.id));
    return true;
  });
}

/** Takes everything away that came with the example, with what became of it since. Returns false where there is none. */
export async function removeExample(db: Db, club: Club): Promise<boolean> {
  return db.transaction(async (tx) => {
    const [row] = await tx.select({ example: clubs.example }).from(clubs).where(eq(clubs.id, club.id)).for("update");
    const example = row?.example;
    if (!example) return false;
    for (const [table, ids] of [
      [trainingSession, example.sessions],
      [group, example.groups],
      [person, example.people],
    ] as const)
      if (ids.length > 0) await tx.delete(table).where(and(eq(table.clubId, club.id), among(table.id, ids)));
    await tx.update(clubs).set({ example: null }).where(eq(clubs.id, club.id));
    return true;
  });
}

/** How far a club is with what a new coach does first, whatever an example brought. */
export type FirstSteps = { groups: number; people: number; sessions: number; handedOut: boolean };

export async function firstSteps(db: Db, club: Club, example: ExampleIds | undefined): Promise<FirstSteps> {
  const [ownGroup, ownPerson] = [
    and(eq(group.clubId, club.id), notInArray(group.id, example?.groups ?? [])),
    and(eq(person.clubId, club.id), notInArray(person.id, example?.people ?? [])),
  ];
  const examples = example?.sessions ?? [];
  const [[groups], [people], [sessions], handed] = await Promise.all([
    db.select({ n: count() }).from(group).where(ownGroup),
    db.select({ n: count() }).from(person).where(ownPerson),
    db
      .select({ n: count() })
      .from(trainingSession)
      .where(and(eq(trainingSession.clubId, club.id), notInArray(trainingSession.id, examples))),
    db
      .select({ id: link.id })
      .from(link)
      .innerJoin(edition, and(eq(edition.clubId, link.clubId), eq(edition.id, link.editionId)))
      .where(and(eq(link.clubId, club.id), notInArray(edition.sessionId, examples)))
      .limit(1),
  ]);
  return { groups: groups!.n, people: people!.n, sessions: sessions!.n, handedOut: handed.length > 0 };
}
