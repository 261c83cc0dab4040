import { nowDate } from "~/core/clock/clock";
import { and, desc, eq, sql } from "drizzle-orm";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { draftRequest, group } from "./schema";
import type { KeptRequest } from "~/core/draft/request";
import { mustOpen } from "./documents";
import { openRequest } from "~/core/documents/others";

export type StoredRequest = { id: string; title: string; doc: KeptRequest; groupId: string | null; updatedAt: Date };

const FIELDS = {
  id: draftRequest.id,
  title: draftRequest.title,
  doc: draftRequest.doc,
  groupId: draftRequest.groupId,
  updatedAt: draftRequest.updatedAt,
};
const own = (club: Club, id: string) => and(eq(draftRequest.clubId, club.id), eq(draftRequest.id, id));

/** A coach keeps at most this many requests. */
export const MOST_REQUESTS = 200;

/** A coach's kept requests by their names, last changed first. */
export async function listRequests(db: Db, club: Club): Promise<Omit<StoredRequest, "doc">[]> {
  const { doc: _, ...named } = FIELDS;
  return db
    .select(named)
    .from(draftRequest)
    .where(eq(draftRequest.clubId, club.id))
    .orderBy(desc(draftRequest.updatedAt))
    .limit(MOST_REQUESTS);
}

export async function findRequest(db: Db, club: Club, id: string): Promise<StoredRequest | undefined> {
  const [row] = await db.select(FIELDS).from(draftRequest).where(own(club, id));
  // One that was kept before there was more to ask gets what is usual for it.
  return row && { ...row, doc: mustOpen(openRequest(row.doc), "request", row.id) };
}

const ownsGroup = async (db: Db, club: Club, groupId: string | null): Promise<boolean> =>
  groupId === null ||
  (
    await db
      .select({ id: group.id })
      .from(group)
      .where(and(eq(group.id, groupId), eq(group.clubId, club.id)))
  ).length > 0;

/** A request, the title it goes by, and whom it is for. */
type Kept = { title: string; doc: KeptRequest; groupId: string | null };

/** Keeps a new request and returns its id; undefined when the group is not the coach's or there are too many. */
export async function addRequest(db: Db, club: Club, { title, doc, groupId }: Kept): Promise<string | undefined> {
  if (!(await ownsGroup(db, club, groupId))) return undefined;
  return db.transaction(async (tx) => {
    // Several at the same moment are counted one after the other.
    await tx.execute(sql`select pg_advisory_xact_lock(hashtext(${`requests of ${club.id}`}))`);
    if ((await tx.$count(draftRequest, eq(draftRequest.clubId, club.id))) >= MOST_REQUESTS) return undefined;
    const [row] = await tx
      .insert(draftRequest)
      .values({ clubId: club.id, madeBy: club.by, doc, title, groupId })
      .returning({ id: draftRequest.id });
    return row?.id;
  });
}

/** Keeps a changed request. Returns false when it, or the group, is not the coach's. */
export async function saveRequest(db: Db, club: Club, id: string, { title, doc, groupId }: Kept): Promise<boolean> {
  if (!(await ownsGroup(db, club, groupId))) return false;
  const rows = await db
    .update(draftRequest)
    .set({ doc, title, groupId, updatedAt: nowDate() })
    .where(own(club, id))
    .returning({ id: draftRequest.id });
  return rows.length > 0;
}

/** Deletes a kept request. Returns false when there is none of that id. */
export async function deleteRequest(db: Db, club: Club, id: string): Promise<boolean> {
  return (await db.delete(draftRequest).where(own(club, id)).returning({ id: draftRequest.id })).length > 0;
}
