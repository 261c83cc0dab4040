import { and, eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { CheckIn, Progress } from "~/core/checkin/schema";
import { makeEdition } from "~/core/edition/edition";
import { readSession } from "~/core/session/read";
import type { SessionPlan } from "~/core/session/schema";
import { drillById } from "~/library";
import { openAccounts } from "./accounts";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { EDITIONS_A_PAGE, handOut, LINKS_AN_EDITION, listEditions, newestEdition } from "./editions";
import { openLink, protectedOnLink, tokenOfLink, withdrawLink, type OpenLink } from "./links";
import { countRuns, isKnownRun, keepCheckIn, keepProgress, setNotTheirs, setRemoved, setSeen, usualRuns } from "./runs";
import { countUnseen, countUnseenPain, listFolded, listFeedback, summariseFeedback } from "./feedback";
import { checkIn as checkInTable, edition, entry, link, run, signIn } from "./schema";
import { addSession, deleteArchived, findSession, listSessions, saveSession, setArchived } from "./sessions";
import { findPerson, joinGroup, leaveGroup } from "./people";
import {
  addPeople,
  addGroup,
  countPeople,
  deleteGroup,
  listOff,
  listGroupsWithPeople,
  namesOn,
  renamePerson,
  renameGroup,
  setPersonAreas,
} from "./groups";
import { freshDatabase, TEST_SECRET } from "./testing";
import { linkToken, tokenHash } from "./tokens";

let db: Db;
let ana: Club;
let ben: Club;
let end: () => Promise<void>;

beforeAll(async () => {
  ({ db, ana, ben, end } = await freshDatabase());
});
afterAll(() => end());

function doc(title: string): SessionPlan {
  const read = readSession(
    {
      format: "mapset/session",
      version: 1,
      title,
      purpose: "off-day",
      blocks: [{ title: "One", items: [{ drill: "hip-flexor-hold", dose: { kind: "time", seconds: 30 } }] }],
    },
    drillById,
  );
  if (!read.ok) throw new Error("bad");
  return read.value;
}

async function handedOut(owner: Club, groupId: string | null = null) {
  const id = await addSession(db, owner, doc("Handed out"), 90);
  const made = await handOut(db, owner, id, makeEdition(doc("Handed out"), drillById), 90, groupId, TEST_SECRET);
  const opened = made && (await openLink(db, made.token, false));
  if (!made || !opened || opened === "withdrawn") throw new Error("not open");
  return { id, token: made.token, number: made.number, opened };
}

const progress = (change: Partial<Progress> = {}): Progress => ({
  key: crypto.randomUUID(),
  person: { athleteId: null, name: "Tern" },
  shareDone: 0.5,
  finished: false,
  ...change,
});
const checkIn = (run: Progress, change: Partial<CheckIn> = {}): CheckIn => ({
  run,
  hard: 4,
  tightness: [{ joint: "hip", left: 2, right: 5 }],
  pain: false,
  painWhere: "",
  note: "",
  ...change,
});

describe("sessions", () => {
  it("come back as they were kept", async () => {
    const id = await addSession(db, ana, doc("Legs"), 90);
    expect(await findSession(db, ana, id)).toMatchObject({ doc: doc("Legs"), revision: 1, archivedAt: null });
  });

  it("are saved over the revision they were made from, and over no newer one", async () => {
    const id = await addSession(db, ana, doc("First"), 90);
    expect(await saveSession(db, ana, id, 1, doc("Second"), 90)).toMatchObject({ kind: "saved", revision: 2 });
    const late = await saveSession(db, ana, id, 1, doc("From an older copy"), 90);
    expect(late).toMatchObject({ kind: "newer", stored: { revision: 2, doc: { title: "Second" } } });
    expect((await findSession(db, ana, id))?.doc.title).toBe("Second");
  });

  it("let exactly one of many savers at once through", async () => {
    const id = await addSession(db, ana, doc("Race"), 90);
    const all = await Promise.all(
      Array.from({ length: 12 }, (_, i) => saveSession(db, ana, id, 1, doc(`Racer ${i}`), 90)),
    );
    expect(all.filter((s) => s.kind === "saved")).toHaveLength(1);
    expect((await findSession(db, ana, id))?.revision).toBe(2);
  });

  it("are another coach's in no way", async () => {
    const id = await addSession(db, ana, doc("Ana's"), 90);
    expect(await findSession(db, ben, id)).toBeUndefined();
    expect(await saveSession(db, ben, id, 1, doc("Taken"), 90)).toEqual({ kind: "gone" });
    expect(await setArchived(db, ben, id, true)).toBe(false);
    await setArchived(db, ana, id, true);
    expect(await deleteArchived(db, ben, id)).toBe(false);
    expect((await listSessions(db, ben, { archived: true })).rows.map((s) => s.id)).not.toContain(id);
    expect(await findSession(db, ana, id)).toBeDefined();
  });

  it("are deleted only once archived", async () => {
    const id = await addSession(db, ana, doc("Going"), 90);
    expect(await deleteArchived(db, ana, id)).toBe(false);
    await setArchived(db, ana, id, true);
    expect(await deleteArchived(db, ana, id)).toBe(true);
    expect(await findSession(db, ana, id)).toBeUndefined();
  });
});

describe("editions and links", () => {
  it("open with their token and hold what was handed out, whatever happens to the session", async () => {
    const { id, token, opened } = await handedOut(ana);
    await saveSession(db, ana, id, 1, doc("Changed since"), 90);
    const again = (await openLink(db, token, false)) as OpenLink;
    expect(again.edition).toEqual(opened.edition);
    expect(again.edition.doc.drills.map((d) => d.id)).toEqual(["hip-flexor-hold"]);
    expect((await listEditions(db, ana, id, TEST_SECRET)).editions).toMatchObject([{ number: 1, current: false }]);
    expect(await newestEdition(db, ana, id)).toMatchObject({ number: 1, open: true });
  });

  it("cannot be changed, not even by the database's own user", async () => {
    const { opened } = await handedOut(ana);
    await expect(
      db.update(edition).set({ totalSeconds: 1 }).where(eq(edition.id, opened.edition.id)),
    ).rejects.toThrow();
  });

  it("are made anew only when the session has changed", async () => {
    const { id, number } = await handedOut(ana);
    expect(number).toBe(1);
    const same = await handOut(db, ana, id, makeEdition(doc("Handed out"), drillById), 90, null, TEST_SECRET);
    expect(same?.number).toBe(1);
    const changed = await handOut(db, ana, id, makeEdition(doc("Other"), drillById), 90, null, TEST_SECRET);
    expect(changed?.number).toBe(2);
    expect(same?.token).not.toBe(changed?.token);
  });

  it("are what was looked at, or nothing is handed out", async () => {
    const id = await addSession(db, ana, doc("Looked at"), 90);
    const looked = { revision: 1, accepted: [], choices: [] };
    const hand = (more: object) =>
      handOut(db, ana, id, makeEdition(doc("Looked at"), drillById), 90, null, TEST_SECRET, {
        looked: { ...looked, ...more },
      });
    expect(await hand({ revision: 2 })).toBe("changed");
    expect(await hand({ accepted: [{ key: "k", says: "s", reason: "r" }] })).toBe("changed");
    expect(
      await hand({
        choices: [{ athleteId: crypto.randomUUID(), block: 0, item: 0, at: "hip-flexor-hold", does: "rest" }],
      }),
    ).toBe("changed");
    expect((await listEditions(db, ana, id, TEST_SECRET)).editions).toEqual([]);
    expect(await hand({})).toMatchObject({ number: 1 });
  });

  it("store no token, only its hash; the owner sees the address again while the secret is the same", async () => {
    const { id, token, opened } = await handedOut(ana);
    const rows = [
      ...(await db.select().from(link).where(eq(link.id, opened.id))),
      ...(await db.select().from(entry).where(eq(entry.target, opened.id))),
    ];
    expect(rows).toMatchObject([{ id: opened.id }, { kind: "link", tokenHash: tokenHash(token) }]);
    expect(JSON.stringify(rows)).not.toContain(token);
    expect((await listEditions(db, ana, id, TEST_SECRET)).editions[0]?.links[0]?.token).toBe(token);
    expect((await listEditions(db, ana, id, "another secret")).editions[0]?.links[0]?.token).toBeUndefined();
    expect(linkToken(TEST_SECRET, opened.id)).toHaveLength(24);
  });

  it("open nothing once withdrawn, and only their owner withdraws them", async () => {
    const { id, token, opened } = await handedOut(ana);
    expect(await withdrawLink(db, ben, opened.id)).toBe(false);
    expect(await openLink(db, token, false)).toMatchObject({ id: opened.id });
    expect(await withdrawLink(db, ana, opened.id)).toBe(true);
    expect(await openLink(db, token, false)).toBe("withdrawn");
    expect(await newestEdition(db, ana, id)).toMatchObject({ open: false });
  });

  it("are not made of another coach's session, nor for another coach's group", async () => {
    const { id } = await handedOut(ana);
    const group = await addGroup(db, ben, "Ben's");
    const content = makeEdition(doc("x"), drillById);
    expect(await handOut(db, ben, id, content, 90, null, TEST_SECRET)).toBeUndefined();
    expect(await handOut(db, ana, id, content, 90, group, TEST_SECRET)).toBeUndefined();
    expect((await listEditions(db, ben, id, TEST_SECRET)).editions).toEqual([]);
    expect(await newestEdition(db, ben, id)).toBeUndefined();
  });

  it("are listed a page at a time, the links that still open first", async () => {
    const { id, opened } = await handedOut(ana);
    for (let i = 0; i < LINKS_AN_EDITION + 6; i++)
      await handOut(db, ana, id, makeEdition(doc("Handed out"), drillById), 90, null, TEST_SECRET);
    for (let i = 0; i < EDITIONS_A_PAGE; i++)
      await handOut(db, ana, id, makeEdition(doc(`Other ${i}`), drillById), 90, null, TEST_SECRET);
    const first = await listEditions(db, ana, id, TEST_SECRET);
    expect(first.editions.map((one) => one.number)).toEqual(
      Array.from({ length: EDITIONS_A_PAGE }, (_, i) => EDITIONS_A_PAGE + 1 - i),
    );
    expect(first.next).toMatchObject({ number: 1, session: { title: "Handed out" } });
    const older = await listEditions(db, ana, id, TEST_SECRET, { before: 2 });
    expect(older.next).toBeUndefined();
    expect(older.editions).toMatchObject([{ number: 1, linkCount: LINKS_AN_EDITION + 7 }]);
    expect(older.editions[0]!.links).toHaveLength(LINKS_AN_EDITION);
    // The first one made is beyond the newest, until it is all of them.
    expect(older.editions[0]!.links.some((one) => one.id === opened.id)).toBe(false);
    await withdrawLink(db, ana, older.editions[0]!.links[0]!.id);
    const all = (await listEditions(db, ana, id, TEST_SECRET, { before: 2, allOf: 1 })).editions[0]!.links;
    expect(all).toHaveLength(LINKS_AN_EDITION + 7);
    expect(all.map((one) => one.withdrawnAt === null)).toEqual([
      ...Array.from({ length: LINKS_AN_EDITION + 6 }, () => true),
      false,
    ]);
    expect(all.at(-2)!.id).toBe(opened.id);
  });

  it("have a square code for their own coach, until they are withdrawn", async () => {
    const { token, opened } = await handedOut(ana);
    expect(await tokenOfLink(db, ana, opened.id, TEST_SECRET)).toBe(token);
    expect(await tokenOfLink(db, ana, opened.id, "another secret")).toBeUndefined();
    expect(await tokenOfLink(db, ben, opened.id, TEST_SECRET)).toBeUndefined();
    await withdrawLink(db, ana, opened.id);
    expect(await tokenOfLink(db, ana, opened.id, TEST_SECRET)).toBeUndefined();
  });

  it("do not open for a guess", async () => {
    expect(await openLink(db, "x".repeat(24), true)).toBeUndefined();
  });
});

describe("runs and check-ins", () => {
  it("count a message sent twice once, and never go back", async () => {
    const { id, opened } = await handedOut(ana);
    const first = progress({ shareDone: 0.8 });
    const run = await keepProgress(db, opened, first);
    expect(await keepProgress(db, opened, { ...first, shareDone: 0.3 })).toBe(run);
    await keepProgress(db, opened, { ...first, shareDone: 1, finished: true });
    const [row, ...more] = await listFeedback(db, ana, id, 10);
    expect(more).toEqual([]);
    expect(row).toMatchObject({ runId: run, shareDone: 1, name: "Tern" });
    expect(row?.finishedAt).not.toBeNull();
    expect((await countRuns(db, ana, [id])).get(id)).toEqual({ runs: 1, finished: 1 });
  });

  it("keep a check-in once, however many arrive at the same time", async () => {
    const { id, opened } = await handedOut(ana);
    const sent = checkIn(progress({ shareDone: 1, finished: true }));
    const firsts = await Promise.all(
      Array.from({ length: 6 }, (_, i) => keepCheckIn(db, opened, { ...sent, hard: i })),
    );
    expect(firsts.filter(Boolean)).toHaveLength(1);
    expect(await listFeedback(db, ana, id, 10)).toHaveLength(1);
  });

  it("are heard when nothing but pain was answered", async () => {
    const { id, opened } = await handedOut(ana);
    await keepCheckIn(db, opened, checkIn(progress(), { hard: null, tightness: [], pain: true }));
    expect((await listFeedback(db, ana, id, 10))[0]?.checkIn).toMatchObject({
      effort: null,
      pain: true,
      tightness: [],
    });
  });

  it("put pain nobody has looked at first, until it is marked", async () => {
    const { id, opened } = await handedOut(ana);
    await keepCheckIn(
      db,
      opened,
      checkIn(progress({ person: { athleteId: null, name: "Sore" } }), { pain: true, painWhere: "left knee" }),
      { painPlaces: new Map([["", { drill: "open-book", name: "Open book", number: 3, second: 95 }]]) },
    );
    await keepCheckIn(db, opened, checkIn(progress({ person: { athleteId: null, name: "Later" } })));
    const before = await countUnseenPain(db, ana);
    const [first] = await listFeedback(db, ana, id, 10, { only: "unseen pain" });
    expect(first).toMatchObject({
      name: "Sore",
      checkIn: {
        pain: true,
        pains: [
          {
            where: "left knee",
            place: { drill: "open-book", name: "Open book", number: 3, second: 95 },
            seenAt: null,
          },
        ],
        seenAt: null,
      },
    });
    expect(await setSeen(db, ben, first!.runId, true)).toBe(false);
    expect(await setSeen(db, ana, first!.runId, true)).toBe(true);
    expect(await countUnseenPain(db, ana)).toBe(before - 1);
    expect(await listFeedback(db, ana, id, 10, { only: "unseen pain" })).toEqual([]);
    const { pains } = (await listFeedback(db, ana, id, 10)).find(({ name }) => name === "Sore")!.checkIn!;
    expect(pains[0]).toMatchObject({ seenAt: expect.any(Date) as Date, seenBy: "ana" });
    // Among all of them it stands where it came.
    expect((await listFeedback(db, ana, id, 10)).map((row) => row.name).sort()).toEqual(["Later", "Sore"]);
  });

  it("are heard by their own coach only", async () => {
    const { id, opened } = await handedOut(ana);
    await keepCheckIn(db, opened, checkIn(progress(), { pain: true }));
    expect(await listFeedback(db, ben, id, 10)).toEqual([]);
    expect(await listFeedback(db, ben, null, 10)).toEqual([]);
    expect(await countUnseenPain(db, ben)).toBe(0);
    expect((await countRuns(db, ben, [id])).size).toBe(0);
  });

  it("take a name from the group only when it is on the link's list", async () => {
    const group = await addGroup(db, ana, "Rowers");
    await addPeople(db, ana, group, ["Moss"]);
    const moss = (await listGroupsWithPeople(db, ana)).find((t) => t.id === group)!.athletes[0]!;
    const { id, opened } = await handedOut(ana, group);
    const other = await handedOut(ana);
    await keepProgress(db, opened, progress({ person: { athleteId: moss.id, name: "whatever" } }));
    await keepProgress(db, other.opened, progress({ person: { athleteId: moss.id, name: "Not Moss" } }));
    expect((await listFeedback(db, ana, id, 10))[0]?.name).toBe("Moss");
    expect((await listFeedback(db, ana, other.id, 10))[0]?.name).toBe("Not Moss");
  });

  it("refuse ratings outside 0 to 10 in the database itself", async () => {
    const { opened } = await handedOut(ana);
    await expect(keepCheckIn(db, opened, checkIn(progress(), { hard: 11 }))).rejects.toThrow();
  });
});

describe("more than a link usually brings", () => {
  const some = async (opened: OpenLink, n: number, of: (i: number) => CheckIn) => {
    for (let i = 0; i < n; i++) await keepCheckIn(db, opened, of(i));
  };

  it("is three classes an hour, and never less than sixty", () => {
    expect([usualRuns(0), usualRuns(20), usualRuns(21), usualRuns(60)]).toEqual([60, 60, 63, 180]);
  });

  it("is kept under the link from the sixty-first on, displaces none, and pain among it is first as any other", async () => {
    const { id, opened } = await handedOut(ana);
    const before = await countUnseenPain(db, ana);
    await some(opened, 60, () => checkIn(progress()));
    expect(await listFolded(db, ana, id)).toEqual([]);
    await some(opened, 3, () => checkIn(progress({ person: { athleteId: null, name: "Many" } }), { pain: true }));
    expect(await listFeedback(db, ana, id, 100)).toHaveLength(60);
    expect(await listFolded(db, ana, id)).toMatchObject([{ linkId: opened.id, runs: 3, unseenPain: 3, uncounted: 0 }]);
    expect(await listFeedback(db, ana, id, 100, { foldedOf: opened.id })).toHaveLength(3);
    expect(await countUnseenPain(db, ana)).toBe(before + 3);
    expect(await listFeedback(db, ana, id, 100, { only: "unseen pain" })).toHaveLength(3);
    expect(await summariseFeedback(db, ana, id)).toMatchObject({ runs: 60, checkedIn: 60 });
    expect([await countUnseen(db, ana, id), await countUnseen(db, ana, id, { foldedOf: opened.id })]).toEqual([3, 3]);
    expect((await countRuns(db, ana, [id])).get(id)?.runs).toBe(60);
    // Nobody else sees it, and an hour later there is room again.
    expect(await listFolded(db, ben, id)).toEqual([]);
    expect(await listFeedback(db, ben, null, 100, { foldedOf: opened.id })).toEqual([]);
    await keepProgress(db, opened, progress(), { at: new Date(Date.now() + 3_601_000) });
    expect(await listFeedback(db, ana, id, 100)).toHaveLength(61);
  });

  it("beyond two thousand is only counted, unless it tells of pain", async () => {
    const { id, opened } = await handedOut(ana);
    await db.execute(
      sql`insert into run (club_id, link_id, client_key, name, folded) select ${ana.id}, ${opened.id}, gen_random_uuid(), 'Flood', true from generate_series(1, 1999)`,
    );
    const fold = { fold: true };
    expect(await keepProgress(db, opened, progress(), fold)).toBeDefined();
    const late = progress();
    expect(await keepProgress(db, opened, late, fold)).toBeUndefined();
    expect(await keepCheckIn(db, opened, checkIn(late), fold)).toBeUndefined();
    expect(await keepCheckIn(db, opened, checkIn(late, { pain: true }), fold)).toBe(true);
    expect(await listFolded(db, ana, id)).toMatchObject([{ runs: 2001, uncounted: 2, unseenPain: 1 }]);
    expect((await listFeedback(db, ana, id, 5, { foldedOf: opened.id }))[0]?.checkIn?.pain).toBe(true);
  });

  it("leaves a run that was listed where it is", async () => {
    const { id, opened } = await handedOut(ana);
    const first = progress();
    await keepProgress(db, opened, first);
    await some(opened, 60, () => checkIn(progress()));
    await keepCheckIn(db, opened, checkIn(first, { pain: true }));
    expect(await listFeedback(db, ana, id, 5, { only: "unseen pain" })).toMatchObject([
      { name: "Tern", checkIn: { pain: true } },
    ]);
    expect(await isKnownRun(db, opened, first.key)).toBe(true);
    expect(await isKnownRun(db, opened, crypto.randomUUID())).toBe(false);
  });
});

describe("a report that is not what it seems", () => {
  it("is taken off the list and put back, by its own coach", async () => {
    const { id, opened } = await handedOut(ana);
    await keepCheckIn(db, opened, checkIn(progress(), { pain: true }));
    const pain = await countUnseenPain(db, ana);
    const [row] = await listFeedback(db, ana, id, 10);
    expect(await setRemoved(db, ben, row!.runId, true)).toBe(false);
    expect(await setRemoved(db, ana, row!.runId, true)).toBe(true);
    expect(await listFeedback(db, ana, id, 10)).toEqual([]);
    expect(await countUnseenPain(db, ana)).toBe(pain - 1);
    expect((await summariseFeedback(db, ana, id)).runs).toBe(0);
    expect((await countRuns(db, ana, [id])).size).toBe(0);
    await setRemoved(db, ana, row!.runId, false);
    expect(await listFeedback(db, ana, id, 10)).toHaveLength(1);
  });
  it("is marked as not theirs, and that is taken back", async () => {
    const { id, opened } = await handedOut(ana);
    await keepProgress(db, opened, progress());
    const [row] = await listFeedback(db, ana, id, 10);
    expect(await setNotTheirs(db, ben, row!.runId, true)).toBe(false);
    await setNotTheirs(db, ana, row!.runId, true);
    expect((await listFeedback(db, ana, id, 10))[0]).toMatchObject({ name: "Someone", notTheirs: "Tern" });
    await setNotTheirs(db, ana, row!.runId, false);
    expect((await listFeedback(db, ana, id, 10))[0]).toMatchObject({ name: "Tern", notTheirs: null });
  });
  it("is not to the end when it was skipped there, whatever a device says", async () => {
    const { id, opened } = await handedOut(ana);
    await keepProgress(db, opened, progress({ shareDone: 0.89, finished: true }));
    expect((await listFeedback(db, ana, id, 1))[0]?.finishedAt).toBeNull();
    await keepProgress(
      db,
      opened,
      progress({ shareDone: 0.9, finished: true, person: { athleteId: null, name: "Whole" } }),
    );
    expect(
      (await listFeedback(db, ana, id, 2)).filter((row) => row.finishedAt !== null).map((row) => row.name),
    ).toEqual(["Whole"]);
  });
});

describe("somebody on a list", () => {
  it("is added once, however often the same is sent at the same moment", async () => {
    const group = await addGroup(db, ana, "Impatient");
    const sent = await Promise.all(Array.from({ length: 6 }, () => addPeople(db, ana, group, ["Tern", "Moss"])));
    expect(sent).toEqual(Array(6).fill(2));
    const names = async () =>
      (await listGroupsWithPeople(db, ana))
        .find(({ id }) => id === group)!
        .athletes.map(({ name }) => name)
        .sort();
    expect(await names()).toEqual(["Moss", "Tern"]);
    expect(await addPeople(db, ana, group, ["Moss", "Wren"])).toBe(1);
    expect(await names()).toEqual(["Moss", "Tern", "Wren"]);
    expect(await addPeople(db, ben, group, ["Moss"])).toBe(0);
  });
});

describe("what someone on a link protects", () => {
  it("is told for those on its list and nobody else", async () => {
    const group = await addGroup(db, ana, "Rowers");
    await addPeople(db, ana, group, ["Moss"]);
    const moss = (await listGroupsWithPeople(db, ana)).find((t) => t.id === group)!.athletes[0]!;
    await setPersonAreas(db, ana, moss.id, [{ area: "groin-stretch", side: "right" }]);
    const { opened } = await handedOut(ana, group);
    const other = await handedOut(ana);
    expect(await protectedOnLink(db, opened, moss.id)).toMatchObject({
      areas: [{ area: "groin-stretch", side: "right" }],
      name: "Rowers",
    });
    expect(await protectedOnLink(db, other.opened, moss.id)).toBeUndefined();
    expect(await protectedOnLink(db, opened, crypto.randomUUID())).toBeUndefined();
    await leaveGroup(db, ana, moss.id, group);
    expect(await protectedOnLink(db, opened, moss.id)).toBeUndefined();
  });
});

describe("groups", () => {
  it("are changed by their own coach only", async () => {
    const id = await addGroup(db, ana, "Class");
    expect(await addPeople(db, ben, id, ["Spy"])).toBe(0);
    expect(await renameGroup(db, ben, id, "Mine")).toBe(false);
    expect(await deleteGroup(db, ben, id)).toBe(false);
    await addPeople(db, ana, id, ["Pip"]);
    const pip = (await listGroupsWithPeople(db, ana)).find((t) => t.id === id)!.athletes[0]!;
    expect(await leaveGroup(db, ben, pip.id, id)).toBe(false);
    expect(await leaveGroup(db, ana, pip.id, id)).toBe(true);
    expect((await listGroupsWithPeople(db, ben)).some((t) => t.id === id)).toBe(false);
  });

  it("keep what somebody taken off protects, until they are put back; names are changed by their own coach", async () => {
    const id = await addGroup(db, ana, "Crew");
    await addPeople(db, ana, id, ["Moss", "Tern"]);
    const here = async () => (await listGroupsWithPeople(db, ana)).find((t) => t.id === id)!.athletes;
    const [moss] = await here();
    await setPersonAreas(db, ana, moss!.id, ["kneeling"]);
    await leaveGroup(db, ana, moss!.id, id);
    expect(await countPeople(db, ana, id)).toBe(1);
    expect((await listOff(db, ana)).filter((one) => one.groupId === id)).toEqual([
      { id: moss!.id, name: "Moss", groupId: id },
    ]);
    expect(await listOff(db, ben)).toEqual([]);
    expect(await findPerson(db, ana, moss!.id)).toMatchObject({
      name: "Moss",
      areas: ["kneeling"],
      groups: [{ id, name: "Crew", until: expect.any(Date) as Date }],
    });
    expect(await findPerson(db, ben, moss!.id)).toBeUndefined();
    expect([
      await joinGroup(db, ben, moss!.id, id),
      await renamePerson(db, ben, moss!.id, "Spy"),
      await joinGroup(db, ana, moss!.id, id),
      await renamePerson(db, ana, moss!.id, "Mossy"),
    ]).toEqual([false, false, true, true]);
    expect(await here()).toEqual([
      { id: moss!.id, name: "Mossy", areas: ["kneeling"] },
      expect.objectContaining({ name: "Tern" }),
    ]);
    expect([(await namesOn(db, ana, id)).sort(), await namesOn(db, ben, id)]).toEqual([["Mossy", "Tern"], []]);
  });
});

describe("who is signed in", () => {
  it("is kept under a hash of the cookie's token", async () => {
    const accounts = openAccounts(db, { secret: TEST_SECRET, baseUrl: "http://127.0.0.1:1" });
    const answer = await accounts.api.signInEmail({
      body: { email: "ana@club.example", password: "ana has a long password" },
      asResponse: true,
    });
    const cookie = answer.headers.getSetCookie()[0]!.split(";")[0]!;
    expect(answer.headers.getSetCookie()[0]).toMatch(/HttpOnly/i);
    const headers = new Headers({ cookie });
    const found = await accounts.api.getSession({ headers });
    expect(found?.user.email).toBe("ana@club.example");
    const token = decodeURIComponent(cookie.split("=")[1]!).split(".")[0]!;
    const rows = await db.select().from(signIn);
    expect(rows.some((row) => row.token === tokenHash(token))).toBe(true);
    expect(rows.some((row) => row.token === token)).toBe(false);
    await accounts.api.signOut({ headers });
    expect(await accounts.api.getSession({ headers })).toBeNull();
  });

  it("is swept out once it has run out, when anybody signs in", async () => {
    const accounts = openAccounts(db, { secret: TEST_SECRET, baseUrl: "http://127.0.0.1:1" });
    const hour = 3_600_000;
    await db.insert(signIn).values(
      [
        ["old", -1],
        ["good", 1],
      ].map(([id, at]) => ({
        id: String(id),
        token: `token ${id}`,
        userId: ben.by!,
        expiresAt: new Date(Date.now() + Number(at) * hour),
      })),
    );
    await accounts.api.signInEmail({
      body: { email: "ana@club.example", password: "ana has a long password" },
      asResponse: true,
    });
    const left = (await db.select({ id: signIn.id }).from(signIn)).map((row) => row.id);
    expect(left).toContain("good");
    expect(left).not.toContain("old");
  });

  it("has passwords stored hashed", async () => {
    const { rows } = await db.execute(sql`select password from credential`);
    expect(rows.length).toBeGreaterThan(0);
    expect(JSON.stringify(rows)).not.toContain("has a long password");
  });
});

describe("when a report was, and when it came", () => {
  const HOUR = 3_600_000;
  const arrived = new Date("2026-11-27T21:00:00Z");
  const of = async (owner: Club, key: string) =>
    (
      await db
        .select()
        .from(run)
        .leftJoin(checkInTable, and(eq(checkInTable.clubId, run.clubId), eq(checkInTable.runId, run.id)))
        .where(and(eq(run.clubId, owner.id), eq(run.clientKey, key)))
    )[0]!;
  it("are both kept, whatever the device's clock is set to", async () => {
    const { opened } = await handedOut(ana);
    // A phone whose clock is two hours fast, without a connection from five to nine.
    const device = (hours: number) => arrived.getTime() + (hours + 2) * HOUR;
    const told = progress({ shareDone: 1, finished: true, begun: device(-4), sent: device(0) });
    await keepCheckIn(db, opened, checkIn(told, { said: device(-3.75), pain: true }), { at: arrived });
    const { run: kept, check_in: said } = await of(ana, told.key);
    expect([kept.startedAt, kept.arrivedAt, kept.deviceAt]).toEqual([
      new Date("2026-11-27T17:00:00Z"),
      arrived,
      new Date("2026-11-27T19:00:00Z"),
    ]);
    expect([said!.sentAt, said!.arrivedAt, said!.deviceAt, kept.finishedAt]).toEqual([
      new Date("2026-11-27T17:15:00Z"),
      arrived,
      new Date("2026-11-27T19:15:00Z"),
      new Date("2026-11-27T17:15:00Z"),
    ]);
  });
  it("are the arrival for a page that says neither, and a later message changes neither", async () => {
    const { opened } = await handedOut(ana);
    const told = progress();
    await keepProgress(db, opened, told, { at: arrived });
    await keepProgress(
      db,
      opened,
      { ...told, shareDone: 0.9, begun: 1, sent: 2 },
      { at: new Date(arrived.getTime() + HOUR) },
    );
    expect((await of(ana, told.key)).run).toMatchObject({
      startedAt: arrived,
      arrivedAt: arrived,
      deviceAt: null,
      shareDone: 0.9,
    });
  });
  it("the limit of a link goes by when reports came, not by what they say of themselves", async () => {
    const { opened } = await handedOut(ana);
    for (let i = 0; i <= usualRuns(0); i++)
      await keepProgress(db, opened, progress({ begun: 0, sent: 80 * 24 * HOUR }), { at: arrived });
    expect(await db.$count(run, and(eq(run.linkId, opened.id), eq(run.folded, true)))).toBe(1);
  });
});
