import type { Club } from "~/db/clubs";
import { randomUUID } from "node:crypto";
import { sql } from "drizzle-orm";
import type { Line } from "./bench-draft";
import { AREAS } from "~/core/vocabulary/areas";
import { drillFile } from "~/core/drills/read";
import { MOTIONS } from "~/core/vocabulary/motions";
import type { Drill } from "~/core/drills/schema";
import type { Animation } from "~/core/figure/animation";
import { MOST_PEOPLE } from "~/core/group/schema";
import { itemOf } from "~/core/session/start";
import type { SessionPlan } from "~/core/session/schema";
import { median } from "~/core/statistics";
import { asDocument } from "~/core/drills/stresses";
import type { Db } from "~/db/client";
import { addOwnDrill } from "~/db/own-drills";
import { addPeople, addGroup, listGroupsWithPeople, setPersonAreas } from "~/db/groups";
import { DRILLS } from "~/library";
import { DRAWN_DRILLS } from "~/library/drawn";

const ms = (n: number) => `${n.toFixed(1)} ms`;

/** Half an hour of sixty phones behind one address, as fast as it can be sent: each tells every 20 s, and checks in. */
export async function classOfSixty(base: string, link: string): Promise<Line> {
  const phones = Array.from({ length: 60 }, (_, i) => ({
    key: randomUUID(),
    person: { athleteId: null, name: `P${i}` },
    shareDone: 0,
    finished: false,
  }));
  const post = (part: string, body: unknown) =>
    fetch(`${base}${link}/${part}`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    }).then(async (answer) => (await answer.text(), answer.status));
  const spent: number[] = [];
  let refused = 0;
  for (let told = 1; told <= 90; told++)
    await Promise.all(
      phones.map(async (run) => {
        const start = performance.now();
        if ((await post("progress", { ...run, shareDone: told / 90, finished: told === 90 })) !== 200) refused++;
        spent.push(performance.now() - start);
      }),
    );
  await Promise.all(
    phones.map(
      async (run, i) =>
        (await post("check-in", {
          run: { ...run, shareDone: 1, finished: true },
          hard: 3,
          tightness: [],
          pain: i % 20 === 0,
          painWhere: "",
          note: "",
        })) !== 200 && refused++,
    ),
  );
  return {
    what: "60 phones behind one address for 30 minutes, 5,460 reports",
    value: `${refused} refused`,
    baseline: `a report ${ms(median(spent) ?? 0)} in the crowd`,
    ratio: "",
    goal: "none refused",
    met: refused === 0,
  };
}

/** The largest session that may be kept: as many segments as there may be, over all of the library. */
export function largestSession(): SessionPlan {
  const items = Array.from({ length: 50 }, (_, i) => ({
    ...itemOf(DRILLS[(i * 7) % DRILLS.length]!),
    sides: "left" as const,
    directions: 1 as const,
    dose: { kind: "time" as const, seconds: 20 },
    demo: 0,
    cues: Array.from({ length: 40 }, (__, c) => ({ at: c % 20, say: "x".repeat(180) })),
  }));
  return {
    format: "mapset/session",
    version: 1,
    title: "As large as can be",
    purpose: "off-day",
    firstSide: "left",
    pace: { breath: 6, switchSides: 6, turn: 2, demo: 20, kitChange: 4 },
    blocks: [{ title: "All", rounds: 20, restBetweenRounds: 0, sideOrder: "drill-by-drill", items }],
  };
}

/** The largest drill that may be kept: as many words as there may be, and every level moved through as many poses. */
function largestDrill(): Drill {
  const words = "x".repeat(400);
  const from = asDocument(
    [...DRAWN_DRILLS].sort((a, b) => b.motions!.standard.keys.length - a.motions!.standard.keys.length)[0]!,
  );
  const long = (motion: Animation): Animation => ({
    ...motion,
    beats: 64,
    seconds: 600,
    keys: Array.from({ length: 24 }, (_, i) => ({ ...motion.keys[i % motion.keys.length]!, at: (i * 64) / 24 })),
  });
  return {
    ...from,
    id: "largest",
    name: "As large as can be",
    setUp: Array<string>(6).fill(words),
    steps: Array<string>(8).fill(words),
    feel: Array<string>(4).fill(words),
    cautions: Array.from({ length: 6 }, () => ({ kind: "take care" as const, text: words })),
    elsewhere: Array.from({ length: 5 }, () => ({ felt: words, change: words })),
    faults: Array.from({ length: 5 }, () => ({ see: words, say: words })),
    motions: {
      standard: long(from.motions!.standard),
      easier: long(from.motions!.easier ?? from.motions!.standard),
      harder: long(from.motions!.harder ?? from.motions!.standard),
    },
  };
}

