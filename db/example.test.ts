import { eq } from "drizzle-orm";
import { afterAll, beforeAll, expect, it } from "vitest";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { exampleOf, firstSteps, loadExample, removeExample } from "./example";
import { countUnseenPain, listFeedback } from "./feedback";
import { addGroup, addPeople, listGroupsWithPeople } from "./groups";
import { listHandedOut } from "./handed-out";
import { link, person, run, trainingSession } from "./schema";
import { listSessions } from "./sessions";
import { freshDatabase, TEST_SECRET } from "./testing";
import { drillById } from "~/library";

let db: Db, ana: Club, ben: Club, end: () => Promise<void>;
beforeAll(async () => ({ db, ana, ben, end } = await freshDatabase()));
afterAll(() => end());

const settings = { secret: TEST_SECRET, drills: drillById };
const countOf = (table: typeof link | typeof run | typeof person | typeof trainingSession, club: Club) =>
  db.$count(table, eq(table.clubId, club.id));

it("fills one club to look around in, once, and counts for nothing among a coach's own first steps", async () => {
  expect(await Promise.all([loadExample(db, ana, settings), loadExample(db, ana, settings)])).toContain(false);
  const example = (await exampleOf(db, ana))!;
  expect((await listGroupsWithPeople(db, ana)).map(({ id }) => id)).toEqual(example.groups);
  const [handed] = await listHandedOut(db, ana, { since: new Date(0), most: 5 });
  expect(handed?.people.some(({ standing }) => standing === "not yet")).toBe(true);
  expect(handed?.people.some(({ standing }) => standing === "done")).toBe(true);
  // Pain is seen first, with the drill it was in.
  const [pain] = await listFeedback(db, ana, null, 1, { only: "unseen pain" });
  expect([pain?.name, pain?.checkIn?.pains[0]?.place?.drill]).toEqual(["Tern", "squat-reach"]);
  expect(await firstSteps(db, ana, example)).toEqual({ groups: 0, people: 0, sessions: 0, handedOut: false });
  expect(await exampleOf(db, ben)).toBeUndefined();
  expect([await countOf(person, ben), await countOf(trainingSession, ben)]).toEqual([0, 0]);
});

it("goes whole, with what became of it, and takes nothing else along", async () => {
  const own = await addGroup(db, ana, "My own");
  await addPeople(db, ana, own, ["Quill"]);
  expect(await firstSteps(db, ana, await exampleOf(db, ana))).toMatchObject({ groups: 1, people: 1, sessions: 0 });
  expect(await removeExample(db, ben)).toBe(false);
  expect(await removeExample(db, ana)).toBe(true);
  expect(await removeExample(db, ana)).toBe(false);
  expect((await listGroupsWithPeople(db, ana)).map(({ name, athletes }) => [name, athletes.length])).toEqual([
    ["My own", 1],
  ]);
  expect((await listSessions(db, ana, {})).all).toBe(0);
  expect([await countOf(link, ana), await countOf(run, ana), await countOf(person, ana)]).toEqual([0, 0, 1]);
  expect(await countUnseenPain(db, ana)).toBe(0);
  // It can be had again.
  expect(await loadExample(db, ana, settings)).toBe(true);
});
