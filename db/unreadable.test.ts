import { sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { makeEdition } from "~/core/edition/edition";
import { SUMMARY_RULES, summaryOf } from "~/core/profile/summary";
import { newSession, itemOf } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { profileById } from "~/library/sport-profiles";
import { drillById } from "~/library";
import { drawnDrillById } from "~/library/drawn";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { addProfile, findProfile, listProfiles } from "./sport-profiles";
import { UnreadableDocument } from "./documents";
import { handOut, listEditions, newestEdition } from "./editions";
import { openLink } from "./links";
import { addOwnDrill, browseAllOwn, browseOwnDrills, findOwnDrill, listOwnDrills } from "./own-drills";
import {
  addSession,
  findSession,
  keepSummary,
  listSessions,
  newestSessions,
  rawSessions,
  saveSession,
  SESSIONS_A_PAGE,
} from "./sessions";
import { freshDatabase, TEST_SECRET } from "./testing";
import { findUnreadable, listUnreadable, removeUnreadable } from "./unreadable";

/*
 * A document that cannot be read breaks no list, says what it is, and can be removed; one of a newer program is left alone.
 * What lists show of sessions stands beside them.
 */

let db: Db;
let ana: Club;
let ben: Club;
let end: () => Promise<void>;
beforeAll(async () => {
  ({ db, ana, ben, end } = await freshDatabase());
});
afterAll(() => end());

const session = (title: string) =>
  newSession({ title, purpose: "off-day", target: 60 }, [
    {
      title: "b",
      rounds: 1,
      restBetweenRounds: 0,
      sideOrder: "drill-by-drill",
      items: [itemOf(drillById("cat-camel")!)],
    },
  ]);
/** Changes what the database itself refuses to have changed. */
async function inSpite(table: string, change: string): Promise<void> {
  await db.transaction(async (tx) => {
    for (const one of [`alter table ${table} disable trigger user`, change, `alter table ${table} enable trigger user`])
      await tx.execute(sql.raw(one));
  });
}
const NEWER = `jsonb_set(doc, '{version}', '9')`;
const DAMAGED = `doc - 'blocks'`;

describe("a session", () => {
  it("that is damaged stays in the list, and says so when it is opened", async () => {
    const [good, bad] = [await addSession(db, ana, session("Good"), 60), await addSession(db, ana, session("Bad"), 60)];
    await db.execute(sql.raw(`update training_session set doc = ${DAMAGED} where id = '${bad}'`));
    expect((await listSessions(db, ana)).rows.map((row) => row.title).sort()).toEqual(["Bad", "Good"]);
    expect((await newestSessions(db, ana, 9)).map((one) => one.id)).toEqual([good]);
    await expect(findSession(db, ana, bad)).rejects.toThrow(UnreadableDocument);
    expect(await findUnreadable(db, ana, "session", bad)).toMatchObject({
      title: "Bad",
      newer: false,
      why: "blocks: is missing",
      raw: { title: "Bad" },
    });
    expect([await findUnreadable(db, ana, "session", good), await findUnreadable(db, ben, "session", bad)]).toEqual([
      undefined,
      undefined,
    ]);
    // What can be read is not removed here, nor by another club.
    expect([
      await removeUnreadable(db, ana, "session", good),
      await removeUnreadable(db, ben, "session", bad),
      await removeUnreadable(db, ana, "session", bad),
    ]).toEqual([false, false, true]);
    expect((await listSessions(db, ana)).rows.map((row) => row.title)).toEqual(["Good"]);
  });
  it("of a newer program is locked", async () => {
    const id = await addSession(db, ana, session("Newer"), 60);
    await db.execute(sql.raw(`update training_session set doc = ${NEWER} where id = '${id}'`));
    expect(await findUnreadable(db, ana, "session", id)).toMatchObject({ newer: true });
    expect(await removeUnreadable(db, ana, "session", id)).toBe(false);
    await expect(saveSession(db, ana, id, 7, session("Over it"), 60)).rejects.toThrow(UnreadableDocument);
  });
});

describe("what was handed out", () => {
  it("opens nothing where it is damaged, and its session's page still does", async () => {
    const id = await addSession(db, ana, session("Handed"), 60);
    const { token } = (await handOut(db, ana, id, makeEdition(session("Handed"), drillById), 60, null, TEST_SECRET))!;
    expect((await openLink(db, token, false)) as object).toMatchObject({
      edition: { doc: { version: 2, session: { title: "Handed" } } },
    });
    // The same once more is no other edition, whatever the first one said of its version.
    expect((await handOut(db, ana, id, makeEdition(session("Handed"), drillById), 60, null, TEST_SECRET))!.number).toBe(
      1,
    );
    await inSpite("edition", `update edition set doc = doc - 'format' - 'version' where session_id = '${id}'`);
    expect((await handOut(db, ana, id, makeEdition(session("Handed"), drillById), 60, null, TEST_SECRET))!.number).toBe(
      1,
    );
    expect((await newestEdition(db, ana, id))?.session?.title).toBe("Handed");
    await inSpite("edition", `update edition set doc = '{"session": 3}' where session_id = '${id}'`);
    await expect(openLink(db, token, false)).rejects.toThrow(UnreadableDocument);
    expect((await newestEdition(db, ana, id))?.session).toBeUndefined();
    expect((await listEditions(db, ana, id, TEST_SECRET)).editions.map((one) => one.session)).toEqual([undefined]);
  });
});

describe("a drill of one's own, and a sport profile", () => {
  it("leave their lists and are found apart", async () => {
    const drill = await addOwnDrill(db, ana, { ...drawnDrillById("cat-camel")!, name: "Waves" });
    const profile = await addProfile(db, ana, { ...profileById("rowing")!, name: "Gigs" });
    await inSpite(
      "own_drill_revision",
      `update own_drill_revision set doc = doc - 'levels' where drill_id = '${drill}'`,
    );
    await db.execute(sql.raw(`update sport_profile set doc = doc - 'rows' where id = '${profile}'`));
    expect([
      (await listOwnDrills(db, ana)).length,
      (await browseOwnDrills(db, ana)).length,
      (await listProfiles(db, ana)).length,
    ]).toEqual([0, 0, 0]);
    await expect(findOwnDrill(db, ana, drill)).rejects.toThrow(UnreadableDocument);
    await expect(findProfile(db, ana, profile)).rejects.toThrow(UnreadableDocument);
    expect([
      (await browseAllOwn(db, ana)).unreadable,
      await listUnreadable(db, ana, "profile"),
      (await browseAllOwn(db, ben)).unreadable,
    ]).toMatchObject([[{ title: "Waves", newer: false }], [{ title: "Gigs" }], []]);
    expect([
      await removeUnreadable(db, ana, "drill", drill),
      await removeUnreadable(db, ana, "profile", profile),
    ]).toEqual([true, true]);
    expect([(await browseAllOwn(db, ana)).unreadable, await listUnreadable(db, ana, "profile")]).toEqual([[], []]);
  });
});

describe("the list of sessions", () => {
  const summary = () => summaryOf(session("x"), compile(session("x"), drillById));
  it("shows what stands beside a session, of its newest revision only", async () => {
    const id = await addSession(db, ben, session("Summed"), 60, { summary: summary() });
    const of = async () => (await listSessions(db, ben)).rows.find((row) => row.id === id)!.summary;
    expect(await of()).toMatchObject({ drills: 1, target: 60 });
    await saveSession(db, ben, id, 1, session("Summed again"), 60);
    expect(await of()).toBeUndefined();
    await keepSummary(db, ben, id, 1, summary());
    expect(await of()).toBeUndefined();
    await keepSummary(db, ben, id, 2, summary());
    expect(await of()).toMatchObject({ drills: 1 });
    await saveSession(db, ben, id, 2, session("Summed at once"), 60, summary());
    expect(await of()).toMatchObject({ drills: 1 });
    await keepSummary(db, ben, id, 3, { ...summary(), rules: SUMMARY_RULES + 1 });
    expect(await of()).toBeUndefined();
    expect(await rawSessions(db, ben, [id])).toMatchObject([{ id, revision: 3, raw: { title: "Summed at once" } }]);
  });
  it("goes by pages, and finds by name or purpose over all of them", async () => {
    for (let i = 0; i < SESSIONS_A_PAGE + 2; i++)
      await addSession(db, ben, session(i === 0 ? "The 100 % oldest_one" : `Number ${i}`), 60);
    const first = await listSessions(db, ben);
    expect([first.all, first.rows.length]).toEqual([SESSIONS_A_PAGE + 3, SESSIONS_A_PAGE]);
    const second = await listSessions(db, ben, { page: 1 });
    expect(second.rows).toHaveLength(3);
    expect(new Set([...first.rows, ...second.rows].map((row) => row.id)).size).toBe(SESSIONS_A_PAGE + 3);
    expect((await listSessions(db, ben, { page: 999 })).rows).toEqual([]);
    for (const find of ["the 100 % OLDEST", "oldest_one"])
      expect((await listSessions(db, ben, { find })).rows.map((row) => row.title)).toEqual(["The 100 % oldest_one"]);
    expect((await listSessions(db, ben, { find: "100_% " })).all).toBe(0);
    expect((await listSessions(db, ben, { find: "off", purposes: ["off-day"] })).all).toBe(SESSIONS_A_PAGE + 3);
    expect((await listSessions(db, ben, { template: true })).all).toBe(0);
  });
});