/** The fullest group, everybody protecting something else, each with a side or a clinician's limit. */
async function fullestGroup(db: Db, club: Club): Promise<string> {
  const id = await addGroup(db, club, "As many as can be");
  await addPeople(
    db,
    club,
    id,
    Array.from({ length: MOST_PEOPLE }, (_, i) => `Person ${i}`),
  );
  const group = (await listGroupsWithPeople(db, club)).find((one) => one.id === id)!;
  for (const [i, person] of group.athletes.entries())
    await setPersonAreas(
      db,
      club,
      person.id,
      AREAS.map((area, a) => ({
        area,
        way: (i + a) % 3 ? ("keep-off" as const) : ("small" as const),
        ...(area === "knee-deep-bend" && { limit: 20 + (i % 160) }),
      })),
    );
  return id;
}

/** As many revisions as may be kept of a drill with as many words as there may be. */
async function mostRevisions(db: Db, club: Club): Promise<void> {
  const id = await addOwnDrill(db, club, { ...largestDrill(), name: "Revised over and over" });
  await db.execute(
    sql`insert into own_drill_revision (club_id, drill_id, number, made_by, doc) select club_id, drill_id, i, made_by, jsonb_set(doc - 'motions', '{id}', to_jsonb('own-' || drill_id || '-' || i)) from own_drill_revision, generate_series(2, 4000) i where drill_id = ${id} and number = 1`,
  );
  await db.execute(
    sql`insert into own_drill_stress (club_id, drill_id, number, rules, levels) select club_id, drill_id, i, rules, levels from own_drill_stress, generate_series(2, 4000) i where drill_id = ${id} and number = 1`,
  );
  await db.execute(sql`update own_drill set revision = 4000 where id = ${id}`);
}

/** How long others wait, at the longest, while something large is asked for: a page with nothing on it, over and over, beside it. */
async function waits(base: string, work: () => Promise<unknown>): Promise<{ longest: number; usual: number }> {
  const up = async () => {
    const start = performance.now();
    await (await fetch(`${base}/up`)).text();
    return performance.now() - start;
  };
  for (let i = 0; i < 5; i++) await up();
  const usual: number[] = [];
  for (let i = 0; i < 20; i++) usual.push(await up());
  let over = false;
  const spent: number[] = [];
  const beside = (async () => {
    while (!over) spent.push(await up());
  })();
  await work();
  over = true;
  await beside;
  return { longest: Math.max(...spent), usual: median(usual) ?? 0 };
}

