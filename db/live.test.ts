import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { turnClock } from "~/core/clock/clock";
import type { Command, Pressed } from "~/core/live/commands";
import type { Db } from "./client";
import { clubsOf, type Club } from "./clubs";
import {
  addApart,
  addCommand,
  classOfCode,
  endOldClasses,
  findClass,
  givePass,
  listCommands,
  openClasses,
  passOf,
  renewWallCode,
  shownWallCode,
  runningFor,
  startClass,
} from "./live";
import { coach, edition, entry, livePass } from "./schema";
import { earlierDatabase, TEST_SECRET } from "./testing";
import { wallCode, WALL_SIGNS } from "./tokens";

let db: Db;
let end: () => Promise<void>;
let ana: Club;
let ben: Club;
let editionId: string;
beforeAll(async () => {
  ({ db, end } = await earlierDatabase("2026-11-27.sql.gz"));
  const [who] = await db.select({ id: coach.id }).from(coach).where(eq(coach.email, "ana@club.example"));
  ana = (await clubsOf(db, who!.id))[0]!.club;
  const [other] = await db.select({ id: coach.id }).from(coach).where(eq(coach.email, "ben@club.example"));
  ben = (await clubsOf(db, other!.id))[0]!.club;
  editionId = (await db.select({ id: edition.id }).from(edition).where(eq(edition.clubId, ana.id)))[0]!.id;
});
afterAll(() => end());

const start = async (): Promise<string> => (await startClass(db, ana, { editionId, groupId: null }, TEST_SECRET))!;
let keys = 0;
const press = (command: Command, more: Partial<Pressed> = {}): Pressed => ({
  key: `00000000-0000-4000-8000-${String(++keys).padStart(12, "0")}`,
  seen: 0,
  on: null,
  command,
  ...more,
});

describe("the commands of a class", () => {
  it("are numbered without a gap in the order they came, however many come at once", async () => {
    const id = await start();
    const answers = await Promise.all(
      Array.from({ length: 24 }, () => addCommand(db, ana, id, press({ do: "more", seconds: 15 }))),
    );
    expect(answers.every(({ kind }) => kind === "added")).toBe(true);
    const all = await listCommands(db, ana, id);
    expect(all.map(({ n }) => n)).toEqual(Array.from({ length: 24 }, (_, i) => i + 1));
    expect(all.every(({ from }, i) => i === 0 || from >= all[i - 1]!.from)).toBe(true);
    expect(await listCommands(db, ana, id, 20)).toHaveLength(4);
  });
  it("count once however often one is sent, at once or later, and are answered with what it was given", async () => {
    const id = await start();
    const one = press({ do: "go" });
    const answers = await Promise.all(Array.from({ length: 6 }, () => addCommand(db, ana, id, one)));
    const later = await addCommand(db, ana, id, one);
    const given = [...answers, later].map((answer) => (answer.kind === "added" ? answer.sent[0] : answer.kind));
    expect(new Set(given.map((sent) => JSON.stringify(sent))).size).toBe(1);
    expect(await listCommands(db, ana, id)).toHaveLength(1);
  });
  it("take effect half a second after they come, by this server’s clock", async () => {
    const id = await start();
    const before = Date.now();
    const answer = await addCommand(db, ana, id, press({ do: "go" }));
    const from = answer.kind === "added" ? answer.sent[0]!.from : 0;
    expect(from).toBeGreaterThanOrEqual(before + 500);
    expect(from).toBeLessThan(Date.now() + 501);
  });
  it("is opened again only by taking back the end that ended it", async () => {
    const id = await start();
    const ended = async () => (await findClass(db, ana, id))!.endedAt !== null;
    await addCommand(db, ana, id, press({ do: "go" }));
    await addCommand(db, ana, id, press({ do: "end" }));
    expect(await ended()).toBe(true);
    for (const of of [1, 3, 99])
      expect(await addCommand(db, ana, id, press({ do: "undo", of }))).toEqual({ kind: "over" });
    expect((await addCommand(db, ana, id, press({ do: "undo", of: 2 }))).kind).toBe("added");
    expect(await ended()).toBe(false);
    // Taken back already, it opens nothing a second time, nor ends anything.
    await addCommand(db, ana, id, press({ do: "undo", of: 2 }));
    expect(await ended()).toBe(false);
    await addCommand(db, ana, id, press({ do: "end" }));
    expect(await ended()).toBe(true);
    expect(await addCommand(db, ana, id, press({ do: "undo", of: 2 }))).toEqual({ kind: "over" });
  });

  it("end with the class, but for taking its end back at once", async () => {
    const id = await start();
    await addCommand(db, ana, id, press({ do: "go" }));
    await addCommand(db, ana, id, press({ do: "end" }));
    expect((await findClass(db, ana, id))!.endedAt).not.toBeNull();
    expect(await addCommand(db, ana, id, press({ do: "next" }))).toEqual({ kind: "over" });
    expect((await addCommand(db, ana, id, press({ do: "undo", of: 2 }))).kind).toBe("added");
    expect((await findClass(db, ana, id))!.endedAt).toBeNull();
    await addCommand(db, ana, id, press({ do: "end" }));
    const turnBack = turnClock(16_000);
    expect(await addCommand(db, ana, id, press({ do: "undo", of: 4 }))).toEqual({ kind: "over" });
    turnBack();
  });
  it("that were pressed apart come in at their own times, or not at all", async () => {
    const id = await start();
    await addCommand(db, ana, id, press({ do: "go" }));
    const at = Date.now() + 1000;
    const turnBack = turnClock(60_000);
    const apart = [
      { ...press({ do: "next" }, { seen: 1, on: "0" }), at: at + 5000 },
      { ...press({ do: "hold" }, { seen: 1 }), at: at + 9000 },
    ];
    const answer = await addApart(db, ana, id, apart);
    expect(answer.kind === "added" && answer.sent.map(({ from }) => from)).toEqual([at + 5000, at + 9000]);
    expect(answer.kind === "added" && answer.sent.every((sent) => sent.apart)).toBe(true);
    // Sent once more, as when the answer was lost.
    expect(await addApart(db, ana, id, apart)).toEqual(answer);
    await addCommand(db, ana, id, press({ do: "go" }));
    const late = { ...press({ do: "next" }, { seen: 3 }), at: at + 20_000 };
    expect(await addApart(db, ana, id, [late])).toEqual({ kind: "others" });
    expect(await listCommands(db, ana, id)).toHaveLength(4);
    turnBack();
  });
});

