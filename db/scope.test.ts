import { readdirSync, readFileSync } from "node:fs";
import { eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, expect, it } from "vitest";
import { keptRequestSchema } from "~/core/draft/request";
import { ownDrillId } from "~/core/drills/own";
import { makeEdition } from "~/core/edition/edition";
import { profileById } from "~/library/sport-profiles";
import { drillById } from "~/library";
import { drawnDrillById } from "~/library/drawn";
import type { Db } from "./client";
import { clubsOf, type Club } from "./clubs";
import * as arcs from "./arcs";
import * as demands from "./sport-profiles";
import * as requests from "./draft-requests";
import * as heard from "./feedback";
import * as links from "./links";
import * as editions from "./editions";
import * as drills from "./own-drills";
import { isEmpty, readArchive } from "./archive/read";
import { writeArchive } from "./archive/write";
import * as erasing from "./erase";
import * as reports from "./old-reports";
import * as members from "./members";
import * as quota from "./quota";
import * as runs from "./runs";
import { coach } from "./schema";
import * as files from "./session-files";
import * as settings from "./session-setting";
import * as sessions from "./sessions";
import * as using from "./sessions-using";
import * as people from "./people";
import * as groups from "./groups";
import * as demo from "./demo/load";
import * as examples from "./example";
import * as handedOut from "./handed-out";
import * as live from "./live";
import * as livePeople from "./live-people";
import { NOTHING_OWN } from "~/core/player/mine";
import * as lost from "./unreadable";
import { earlierDatabase, TEST_SECRET } from "./testing";

/*
 * Every query that takes a club, asked by one club for what is another's: nothing of the other's comes back, and nothing of
 * the other's is changed.
 */
let db: Db;
let end: () => Promise<void>;
let ana: Club;
let ben: Club;
beforeAll(async () => {
  ({ db, end } = await earlierDatabase("2026-11-27.sql.gz"));
  const clubOf = async (email: string) =>
    (await clubsOf(db, (await db.select({ id: coach.id }).from(coach).where(eq(coach.email, email)))[0]!.id))[0]!.club;
  [ana, ben] = [await clubOf("ana@club.example"), await clubOf("ben@club.example")];
});
afterAll(() => end());

const OF_A_CLUB = [
  "group",
  "person",
  "membership",
  "training_session",
  "edition",
  "link",
  "run",
  "check_in",
  "own_drill",
  "own_drill_revision",
  "own_drill_stress",
  "sport_profile",
  "own_arc",
  "draft_request",
  "entry",
  "member",
  "invitation",
  "live_class",
  "live_command",
  "live_pass",
  "live_here",
  "live_version",
];

/** Everything of a club, as one text. */
const allOf = async (club: Club): Promise<string> =>
  (
    await Promise.all(
      OF_A_CLUB.map(async (table) =>
        JSON.stringify(
          (
            await db.execute(
              sql`select to_jsonb(t) as row from ${sql.identifier(table)} t where club_id = ${club.id} order by to_jsonb(t)::text`,
            )
          ).rows,
        ),
      ),
    )
  ).join("\n");

const idOf = async (table: string, column = "id"): Promise<string> => {
  const {
    rows: [row],
  } = await db.execute<{ id: string }>(
    sql`select ${sql.identifier(column)} as id from ${sql.identifier(table)} where club_id = ${ana.id} order by 1 limit 1`,
  );
  return row!.id;
};