/** The longest that others wait while the largest session is imported, saved, opened, handed out and followed. */
export async function largest(base: string, cookie: string, db: Db, club: Club): Promise<Line[]> {
  const doc = largestSession();
  const text = JSON.stringify(doc);
  const headers = { cookie };
  const form = (fields: Record<string, string>) => ({
    method: "POST",
    headers: { ...headers, "content-type": "application/x-www-form-urlencoded" },
    body: new URLSearchParams(fields).toString(),
    redirect: "manual" as const,
  });
  let session = "";
  const lines: Line[] = [];
  const line = async (what: string, work: () => Promise<unknown>) => {
    const { longest, usual } = await waits(base, work);
    lines.push({
      what: `longest wait of others while ${what}`,
      value: ms(longest),
      baseline: `a page with nothing on it ${ms(usual)}`,
      ratio: (longest / usual).toFixed(0),
      goal: "under 250 ms",
      met: longest < 250,
    });
  };
  await line(`the largest session (${Math.round(text.length / 1000)} kB) is imported`, async () => {
    const body = new FormData();
    body.set("do", "import");
    body.set("file", new File([text], "largest.json", { type: "application/json" }));
    const answer = await fetch(`${base}/sessions`, { method: "POST", headers, body, redirect: "manual" });
    session = answer.headers.get("location") ?? "";
    if (!session)
      throw new Error(`The largest session was refused: ${answer.status} ${(await answer.text()).slice(0, 400)}`);
  });
  await line("it is saved", () =>
    fetch(`${base}${session}/save`, {
      method: "POST",
      headers: { ...headers, "content-type": "application/json" },
      body: JSON.stringify({ basedOn: 1, doc }),
    }).then((answer) => answer.text()),
  );
  await line("it is opened at the desk", () => fetch(`${base}${session}`, { headers }).then((answer) => answer.text()));
  await line("it is in the list of sessions", () =>
    fetch(`${base}/sessions`, { headers }).then((answer) => answer.text()),
  );
  const seen = async () =>
    /name="seen" value="([0-9a-f]{64})"/.exec(
      await (await fetch(`${base}${session}/hand-out`, { headers })).text(),
    )![1]!;
  const looked = await seen();
  await line("it is handed out", () =>
    fetch(`${base}${session}/hand-out`, form({ group: "", seen: looked })).then((answer) => answer.text()),
  );
  const page = await (await fetch(`${base}${session}/hand-out`, { headers })).text();
  const link = /\/f\/[A-Za-z0-9_-]{24}/.exec(page)?.[0];
  if (!link) throw new Error("The largest session was not handed out");
  await line("its page of editions is shown", () =>
    fetch(`${base}${session}/hand-out`, { headers }).then((answer) => answer.text()),
  );
  await line("it is followed", () => fetch(`${base}${link}`).then((answer) => answer.text()));
  const get = (path: string) =>
    fetch(`${base}${path}`, { headers }).then(async (answer) => {
      if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
      return answer.text();
    });
  const groupId = await fullestGroup(db, club);
  await fetch(`${base}${session}/setting`, {
    method: "POST",
    headers: { ...headers, "content-type": "application/json" },
    body: JSON.stringify({ groupId }),
  });
  await line(`it is looked over for ${MOST_PEOPLE} people who all protect something else`, () =>
    get(`${session}/hand-out`),
  );
  await line("it is put on paper for them", () => get(`${session}/print`));
  await fetch(`${base}${session}/hand-out`, form({ group: groupId, seen: await seen() }));
  const theirs = [...(await get(`${session}/hand-out`)).matchAll(/\/f\/[A-Za-z0-9_-]{24}/g)][0]?.[0] ?? "";
  const one = (await listGroupsWithPeople(db, club)).find((group) => group.id === groupId)!.athletes[0]!.id;
  await line("what somebody of them does instead is asked for", () => get(`${theirs}/mine?athlete=${one}`));

  let drill = "";
  const drillText = JSON.stringify(drillFile(largestDrill()));
  await line(`the largest drill (${Math.round(drillText.length / 1000)} kB) is imported`, async () => {
    const body = new FormData();
    body.set("do", "import");
    body.set("file", new File([drillText], "largest.json", { type: "application/json" }));
    const answer = await fetch(`${base}/library`, { method: "POST", headers, body, redirect: "manual" });
    drill = answer.headers.get("location") ?? "";
    if (!drill)
      throw new Error(`The largest drill was refused: ${answer.status} ${(await answer.text()).slice(0, 400)}`);
  });
  await line("a revision of it is kept", async () => {
    const answer = await fetch(`${base}${drill}/keep`, {
      method: "POST",
      headers: { ...headers, "content-type": "application/json" },
      body: JSON.stringify({ basedOn: 1, doc: largestDrill() }),
    });
    if (!answer.ok) throw new Error(`The revision was refused: ${await answer.text()}`);
  });
  await line("its page is shown", () => get(drill));
  await line("a still of it is drawn", () => get(`${drill.replace("/library/", "/figure/")}/standard/pair.svg`));
  await mostRevisions(db, club);
  for (const [what, path] of [
    ["the list of sessions", "/sessions"],
    ["the desk", session],
    ["the library", "/library"],
    ["the drafting page", "/sessions/draft"],
    ["the list of own drills that these fetch", "/own-drills"],
  ] as const)
    await line(`${what} is shown beside 4,000 revisions of own drills`, () => get(path));

  const profile = {
    id: "own",
    name: "As large as can be",
    about: "x".repeat(300),
    held: Array<string>(6).fill("x".repeat(120)),
    rows: Object.fromEntries(MOTIONS.map((row) => [row, { weight: 3, why: "x".repeat(200) }])),
  };
  const demand = (await fetch(`${base}/library/profiles`, form({ demand: "rowing" }))).headers.get("location") ?? "";
  await line(`the largest profile (${Math.round(JSON.stringify(profile).length / 1000)} kB) is kept`, async () => {
    const answer = await fetch(`${base}${demand}`, form({ doc: JSON.stringify(profile) }));
    if (!answer.ok) throw new Error(`The profile was refused: ${answer.status}`);
  });
  await line("thirty sessions are measured against it", () => get(demand));
  return lines;
}

