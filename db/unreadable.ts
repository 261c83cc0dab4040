import { and, eq } from "drizzle-orm";
import type { Opened } from "~/core/documents/opened";
import { openDrill } from "~/core/documents/drill";
import { openProfile, openRequest } from "~/core/documents/others";
import { openSession } from "~/core/documents/session";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { draftRequest, ownDrill, ownDrillRevision, sportProfile, trainingSession } from "./schema";

/*
 * Documents of a club that cannot be read: they break no list, say that they are there, can be taken away as they are, and be
 * removed. An edition is not among them: it is read where its link is opened, and goes with its session.
 */

export const UNREADABLE_KINDS = ["session", "drill", "profile", "request"] as const;
export type UnreadableKind = (typeof UNREADABLE_KINDS)[number];

/** One that cannot be read. A newer one is not damaged: it waits for the program that made it. */
export type UnreadableRow = { kind: UnreadableKind; id: string; title: string; newer: boolean; why: string };

type Row = { id: string; title: string; raw: unknown };

/** The documents of one kind as they are, with the names that stand beside them; one of them, or all. */
async function rowsOf(db: Db, { id: clubId }: Club, kind: UnreadableKind, id?: string): Promise<Row[]> {
  switch (kind) {
    case "session":
      return db
        .select({ id: trainingSession.id, title: trainingSession.title, raw: trainingSession.doc })
        .from(trainingSession)
        .where(and(eq(trainingSession.clubId, clubId), id ? eq(trainingSession.id, id) : undefined));
    case "drill":
      return db
        .select({ id: ownDrill.id, title: ownDrill.name, raw: ownDrillRevision.doc })
        .from(ownDrill)
        .innerJoin(
          ownDrillRevision,
          and(
            eq(ownDrillRevision.clubId, ownDrill.clubId),
            eq(ownDrillRevision.drillId, ownDrill.id),
            eq(ownDrillRevision.number, ownDrill.revision),
          ),
        )
        .where(and(eq(ownDrill.clubId, clubId), id ? eq(ownDrill.id, id) : undefined));
    case "profile":
      return db
        .select({ id: sportProfile.id, title: sportProfile.name, raw: sportProfile.doc })
        .from(sportProfile)
        .where(and(eq(sportProfile.clubId, clubId), id ? eq(sportProfile.id, id) : undefined));
    case "request":
      return db
        .select({ id: draftRequest.id, title: draftRequest.title, raw: draftRequest.doc })
        .from(draftRequest)
        .where(and(eq(draftRequest.clubId, clubId), id ? eq(draftRequest.id, id) : undefined));
  }
}

const OPEN: Record<UnreadableKind, (raw: unknown) => Opened<unknown>> = {
  session: openSession,
  drill: openDrill,
  profile: openProfile,
  request: openRequest,
};

function unreadableOf(kind: UnreadableKind, { id, title, raw }: Row): UnreadableRow | undefined {
  const opened = OPEN[kind](raw);
  return opened.ok ? undefined : { kind, id, title, newer: opened.newer, why: opened.why };
}

/** A club's documents of a kind that cannot be read. Sessions say it in their list, drills in theirs (`browseAllOwn`). */
export async function listUnreadable(db: Db, club: Club, kind: "profile" | "request"): Promise<UnreadableRow[]> {
  return (await rowsOf(db, club, kind)).flatMap((row) => unreadableOf(kind, row) ?? []);
}

/** One that cannot be read, with what there is of it; undefined where it can, or is not the club's. */
export async function findUnreadable(
  db: Db,
  club: Club,
  kind: UnreadableKind,
  id: string,
): Promise<(UnreadableRow & { raw: unknown }) | undefined> {
  const [row] = await rowsOf(db, club, kind, id);
  const found = row && unreadableOf(kind, row);
  return found && { ...found, raw: row.raw };
}

/** Removes one that cannot be read, for good, with all that hangs on it. Returns false for what can be read, is not the club's, or was made by a newer program. */
export async function removeUnreadable(db: Db, club: Club, kind: UnreadableKind, id: string): Promise<boolean> {
  const found = await findUnreadable(db, club, kind, id);
  if (!found || found.newer) return false;
  const table = { session: trainingSession, drill: ownDrill, profile: sportProfile, request: draftRequest }[kind];
  await db.delete(table).where(and(eq(table.clubId, club.id), eq(table.id, id)));
  return true;
}
