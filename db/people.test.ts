import { and, eq, sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { compile } from "~/core/timeline/compile";
import { makeEdition } from "~/core/edition/edition";
import { drillById } from "~/library";
import { readSession } from "~/core/session/read";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { handOut } from "./editions";
import { openLink, type OpenLink } from "./links";
import {
  findPerson,
  forgetPerson,
  joinGroup,
  leaveGroup,
  listPeople,
  NOBODY,
  PEOPLE_A_PAGE,
  whatTheySaid,
} from "./people";
import { countUnseenPain, listFeedback } from "./feedback";
import { keepCheckIn, setNotTheirs, setRemoved, setSeen } from "./runs";
import { checkIn, edition, painReport, person, run, trainingSession } from "./schema";
import { addSession } from "./sessions";
import { changeSetting, saveSetting } from "./session-setting";
import { addPeople, addGroup, deleteGroup, listGroupsWithPeople, setPersonAreas } from "./groups";
import { freshDatabase, TEST_SECRET } from "./testing";

let db: Db, ana: Club, ben: Club, end: () => Promise<void>;
beforeAll(async () => ({ db, ana, ben, end } = await freshDatabase()));
afterAll(() => end());

/** People of a new group, by name. */
async function crew(name: string, ...names: string[]): Promise<{ group: string; ids: Record<string, string> }> {
  const group = await addGroup(db, ana, name);
  await addPeople(db, ana, group, names);
  const { athletes } = (await listGroupsWithPeople(db, ana)).find((one) => one.id === group)!;
  return { group, ids: Object.fromEntries(athletes.map((one) => [one.name, one.id])) };
}

async function opened(group: string): Promise<{ session: string; link: OpenLink }> {
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
  const doc = read.value;
  const total = compile(doc, drillById).totalSeconds;
  const session = await addSession(db, ana, doc, total);
  const out = await handOut(db, ana, session, makeEdition(doc, drillById), total, group, TEST_SECRET);
  const link = out && (await openLink(db, out.token, false));
  if (!link || link === "withdrawn") throw new Error("no link");
  return { session, link };
}

const said = (id: string, name: string, pain: boolean) => ({
  run: { key: crypto.randomUUID(), person: { athleteId: id, name }, shareDone: 1, finished: true },
  hard: 6,
  tightness: [{ joint: "hip" as const, left: 2, right: 7 }],
  pain,
  painWhere: pain ? `where ${name} fell` : "",
  note: `${name} here`,
});

describe("people", () => {
  it("may be in several groups, leave one, and come back into it; a group that is deleted leaves them", async () => {
    const { group, ids } = await crew("Juniors", "Moss", "Tern");
    const other = await addGroup(db, ana, "Sunday class");
    expect([
      await joinGroup(db, ben, ids["Moss"]!, other),
      await joinGroup(db, ana, ids["Moss"]!, crypto.randomUUID()),
      await joinGroup(db, ana, ids["Moss"]!, other),
    ]).toEqual([false, false, true]);
    await setPersonAreas(db, ana, ids["Moss"]!, ["kneeling"]);
    expect([await leaveGroup(db, ben, ids["Moss"]!, group), await leaveGroup(db, ana, ids["Moss"]!, group)]).toEqual([
      false,
      true,
    ]);
    const found = await findPerson(db, ana, ids["Moss"]!);
    expect(found!.groups.map((one) => [one.name, one.until === null])).toEqual([
      ["Sunday class", true],
      ["Juniors", false],
    ]);
    expect(
      (await listGroupsWithPeople(db, ana)).map((group) => [group.name, group.athletes.map((one) => one.name)]),
    ).toEqual([
      ["Juniors", ["Tern"]],
      ["Sunday class", ["Moss"]],
    ]);
    // Leaving twice keeps the first day; coming back goes on from the day they joined.
    const until = found!.groups[1]!.until;
    await leaveGroup(db, ana, ids["Moss"]!, group);
    expect((await findPerson(db, ana, ids["Moss"]!))!.groups[1]!.until).toEqual(until);
    await joinGroup(db, ana, ids["Moss"]!, group);
    expect((await findPerson(db, ana, ids["Moss"]!))!.groups.map((one) => one.until)).toEqual([null, null]);
    await deleteGroup(db, ana, group);
    await deleteGroup(db, ana, other);
    expect(await findPerson(db, ana, ids["Moss"]!)).toMatchObject({ name: "Moss", areas: ["kneeling"], groups: [] });
    expect(await findPerson(db, ben, ids["Moss"]!)).toBeUndefined();
  });
  it("are listed by name, a page at a time, and found by part of it", async () => {
    await crew("Many", ...Array.from({ length: PEOPLE_A_PAGE + 5 }, (_, i) => `zz ${String(i).padStart(3, "0")}`));
    const first = await listPeople(db, ana, { find: "ZZ 0" });
    expect([first.rows.length, first.all, first.rows[0]!.name, first.rows[0]!.groups]).toEqual([
      PEOPLE_A_PAGE,
      PEOPLE_A_PAGE + 5,
      "zz 000",
      ["Many"],
    ]);
    expect((await listPeople(db, ana, { find: "zz", page: 1 })).rows.map((one) => one.name)).toEqual([
      "zz 060",
      "zz 061",
      "zz 062",
      "zz 063",
      "zz 064",
    ]);
    expect((await listPeople(db, ana, { find: "%" })).all).toBe(0);
    expect((await listPeople(db, ben)).all).toBe(0);
  });
});

describe("forgetting somebody", () => {
  it("waits until somebody has seen to their pain", async () => {
    const { group, ids } = await crew("Hurt", "Wren");
    const { link } = await opened(group);
    await keepCheckIn(db, link, said(ids["Wren"]!, "Wren", true));
    expect(await whatTheySaid(db, ana, ids["Wren"]!)).toMatchObject({ runs: 1, checkIns: 1, pain: 1, unseenPain: 1 });
    expect(await forgetPerson(db, ana, ids["Wren"]!)).toBe("unseen pain");
    expect(await forgetPerson(db, ben, ids["Wren"]!)).toBe("not here");
    const [row] = await listFeedback(db, ana, null, 1);
    expect(row).toMatchObject({ name: "Wren", checkIn: { pains: [{ where: "where Wren fell" }] } });
    await setSeen(db, ana, row!.runId, true);
    expect(await forgetPerson(db, ana, ids["Wren"]!)).toBe("forgotten");
    expect(await forgetPerson(db, ana, ids["Wren"]!)).toBe("not here");
  });
  it("keeps what somebody else said under their name, to be seen to", async () => {
    const { group, ids } = await crew("Jokers", "Gull");
    const { link, session } = await opened(group);
    await keepCheckIn(db, link, said(ids["Gull"]!, "Gull", true));
    const [row] = await listFeedback(db, ana, session, 1);
    await setNotTheirs(db, ana, row!.runId, true);
    expect(await whatTheySaid(db, ana, ids["Gull"]!)).toMatchObject({ runs: 0, unseenPain: 0 });
    const unseen = await countUnseenPain(db, ana);
    expect(await forgetPerson(db, ana, ids["Gull"]!)).toBe("forgotten");
    expect(await countUnseenPain(db, ana)).toBe(unseen);
    expect(await listFeedback(db, ana, session, 1, { only: "unseen pain" })).toMatchObject([
      { name: "Someone", notTheirs: NOBODY, checkIn: { pain: true, pains: [{ where: "where Gull fell" }] } },
    ]);
  });
  it("erases their name and words everywhere, and leaves everybody else's and the figures as they were", async () => {
    const { group, ids } = await crew("Crew", "Skua", "Pip");
    const { session, link } = await opened(group);
    const choice = (athleteId: string) => ({ athleteId, block: 0, item: 0, at: "cat-camel", does: "rest" as const });
    const accepted = [
      {
        key: "protected-areas cat-camel",
        says: "Cat–camel loads kneeling, which Skua and Pip protect.",
        reason: "Skua asked to; Skuas do.",
      },
    ];
    await saveSetting(db, ana, session, { groupId: group, accepted });
    const chosenAtDesk = (seq: number) =>
      changeSetting(db, ana, session, {
        choices: { value: [choice(ids["Skua"]!), choice(ids["Pip"]!)], basedOn: 0, by: "a desk", seq },
      });
    expect((await chosenAtDesk(1))?.newer).toEqual([]);
    const { doc, totalSeconds } = (
      await db
        .select({ doc: trainingSession.doc, totalSeconds: trainingSession.totalSeconds })
        .from(trainingSession)
        .where(eq(trainingSession.id, session))
    )[0]!;
    await handOut(db, ana, session, makeEdition(doc as never, drillById), totalSeconds, group, TEST_SECRET);
    for (const name of ["Skua", "Pip"]) await keepCheckIn(db, link, said(ids[name]!, name, false));
    // One that was taken off the list is theirs, too.
    await keepCheckIn(db, link, said(ids["Skua"]!, "Skua", true));
    await setRemoved(db, ana, (await listFeedback(db, ana, session, 1))[0]!.runId, true);
    const figures = async () =>
      (
        await db.execute(
          sql`select c.effort, c.tightness, c.pain, r.share_done, r.started_at, c.sent_at from run r join check_in c on c.club_id = r.club_id and c.run_id = r.id where r.link_id = ${link.id} order by r.id`,
        )
      ).rows;
    const before = await figures();
    const unseen = await countUnseenPain(db, ana);

    expect(await forgetPerson(db, ana, ids["Skua"]!)).toBe("forgotten");

    // A desk that is still open writes nobody back unasked.
    expect((await chosenAtDesk(2))?.newer).toEqual(["choices"]);

    const dump = async (table: string) =>
      (
        await db.execute(sql`select to_jsonb(t)::text as row from ${sql.identifier(table)} t where club_id = ${ana.id}`)
      ).rows
        .map((row) => String((row as { row: string }).row))
        .join("\n");
    for (const table of [
      "person",
      "membership",
      "run",
      "check_in",
      "pain_report",
      "training_session",
      "edition",
      "link",
    ]) {
      const all = await dump(table);
      expect([table, all.includes(ids["Skua"]!), /Skua\b/.test(all)]).toEqual([table, false, false]);
    }
    expect(await figures()).toEqual(before);
    expect(await countUnseenPain(db, ana)).toBe(unseen);
    const runs = await db
      .select({ name: run.name, personId: run.personId, note: checkIn.note, where: painReport.where })
      .from(run)
      .innerJoin(checkIn, and(eq(checkIn.clubId, run.clubId), eq(checkIn.runId, run.id)))
      .leftJoin(painReport, and(eq(painReport.clubId, run.clubId), eq(painReport.runId, run.id)))
      .where(eq(run.linkId, link.id));
    expect(runs.filter((one) => one.name === "Pip")).toEqual([
      { name: "Pip", personId: ids["Pip"]!, note: "Pip here", where: null },
    ]);
    expect(runs.filter((one) => one.name === NOBODY)).toEqual(
      Array(2).fill({ name: NOBODY, personId: null, note: null, where: null }),
    );
    const beside = await db
      .select({ accepted: edition.accepted, choices: edition.choices })
      .from(edition)
      .where(and(eq(edition.sessionId, session), eq(edition.number, 2)));
    expect(beside).toEqual([
      {
        accepted: [
          {
            key: "protected-areas cat-camel",
            says: "Cat–camel loads kneeling, which somebody and Pip protect.",
            reason: "somebody asked to; Skuas do.",
          },
        ],
        choices: [choice(ids["Pip"]!)],
      },
    ]);
    expect(await db.$count(person, eq(person.id, ids["Pip"]!))).toBe(1);
  });
});
