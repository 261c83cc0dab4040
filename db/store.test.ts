import { eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { CheckIn, Progress } from "~/core/checkin/schema";
import { makeEdition } from "~/core/edition/edition";
import { readSession } from "~/core/session/read";
import type { Session } from "~/core/session/schema";
import { drillById } from "~/library";
import { openAccounts } from "./accounts";
import type { Db } from "./client";
import { handOut, listEditions, newestEdition, openLink, withdrawLink, type OpenLink } from "./editions";
import { countRuns, countUnseenPain, keepCheckIn, keepProgress, listHeard, setSeen } from "./runs";
import { edition, link, signIn } from "./schema";
import { addSession, deleteArchived, findSession, listSessions, saveSession, setArchived } from "./sessions";
import { addAthletes, addTeam, archiveAthlete, deleteTeam, listTeams, renameTeam } from "./teams";
import { freshDatabase, TEST_SECRET } from "./testing";
import { linkToken, tokenHash } from "./tokens";

let db: Db;
let ana: string;
let ben: string;
let end: () => Promise<void>;

beforeAll(async () => {
  ({ db, ana, ben, end } = await freshDatabase());
});
afterAll(() => end());

function doc(title: string): Session {
  const read = readSession(
    { format: "mapset/session", version: 1, title, purpose: "off-day", blocks: [{ title: "One", items: [{ drill: "hip-flexor-hold", dose: { kind: "time", seconds: 30 } }] }] },
    drillById,
  );
  if (!read.ok) throw new Error("bad");
  return read.value;
}

async function handedOut(owner: string, teamId: string | null = null) {
  const id = await addSession(db, owner, doc("Handed out"), 90);
  const made = await handOut(db, owner, id, makeEdition(doc("Handed out"), drillById), 90, teamId, TEST_SECRET);
  const opened = made && (await openLink(db, made.token, false));
  if (!made || !opened || opened === "withdrawn") throw new Error("not open");
  return { id, token: made.token, number: made.number, opened };
}

const progress = (change: Partial<Progress> = {}): Progress => ({ key: crypto.randomUUID(), person: { athleteId: null, name: "Tern" }, shareDone: 0.5, finished: false, ...change });
const checkIn = (run: Progress, change: Partial<CheckIn> = {}): CheckIn => ({ run, hard: 4, tightness: [{ joint: "hip", left: 2, right: 5 }], pain: false, painWhere: "", note: "", ...change });

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
    const all = await Promise.all(Array.from({ length: 12 }, (_, i) => saveSession(db, ana, id, 1, doc(`Racer ${i}`), 90)));
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
    expect((await listSessions(db, ben, true)).map((s) => s.id)).not.toContain(id);
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
    expect(await listEditions(db, ana, id, TEST_SECRET)).toMatchObject([{ number: 1, current: false }]);
    expect(await newestEdition(db, ana, id)).toMatchObject({ number: 1, open: true });
  });

  it("cannot be changed, not even by the database's own user", async () => {
    const { opened } = await handedOut(ana);
    await expect(db.update(edition).set({ totalSeconds: 1 }).where(eq(edition.id, opened.edition.id))).rejects.toThrow();
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

  it("store no token, only its hash; the owner sees the address again while the secret is the same", async () => {
    const { id, token, opened } = await handedOut(ana);
    const [row] = await db.select().from(link).where(eq(link.id, opened.id));
    expect(row?.tokenHash).toBe(tokenHash(token));
    expect(JSON.stringify(row)).not.toContain(token);
    expect((await listEditions(db, ana, id, TEST_SECRET))[0]?.links[0]?.token).toBe(token);
    expect((await listEditions(db, ana, id, "another secret"))[0]?.links[0]?.token).toBeUndefined();
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

  it("are not made of another coach's session, nor for another coach's team", async () => {
    const { id } = await handedOut(ana);
    const team = await addTeam(db, ben, "Ben's");
    const content = makeEdition(doc("x"), drillById);
    expect(await handOut(db, ben, id, content, 90, null, TEST_SECRET)).toBeUndefined();
    expect(await handOut(db, ana, id, content, 90, team, TEST_SECRET)).toBeUndefined();
    expect(await listEditions(db, ben, id, TEST_SECRET)).toEqual([]);
    expect(await newestEdition(db, ben, id)).toBeUndefined();
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
    const [row, ...more] = await listHeard(db, ana, id, 10);
    expect(more).toEqual([]);
    expect(row).toMatchObject({ runId: run, shareDone: 1, name: "Tern" });
    expect(row?.finishedAt).not.toBeNull();
    expect((await countRuns(db, ana, [id])).get(id)).toEqual({ runs: 1, finished: 1 });
  });

  it("keep a check-in once, however many arrive at the same time", async () => {
    const { id, opened } = await handedOut(ana);
    const sent = checkIn(progress({ shareDone: 1, finished: true }));
    const firsts = await Promise.all(Array.from({ length: 6 }, (_, i) => keepCheckIn(db, opened, { ...sent, hard: i })));
    expect(firsts.filter(Boolean)).toHaveLength(1);
    expect(await listHeard(db, ana, id, 10)).toHaveLength(1);
  });

  it("are heard when nothing but pain was answered", async () => {
    const { id, opened } = await handedOut(ana);
    await keepCheckIn(db, opened, checkIn(progress(), { hard: null, tightness: [], pain: true }));
    expect((await listHeard(db, ana, id, 10))[0]?.checkIn).toMatchObject({ hard: null, pain: true, tightness: [] });
  });

  it("put pain nobody has looked at first, until it is marked", async () => {
    const { id, opened } = await handedOut(ana);
    await keepCheckIn(db, opened, checkIn(progress({ person: { athleteId: null, name: "Sore" } }), { pain: true, painWhere: "left knee" }));
    await keepCheckIn(db, opened, checkIn(progress({ person: { athleteId: null, name: "Later" } })));
    const before = await countUnseenPain(db, ana);
    const [first] = await listHeard(db, ana, id, 10);
    expect(first).toMatchObject({ name: "Sore", checkIn: { pain: true, painWhere: "left knee", seenAt: null } });
    expect(await setSeen(db, ben, first!.runId, true)).toBe(false);
    expect(await setSeen(db, ana, first!.runId, true)).toBe(true);
    expect(await countUnseenPain(db, ana)).toBe(before - 1);
    expect((await listHeard(db, ana, id, 10))[0]?.name).toBe("Later");
  });

  it("are heard by their own coach only", async () => {
    const { id, opened } = await handedOut(ana);
    await keepCheckIn(db, opened, checkIn(progress(), { pain: true }));
    expect(await listHeard(db, ben, id, 10)).toEqual([]);
    expect(await listHeard(db, ben, null, 10)).toEqual([]);
    expect(await countUnseenPain(db, ben)).toBe(0);
    expect((await countRuns(db, ben, [id])).size).toBe(0);
  });

  it("take a name from the team only when it is on the link's list", async () => {
    const team = await addTeam(db, ana, "Rowers");
    await addAthletes(db, ana, team, ["Moss"]);
    const moss = (await listTeams(db, ana)).find((t) => t.id === team)!.athletes[0]!;
    const { id, opened } = await handedOut(ana, team);
    const other = await handedOut(ana);
    await keepProgress(db, opened, progress({ person: { athleteId: moss.id, name: "whatever" } }));
    await keepProgress(db, other.opened, progress({ person: { athleteId: moss.id, name: "Not Moss" } }));
    expect((await listHeard(db, ana, id, 10))[0]?.name).toBe("Moss");
    expect((await listHeard(db, ana, other.id, 10))[0]?.name).toBe("Not Moss");
  });

  it("refuse ratings outside 0 to 10 in the database itself", async () => {
    const { opened } = await handedOut(ana);
    await expect(keepCheckIn(db, opened, checkIn(progress(), { hard: 11 }))).rejects.toThrow();
  });
});

describe("teams", () => {
  it("are changed by their own coach only", async () => {
    const id = await addTeam(db, ana, "Class");
    expect(await addAthletes(db, ben, id, ["Spy"])).toBe(0);
    expect(await renameTeam(db, ben, id, "Mine")).toBe(false);
    expect(await deleteTeam(db, ben, id)).toBe(false);
    await addAthletes(db, ana, id, ["Pip"]);
    const pip = (await listTeams(db, ana)).find((t) => t.id === id)!.athletes[0]!;
    expect(await archiveAthlete(db, ben, pip.id)).toBe(false);
    expect(await archiveAthlete(db, ana, pip.id)).toBe(true);
    expect((await listTeams(db, ben)).some((t) => t.id === id)).toBe(false);
  });
});

describe("who is signed in", () => {
  it("is kept under a hash of the cookie's token", async () => {
    const accounts = openAccounts(db, { secret: TEST_SECRET, baseUrl: "http://127.0.0.1:1" });
    const answer = await accounts.api.signInEmail({ body: { email: "ana@club.example", password: "ana has a long password" }, asResponse: true });
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

  it("has passwords stored hashed", async () => {
    const rows = await db.execute(sql`select password from credential`);
    expect(rows.length).toBeGreaterThan(0);
    expect(JSON.stringify(rows)).not.toContain("has a long password");
  });
});
