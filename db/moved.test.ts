import { eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Db } from "./client";
import { clubsOf, type Club } from "./clubs";
import { linkOf, openLink, protectedOnLink, tokenOfLink, type OpenLink } from "./links";
import { findRevision, listOwnDrills } from "./own-drills";
import { keepCheckIn, keepProgress } from "./runs";
import { listFolded, listFeedback } from "./feedback";
import { club, coach, entry, group, person, trainingSession } from "./schema";
import { listSessions } from "./sessions";
import { findSetting } from "./session-setting";
import { joinGroup } from "./people";
import { deleteGroup, listOff, listGroupsWithPeople } from "./groups";
import { earlierDatabase, TEST_SECRET } from "./testing";
import { linkToken } from "./tokens";

/*
 * What a Mapset of 27 November 2026 left, with every kind of thing in it, moved to clubs: nothing is lost, said otherwise, or
 * somebody else's.
 */
let db: Db;
let end: () => Promise<void>;
let ana: Club;

type Count = { n: number };
const counted = async (from: Db, table: string, where = "true"): Promise<number> =>
  (await from.execute<Count>(sql.raw(`select count(*)::int n from "${table}" where ${where}`))).rows[0]!.n;
/** What it says now and said before, by the kind of document. */
const DOCUMENTS = {
  training_session: "id::text",
  edition: "id::text",
  own_drill_revision: "drill_id || '-' || number",
  draft_request: "id::text",
};
const documents = async (from: Db, table: string, key: string): Promise<Record<string, unknown>> =>
  Object.fromEntries(
    (await from.execute<{ key: string; doc: unknown }>(sql.raw(`select ${key} as key, doc from "${table}"`))).rows.map(
      (row) => [row.key, row.doc],
    ),
  );

const before: { said: Record<string, Record<string, unknown>>; rows: Record<string, unknown[]> } = {
  said: {},
  rows: {},
};
const rowsOf = async (from: Db, query: string): Promise<unknown[]> => (await from.execute(sql.raw(query))).rows;

beforeAll(async () => {
  ({ db, end } = await earlierDatabase("2026-11-27.sql.gz", async (old) => {
    for (const [table, key] of Object.entries(DOCUMENTS)) before.said[table] = await documents(old, table, key);
    before.said["profile"] = await documents(old, "own_demand", "id::text");
    before.rows["people"] = await rowsOf(
      old,
      "select id, name, areas, team_id as in, archived_at is not null as off from athlete order by id",
    );
    before.rows["check_in"] = await rowsOf(
      old,
      "select run_id, hard as effort, tightness, pain, pain_where, note, sent_at, seen_at from check_in order by run_id",
    );
    before.rows["run"] = await rowsOf(
      old,
      "select id, link_id, client_key, athlete_id as person, name, started_at, finished_at, share_done, folded, removed_at, not_theirs from run order by id",
    );
    before.rows["beside"] = await rowsOf(
      old,
      "select id, team_id as for, demand_id, accepted, locks, choices, template, archived_at, revision from training_session order by id",
    );
    before.rows["links"] = await rowsOf(
      old,
      "select id, edition_id, team_id as for, token_hash, withdrawn_at, openings, uncounted from link order by id",
    );
  }));
  const [account] = await db.select({ id: coach.id }).from(coach).where(eq(coach.email, "ana@club.example"));
  ana = (await clubsOf(db, account!.id))[0]!.club;
});
afterAll(() => end());

