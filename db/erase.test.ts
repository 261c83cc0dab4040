import { eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { turnClock } from "~/core/clock/clock";
import { makeEdition } from "~/core/edition/edition";
import { readSession } from "~/core/session/read";
import { drillById } from "~/library";
import { makeAccount, openAccounts, type Accounts } from "./accounts";
import type { Db } from "./client";
import { addClub, clubsOf, type Club } from "./clubs";
import { handOut } from "./editions";
import { openLink } from "./links";
import { eraseAccount, eraseClub, isPasswordOf, whatLeaves } from "./erase";
import { changeMember, listMembers, setClubZone, setKeepMonths } from "./members";
import { writeTo } from "./messages";
import { countOlder, dropOldReports } from "./old-reports";
import { countUnseenPain, listFeedback } from "./feedback";
import { keepCheckIn, setRemoved, setSeen } from "./runs";
import { coach, group, message, run, signIn, trainingSession } from "./schema";
import { addSession } from "./sessions";
import { addPeople, addGroup } from "./groups";
import { freshDatabase, TEST_SECRET } from "./testing";

let db: Db, accounts: Accounts, ana: Club, ben: Club, end: () => Promise<void>;
beforeAll(async () => {
  ({ db, ana, ben, end } = await freshDatabase());
  accounts = openAccounts(db, { secret: TEST_SECRET, baseUrl: "http://127.0.0.1:1" });
});
afterAll(() => end());

/** A club with something of everything in it that erasing has to find; returns what its link's token is. */
async function filled(club: Club): Promise<{ token: string; report: (at: string, pain: boolean) => Promise<string> }> {
  const read = readSession(
    {
      format: "mapset/session",
      version: 1,
      title: "Legs",
      purpose: "off-day",
      blocks: [{ title: "One", items: [{ drill: "cat-camel", dose: { kind: "time", seconds: 30 } }] }],
    },
    drillById,
  );
  if (!read.ok) throw new Error("bad");
  const group = await addGroup(db, club, "Crew");
  await addPeople(db, club, group, ["Moss", "Tern"]);
  const id = await addSession(db, club, read.value, 90, { groupId: group });
  const out = (await handOut(db, club, id, makeEdition(read.value, drillById), 90, group, TEST_SECRET))!;
  const link = await openLink(db, out.token, false);
  if (!link || link === "withdrawn") throw new Error("no link");
  return {
    token: out.token,
    report: async (at, pain) => {
      const key = crypto.randomUUID();
      await keepCheckIn(
        db,
        link,
        {
          run: { key, person: { athleteId: null, name: at }, shareDone: 1, finished: true },
          hard: 3,
          tightness: [],
          pain,
          painWhere: "",
          note: "",
        },
        { at: new Date(at) },
      );
      return (await db.select({ id: run.id }).from(run).where(eq(run.clientKey, key)))[0]!.id;
    },
  };
}

const tables = [
  "group",
  "person",
  "membership",
  "training_session",
  "edition",
  "edition_drill",
  "link",
  "run",
  "check_in",
  "entry",
  "member",
  "invitation",
];
const countIn = async (club: Club) =>
  Object.fromEntries(
    await Promise.all(
      tables.map(
        async (table) =>
          [
            table,
            Number(
              (
                await db.execute<{ n: string }>(
                  sql`select count(*) as n from ${sql.identifier(table)} where club_id = ${club.id}`,
                )
              ).rows[0]!.n,
            ),
          ] as const,
      ),
    ),
  );
const password = "a long enough password";
const account = (name: string) => makeAccount(db, accounts, { name, email: `${name}@club.example`, password });

describe("erasing a club", () => {
  it("leaves nothing of it, everything of others, and its coaches' accounts", async () => {
    const { id, club } = await account("eve");
    const { token } = await filled(club);
    await filled(ben);
    const bens = await countIn(ben);
    await eraseClub(db, club);
    expect(Object.values(await countIn(club)).every((n) => n === 0)).toBe(true);
    expect(await countIn(ben)).toEqual(bens);
    expect(await openLink(db, token, false)).toBeUndefined();
    expect(await db.$count(coach, eq(coach.id, id))).toBe(1);
  });
});

describe("erasing an account", () => {
  it("needs the password that is theirs", async () => {
    const { id } = await account("finn");
    expect([
      await isPasswordOf(db, accounts, id, password),
      await isPasswordOf(db, accounts, id, "another long password"),
      await isPasswordOf(db, accounts, "nobody", password),
    ]).toEqual([true, false, false]);
  });
  it("takes along clubs with nobody else in them, when these are named, and leaves the others what was made", async () => {
    const { id, club } = await account("gil");
    await filled(club);
    const shared = await addClub(db, (await account("hal")).id, "Shared");
    await db.execute(sql`insert into member (club_id, coach_id, role) values (${shared.id}, ${id}, 'coach')`);
    const as = (await clubsOf(db, id)).find((one) => one.club.id === shared.id)!.club;
    await addGroup(db, as, "Made by Gil");
    await writeTo(db, "gil@club.example", "one", { kind: "welcome", subject: "s", body: "b" } as never);
    expect(await whatLeaves(db, id)).toMatchObject({
      stay: [{ name: "Shared" }],
      ownerless: [],
      alone: [{ name: "gil", sessions: 1, people: 2, reports: 0, unseenPain: 0 }],
    });
    // Not named, or another named: nothing is done.
    expect([
      await eraseAccount(db, id, []),
      await eraseAccount(db, id, [shared.id]),
      await eraseAccount(db, id, [club.id, shared.id]),
    ]).toEqual([false, false, false]);
    expect(await db.$count(trainingSession, eq(trainingSession.clubId, club.id))).toBe(1);
    expect(await eraseAccount(db, id, [club.id])).toBe(true);
    expect(Object.values(await countIn(club)).every((n) => n === 0)).toBe(true);
    expect(
      await db.select({ name: group.name, madeBy: group.madeBy }).from(group).where(eq(group.clubId, shared.id)),
    ).toEqual([{ name: "Made by Gil", madeBy: null }]);
    expect([
      await db.$count(coach, eq(coach.id, id)),
      await db.$count(signIn, eq(signIn.userId, id)),
      await db.$count(message, eq(message.recipient, "gil@club.example")),
    ]).toEqual([0, 0, 0]);
    expect(await eraseAccount(db, id, [])).toBe(false);
  });
  it("is not done while a club would be left without an owner", async () => {
    const owner = await account("ida");
    const other = await account("jon");
    await db.execute(sql`insert into member (club_id, coach_id, role) values (${owner.club.id}, ${other.id}, 'coach')`);
    expect((await whatLeaves(db, owner.id)).ownerless).toEqual([{ id: owner.club.id, name: "ida" }]);
    expect(await eraseAccount(db, owner.id, [])).toBe(false);
    await changeMember(db, owner.club, other.id, "owner");
    expect(await eraseAccount(db, owner.id, [])).toBe(true);
    expect((await listMembers(db, owner.club)).map((one) => one.name)).toEqual(["jon"]);
  });
});

describe("old reports", () => {
  it("go once they are older than the club keeps them by its calendar, and never with pain that nobody has seen to", async () => {
    // Noon of the 15th of January 2029, by a clock that is turned: two months back is the 15th of November, by Auckland's calendar the 16th.
    const back = turnClock(Date.UTC(2029, 0, 15, 12) - Date.now());
    try {
      await setKeepMonths(db, ana, 2);
      await setClubZone(db, ana, "Pacific/Auckland");
      const { report } = await filled(ana);
      // Midnight of the 16th in Auckland is eleven in the morning of the 15th, UTC.
      const [older, newer, unseen, seen, off] = [
        await report("2028-11-15T10:59:59Z", false),
        await report("2028-11-15T11:00:00Z", false),
        await report("2025-01-01T00:00:00Z", true),
        await report("2025-01-02T00:00:00Z", true),
        await report("2025-01-03T00:00:00Z", true),
      ];
      await setSeen(db, ana, seen, true);
      await setRemoved(db, ana, off, true);
      expect([
        await countOlder(db, ana, 2, "Pacific/Auckland"),
        await countOlder(db, ana, 2, "UTC"),
        await countOlder(db, ana, 120, "UTC"),
      ]).toEqual([2, 1, 0]);
      const bens = await db.$count(run, eq(run.clubId, ben.id));
      expect(await dropOldReports(db)).toBe(2);
      const left = new Set(
        (await db.select({ id: run.id }).from(run).where(eq(run.clubId, ana.id))).map((one) => one.id),
      );
      expect([older, newer, unseen, seen, off].map((id) => left.has(id))).toEqual([false, true, true, false, true]);
      expect((await listFeedback(db, ana, null, 1, { only: "unseen pain" }))[0]!.runId).toBe(unseen);
      expect(await countUnseenPain(db, ana)).toBe(1);
      expect(await db.$count(run, eq(run.clubId, ben.id))).toBe(bens);
      // Once somebody has seen to it, it is as old as the others.
      await setSeen(db, ana, unseen, true);
      expect(await dropOldReports(db)).toBe(1);
    } finally {
      back();
    }
  });
  it("are kept for 24 months where nothing is said", async () => {
    const back = turnClock(Date.UTC(2030, 5, 15, 12) - Date.now());
    try {
      await setClubZone(db, ben, "UTC");
      const { report } = await filled(ben);
      await report("2028-06-14T23:59:59Z", false);
      const stays = await report("2028-06-15T00:00:01Z", false);
      await dropOldReports(db);
      expect((await db.select({ id: run.id }).from(run).where(eq(run.clubId, ben.id))).map((one) => one.id)).toEqual([
        stays,
      ]);
    } finally {
      back();
    }
  });
});