describe("a wall’s code", () => {
  it("opens its class alone, while it runs, until there is another", async () => {
    const [one, other] = [await start(), await start()];
    const code = async (id: string) => wallCode(TEST_SECRET, ana.id, id, (await findClass(db, ana, id))!.wallCode);
    const first = await code(one);
    expect(await shownWallCode(db, ana, (await findClass(db, ana, one))!, TEST_SECRET)).toBe(first);
    // A club that holds a class of the same id has no code of it, and would have another.
    expect(await shownWallCode(db, ben, (await findClass(db, ana, one))!, TEST_SECRET)).toBeUndefined();
    expect(wallCode(TEST_SECRET, ben.id, one, 1)).not.toBe(first);
    expect(first).toMatch(new RegExp(`^[${WALL_SIGNS}]{6}$`));
    expect(new Set(WALL_SIGNS).size).toBe(30);
    expect(WALL_SIGNS).not.toMatch(/[AEIOU1]/);
    expect((await classOfCode(db, first, TEST_SECRET))?.classId).toBe(one);
    expect((await classOfCode(db, await code(other), TEST_SECRET))?.classId).toBe(other);
    expect(await classOfCode(db, first, "another secret than the server’s")).toBeUndefined();
    const token = await givePass(db, ana, one, { kind: "wall", wallCode: 1 });
    expect((await passOf(db, token))?.classId).toBe(one);
    await renewWallCode(db, ana, one, TEST_SECRET);
    expect(await classOfCode(db, first, TEST_SECRET)).toBeUndefined();
    expect(await passOf(db, token)).toBeUndefined();
    const second = await code(one);
    await addCommand(db, ana, one, press({ do: "end" }));
    expect(await classOfCode(db, second, TEST_SECRET)).toBeUndefined();
  });
  it("is kept as nothing it could be told from", async () => {
    const id = await start();
    const code = wallCode(TEST_SECRET, ana.id, id, 1);
    const rows = await db.select().from(entry).where(eq(entry.target, id));
    expect(rows).toHaveLength(1);
    expect(JSON.stringify(rows)).not.toContain(code);
  });
});

it("a class is offered to nobody any more when it must be long over, though nobody ended it", async () => {
  const id = await start();
  await addCommand(db, ana, id, press({ do: "go" }));
  const [{ seconds }] = (await db
    .select({ seconds: edition.totalSeconds })
    .from(edition)
    .where(eq(edition.id, editionId))) as [{ seconds: number }];
  const offered = async () => [
    (await openClasses(db, ana)).some((one) => one.id === id),
    (await runningFor(db, ana, { editionId, groupId: null }))?.id === id,
  ];
  let turnBack = turnClock(seconds * 1000 + 29 * 60_000);
  expect(await offered()).toEqual([true, true]);
  turnBack();
  turnBack = turnClock(seconds * 1000 + 31 * 60_000);
  expect(await offered()).toEqual([false, false]);
  turnBack();
});

it("a class that nobody ends is over after twelve hours, and what opened it is gone a day later", async () => {
  const id = await start();
  const token = await givePass(db, ana, id, { kind: "remote" });
  let turnBack = turnClock(12 * 3_600_000 - 60_000);
  await endOldClasses(db);
  expect((await findClass(db, ana, id))!.endedAt).toBeNull();
  turnBack();
  turnBack = turnClock(12 * 3_600_000 + 60_000);
  await endOldClasses(db);
  expect((await findClass(db, ana, id))!.endedAt).not.toBeNull();
  expect(await addCommand(db, ana, id, press({ do: "go" }))).toEqual({ kind: "over" });
  turnBack();
  turnBack = turnClock(37 * 3_600_000);
  expect(await passOf(db, token)).toBeUndefined();
  await endOldClasses(db);
  expect(await db.select().from(livePass).where(eq(livePass.classId, id))).toEqual([]);
  expect(await db.select().from(entry).where(eq(entry.target, id))).toEqual([]);
  turnBack();
});
