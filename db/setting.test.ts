import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { addProfile, deleteProfile, findProfile, listProfiles, ownProfileId, saveProfile } from "./sport-profiles";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { handOut, listEditions } from "./editions";
import { openLink, withdrawLink, type OpenLink } from "./links";
import { addSession, listSessions, listTitles, setArchived, setTemplate } from "./sessions";
import { changeSetting, findMarkedSetting, findSetting, saveSetting } from "./session-setting";
import {
  addPeople,
  addGroup,
  deleteGroup,
  listGroups,
  listGroupsWithPeople,
  setPersonAreas,
  setGroupSetting,
} from "./groups";
import { freshDatabase, TEST_SECRET } from "./testing";
import { link } from "./schema";
import { eq } from "drizzle-orm";
import { makeEdition } from "~/core/edition/edition";
import type { SessionPlan } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { drillById } from "~/library";
import { profileById } from "~/library/sport-profiles";

let db: Db;
let ana: Club;
let ben: Club;
let end: () => Promise<void>;
beforeAll(async () => {
  ({ db, ana, ben, end } = await freshDatabase());
});
afterAll(() => end());

const doc = (title: string, drill = "hip-flexor-hold") =>
  newSession({ title, purpose: "off-day" }, [
    { title: "", rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items: [itemOf(drillById(drill)!)] },
  ]);
const lock = { block: 0, item: 0, drill: "hip-flexor-hold" };
const choice = {
  athleteId: "00000000-0000-4000-8000-000000000001",
  block: 0,
  item: 0,
  at: "hip-flexor-hold",
  does: { drill: "hip-flexor-hold", level: "easier" as const },
};
const stand = { key: "title", says: "The title says 10 minutes.", reason: "Everyone here calls it that." };

