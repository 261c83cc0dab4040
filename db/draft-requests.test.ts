import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Db } from "./client";
import { addRequest, deleteRequest, findRequest, listRequests, saveRequest } from "./draft-requests";
import { addSession, lastWith, saveSetting } from "./sessions";
import { addTeam, deleteTeam } from "./teams";
import { freshDatabase } from "./testing";
import { keptRequestSchema } from "~/core/draft/request";
import { newSession } from "~/core/session/start";

let db: Db;
let ana: string;
let ben: string;
let end: () => Promise<void>;
beforeAll(async () => {
  ({ db, ana, ben, end } = await freshDatabase());
});
afterAll(() => end());

const doc = (more: object = {}) => keptRequestSchema.parse({ title: "Tuesday", target: 600, purpose: "off-day", demand: "rowing", ...more });

describe("a kept request", () => {
  it("is its own coach's only, for their own team only", async () => {
    const [team, theirs] = [await addTeam(db, ana, "Squad"), await addTeam(db, ben, "Other")];
    expect(await addRequest(db, ana, doc(), theirs)).toBeUndefined();
    const id = (await addRequest(db, ana, doc(), team))!;
    expect(await findRequest(db, ana, id)).toMatchObject({ title: "Tuesday", doc: doc(), teamId: team });
    expect(await findRequest(db, ben, id)).toBeUndefined();
    expect(await listRequests(db, ben)).toEqual([]);
    expect(await saveRequest(db, ben, id, doc({ title: "Taken" }), null)).toBe(false);
    expect(await saveRequest(db, ana, id, doc({ title: "Taken" }), theirs)).toBe(false);
    expect(await saveRequest(db, ana, id, doc({ title: "Wednesday" }), null)).toBe(true);
    expect((await listRequests(db, ana)).map((r) => r.title)).toEqual(["Wednesday"]);
    await saveRequest(db, ana, id, doc(), team);
    await deleteTeam(db, ana, team);
    expect((await findRequest(db, ana, id))?.teamId).toBeNull();
    expect(await deleteRequest(db, ben, id)).toBe(false);
    expect(await deleteRequest(db, ana, id)).toBe(true);
    expect(await findRequest(db, ana, id)).toBeUndefined();
  });
  it("begins with what was last done with the group", async () => {
    const team = await addTeam(db, ana, "Class");
    expect(await lastWith(db, ana, team)).toBeUndefined();
    const id = await addSession(db, ana, newSession({ title: "A", purpose: "desk-break", target: 420 }, []), 0);
    await saveSetting(db, ana, id, { teamId: team, demandId: "desk-work", accepted: [] });
    expect(await lastWith(db, ana, team)).toEqual({ purpose: "desk-break", target: 420, demand: "desk-work" });
    expect(await lastWith(db, ben, team)).toBeUndefined();
  });
});