describe("nothing is lost", () => {
  it("there is as much of everything as before, and a club for every coach, as its owner", async () => {
    const counts = Object.fromEntries(
      await Promise.all(
        [
          "coach",
          "club",
          "member",
          "group",
          "person",
          "membership",
          "training_session",
          "edition",
          "link",
          "entry",
          "run",
          "check_in",
          "own_drill",
          "own_drill_revision",
          "own_drill_stress",
          "sport_profile",
          "draft_request",
          "message",
          "credential",
          "verification",
        ].map(async (table) => [table, await counted(db, table)] as const),
      ),
    );
    expect(counts).toEqual({
      coach: 4,
      club: 4,
      member: 4,
      group: 5,
      person: 24,
      membership: 24,
      training_session: 7,
      edition: 4,
      link: 5,
      entry: 5,
      run: 20,
      check_in: 16,
      own_drill: 2,
      own_drill_revision: 3,
      own_drill_stress: 3,
      sport_profile: 1,
      draft_request: 2,
      message: 1,
      credential: 3,
      verification: 1,
    });
    expect(await counted(db, "member", "role = 'owner'")).toBe(4);
    expect(await counted(db, "membership", "until is not null")).toBe(1);
  });

  it("every document says what it said", async () => {
    for (const [table, key] of Object.entries(DOCUMENTS))
      expect(await documents(db, table, key)).toEqual(before.said[table]);
    expect(await documents(db, "sport_profile", "id::text")).toEqual(before.said["profile"]);
    expect(Object.values(before.said).every((all) => Object.keys(all).length > 0)).toBe(true);
  });

  it("people, what was reported, what stands beside a session, and links", async () => {
    expect(
      await rowsOf(
        db,
        "select p.id, p.name, p.areas, m.group_id as in, m.until is not null as off from person p join membership m on m.person_id = p.id and m.club_id = p.club_id order by p.id",
      ),
    ).toEqual(before.rows["people"]);
    expect(
      await rowsOf(
        db,
        'select run_id, effort, tightness, pain, p."where" as pain_where, note, sent_at, c.seen_at from check_in c left join pain_report p using (club_id, run_id) order by run_id',
      ),
    ).toEqual(before.rows["check_in"]);
    expect(
      await rowsOf(
        db,
        "select id, link_id, client_key, person_id as person, name, started_at, finished_at, share_done, folded, removed_at, not_theirs from run order by id",
      ),
    ).toEqual(before.rows["run"]);
    expect(
      await rowsOf(
        db,
        "select id, group_id as for, demand_id, accepted, locks, choices, template, archived_at, revision from training_session order by id",
      ),
    ).toEqual(before.rows["beside"]);
    expect(
      await rowsOf(
        db,
        "select l.id, l.edition_id, l.group_id as for, e.token_hash, l.withdrawn_at, l.openings, l.uncounted from link l join entry e on e.target = l.id and e.club_id = l.club_id order by l.id",
      ),
    ).toEqual(before.rows["links"]);
  });

  it("everything of a coach is in one club, and everybody else's in another", async () => {
    for (const table of ["training_session", "edition", "link", "own_drill", "group", "sport_profile", "draft_request"])
      expect([
        table,
        await counted(
          db,
          table,
          `made_by is null or not exists (select 1 from member m where m.coach_id = "${table}".made_by and m.club_id = "${table}".club_id)`,
        ),
      ]).toEqual([table, 0]);
    expect((await listSessions(db, ana)).rows.map(({ title }) => title).sort()).toEqual(["A beginning", "Gigs, quick"]);
    expect(
      await findSetting(db, ana, (await listSessions(db, ana)).rows.find(({ title }) => title === "Gigs, quick")!.id),
    ).toMatchObject({
      choices: [{ does: "rest" }],
      locks: [{ drill: "squat-free" }],
      accepted: [{ reason: "coats will do" }],
    });
  });
});