describe("what stands beside a session", () => {
  it("is changed by several pages, part by part, and nothing is written over unseen", async () => {
    const id = await addSession(db, ana, doc("Several pages"), 90);
    const change = (by: string, seq: number, value: string, basedOn = 0) => ({
      demandId: { value, basedOn, by, seq },
    });
    // Both of one page at once, the later first.
    const both = await Promise.all([
      changeSetting(db, ana, id, change("mine", 2, "rowing")),
      changeSetting(db, ana, id, change("mine", 1, "handball")),
    ]);
    expect(both.map((one) => one?.newer)).toEqual([[], []]);
    const there = await findMarkedSetting(db, ana, id);
    expect([there?.setting.demandId, there?.marks.demandId]).toEqual([
      "rowing",
      { revision: expect.any(Number) as number, by: "mine", seq: 2 },
    ]);
    // Another page that has not seen it: its other part is written, this one is not.
    const theirs = await changeSetting(db, ana, id, {
      ...change("theirs", 1, "general"),
      accepted: { value: [stand], basedOn: 0, by: "theirs", seq: 1 },
    });
    expect(theirs?.newer).toEqual(["demandId"]);
    expect(await findSetting(db, ana, id)).toMatchObject({ demandId: "rowing", accepted: [stand] });
    // Of many at once exactly one is written.
    const race = await Promise.all(
      Array.from({ length: 6 }, (_, i) => changeSetting(db, ana, id, change(`page ${i}`, 1, `own-${i}`, 2))),
    );
    const { revision } = there!.marks.demandId!;
    expect(revision).toBeLessThanOrEqual(2);
    expect(race.filter((one) => one?.newer.length === 0)).toHaveLength(revision === 2 ? 1 : 0);
  });
  it("is kept with it, for its own coach and their own group only", async () => {
    const [id, group, theirs] = [
      await addSession(db, ana, doc("One"), 90),
      await addGroup(db, ana, "Squad"),
      await addGroup(db, ben, "Other"),
    ];
    expect(await findSetting(db, ana, id)).toEqual({
      groupId: null,
      demandId: null,
      accepted: [],
      locks: [],
      choices: [],
    });
    expect(
      await saveSetting(db, ana, id, {
        groupId: group,
        demandId: "rowing",
        accepted: [stand],
        locks: [lock],
        choices: [choice],
      }),
    ).toBe(true);
    expect(await findSetting(db, ana, id)).toEqual({
      groupId: group,
      demandId: "rowing",
      accepted: [stand],
      locks: [lock],
      choices: [choice],
    });
    expect(
      await changeSetting(db, ana, id, { groupId: { value: theirs, basedOn: 1, by: "a page", seq: 1 } }),
    ).toBeUndefined();
    expect(await saveSetting(db, ana, id, { groupId: theirs, demandId: null, accepted: [] })).toBe(false);
    expect(await saveSetting(db, ben, id, { groupId: null, demandId: null, accepted: [] })).toBe(false);
    expect(await findSetting(db, ben, id)).toBeUndefined();
    expect((await findSetting(db, ana, id))?.groupId).toBe(group);
    // What is not given stays, and to keep nothing changes nothing.
    expect(await saveSetting(db, ana, id, { accepted: [] })).toBe(true);
    expect(await saveSetting(db, ana, id, {})).toBe(true);
    expect(await saveSetting(db, ben, id, {})).toBe(false);
    expect(await saveSetting(db, ana, id, { groupId: theirs })).toBe(false);
    expect(await findSetting(db, ana, id)).toEqual({
      groupId: group,
      demandId: "rowing",
      accepted: [],
      locks: [lock],
      choices: [choice],
    });
    await deleteGroup(db, ana, group);
    expect(await findSetting(db, ana, id)).toMatchObject({ groupId: null, demandId: "rowing" });
  });
  it("goes on record with each edition; letting something else stand makes a new one", async () => {
    const id = await addSession(db, ana, doc("Handed"), 90);
    const out = () => handOut(db, ana, id, makeEdition(doc("Handed"), drillById), 90, null, TEST_SECRET);
    expect((await out())?.number).toBe(1);
    expect((await out())?.number).toBe(1);
    await saveSetting(db, ana, id, { groupId: null, demandId: null, accepted: [stand] });
    expect((await out())?.number).toBe(2);
    const { editions } = await listEditions(db, ana, id, TEST_SECRET);
    expect(editions.map((e) => [e.number, e.accepted, e.session?.title])).toEqual([
      [2, [stand], "Handed"],
      [1, [], "Handed"],
    ]);
  });
  it("goes out with an edition as it was chosen for single people then; another choice makes a new one", async () => {
    const id = await addSession(db, ana, doc("Chosen"), 90);
    const out = async () => (await handOut(db, ana, id, makeEdition(doc("Chosen"), drillById), 90, null, TEST_SECRET))!;
    const choicesOn = async ({ token }: { token: string }) =>
      ((await openLink(db, token, false)) as OpenLink).edition.choices;
    const plain = await out();
    await saveSetting(db, ana, id, { choices: [choice] });
    const chosen = await out();
    expect([plain.number, chosen.number, (await out()).number]).toEqual([1, 2, 2]);
    await saveSetting(db, ana, id, { choices: [{ ...choice, does: "rest" }] });
    expect([await choicesOn(plain), await choicesOn(chosen), await choicesOn(await out())]).toEqual([
      [],
      [choice],
      [{ ...choice, does: "rest" }],
    ]);
  });
  it("may be that it is offered as a beginning", async () => {
    const id = await addSession(db, ana, doc("Mine to begin with"), 90);
    expect(await setTemplate(db, ben, id, true)).toBe(false);
    expect(await setTemplate(db, ana, id, true)).toBe(true);
    expect((await listSessions(db, ana)).rows.find((s) => s.id === id)?.template).toBe(true);
    expect((await listTitles(db, ana)).some((s) => s.id === id)).toBe(true);
    expect((await listTitles(db, ben)).some((s) => s.id === id)).toBe(false);
    await setArchived(db, ana, id, true);
    expect((await listTitles(db, ana)).some((s) => s.id === id)).toBe(false);
  });
});

