import { afterAll, beforeAll, expect, it } from "vitest";
import { and, eq } from "drizzle-orm";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { loadExample } from "./example";
import { leaveGroup } from "./people";
import { listHandedOut } from "./handed-out";
import { setNotTheirs, setRemoved } from "./runs";
import { link, run } from "./schema";
import { freshDatabase, TEST_SECRET } from "./testing";
import { drillById } from "~/library";

let db: Db, ana: Club, end: () => Promise<void>;
beforeAll(async () => {
  ({ db, ana, end } = await freshDatabase());
  await loadExample(db, ana, { secret: TEST_SECRET, drills: drillById });
});
afterAll(() => end());

const LONG_AGO = new Date(0);
const list = (more: { since?: Date; groupId?: string } = {}) =>
  listHandedOut(db, ana, { since: LONG_AGO, most: 5, ...more });
const standing = async (name: string) => (await list())[0]!.people.find((one) => one.name === name);

it("names everybody of the group, those who have not begun first", async () => {
  const [one, ...more] = await list();
  expect(more).toEqual([]);
  expect(one!.people.map((each) => each.standing)).toEqual(
    [...one!.people].map((each) => each.standing).sort((a, b) => ORDER.indexOf(a) - ORDER.indexOf(b)),
  );
  expect(await standing("Tern")).toMatchObject({ standing: "done", checkedIn: true, pain: true });
  expect((await list({ groupId: one!.groupId! })).length).toBe(1);
  expect(await list({ groupId: one!.linkId })).toEqual([]);
});
const ORDER = ["not yet", "part", "done"];

it("is there from the day it was handed out or followed, and not after", async () => {
  const [one] = await list();
  const runs = await db.select({ at: run.startedAt }).from(run).where(eq(run.clubId, ana.id));
  const last = Math.max(...runs.map(({ at }) => at.getTime()));
  // Handed out before, followed since.
  expect(one!.at.getTime()).toBeLessThan(last);
  expect((await list({ since: new Date(last) })).length).toBe(1);
  expect(await list({ since: new Date(last + 1) })).toEqual([]);
});

it("does not count what is somebody else's or was removed, nor who has left", async () => {
  const tern = (await standing("Tern"))!;
  const theirs = await db
    .select({ id: run.id })
    .from(run)
    .where(and(eq(run.clubId, ana.id), eq(run.personId, tern.id)));
  for (const { id } of theirs) await setNotTheirs(db, ana, id, true);
  expect(await standing("Tern")).toMatchObject({ standing: "not yet", checkedIn: false, pain: false });
  const [before] = await list();
  expect(before!.others).toBe(theirs.length);
  for (const { id } of theirs) await setRemoved(db, ana, id, true);
  expect((await list())[0]!.others).toBe(0);
  await leaveGroup(db, ana, tern.id, before!.groupId!);
  expect(await standing("Tern")).toBeUndefined();
});

it("is gone with its link", async () => {
  await db.update(link).set({ withdrawnAt: new Date() }).where(eq(link.clubId, ana.id));
  expect(await list()).toEqual([]);
});
