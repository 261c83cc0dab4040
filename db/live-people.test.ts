import { and, eq, ne, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { turnClock } from "~/core/clock/clock";
import type { CheckIn } from "~/core/checkin/schema";
import { editionDrills } from "~/core/edition/edition";
import type { Command, Pressed } from "~/core/live/commands";
import { NOTHING_OWN } from "~/core/player/mine";
import { compile } from "~/core/timeline/compile";
import type { Db } from "./client";
import { clubsOf, type Club } from "./clubs";
import { handOut } from "./editions";
import { addGroup, addPeople } from "./groups";
import { hurtTogether, painsOf } from "./feedback";
import { editionOf, linkOf, type LinkFound } from "./links";
import { addCommand, endOldClasses, givePass, startClass } from "./live";
import {
  classesOf,
  classRecord,
  closeClass,
  closeOldClasses,
  hurtIn,
  keepVersion,
  keptVersion,
  noticePain,
  pacesOfClub,
  peopleOfClass,
  runsOfClass,
  sayFor,
  setHere,
  setOthers,
  versionOf,
} from "./live-people";
import { dropOldReports } from "./old-reports";
import { keepCheckIn, keepProgress, setSeen } from "./runs";
import { checkIn, coach, edition, run } from "./schema";
import { earlierDatabase, TEST_SECRET } from "./testing";

let db: Db;
let end: () => Promise<void>;
let ana: Club;
let ben: Club;
let groupId: string;
let editionId: string;
let opened: LinkFound;
let seconds: number;
beforeAll(async () => {
  ({ db, end } = await earlierDatabase("2026-11-27.sql.gz"));
  const [who] = await db.select({ id: coach.id }).from(coach).where(eq(coach.email, "ana@club.example"));
  ana = (await clubsOf(db, who!.id))[0]!.club;
  const others = await db.select({ id: coach.id }).from(coach).where(ne(coach.email, "ana@club.example"));
  ben = (await clubsOf(db, others[0]!.id))[0]!.club;
  const [one] = await db
    .select({ id: edition.id, session: edition.sessionId })
    .from(edition)
    .where(eq(edition.clubId, ana.id));
  const doc = await editionOf(db, { club: ana, edition: one! });
  seconds = compile(doc.session, editionDrills(doc)).totalSeconds;
  groupId = await addGroup(db, ana, "Juniors");
  await addPeople(db, ana, groupId, ["Moss", "Pip", "Tern"]);
  const handed = await handOut(db, ana, one!.session, doc, seconds, groupId, TEST_SECRET);
  editionId = handed!.editionId;
  opened = (await linkOf(db, handed!.token))!.opened;
});
afterAll(() => end());

const start = async (): Promise<string> => (await startClass(db, ana, { editionId, groupId }, TEST_SECRET))!;
const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;
let keys = 1000;
const press = (command: Command): Pressed => ({ key: uuid(++keys), seen: 0, on: null, command });
const idOf = (name: string) => opened.athletes.find((one) => one.name === name)!.id;
const progress = (name: string, inClass: string | undefined, more: object = {}) => ({
  key: uuid(++keys),
  person: { athleteId: idOf(name), name },
  shareDone: 0.5,
  finished: false,
  ...(inClass && { inClass }),
  ...more,
});
const saying = (run: ReturnType<typeof progress>, more: Partial<CheckIn> = {}): CheckIn => ({
  ...{ run, hard: null, tightness: [], pain: false, painWhere: "", note: "" },
  ...more,
});
const place = { drill: "cat-camel", name: "Cat–camel", number: 1, second: 12 };

describe("who is in a class", () => {
  it("is whose phone joined, and who was ticked: a tick counts for more", async () => {
    const id = await start();
    await givePass(db, ana, id, { kind: "athlete", personId: idOf("Moss") });
    await givePass(db, ana, id, { kind: "athlete", personId: null });
    expect(await setHere(db, ana, id, idOf("Pip"), true)).toBe(true);
    expect(await setHere(db, ana, id, idOf("Moss"), false)).toBe(true);
    expect(await setHere(db, ana, id, uuid(1), true)).toBe(false);
    expect(await setOthers(db, ana, id, 250)).toBe(true);
    expect(await peopleOfClass(db, ana, id)).toMatchObject({
      here: [
        { name: "Moss", joined: true, here: false },
        { name: "Pip", joined: false, here: true },
        { name: "Tern", joined: false, here: false },
      ],
      strangers: 1,
      others: 200,
      hurts: [],
    });
  });
  it("is told of a run only where the class is the link’s group’s", async () => {
    const id = await start();
    await keepProgress(db, opened, progress("Tern", id));
    await keepProgress(db, opened, progress("Tern", uuid(7)));
    const runs = await runsOfClass(db, ana, id);
    expect(runs.map(({ name, shareDone }) => [name, shareDone])).toEqual([["Tern", 0.5]]);
  });
});

describe("pain that a phone tells in a class", () => {
  it("is there for whoever leads at once, stays whatever is said later, and is to be looked at again when more is said", async () => {
    const id = await start();
    const one = progress("Pip", id);
    const early = saying(one, { pain: true });
    expect(await keepCheckIn(db, opened, early, { painPlaces: new Map([["", place]]) })).toBe(true);
    expect((await peopleOfClass(db, ana, id)).hurts).toMatchObject([{ name: "Pip", drill: "Cat–camel" }]);
    expect((await hurtIn(db, ana, id, idOf("Pip"))).map(({ drill }) => drill)).toEqual(["cat-camel"]);
    const [kept] = await db.select({ id: run.id }).from(run).where(eq(run.clientKey, one.key));
    await setSeen(db, ana, kept!.id, true);
    // Sent twice, nothing changes; with more, what was open is filled in and nothing is taken back.
    expect(await keepCheckIn(db, opened, early)).toBe(false);
    const seen = async () => (await db.select().from(checkIn).where(eq(checkIn.runId, kept!.id)))[0]!;
    expect((await seen()).seenAt).not.toBeNull();
    await keepCheckIn(
      db,
      opened,
      saying({ ...one, shareDone: 0.9 }, { hard: 7, pain: false, painWhere: "", note: "ok" }),
    );
    expect(await seen()).toMatchObject({ effort: 7, pain: true, note: "ok" });
    const pains = async () => (await painsOf(db, ana, [kept!.id])).get(kept!.id);
    expect(await pains()).toMatchObject([{ where: null, place }]);
    expect((await seen()).seenAt).not.toBeNull();
    await keepCheckIn(db, opened, saying(one, { hard: 2, pain: true, painWhere: "left knee" }));
    expect(await seen()).toMatchObject({ effort: 7, pain: true, seenAt: null });
    expect(await pains()).toMatchObject([{ where: "left knee", place, seenAt: null }]);
    // Of what was said first nothing becomes something else, and nothing of what hurts is lost.
    await setSeen(db, ana, kept!.id, true);
    await keepCheckIn(db, opened, saying(one, { hard: 1, pain: true, painWhere: "elsewhere", note: "no" }));
    expect(await seen()).toMatchObject({ effort: 7, note: "ok", seenAt: null });
    expect(await pains()).toMatchObject([
      { where: "left knee", place, seenBy: "Ana" },
      { where: "elsewhere", place: null, seenAt: null },
    ]);
    expect((await runsOfClass(db, ana, id))[0]).toMatchObject({
      name: "Pip",
      pain: true,
      pains: [
        { where: "left knee", drill: "Cat–camel" },
        { where: "elsewhere", drill: null },
      ],
    });
  });
  it("is each thing that hurts by itself, in its drill, and seen by one who leads it is seen for all", async () => {
    const id = await start();
    const run1 = progress("Pip", id);
    const told = (n: number, over: object = {}) => ({
      ...{ key: uuid(n), at: { block: 0, item: n, drill: `d${n}` }, where: "", said: undefined },
      ...over,
    });
    const placeOf = (n: number) => ({
      drill: `d${n}`,
      name: `Drill ${n}`,
      number: n,
      second: n * 36,
      exact: true as const,
    });
    const send = (pains: ReturnType<typeof told>[], places: number[]) =>
      keepCheckIn(db, opened, saying(run1, { pain: true, pains }), {
        painPlaces: new Map(places.map((n) => [uuid(n), placeOf(n)])),
      });
    await send([told(1)], [1]);
    await send([told(7)], [7]);
    // The same once more, and in the other order, is the same.
    await send([told(7), told(1)], [1, 7]);
    const hurts = async () => (await peopleOfClass(db, ana, id)).hurts;
    expect((await hurts()).map(({ drill }) => drill).sort()).toEqual(["Drill 1", "Drill 7"]);
    expect((await hurtIn(db, ana, id, idOf("Pip"))).map(({ second }) => second).sort()).toEqual([252, 36]);
    const [one] = await hurts();
    expect(await noticePain(db, ben, id, one!.run, one!.id)).toBe(false);
    expect(await noticePain(db, ana, id, one!.run, uuid(9))).toBe(false);
    expect(await noticePain(db, ana, id, one!.run, one!.id)).toBe(true);
    expect((await hurts()).map((each) => [each.id === one!.id, each.noticed])).toEqual([
      [false, false],
      [true, true],
    ]);
    // Afterwards each has its own place in the body; nothing of one goes to the other.
    await send([told(1, { where: "left knee" }), told(7, { where: "right wrist" })], [1, 7]);
    const kept = (await painsOf(db, ana, [one!.run])).get(one!.run)!;
    expect(Object.fromEntries(kept.map(({ where, place: at }) => [at!.name, where]))).toEqual({
      "Drill 1": "left knee",
      "Drill 7": "right wrist",
    });
    // Somebody else in the same drill: two people, whoever told how often; nothing of it in another club.
    const since = new Date(0);
    expect((await hurtTogether(db, ana, { since })).map(({ drill }) => drill)).not.toContain("d7");
    await keepCheckIn(
      db,
      opened,
      saying(progress("Tern", id), { pain: true, pains: [{ ...told(8), at: { block: 0, item: 7, drill: "d7" } }] }),
      { painPlaces: new Map([[uuid(8), placeOf(7)]]) },
    );
    const both = { drill: "d7", name: "Drill 7", people: 2 };
    expect(await hurtTogether(db, ana, { since })).toContainEqual(both);
    expect(await hurtTogether(db, ana, { since, drills: ["d7", "d9"] })).toEqual([both]);
    expect(await hurtTogether(db, ana, { since, drills: ["d1"] })).toEqual([]);
    expect(await hurtTogether(db, ana, { since: new Date(Date.now() + 1000) })).toEqual([]);
    expect(await hurtTogether(db, ben, { since })).toEqual([]);
    // What was told stays, also where it is told of without any.
    await keepCheckIn(db, opened, saying(run1, { pain: false }));
    expect((await painsOf(db, ana, [one!.run])).get(one!.run)).toHaveLength(2);
  });
});

describe("what somebody does instead in a class", () => {
  it("is kept until what it is worked out from is otherwise", async () => {
    const id = await start();
    const of = versionOf([["kneeling"], 1]);
    expect(versionOf([["kneeling"], 2])).not.toBe(of);
    const doc = { ...NOTHING_OWN, athleteId: idOf("Moss") };
    await keepVersion(db, ana, id, idOf("Moss"), { of, doc });
    expect(await keptVersion(db, ana, id, idOf("Moss"), of)).toEqual(doc);
    expect(await keptVersion(db, ana, id, idOf("Moss"), versionOf(2))).toBeUndefined();
    expect(await keptVersion(db, ana, id, idOf("Pip"), of)).toBeUndefined();
  });
});

describe("a class that is over", () => {
  it("is written down once its end can’t be taken back: runs of who had no phone, and its pace", async () => {
    const id = await start();
    await setHere(db, ana, id, idOf("Moss"), true);
    await setHere(db, ana, id, idOf("Tern"), true);
    await keepProgress(db, opened, progress("Tern", id, { shareDone: 0.8 }));
    await addCommand(db, ana, id, press({ do: "go" }));
    const turnBack = turnClock(seconds * 500);
    await addCommand(db, ana, id, press({ do: "end" }));
    expect(await closeClass(db, ana, id)).toBe(false);
    const later = turnClock(seconds * 500 + 25_000);
    expect(await closeClass(db, ana, id)).toBe(true);
    expect(await closeClass(db, ana, id)).toBe(false);
    const runs = await runsOfClass(db, ana, id);
    expect(runs.map(({ name }) => name)).toEqual(["Moss", "Tern"]);
    // About half of it was run; who had a phone has what that told.
    expect(runs[0]!.shareDone).toBeGreaterThan(0.3);
    expect(runs[0]!.shareDone).toBeLessThan(0.75);
    expect(runs[1]!.shareDone).toBe(0.8);
    const record = await classRecord(db, ana, id);
    expect(record?.groupName).toBe("Juniors");
    expect(record?.closedAt).toBeInstanceOf(Date);
    expect((await pacesOfClub(db, ana)).map((one) => one.groupId)).toContain(groupId);
    expect((await classesOf(db, ana, groupId, 1))[0]).toMatchObject({ id, people: 2 });
    // What they told their coach is written down for them; pain stays.
    const moss = runs[0]!.id;
    expect(await sayFor(db, ana, id, moss, { effort: 6, pain: true, painWhere: "wrist" })).toBe(true);
    expect(await sayFor(db, ana, id, moss, { effort: null, pain: false, painWhere: "" })).toBe(true);
    expect((await runsOfClass(db, ana, id))[0]).toMatchObject({ effort: 6, pain: true, pains: [{ where: "wrist" }] });
    expect(await sayFor(db, ana, id, uuid(9), { effort: 1, pain: false, painWhere: "" })).toBe(false);
    later();
    turnBack();
  });
  it("is one run for each person, whoever tells of it first and by however many phones", async () => {
    const id = await start();
    for (const command of [{ do: "go" }, { do: "end" }] as const) await addCommand(db, ana, id, press(command));
    await db.execute(sql`update live_command set "from" = "from" - 300000 where class_id = ${id} and n = 1`);
    await setHere(db, ana, id, idOf("Moss"), true);
    await setHere(db, ana, id, idOf("Pip"), true);
    // One has two phones, and both at once.
    const two = [progress("Pip", id, { shareDone: 0.3 }), progress("Pip", id, { shareDone: 0.6 })];
    const ids = await Promise.all(two.map((one) => keepProgress(db, opened, one)));
    expect(new Set(ids).size).toBe(1);
    const back = turnClock(60_000);
    expect(await closeClass(db, ana, id)).toBe(true);
    const names = async () => (await runsOfClass(db, ana, id)).map(({ name, shareDone }) => [name, shareDone]);
    expect((await names()).map(([name]) => name)).toEqual(["Moss", "Pip"]);
    // The other was ticked, and their phone finds a connection later: the same run, which is theirs from now on, and of which nothing becomes less.
    const late = progress("Moss", id, { shareDone: 0.9, finished: true });
    await keepCheckIn(db, opened, saying(late, { hard: 5, pain: true, painWhere: "shin" }));
    await keepProgress(db, opened, late);
    expect(await names()).toEqual([
      ["Moss", 1],
      ["Pip", 0.6],
    ]);
    expect((await runsOfClass(db, ana, id))[0]).toMatchObject({ effort: 5, pains: [{ where: "shin" }] });
    // In another class, or on their own, it is another.
    const other = await start();
    await keepProgress(db, opened, progress("Moss", other));
    await keepProgress(db, opened, progress("Moss", undefined));
    expect(await db.$count(run, and(eq(run.clubId, ana.id), eq(run.personId, idOf("Moss"))))).toBeGreaterThanOrEqual(3);
    back();
  });
  it("is written down whatever is wrong with another, of whichever club", async () => {
    const damaged = await start();
    const good = await start();
    for (const id of [damaged, good]) {
      await addCommand(db, ana, id, press({ do: "go" }));
      await addCommand(db, ana, id, press({ do: "end" }));
    }
    // As from an archive of before: ended first, and nothing that can be folded.
    await db.execute(
      sql`update live_command set command = '{"do":"rest","after":"0","words":"","segments":[{"kind":"work"}],"cuts":[null]}' where class_id = ${damaged} and n = 1`,
    );
    await db.execute(sql`update live_command set command = '"x"' where class_id = ${damaged} and n = 2`);
    await db.execute(sql`update live_class set ended_at = now() - interval '2 minutes' where id = ${damaged}`);
    await db.execute(sql`update live_class set ended_at = now() - interval '1 minute' where id = ${good}`);
    const told: unknown[] = [];
    for (let i = 0; i < 7; i++) await closeOldClasses(db, (error) => told.push(error));
    const closed = async (id: string) => (await classRecord(db, ana, id))?.closedAt !== null;
    expect([await closed(good), await closed(damaged)]).toEqual([true, false]);
    // Tried some times, and told of each time; then no more.
    expect(told).toHaveLength(5);
  });
  it("keeps who was ticked as long as reports are kept, and what they did instead for a day", async () => {
    const id = await start();
    await setHere(db, ana, id, idOf("Pip"), true);
    await keepVersion(db, ana, id, idOf("Pip"), { of: "x", doc: NOTHING_OWN });
    await addCommand(db, ana, id, press({ do: "go" }));
    await addCommand(db, ana, id, press({ do: "end" }));
    await dropOldReports(db);
    await endOldClasses(db);
    expect((await peopleOfClass(db, ana, id)).here.find(({ name }) => name === "Pip")!.here).toBe(true);
    expect(await keptVersion(db, ana, id, idOf("Pip"), "x")).toBeDefined();
    const day = turnClock(25 * 3_600_000);
    await endOldClasses(db);
    expect(await keptVersion(db, ana, id, idOf("Pip"), "x")).toBeUndefined();
    day();
    const years = turnClock(5 * 365 * 24 * 3_600_000);
    await dropOldReports(db);
    expect((await peopleOfClass(db, ana, id)).here.find(({ name }) => name === "Pip")!.here).toBe(false);
    years();
  });
  it("is written down by the next sweep where its server was stopped", async () => {
    const id = await start();
    await addCommand(db, ana, id, press({ do: "go" }));
    await addCommand(db, ana, id, press({ do: "end" }));
    await closeOldClasses(db);
    expect((await classRecord(db, ana, id))!.closedAt).toBeNull();
    const turnBack = turnClock(30_000);
    await closeOldClasses(db);
    expect((await classRecord(db, ana, id))!.closedAt).not.toBeNull();
    turnBack();
  });
});