/** Each by its name, asked by Ben for what is Ana's. */
async function asked(): Promise<Record<string, () => Promise<unknown>>> {
  const [session, group, person, run, link, drill, profile, request] = await Promise.all([
    idOf("edition", "session_id"),
    idOf("group"),
    idOf("person"),
    idOf("run"),
    idOf("link"),
    idOf("own_drill"),
    idOf("sport_profile"),
    idOf("draft_request"),
  ]);
  await members.invite(db, ana, "assistant", TEST_SECRET);
  const editionId = await idOf("edition");
  const running = (await live.startClass(db, ana, { editionId, groupId: group }, TEST_SECRET))!;
  const pressed = { key: "00000000-0000-4000-8000-000000000001", seen: 0, on: null, command: { do: "go" as const } };
  await live.addCommand(db, ana, running, pressed);
  await livePeople.setHere(db, ana, running, person, true);
  await livePeople.keepVersion(db, ana, running, person, { of: "a", doc: NOTHING_OWN });
  const invitation = (await members.listInvitations(db, ana, TEST_SECRET))[0]!.id;
  const archived = (await sessions.listSessions(db, ana, { archived: true })).rows[0]!.id;
  const { doc } = (await sessions.findSession(db, ana, session))!;
  const plain = (await sessions.newestSessions(db, ben, 1))[0]!.doc;
  const own = drawnDrillById("cat-camel")!;
  const kept = { title: "Ben's", doc: keptRequestSchema.parse({ purpose: "off-day", target: 600, demand: "rowing" }) };
  return {
    listProfiles: () => demands.listProfiles(db, ben),
    findProfile: () => demands.findProfile(db, ben, profile),
    addProfile: () => demands.addProfile(db, ben, profileById("rowing")!),
    saveProfile: () => demands.saveProfile(db, ben, profile, profileById("rowing")!),
    deleteProfile: () => demands.deleteProfile(db, ben, profile),
    listArcs: () => arcs.listArcs(db, ben),
    saveArc: () => arcs.saveArc(db, ben, "off-day", { phases: { move: { seconds: 99 } } }),
    deleteArc: () => arcs.deleteArc(db, ben, "off-day"),
    listRequests: () => requests.listRequests(db, ben),
    findRequest: () => requests.findRequest(db, ben, request),
    addRequest: () => requests.addRequest(db, ben, { ...kept, groupId: group }),
    saveRequest: () => requests.saveRequest(db, ben, request, { ...kept, groupId: null }),
    deleteRequest: () => requests.deleteRequest(db, ben, request),
    listEditions: () => editions.listEditions(db, ben, session, TEST_SECRET),
    tokenOfLink: () => links.tokenOfLink(db, ben, link, TEST_SECRET),
    tokensOfLinks: async () => [...(await links.tokensOfLinks(db, ben, [link], TEST_SECRET))],
    editionInClass: () => links.editionInClass(db, ben, editionId).catch(() => "refused"),
    handOut: () => editions.handOut(db, ben, session, makeEdition(plain, drillById), 60, null, TEST_SECRET),
    withdrawLink: () => links.withdrawLink(db, ben, link),
    newestEdition: () => editions.newestEdition(db, ben, session),
    listOwnDrills: () => drills.listOwnDrills(db, ben),
    browseOwnDrills: () => drills.browseOwnDrills(db, ben, true),
    browseAllOwn: async () => (await drills.browseAllOwn(db, ben, true)).drills,
    findOwnDrill: () => drills.findOwnDrill(db, ben, drill),
    listRevisions: () => drills.listRevisions(db, ben, drill),
    findRevision: () => drills.findRevision(db, ben, drill, 1),
    revisionsNamed: () => drills.revisionsNamed(db, ben, [ownDrillId(drill, 1)]),
    ownDrillsText: () => drills.ownDrillsText(db, ben, [ownDrillId(drill, 1)]),
    addOwnDrill: () => drills.addOwnDrill(db, ben, own),
    keepRevision: () => drills.keepRevision(db, ben, drill, 1, own),
    shelveOwnDrill: () => drills.shelveOwnDrill(db, ben, drill, true),
    // A revision of another club's drill has nothing to belong to.
    addRevision: () => drills.addRevision(db, ben, drill, 9, own, {}).catch(() => "refused"),
    listMembers: () => members.listMembers(db, ben),
    setClubZone: () => members.setClubZone(db, ben, "Pacific/Apia"),
    renameClub: () => members.renameClub(db, ben, "Ben's own"),
    changeMember: () => members.changeMember(db, ben, ana.by!, "out"),
    invite: () => members.invite(db, ben, "coach", TEST_SECRET),
    listInvitations: () => members.listInvitations(db, ben, TEST_SECRET),
    withdrawInvitation: () => members.withdrawInvitation(db, ben, invitation),
    hasRoom: () => quota.hasRoom(db, ben, "people"),
    listFeedback: () => heard.listFeedback(db, ben, session, 100),
    summariseFeedback: () => heard.summariseFeedback(db, ben, session),
    listFolded: () => heard.listFolded(db, ben, session),
    countUnseen: () => heard.countUnseen(db, ben, session),
    lastHandedOut: () => heard.lastHandedOut(db, ben, 9, session),
    countUnseenPain: () => heard.countUnseenPain(db, ben),
    setRemoved: () => runs.setRemoved(db, ben, run, true),
    setNotTheirs: () => runs.setNotTheirs(db, ben, run, true),
    setSeen: () => runs.setSeen(db, ben, run, true),
    countRuns: async () => [...(await runs.countRuns(db, ben, [session]))],
    keepSessionFile: () => files.keepSessionFile(db, ben, { session: plain, drills: [], profile: undefined }, 60),
    missingOf: () => files.missingOf(db, ben, []),
    findAlike: () => files.findAlike(db, ben, { ...own, name: "Harbour wall reach" }),
    sessionsUsing: () => using.sessionsUsing(db, ben, [ownDrillId(drill, 1)]),
    listSessions: async () => (await sessions.listSessions(db, ben, { archived: true })).rows,
    listTitles: () => sessions.listTitles(db, ben, true),
    newestSessions: () => sessions.newestSessions(db, ben, 9),
    findSession: () => sessions.findSession(db, ben, session),
    addSession: () => sessions.addSession(db, ben, plain, 60, { groupId: group }).catch(() => "refused"),
    saveSession: () => sessions.saveSession(db, ben, session, 1, doc, 60),
    findSetting: () => settings.findSetting(db, ben, session),
    lastByGroup: () => sessions.lastByGroup(db, ben),
    findMarkedSetting: () => settings.findMarkedSetting(db, ben, session),
    changeSetting: () =>
      settings.changeSetting(db, ben, session, { demandId: { value: null, basedOn: 0, by: "a page", seq: 1 } }),
    saveSetting: () => settings.saveSetting(db, ben, session, { demandId: null }),
    setArchived: () => sessions.setArchived(db, ben, session, true),
    rawSessions: () => sessions.rawSessions(db, ben, [session]),
    keepSummary: () =>
      sessions.keepSummary(db, ben, session, 1, { rules: 1, unreadable: { newer: false, why: "taken" } }),
    listUnreadable: () => lost.listUnreadable(db, ben, "profile"),
    findUnreadable: () => lost.findUnreadable(db, ben, "session", session),
    removeUnreadable: () => lost.removeUnreadable(db, ben, "session", session),
    setTemplate: () => sessions.setTemplate(db, ben, session, true),
    deleteArchived: () => sessions.deleteArchived(db, ben, archived),
    listGroupsWithPeople: () => groups.listGroupsWithPeople(db, ben),
    listGroupNames: () => groups.listGroupNames(db, ben),
    addGroup: () => groups.addGroup(db, ben, "Another"),
    renameGroup: () => groups.renameGroup(db, ben, group, "Taken"),
    deleteGroup: () => groups.deleteGroup(db, ben, group),
    addPeople: () => groups.addPeople(db, ben, group, ["Spy"]),
    countPeople: () => groups.countPeople(db, ben, group),
    listPeople: async () => (await people.listPeople(db, ben)).rows,
    findPerson: () => people.findPerson(db, ben, person),
    whatTheySaid: () => people.whatTheySaid(db, ben, person),
    countAll: () => people.countAll(db, ben),
    joinGroup: () => people.joinGroup(db, ben, person, group),
    leaveGroup: () => people.leaveGroup(db, ben, person, group),
    forgetPerson: () => people.forgetPerson(db, ben, person),
    listOff: () => groups.listOff(db, ben),
    renamePerson: () => groups.renamePerson(db, ben, person, "Taken"),
    namesOn: () => groups.namesOn(db, ben, group),
    setGroupSetting: () => groups.setGroupSetting(db, ben, group, {}),
    setPersonAreas: () => groups.setPersonAreas(db, ben, person, []),
    listGroups: () => groups.listGroups(db, ben),
    listHandedOut: () => handedOut.listHandedOut(db, ben, { since: new Date(0), most: 100, groupId: group }),
    exampleOf: () => examples.exampleOf(db, ben),
    loadExample: () => examples.loadExample(db, ben, { secret: TEST_SECRET, drills: drillById }),
    firstSteps: () => examples.firstSteps(db, ben, undefined),
    removeExample: () => examples.removeExample(db, ben),
    loadExampleInto: () => demo.loadExampleInto(db, ben, { secret: TEST_SECRET, drills: drillById }),
    lastHandedTo: async () => [...(await handedOut.lastHandedTo(db, ben))],
    keepMonthsOf: () => members.keepMonthsOf(db, ben),
    setKeepMonths: () => members.setKeepMonths(db, ben, 3),
    startClass: () => live.startClass(db, ben, { editionId, groupId: null }, TEST_SECRET),
    renewWallCode: () => live.renewWallCode(db, ben, running, TEST_SECRET),
    shownWallCode: () => live.shownWallCode(db, ben, { id: running, wallCode: 1 }, TEST_SECRET),
    findClass: () => live.findClass(db, ben, running),
    openClasses: () => live.openClasses(db, ben),
    runningFor: () => live.runningFor(db, ben, { editionId, groupId: group }),
    listCommands: () => live.listCommands(db, ben, running),
    addCommand: () => live.addCommand(db, ben, running, { ...pressed, key: "00000000-0000-4000-8000-000000000002" }),
    addApart: () => live.addApart(db, ben, running, [{ ...pressed, at: 0 }]),
    peopleOfClass: () => livePeople.peopleOfClass(db, ben, running),
    hurtTogether: () => heard.hurtTogether(db, ben, { since: new Date(0) }),
    noticePain: () => livePeople.noticePain(db, ben, running, run, run),
    painsOf: async () => [...(await heard.painsOf(db, ben, [run]))],
    setHere: () => livePeople.setHere(db, ben, running, person, true),
    setOthers: () => livePeople.setOthers(db, ben, running, 3),
    classToldOf: () => livePeople.classToldOf(db, ben, running, { editionId, groupId: group }),
    keptVersion: () => livePeople.keptVersion(db, ben, running, person, "x"),
    keepVersion: () =>
      livePeople.keepVersion(db, ben, running, person, { of: "x", doc: NOTHING_OWN }).catch(() => "refused"),
    hurtIn: () => livePeople.hurtIn(db, ben, running, person),
    closeClass: () => livePeople.closeClass(db, ben, running),
    classesOf: () => livePeople.classesOf(db, ben, group, 5),
    pacesOfClub: () => livePeople.pacesOfClub(db, ben),
    classRecord: () => livePeople.classRecord(db, ben, running),
    runsOfClass: () => livePeople.runsOfClass(db, ben, running),
    sayFor: () => livePeople.sayFor(db, ben, running, run, { effort: 1, pain: true, painWhere: "" }),
    setClassChoices: () => livePeople.setClassChoices(db, ben, running, []),
    findEdition: () => editions.findEdition(db, ben, editionId),
    givePass: () => live.givePass(db, ben, running, { kind: "remote" }).catch(() => "refused"),
    countOlder: () => reports.countOlder(db, ben, 1, "UTC"),
    holdingsOf: () => erasing.holdingsOf(db, ben),
    isEmpty: () => isEmpty(db, ben),
    readArchive: () => readArchive(db, ben, () => undefined).catch(() => "refused"),
    writeArchive: async () => {
      const all: string[] = [];
      await writeArchive(db, ben, async ({ text }) => {
        for await (const part of text) all.push(part);
      });
      return all;
    },
    // The last of all: nothing of Ben's is there afterwards.
    eraseClub: () => erasing.eraseClub(db, ben),
  };
}

