import { eq } from "drizzle-orm";
import { afterAll, beforeEach, beforeAll, describe, expect, it } from "vitest";
import { ownDrillId } from "~/core/drills/own";
import type { Drill } from "~/core/drills/schema";
import type { SessionFile } from "~/core/files/session-file";
import { readSession } from "~/core/session/read";
import { DRILLS } from "~/library";
import { SPORT_PROFILES } from "~/library/sport-profiles";
import { drawnDrillById } from "~/library/drawn";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { addProfile, listProfiles } from "./sport-profiles";
import { addOwnDrill, findRevision, keepRevision, listOwnDrills, revisionsNamed } from "./own-drills";
import { sportProfile, ownDrill, trainingSession } from "./schema";
import { keepSessionFile } from "./session-files";
import { findSession, setArchived } from "./sessions";
import { findSetting } from "./session-setting";
import { freshDatabase } from "./testing";

let db: Db;
let ana: Club;
let ben: Club;
let end: () => Promise<void>;
let drill: Drill;
let first: string;
let second: string;

beforeAll(async () => {
  ({ db, ana, ben, end } = await freshDatabase());
  drill = { ...drawnDrillById("cat-camel")!, name: "Harbour wall reach" };
  const id = await addOwnDrill(db, ana, drill);
  await keepRevision(db, ana, id, 1, { ...drill, brief: "The second way to do it." });
  [first, second] = [ownDrillId(id, 1), ownDrillId(id, 2)];
});
afterAll(() => end());
beforeEach(async () => {
  await db.delete(trainingSession).where(eq(trainingSession.clubId, ben.id));
  await db.delete(ownDrill).where(eq(ownDrill.clubId, ben.id));
  await db.delete(sportProfile).where(eq(sportProfile.clubId, ben.id));
});