describe("what was handed out goes on", () => {
  const opened = async (): Promise<OpenLink> => {
    for (const { id } of await db.select({ id: entry.target }).from(entry).where(eq(entry.clubId, ana.id))) {
      const found = await openLink(db, linkToken(TEST_SECRET, id), false);
      if (found && found !== "withdrawn") return found;
    }
    throw new Error("No link of Ana's opens");
  };

  it("its links open, with the people on the list and what they protect; one taken back stays so", async () => {
    const link = await opened();
    expect(link.athletes.map((one) => one.name)).toEqual(["Kit", "Moss", "Quill"]);
    expect(await protectedOnLink(db, link, link.athletes[0]!.id)).toMatchObject({
      areas: [{ area: "knee-bend", side: "left", way: "keep-off" }],
      name: "Harbour masters",
    });
    expect(await tokenOfLink(db, ana, link.id, TEST_SECRET)).toBe(linkToken(TEST_SECRET, link.id));
    const all = await db.select({ id: entry.target }).from(entry).where(eq(entry.clubId, ana.id));
    const states = await Promise.all(
      all.map(async ({ id }) => (await linkOf(db, linkToken(TEST_SECRET, id)))?.withdrawnAt instanceof Date),
    );
    expect(states.sort()).toEqual([false, true]);
  });

  it("a check-in that a device has not sent yet is kept with its run, once", async () => {
    const link = await opened();
    const run = {
      key: "00000000-0000-4000-8000-000000000005",
      person: { athleteId: null, name: "Moss" },
      shareDone: 1,
      finished: true,
    };
    const had = await counted(db, "run");
    expect(await keepProgress(db, link, run)).toBeDefined();
    const told = { run, hard: 6, tightness: [], pain: true, painWhere: "shin", note: "" };
    expect([await keepCheckIn(db, link, told), await keepCheckIn(db, link, told)]).toEqual([true, false]);
    expect(await counted(db, "run")).toBe(had);
    expect(await counted(db, "check_in", "pain and effort = 6")).toBe(1);
    expect(await counted(db, "pain_report", "\"where\" = 'shin'")).toBe(1);
  });

  it("pain that nobody has looked at is still first, what was folded still folded", async () => {
    expect((await listFeedback(db, ana, null, 1, { only: "unseen pain" }))[0]).toMatchObject({
      name: "Kit",
      checkIn: { pain: true, pains: [{ where: "left knee", seenAt: null }], seenAt: null },
    });
    expect(await listFolded(db, ana, null)).toMatchObject([{ runs: 1, uncounted: 3 }]);
  });
});

describe("what a club has outlives who made it, and nobody else's goes with it", () => {
  it("an edition and a revision still never change, but for whoever made them leaving", async () => {
    await expect(db.execute(sql`update edition set total_seconds = 1`)).rejects.toThrow();
    await expect(db.execute(sql`update edition set made_by = (select max(id) from coach)`)).rejects.toThrow();
    await expect(db.execute(sql`update own_drill_revision set doc = doc || '{"name": "other"}'`)).rejects.toThrow();
  });

  it("somebody taken off a list is put back with what they protect", async () => {
    const [gone] = await listOff(db, ana);
    expect(await joinGroup(db, ana, gone!.id, gone!.groupId)).toBe(true);
    expect((await listGroupsWithPeople(db, ana))[0]!.athletes.find((one) => one.name === "Gone")).toMatchObject({
      areas: [{ area: "wrist" }],
    });
  });

  it("a group that is deleted empties what pointed to it, and nothing more", async () => {
    const [one] = await listGroupsWithPeople(db, ana);
    const people = await db.$count(person, eq(person.clubId, ana.id));
    expect(await deleteGroup(db, ana, one!.id)).toBe(true);
    expect(await db.$count(group, eq(group.clubId, ana.id))).toBe(0);
    expect(await db.$count(person, eq(person.clubId, ana.id))).toBe(people);
    expect(people).toBeGreaterThan(0);
    expect(await db.$count(trainingSession, eq(trainingSession.clubId, ana.id))).toBe(3);
    expect((await listFeedback(db, ana, null, 100)).map((one) => one.name)).toContain("Kit");
    expect(await counted(db, "link", `club_id = '${ana.id}' and group_id is null`)).toBe(2);
  });

  it("an account that is deleted leaves the club's things, without saying who made them", async () => {
    await db.delete(coach).where(eq(coach.id, ana.by!));
    expect(await db.$count(trainingSession, eq(trainingSession.clubId, ana.id))).toBe(3);
    expect(await counted(db, "edition", `club_id = '${ana.id}' and made_by is null`)).toBe(1);
    const [drill] = await listOwnDrills(db, ana);
    expect(await findRevision(db, ana, drill!.id, 1)).toMatchObject({ name: "Harbour wall reach" });
    expect(await counted(db, "member", `club_id = '${ana.id}'`)).toBe(0);
  });

  it("a club that is deleted takes everything of it along, and nothing of another", async () => {
    const others = await counted(db, "run", `club_id <> '${ana.id}'`);
    await db.delete(club).where(eq(club.id, ana.id));
    for (const table of [
      "training_session",
      "edition",
      "link",
      "entry",
      "run",
      "check_in",
      "own_drill",
      "own_drill_revision",
      "sport_profile",
      "draft_request",
    ])
      expect([table, await counted(db, table, `club_id = '${ana.id}'`)]).toEqual([table, 0]);
    expect(await counted(db, "run")).toBe(others);
  });
});
