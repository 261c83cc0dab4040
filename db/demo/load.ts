import { now, nowDate } from "~/core/clock/clock";
import { and, eq, sql } from "drizzle-orm";
import { daysBefore } from "~/core/clock/calendar";
import { painChoices, painPlace, type PainPlace } from "~/core/checkin/pain-place";
import { mainJoints } from "~/core/coverage/joints";
import type { Drill } from "~/core/drills/schema";
import { makeEdition } from "~/core/edition/edition";
import type { SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import type { Timeline } from "~/core/timeline/types";
import { makeAccount, type Accounts } from "../accounts";
import type { Db } from "../client";
import type { Club } from "../clubs";
import type { ExampleIds } from "../schema/clubs";
import { setClubZone } from "../members";
import { handOut } from "../editions";
import { openLink } from "../links";
import { keepCheckIn, keepProgress } from "../runs";
import { about, coach, link, membership, person } from "../schema";
import { addSession, saveSession } from "../sessions";
import { saveSetting } from "../session-setting";
import { addPeople, addGroup, listGroupsWithPeople, setPersonAreas, setGroupSetting } from "../groups";
import { COACH, FEEDBACK, STAFF, GROUPS, type GroupKey } from "./people";
import { handballBeforeAGame, rowersBeforeTheBoat, staffLunchtime } from "./sessions";

export type DemoSettings = { secret: string; password: string; drills: (id: string) => Drill | undefined };

const LOADED = "demo loaded";
const LOADING = 7_251_903;

/** Loads the demo data of Kestrel Sound once for each database. A coach who deletes it does not get it back. */
export async function loadDemo(db: Db, accounts: Accounts, settings: DemoSettings): Promise<void> {
  // Of several processes that start at once one loads it, and the others wait for it.
  await db.transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${LOADING})`);
    await loadOnce(db, accounts, settings);
  });
}

async function loadOnce(db: Db, accounts: Accounts, settings: DemoSettings): Promise<void> {
  const [done] = await db.select().from(about).where(eq(about.key, LOADED));
  if (done) return;
  const { club } = await makeAccount(db, accounts, {
    ...COACH,
    clubName: "Kestrel Sound",
    password: settings.password,
  });
  await setClubZone(db, club, ZONE);
  for (const { role, ...who } of STAFF)
    await makeAccount(db, accounts, { ...who, password: settings.password, joins: { club, role } });
  const make = { rowers: rowersBeforeTheBoat, handball: handballBeforeAGame, staff: staffLunchtime } as const;
  for (const key of ["staff", "handball", "rowers"] as const) {
    const { groupId } = await loadGroup(db, club, key, GROUPS[key].name);
    await loadSession(db, club, key, groupId, make[key](settings.drills), settings);
  }
  // Whoever has reports was there before them.
  const known = daysAgo(60);
  await db.update(person).set({ createdAt: known }).where(eq(person.clubId, club.id));
  await db.update(membership).set({ from: known }).where(eq(membership.clubId, club.id));
  await db.insert(about).values({ key: LOADED, value: nowDate().toISOString() });
}

/** A group of the demo, with its people and kit. */
async function loadGroup(
  db: Db,
  club: Club,
  key: GroupKey,
  called: string,
): Promise<{ groupId: string; people: string[] }> {
  const groupId = await addGroup(db, club, called);
  const { people, setting, protects } = GROUPS[key];
  await addPeople(db, club, groupId, people);
  await setGroupSetting(db, club, groupId, setting);
  const members = (await listGroupsWithPeople(db, club)).find((group) => group.id === groupId)?.athletes ?? [];
  for (const { id, name } of members) if (protects[name]) await setPersonAreas(db, club, id, protects[name]);
  return { groupId, people: members.map(({ id }) => id) };
}

export const EXAMPLE = { group: "Example: junior rowers", session: "Example: rowers before the boat" };

/** The demo's rowers as an example in somebody's own club: a group, its session, and what came back from it. Returns what it brought, by ids. */
export async function loadExampleInto(
  db: Db,
  club: Club,
  settings: Omit<DemoSettings, "password">,
): Promise<ExampleIds> {
  const { groupId, people } = await loadGroup(db, club, "rowers", EXAMPLE.group);
  const known = daysAgo(60);
  await db
    .update(membership)
    .set({ from: known })
    .where(and(eq(membership.clubId, club.id), eq(membership.groupId, groupId)));
  const doc = { ...rowersBeforeTheBoat(settings.drills), title: EXAMPLE.session };
  const session = await loadSession(db, club, "rowers", groupId, doc, settings);
  return { groups: [groupId], people, sessions: [session] };
}

async function loadSession(
  db: Db,
  club: Club,
  key: GroupKey,
  groupId: string,
  doc: SessionPlan,
  settings: Omit<DemoSettings, "password">,
): Promise<string> {
  const { secret, drills } = settings;
  const timeline = compile(doc, drills);
  const id = await addSession(db, club, doc, timeline.totalSeconds);
  await saveSetting(db, club, id, { groupId, demandId: GROUPS[key].demand, accepted: [] });
  const first = daysAgo(Math.max(...FEEDBACK[key].map((said) => said.daysAgo)) + 1);
  const out = await handOut(db, club, id, makeEdition(doc, drills), timeline.totalSeconds, groupId, secret, {
    at: first,
  });
  const opened = out && (await openLink(db, out.token, true));
  if (!opened || opened === "withdrawn") throw new Error("The demo edition cannot be opened");
  await db
    .update(link)
    .set({ openings: FEEDBACK[key].length, openedAt: daysAgo(Math.min(...FEEDBACK[key].map((said) => said.daysAgo))) })
    .where(and(eq(link.clubId, club.id), eq(link.id, opened.id)));

  const people = (await listGroupsWithPeople(db, club)).find((group) => group.id === groupId)?.athletes ?? [];
  const joints = mainJoints(doc, timeline, drills, 2);
  for (const [i, said] of FEEDBACK[key].entries()) {
    const progress = {
      key: crypto.randomUUID(),
      person: { athleteId: people.find((a) => a.name === said.name)?.id ?? null, name: said.name },
      shareDone: said.share,
      finished: said.share === 1,
    };
    const at = daysAgo(said.daysAgo, i);
    const ended = new Date(at.getTime() + timeline.totalSeconds * 1000);
    const runId = await keepProgress(db, opened, progress, { at, endedAt: ended });
    if (!runId) throw new Error("A run of the demo was not kept");
    if (!said.silent)
      await keepCheckIn(
        db,
        opened,
        {
          run: progress,
          hard: said.hard ?? null,
          pain: said.pain !== undefined,
          painWhere: said.pain ?? "",
          note: said.note ?? "",
          tightness: joints.map((joint, j) => ({
            joint,
            left: said.felt?.[j]?.[0] ?? null,
            right: said.felt?.[j]?.[1] ?? null,
          })),
        },
        { at: new Date(ended.getTime() + 40_000), ...(said.painIn && placed(doc, timeline, drills, said.painIn)) },
      );
  }
  if (key === "handball") await changeAfterHandOut(db, club, id, doc, drills);
  return id;
}

/** The first place of a drill in the session, as a report of pain tells of it. */
function placed(
  doc: SessionPlan,
  timeline: Timeline,
  drills: DemoSettings["drills"],
  drill: string,
): { painPlaces?: ReadonlyMap<string, PainPlace> } {
  const at = painChoices(doc, ({ block, item }) => drills(doc.blocks[block]!.items[item]!.drill)).find(
    (one) => one.drill === drill,
  );
  const found = at && painPlace(at, doc, timeline, (id) => drills(id)?.name);
  return found ? { painPlaces: new Map([["", found]]) } : {};
}

/** One session has changed since it was handed out, so that the demo shows how that looks. */
async function changeAfterHandOut(
  db: Db,
  club: Club,
  id: string,
  doc: SessionPlan,
  drills: DemoSettings["drills"],
): Promise<void> {
  const last = doc.blocks.length - 1;
  const changed: SessionPlan = {
    ...doc,
    notes: "Hall B this time: less room, so the toe-touch walk goes along the wall.",
    blocks: doc.blocks.map((block, i) => (i === last ? { ...block, title: "Into hall B" } : block)),
  };
  await saveSession(db, club, id, 1, changed, compile(changed, drills).totalSeconds);
}

/** The club is by the sea in England. */
const ZONE = "Europe/London";

const daysAgo = (days: number, minutesLater = 0): Date => daysBefore(now(), days, 17, 5 + minutesLater, ZONE);

/** The demo coach's address while that account exists. */
export async function demoEmail(db: Db): Promise<string | undefined> {
  const [row] = await db.select({ email: coach.email }).from(coach).where(eq(coach.email, COACH.email));
  return row?.email;
}