/** How many check-ins a club has from three years. */
const CHECK_INS = 50_000;

/**
 * A club after three years, with so many sessions: a group with a session handed out every 56 hours, 468 of them, and 50,000 check-ins. Its pages beside a bare one, each asked for in turn,
 * so that a machine that slows down does so for both.
 */
export async function threeYears(base: string, cookie: string, db: Db, club: Club, sessions: number): Promise<Line[]> {
  const [group] = await listGroupsWithPeople(db, club);
  await db.execute(sql`with s as (select club_id, id, row_number() over (order by updated_at desc, id) as n from training_session where club_id = ${club.id} limit 468),
    e as (insert into edition (club_id, session_id, number, doc, total_seconds, created_at) select s.club_id, s.id, 1000, (select doc from edition where club_id = ${club.id} limit 1), 800, now() - s.n * interval '56 hours' from s returning club_id, id, created_at)
    insert into link (club_id, edition_id, group_id, created_at, openings) select club_id, id, ${group!.id}, created_at, 5 from e`);
  await db.execute(
    sql`insert into edition_drill select distinct e.club_id, e.id, drill #>> '{}' from edition e, jsonb_path_query(e.doc, 'lax $.session.blocks[*].items[*].drill') drill where e.number = 1000`,
  );
  await db.execute(sql`with l as (select id, created_at, row_number() over (order by created_at) - 1 as n, count(*) over () as of from link where club_id = ${club.id} and group_id = ${group!.id}),
    r as (insert into run (club_id, link_id, client_key, name, started_at, arrived_at, finished_at, share_done) select ${club.id}, l.id, gen_random_uuid(), 'P' || i, l.created_at, l.created_at, l.created_at, 1 from generate_series(1, ${CHECK_INS}::int) i join l on l.n = i % l.of returning id, arrived_at)
    insert into check_in (club_id, run_id, effort, pain, seen_at, sent_at, arrived_at, tightness) select ${club.id}, id, 4, id::text < '05', now(), arrived_at, arrived_at, '[{"joint": "hip", "left": 2, "right": 3}]' from r`);
  await db.execute(sql`analyze`);
  const {
    rows: [session],
  } = await db.execute<{ id: string }>(
    sql`select session_id as id from edition where number = 1000 order by created_at desc limit 1`,
  );
  const get = async (path: string) => {
    const start = performance.now();
    const answer = await fetch(base + path, { headers: { cookie } });
    await answer.text();
    if (!answer.ok) throw new Error(`${path} answered ${answer.status}`);
    return performance.now() - start;
  };
  const line = async (what: string, path: string, goal: boolean): Promise<Line> => {
    for (let i = 0; i < 4; i++) await get(path);
    const [own, bare]: [number[], number[]] = [[], []];
    for (let i = 0; i < 20; i++) {
      bare.push(await get("/up"));
      own.push(await get(path));
    }
    const [page, up] = [median(own) ?? 0, median(bare) ?? 1];
    return {
      what: `server: ${what} (median of 20)`,
      value: ms(page),
      baseline: `bare page of the same framework, in turn ${ms(up)}`,
      ratio: (page / up).toFixed(1),
      ...(goal && { goal: "at most 4 times the bare page", met: page <= 4 * up }),
    };
  };
  return [
    await line("the day of a club with three years of editions", "/today", true),
    await line("one group's page", `/groups/${group!.id}`, true),
    await line(`list of ${sessions.toLocaleString("en-GB")} sessions`, "/sessions", true),
    await line(`feedback, with ${CHECK_INS.toLocaleString("en-GB")} check-ins`, "/feedback", true),
    await line("its hundredth page", "/feedback?page=100", false),
    await line("groups, one with three years of editions", "/groups", true),
    await line("the drafting page for it", `/sessions/draft?group=${group!.id}`, true),
    await line("people of the club", "/groups/people", true),
    await line("handing out to it", `/sessions/${session!.id}/hand-out?for=${group!.id}`, false),
  ];
}