describe("a group", () => {
  it("has its kit, caps and what its people protect, for its own coach only", async () => {
    const group = await addGroup(db, ana, "With kit");
    await addPeople(db, ana, group, ["Moss", "Tern"]);
    const moss = (await listGroupsWithPeople(db, ana)).find((t) => t.id === group)!.athletes[0]!;
    expect(await setGroupSetting(db, ben, group, { floor: 3 })).toBe(false);
    expect(await setPersonAreas(db, ben, moss.id, ["neck"])).toBe(false);
    expect(await setGroupSetting(db, ana, group, { kit: { stick: 4 }, floor: 12, mixed: true })).toBe(true);
    expect(await setPersonAreas(db, ana, moss.id, ["neck", "kneeling"])).toBe(true);
    const found = (await listGroups(db, ana)).find((g) => g.id === group)!;
    expect(found.group).toEqual({
      name: "With kit",
      setting: { kit: { stick: 4 }, floor: 12, mixed: true },
      people: [
        { name: "Moss", areas: ["neck", "kneeling"] },
        { name: "Tern", areas: [] },
      ],
      shown: [],
      lately: [],
    });
    expect((await listGroups(db, ben)).some((g) => g.id === group)).toBe(false);
  });
  it("knows the drills it has been handed, and no others", async () => {
    const [group, other] = [await addGroup(db, ana, "Handed to"), await addGroup(db, ana, "Not handed to")];
    const id = await addSession(db, ana, doc("For them", "open-book"), 90);
    await handOut(db, ana, id, makeEdition(doc("For them", "open-book"), drillById), 90, group, TEST_SECRET);
    const groups = await listGroups(db, ana);
    expect(groups.find((g) => g.id === group)?.group.shown).toEqual(["open-book"]);
    expect(groups.find((g) => g.id === other)?.group.shown).toEqual([]);
  });
  it("knows them for eight weeks after they were handed out, or opened last", async () => {
    const group = await addGroup(db, ana, "Handed to long ago");
    const id = await addSession(db, ana, doc("Long ago", "open-book"), 90);
    await handOut(db, ana, id, makeEdition(doc("Long ago", "open-book"), drillById), 90, group, TEST_SECRET);
    const known = async (days: { handed: number; opened?: number }) => {
      const ago = (n: number) => new Date(Date.now() - n * 86_400_000);
      await db
        .update(link)
        .set({ createdAt: ago(days.handed), openedAt: days.opened === undefined ? null : ago(days.opened) })
        .where(eq(link.groupId, group));
      return (await listGroups(db, ana)).find((g) => g.id === group)?.group.shown;
    };
    expect(await known({ handed: 55 })).toEqual(["open-book"]);
    expect(await known({ handed: 57 })).toEqual([]);
    expect(await known({ handed: 90, opened: 60 })).toEqual([]);
    expect(await known({ handed: 90, opened: 3 })).toEqual(["open-book"]);
  });
  it("knows the last three sessions it was handed, each as it was handed last, the newest first, and none that was taken back unopened", async () => {
    const group = await addGroup(db, ana, "Week by week");
    const out = async (id: string, session: SessionPlan) =>
      (await handOut(db, ana, id, makeEdition(session, drillById), 90, group, TEST_SECRET))!;
    const lately = async () => (await listGroups(db, ana)).find((g) => g.id === group)?.group.lately;
    const ids: string[] = [];
    for (const [title, drill] of [
      ["First", "open-book"],
      ["Second", "cat-camel"],
      ["Third", "box-breathing"],
      ["Fourth", "squat-free"],
    ] as const) {
      ids.push(await addSession(db, ana, doc(title, drill), 90));
      await out(ids.at(-1)!, doc(title, drill));
    }
    expect(await lately()).toEqual([
      { title: "Fourth", drills: ["squat-free"] },
      { title: "Third", drills: ["box-breathing"] },
      { title: "Second", drills: ["cat-camel"] },
    ]);
    await out(ids[1]!, doc("Second, again", "hip-flexor-hold"));
    expect((await lately())?.[0]).toEqual({ title: "Second, again", drills: ["hip-flexor-hold"] });
    expect((await lately())?.map(({ title }) => title)).toEqual(["Second, again", "Fourth", "Third"]);
    const [newest] = (await listEditions(db, ana, ids[1]!, TEST_SECRET)).editions;
    await withdrawLink(db, ana, newest!.links[0]!.id);
    expect((await lately())?.[0]).toEqual({ title: "Fourth", drills: ["squat-free"] });
    expect((await listGroups(db, ben)).flatMap(({ group }) => group.lately ?? [])).toEqual([]);
  });
});

describe("a demand profile of one's own", () => {
  it("is kept, changed and deleted by its coach only", async () => {
    const id = await addProfile(db, ana, { ...profileById("rowing")!, id: "own", name: "Our rowers" });
    expect(await findProfile(db, ben, id)).toBeUndefined();
    expect((await findProfile(db, ana, id))?.id).toBe(ownProfileId(id));
    const changed = { ...profileById("rowing")!, id: "own", name: "Our eight" };
    expect(await saveProfile(db, ben, id, changed)).toBe(false);
    expect(await saveProfile(db, ana, id, changed)).toBe(true);
    expect((await listProfiles(db, ana)).map((d) => d.name)).toEqual(["Our eight"]);
    expect(await listProfiles(db, ben)).toEqual([]);
    expect(await deleteProfile(db, ben, id)).toBe(false);
    expect(await deleteProfile(db, ana, id)).toBe(true);
    expect(await listProfiles(db, ana)).toEqual([]);
  });
});