it("there is a question here for every query that takes a club", () => {
  const folder = new URL("./", import.meta.url);
  const taking = (readdirSync(folder, { recursive: true }) as string[])
    .filter((name) => name.endsWith(".ts") && !name.endsWith(".test.ts"))
    .flatMap((name) =>
      [
        ...readFileSync(new URL(name, folder), "utf8").matchAll(/export async function (\w+)\(([^{}]*?club: Club)/g),
      ].map((found) => found[1]!),
    );
  expect(taking.length).toBeGreaterThan(50);
  expect(taking.filter((name) => !Object.hasOwn(MADE, name)).sort()).toEqual([]);
});

let MADE: Record<string, () => Promise<unknown>>;
beforeAll(async () => {
  MADE = await asked();
});

it("none of them finds or changes anything of another club", async () => {
  const before = await allOf(ana);
  const ids = new Set(before.match(/[0-9a-f]{8}-(?:[0-9a-f]{4}-){3}[0-9a-f]{12}/g));
  ids.delete(ben.id);
  expect(ids.size).toBeGreaterThan(20);
  for (const [name, ask] of Object.entries(MADE)) {
    const text = JSON.stringify(await ask()) ?? "";
    expect([name, [...ids].filter((id) => text.includes(id))]).toEqual([name, []]);
    for (const told of ["Harbour", "Gig", "Quill", "left knee"])
      expect([name, text.includes(told)]).toEqual([name, false]);
    expect([name, (await allOf(ana)) === before]).toEqual([name, true]);
  }
});

it("what a question says of another club's things is that there are none", async () => {
  const none: Record<string, unknown> = {};
  for (const name of [
    "findProfile",
    "saveProfile",
    "deleteProfile",
    "findRequest",
    "addRequest",
    "saveRequest",
    "deleteRequest",
    "tokenOfLink",
    "handOut",
    "withdrawLink",
    "newestEdition",
    "findOwnDrill",
    "findRevision",
    "shelveOwnDrill",
    "setRemoved",
    "setNotTheirs",
    "setSeen",
    "findAlike",
    "findSession",
    "findSetting",
    "findMarkedSetting",
    "changeSetting",
    "saveSetting",
    "setArchived",
    "setTemplate",
    "deleteArchived",
    "renameGroup",
    "deleteGroup",
    "addPeople",
    "countPeople",
    "countUnseenPain",
    "countUnseen",
    "findPerson",
    "joinGroup",
    "leaveGroup",
    "renamePerson",
    "setGroupSetting",
    "setPersonAreas",
    "startClass",
    "renewWallCode",
    "shownWallCode",
    "findClass",
    "runningFor",
  ])
    if (await MADE[name]!()) none[name] = "found";
  expect(none).toEqual({});
  expect([await MADE["keepRevision"]!(), await MADE["saveSession"]!()]).toEqual([{ kind: "gone" }, { kind: "gone" }]);
  expect([await MADE["addRevision"]!(), await MADE["addSession"]!()]).toEqual(["refused", "refused"]);
  expect([await MADE["addCommand"]!(), await MADE["addApart"]!()]).toEqual([{ kind: "gone" }, { kind: "gone" }]);
  expect(await MADE["givePass"]!()).toBe("refused");
});
