import { eq } from "drizzle-orm";
import { afterAll, beforeAll, expect, it } from "vitest";
import type { Db } from "./client";
import { clubsOf, type Club } from "./clubs";
import { listEditions } from "./editions";
import { openLink, protectedOnLink } from "./links";
import { listOwnDrills, workOutOwnStresses } from "./own-drills";
import { countUnseenPain, listFeedback } from "./feedback";
import { keepCheckIn } from "./runs";
import { coach, link } from "./schema";
import { findSession, listSessions } from "./sessions";
import { listGroupsWithPeople } from "./groups";
import { findMarkedSetting } from "./session-setting";
import { earlierDatabase, TEST_SECRET } from "./testing";
import { linkToken } from "./tokens";
import { asKnownToday, levelsUsed } from "~/core/edition/today";
import { insteadOf } from "~/core/group/instead";
import { allProtections, protectionsOf } from "~/core/group/protect";
import { readSession } from "~/core/session/read";
import { DRILLS, drillById } from "~/library";
import { drawnDrillById } from "~/library/drawn";

/*
 * What a Mapset of November 2026 left: the demo club with its editions, links and check-ins, and a drill of a coach's own, from
 * before areas were worked out.
 */
let db: Db;
let end: () => Promise<void>;
let demo: Club;

async function clubOf(from: Db, email: string): Promise<Club> {
  const [account] = await from.select({ id: coach.id }).from(coach).where(eq(coach.email, email));
  return (await clubsOf(from, account!.id))[0]!.club;
}

beforeAll(async () => {
  ({ db, end } = await earlierDatabase("2026-11-25.sql.gz"));
  demo = await clubOf(db, "coach@kestrelsound.example");
});
afterAll(() => end());

it("its sessions are there and still right", async () => {
  const sessions = (await listSessions(db, demo)).rows;
  expect(sessions.length).toBeGreaterThan(2);
  for (const { id } of sessions) expect(readSession((await findSession(db, demo, id))!.doc, drillById).ok).toBe(true);
});

it("its coaches are let in as before, without a message", async () => {
  const coaches = await db.select({ verified: coach.emailVerified }).from(coach);
  expect(coaches.length).toBeGreaterThan(0);
  expect(coaches.every((one) => one.verified)).toBe(true);
});

it("what people protected is both sides, keep off", async () => {
  const tern = (await listGroupsWithPeople(db, demo))
    .flatMap((group) => group.athletes)
    .find((one) => one.name === "Tern")!;
  expect(protectionsOf(tern.areas)).toEqual([{ area: "groin-stretch", way: "keep-off" }]);
});

it("its links open, what somebody does instead is found by today's rules, and they can report", async () => {
  const links = await db.select({ id: link.id }).from(link);
  let different = 0;
  for (const { id } of links) {
    const opened = await openLink(db, linkToken(TEST_SECRET, id), false);
    if (!opened || opened === "withdrawn") throw new Error("It does not open");
    const used = levelsUsed(opened.edition.doc);
    const known = new Map(
      opened.edition.doc.drills.map((drill) => [
        drill.id,
        asKnownToday(drill, used.get(drill.id)!, drawnDrillById(drill.id)),
      ]),
    );
    for (const [drill, levels] of used)
      for (const level of levels) expect(known.get(drill)!.levels[level].stress?.drawn, `${drill} ${level}`).toBe(true);
    for (const { id: athleteId, name } of opened.athletes) {
      const found = await protectedOnLink(db, opened, athleteId);
      if (!found) throw new Error(`${name} is not on the list`);
      different += insteadOf(opened.edition.doc.session, allProtections(found, found.setting), {
        drills: (one) => known.get(one),
        offered: DRILLS,
      }).length;
    }
    expect(
      await keepCheckIn(db, opened, {
        run: { key: crypto.randomUUID(), person: { athleteId: null, name: "New" }, shareDone: 1, finished: true },
        hard: 3,
        tightness: [],
        pain: false,
        painWhere: "",
        note: "",
      }),
    ).toBe(true);
  }
  expect(links.length).toBeGreaterThan(2);
  expect(different).toBeGreaterThan(0);
});

it("its editions are no other for having kept the coach's notes", async () => {
  for (const { id, title } of await listSessions(db, demo).then(({ rows }) =>
    rows.map((one) => ({ id: one.id, title: one.title })),
  )) {
    const [newest] = (await listEditions(db, demo, id, TEST_SECRET)).editions;
    if (newest) expect([title, newest.current]).toEqual([title, true]);
  }
});

it("what was heard is listed, with pain first and not seen", async () => {
  expect(await countUnseenPain(db, demo)).toBeGreaterThan(0);
  expect((await listFeedback(db, demo, null, 1, { only: "unseen pain" }))[0]?.checkIn).toMatchObject({
    pain: true,
    seenAt: null,
  });
});

it("own drills are worked out once, and until then are nobody's answer", async () => {
  const ana = await clubOf(db, "ana@club.example");
  const stress = async () => (await listOwnDrills(db, ana))[0]!.doc.levels.standard.stress;
  expect(await stress()).toBeUndefined();
  expect(await workOutOwnStresses(db)).toBe(1);
  expect((await stress())?.drawn).toBe(true);
  expect(await workOutOwnStresses(db)).toBe(0);
});

it("what was chosen of a session's group is known by the name it has today", async () => {
  const { db: later, end: close } = await earlierDatabase("2026-11-28.sql.gz");
  try {
    const club = await clubOf(later, "coach@kestrelsound.example");
    for (const { id } of (await listSessions(later, club)).rows) {
      const found = await findMarkedSetting(later, club, id);
      expect(found?.setting.groupId).not.toBeNull();
      expect(Object.keys(found!.marks).sort()).toEqual(["accepted", "demandId", "groupId"]);
      expect(found!.marks.groupId?.revision).toBe(1);
    }
  } finally {
    await close();
  }
});
