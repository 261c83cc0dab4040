import { eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { addRequest, deleteRequest, findRequest, listRequests, MOST_REQUESTS, saveRequest } from "./draft-requests";
import { draftRequest } from "./schema";
import { addSession, lastByGroup, setArchived } from "./sessions";
import { saveSetting } from "./session-setting";
import { addGroup, deleteGroup } from "./groups";
import { freshDatabase } from "./testing";
import { lastOf } from "~/core/draft/begin";
import { keptRequestSchema } from "~/core/draft/request";
import { newSession } from "~/core/session/start";

let db: Db;
let ana: Club;
let ben: Club;
let end: () => Promise<void>;
beforeAll(async () => {
  ({ db, ana, ben, end } = await freshDatabase());
});
afterAll(() => end());

const asked = (title: string, groupId: string | null) => ({ title, doc: doc(), groupId });
const doc = (more: object = {}) =>
  keptRequestSchema.parse({ target: 600, purpose: "off-day", demand: "rowing", ...more });

describe("a kept request", () => {
  it("is its own coach's only, for their own group only", async () => {
    const [group, theirs] = [await addGroup(db, ana, "Squad"), await addGroup(db, ben, "Other")];
    expect(await addRequest(db, ana, asked("Tuesday", theirs))).toBeUndefined();
    const id = (await addRequest(db, ana, asked("Tuesday", group)))!;
    expect(await findRequest(db, ana, id)).toMatchObject({ title: "Tuesday", doc: doc(), groupId: group });
    expect(await findRequest(db, ben, id)).toBeUndefined();
    await db
      .update(draftRequest)
      .set({ doc: sql`${draftRequest.doc} - 'differ'` })
      .where(eq(draftRequest.id, id));
    expect((await findRequest(db, ana, id))?.doc).toEqual(doc({ differ: 0 }));
    expect(await listRequests(db, ben)).toEqual([]);
    expect(await saveRequest(db, ben, id, asked("Taken", null))).toBe(false);
    expect(await saveRequest(db, ana, id, asked("Taken", theirs))).toBe(false);
    expect(await saveRequest(db, ana, id, asked("Wednesday", null))).toBe(true);
    expect((await listRequests(db, ana)).map((r) => r.title)).toEqual(["Wednesday"]);
    await saveRequest(db, ana, id, asked("Tuesday", group));
    await deleteGroup(db, ana, group);
    expect((await findRequest(db, ana, id))?.groupId).toBeNull();
    expect(await deleteRequest(db, ben, id)).toBe(false);
    expect(await deleteRequest(db, ana, id)).toBe(true);
    expect(await findRequest(db, ana, id)).toBeUndefined();
  });
  it("is one of two hundred at most, however many are sent at the same moment", async () => {
    const before = (await listRequests(db, ben)).length;
    await db.insert(draftRequest).values(
      Array.from({ length: MOST_REQUESTS - 5 - before }, (_, i) => ({
        clubId: ben.id,
        doc: doc(),
        title: `R${i}`,
        groupId: null,
      })),
    );
    const kept = await Promise.all(
      Array.from({ length: 20 }, (_, i) => addRequest(db, ben, asked(`At once ${i}`, null))),
    );
    expect(kept.filter(Boolean)).toHaveLength(5);
    expect(await db.$count(draftRequest, eq(draftRequest.clubId, ben.id))).toBe(MOST_REQUESTS);
    await db.delete(draftRequest).where(eq(draftRequest.clubId, ben.id));
  });
  it("begins with what was last done with the group, the latest where nobody is said", async () => {
    const [group, other] = [await addGroup(db, ana, "Class"), await addGroup(db, ana, "Crew")];
    const keep = async (groupId: string | null, demandId: string | null, target?: number) => {
      const id = await addSession(
        db,
        ana,
        newSession({ title: "A", purpose: "desk-break", ...(target !== undefined && { target }) }, []),
        0,
      );
      await saveSetting(db, ana, id, { groupId, demandId, accepted: [] });
      return id;
    };
    await keep(group, "rowing", 900);
    await keep(group, "desk-work", 420);
    await keep(other, null, 60);
    const gone = await keep(group, "combat", 1200);
    await setArchived(db, ana, gone, true);
    // One that promises no length says nothing of the next.
    await keep(null, null);
    const lasts = await lastByGroup(db, ana);
    expect(lasts.map(({ groupId }) => groupId)).toEqual([other, group]);
    expect(lastOf(lasts, group)).toMatchObject({ purpose: "desk-break", target: 420, demand: "desk-work" });
    expect(lastOf(lasts, null)).toMatchObject({ target: 120, demand: undefined });
    await keep(null, null, 900);
    expect((await lastByGroup(db, ana)).map(({ groupId }) => groupId)).toEqual([null, other, group]);
    expect(await lastByGroup(db, ben)).toEqual([]);
  });
});