/** A session of Ana's, with what it needs elsewhere. */
async function file(ids: string[], more: Partial<SessionFile> = {}): Promise<SessionFile> {
  const drills = await Promise.all([...new Set(ids)].map(async (id) => (await revisionsNamed(db, ana, [id]))[0]!));
  const drawn = await Promise.all(
    drills.map(async (one) => (await findRevision(db, ana, first.slice(4, 40), Number(one.id.split("-").at(-1))))!),
  );
  const dose = { kind: "time", seconds: 30 };
  const read = readSession(
    {
      format: "mapset/session",
      version: 1,
      title: "From Ana",
      purpose: "off-day",
      blocks: [{ title: "One", items: [...ids, DRILLS[0]!.id].map((id) => ({ drill: id, dose })) }],
    },
    () => drill,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return { session: read.value, drills: drawn, profile: undefined, ...more };
}
const drillsIn = async (id: string, who = ben) =>
  (await findSession(db, who, id))!.doc.blocks[0]!.items.map((item) => item.drill);

describe("a session file in another account", () => {
  it("is there whole: its drills are the coach's own, drawn, and known by what they stress", async () => {
    const kept = await keepSessionFile(db, ben, await file([first]), 60);
    expect(kept).toMatchObject({ already: false, newDrills: 1, title: "From Ana" });
    const [used, shipped] = await drillsIn(kept.id);
    expect(shipped).toBe(DRILLS[0]!.id);
    expect(used).not.toBe(first);
    const [mine] = await listOwnDrills(db, ben);
    expect(mine!.doc.id).toBe(used);
    expect(mine!.doc.motions).toEqual(JSON.parse(JSON.stringify(drill.motions)));
    expect(mine!.doc.levels.standard.stress).toBeDefined();
  });
  it("is never there twice", async () => {
    const once = await keepSessionFile(db, ben, await file([first]), 60);
    expect(await keepSessionFile(db, ben, await file([first]), 60)).toEqual({ ...once, already: true, newDrills: 0 });
    const other = { ...(await file([first])) };
    const changed = await keepSessionFile(db, ben, { ...other, session: { ...other.session, title: "Another" } }, 60);
    expect(changed).toMatchObject({ already: false, newDrills: 0 });
    expect(await drillsIn(changed.id)).toEqual(await drillsIn(once.id));
    expect(await listOwnDrills(db, ben)).toHaveLength(1);
  });
  it("is kept once when it arrives five times at the same moment", async () => {
    const same = await file([first, second], { profile: { ...SPORT_PROFILES[0]!, name: "Gig rowing" } });
    const all = await Promise.all(Array.from({ length: 5 }, () => keepSessionFile(db, ben, same, 60)));
    expect(all.filter((one) => !one.already)).toHaveLength(1);
    expect(new Set(all.map((one) => one.id)).size).toBe(1);
    expect([(await listOwnDrills(db, ben)).length, (await listProfiles(db, ben)).length]).toEqual([1, 1]);
  });
  it("keeps revisions of one drill as revisions of one, the newest being the newest", async () => {
    const kept = await keepSessionFile(db, ben, await file([second, first]), 60);
    const [later, earlier] = await drillsIn(kept.id);
    expect(later!.slice(0, 40)).toBe(earlier!.slice(0, 40));
    expect([earlier!.slice(41), later!.slice(41)]).toEqual(["1", "2"]);
    const [mine] = await listOwnDrills(db, ben);
    expect([mine!.revision, mine!.doc.brief]).toEqual([2, "The second way to do it."]);
  });
  it("comes back to whom it came from without anything new", async () => {
    const own = await keepSessionFile(db, ana, await file([first]), 60);
    expect(await drillsIn(own.id, ana)).toEqual([first, DRILLS[0]!.id]);
    expect(await keepSessionFile(db, ana, await file([first]), 60)).toMatchObject({
      id: own.id,
      already: true,
      newDrills: 0,
    });
  });
  it("is kept anew where the one there is has been archived", async () => {
    const once = await keepSessionFile(db, ben, await file([first]), 60);
    await setArchived(db, ben, once.id, true);
    expect(await keepSessionFile(db, ben, await file([first]), 60)).toMatchObject({ already: false, newDrills: 0 });
  });
});

describe("its sport profile", () => {
  it("is asked of the session: a shipped one by its name, one of the coach's own as theirs", async () => {
    const shipped = await keepSessionFile(db, ben, await file([first], { profile: SPORT_PROFILES[0]!.id }), 60);
    expect((await findSetting(db, ben, shipped.id))!.demandId).toBe(SPORT_PROFILES[0]!.id);
    const gig = { ...SPORT_PROFILES[0]!, id: "own-elsewhere", name: "Gig rowing" };
    const base = await file([first]);
    const own = await keepSessionFile(
      db,
      ben,
      { ...base, profile: gig, session: { ...base.session, title: "Two" } },
      60,
    );
    const [mine] = await listProfiles(db, ben);
    expect((await findSetting(db, ben, own.id))!.demandId).toBe(mine!.id);
    expect(mine).toMatchObject({ name: "Gig rowing", rows: SPORT_PROFILES[0]!.rows });
  });
  it("is not there twice, and another of the same name is another", async () => {
    const gig = { ...SPORT_PROFILES[0]!, name: "Gig rowing" };
    await addProfile(db, ben, { ...gig, about: "Another one of that name." });
    for (const title of ["Two", "Three"]) {
      const base = await file([first], { profile: gig });
      await keepSessionFile(db, ben, { ...base, session: { ...base.session, title } }, 60);
    }
    expect(await listProfiles(db, ben)).toHaveLength(2);
  });
});

it("nothing is kept where some of it cannot be", async () => {
  const good = await file([first], { profile: { ...SPORT_PROFILES[0]!, name: "Gig rowing" } });
  // A title that is longer than the database takes for a drill's name, past what a reader lets through.
  await expect(
    keepSessionFile(db, ben, { ...good, profile: { ...SPORT_PROFILES[0]!, name: "x" } }, 60),
  ).rejects.toThrow();
  expect([(await listOwnDrills(db, ben)).length, (await listProfiles(db, ben)).length]).toEqual([0, 0]);
});
