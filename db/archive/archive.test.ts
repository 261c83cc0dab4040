import { readdirSync } from "node:fs";
import { eq, sql } from "drizzle-orm";
import fc from "fast-check";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Db } from "../client";
import { addClub, clubsOf, type Club } from "../clubs";
import { turnClock } from "~/core/clock/clock";
import { listEditions } from "../editions";
import { addCommand, startClass } from "../live";
import { closeClass, setHere } from "../live-people";
import { openLink, tokenOfLink } from "../links";
import { listFeedback } from "../feedback";
import { club as clubs, coach, edition, link, person } from "../schema";
import { listSessions } from "../sessions";
import { earlierDatabase, TEST_SECRET } from "../testing";
import { KINDS } from "./kinds";
import { ArchiveFault, isEmpty, readArchive } from "./read";
import { writeArchive } from "./write";

/** An archive as the text of its files. */
type Archive = Record<string, string>;

async function archiveOf(db: Db, club: Club): Promise<Archive> {
  const files: Archive = {};
  await writeArchive(db, club, async ({ name, text }) => {
    files[name] = "";
    for await (const part of text) files[name] += part;
  });
  return files;
}

// eslint-disable-next-line @typescript-eslint/require-await -- as it comes from a file
async function* lines(text: string) {
  yield* text.split("\n");
}
const readInto = (db: Db, club: Club, files: Archive) =>
  readArchive(db, club, (name) => (files[name] === undefined ? undefined : lines(files[name])));

const coachOf = async (db: Db, email: string) =>
  (await db.select({ id: coach.id }).from(coach).where(eq(coach.email, email)))[0]!.id;
const LINES = KINDS.map((kind) => `${kind.file}.jsonl`);

const DUMPS = readdirSync(new URL("../earlier/", import.meta.url)).filter((name) => name.endsWith(".sql.gz"));

/** A kept database, brought up to date. Whoever made it by hand wrote kit and an area that Mapset never had; they are put right. */
async function kept(dump: string): Promise<{ db: Db; end: () => Promise<void> }> {
  const opened = await earlierDatabase(dump);
  await opened.db.execute(sql`update "group" set setting = setting #- '{kit,mat}'`);
  await opened.db.execute(
    sql`update person set areas = replace(replace(areas::text, '"wrist"', '"wrist-weight"'), '"knee-bend"', '"knee-deep-bend"')::jsonb`,
  );
  return opened;
}

describe.each([
  ...DUMPS.map((dump) => [dump, "coach@kestrelsound.example"] as const),
  ["2026-11-27.sql.gz", "ana@club.example"] as const,
])("a club of %s, %s's", (dump, email) => {
  let db: Db, end: () => Promise<void>, ana: Club, anasId: string;
  beforeAll(async () => {
    ({ db, end } = await kept(dump));
    anasId = await coachOf(db, email);
    ana = (await clubsOf(db, anasId))[0]!.club;
    // With a class that was run, and somebody ticked in it.
    const [one] = await db.select({ id: edition.id }).from(edition).where(eq(edition.clubId, ana.id)).limit(1);
    const [who] = await db.select({ id: person.id }).from(person).where(eq(person.clubId, ana.id)).limit(1);
    const id = (await startClass(db, ana, { editionId: one!.id, groupId: null }, TEST_SECRET))!;
    const press = (n: number, command: "go" | "end") =>
      addCommand(db, ana, id, {
        ...{ key: `00000000-0000-4000-8000-00000000000${n}`, seen: 0, on: null, command: { do: command } },
      });
    await press(1, "go");
    await setHere(db, ana, id, who!.id, true);
    await press(2, "end");
    const turnBack = turnClock(30_000);
    await closeClass(db, ana, id);
    turnBack();
  });
  afterAll(() => end());

  it("is written whole and read back equal, documents, figures and moments", async () => {
    const written = await archiveOf(db, ana);
    const about = JSON.parse(written["about.json"]!) as { counts: Record<string, number> };
    for (const kind of [
      "groups",
      "people",
      "sessions",
      "editions",
      "links",
      "runs",
      "check-ins",
      "pains",
      "classes",
      "class-commands",
      "class-people",
    ])
      expect([kind, about.counts[kind]! > 0]).toEqual([kind, true]);
    const other = await addClub(db, anasId, "Empty");
    expect(await isEmpty(db, other)).toBe(true);
    expect((await readInto(db, other, written)).counts).toEqual(about.counts);
    expect(await isEmpty(db, other)).toBe(false);
    const again = await archiveOf(db, other);
    for (const file of LINES) expect([file, again[file]]).toEqual([file, written[file]]);
    expect({ ...(JSON.parse(again["about.json"]!) as object), made: "", members: [] }).toEqual({
      ...about,
      made: "",
      members: [],
    });
    // What is worked out from it is the same, too.
    const drillsOf = async (club: Club) =>
      (await db.execute(sql`select edition_id, drill from edition_drill where club_id = ${club.id} order by 1, 2`))
        .rows;
    expect(await drillsOf(other)).toEqual(await drillsOf(ana));
    expect(await listFeedback(db, other, null, 500)).toEqual(await listFeedback(db, ana, null, 500));
    const titles = async (club: Club) =>
      (await listSessions(db, club)).rows.map((row) => [row.id, row.title, row.lastHandedOut]);
    expect(await titles(other)).toEqual(await titles(ana));
  });

  it("comes without addresses: an old one opens what it did, and the copy's links none", async () => {
    const copy = (await clubsOf(db, anasId)).find((one) => one.club.id !== ana.id)!.club;
    const [session] = (await listSessions(db, copy)).rows.filter((row) => row.lastHandedOut);
    const { editions } = await listEditions(db, copy, session!.id, TEST_SECRET);
    expect(editions.length).toBeGreaterThan(0);
    expect(editions.flatMap((one) => one.links.map((l) => l.token)).filter(Boolean)).toEqual([]);
    const [one] = await db.select({ id: link.id }).from(link).where(eq(link.clubId, copy.id)).limit(1);
    expect(await tokenOfLink(db, copy, one!.id, TEST_SECRET)).toBeUndefined();
    const token = await tokenOfLink(db, ana, one!.id, TEST_SECRET);
    const opened = token && (await openLink(db, token, false));
    if (opened && opened !== "withdrawn") expect(opened.club.id).toBe(ana.id);
  });
});

it("of before each pain was a report of its own is read with what was told of it", async () => {
  const { db, end } = await kept("2026-11-27.sql.gz");
  const id = await coachOf(db, "ana@club.example");
  const written = await archiveOf(db, (await clubsOf(db, id))[0]!.club);
  const about = JSON.parse(written["about.json"]!) as { counts: Record<string, number> };
  const rows = (file: string) =>
    written[file]!.split("\n").flatMap((line) => (line ? [JSON.parse(line) as Record<string, unknown>] : []));
  const pains = rows("pains.jsonl");
  expect(pains.length).toBeGreaterThan(1);
  // As it was written before: the place and the part of the body in the check-in, and no such file.
  written["check-ins.jsonl"] = rows("check-ins.jsonl")
    .map((row) => {
      const pain = pains.find(({ runId }) => runId === row["runId"]);
      return JSON.stringify({ ...row, painWhere: pain?.["where"] ?? null, painAt: pain?.["place"] ?? null });
    })
    .join("\n");
  delete written["pains.jsonl"];
  delete about.counts["pains"];
  written["about.json"] = JSON.stringify(about);
  const other = await addClub(db, id, "Before");
  await readInto(db, other, written);
  const again = await archiveOf(db, other);
  const asBefore = (all: Record<string, unknown>[]) =>
    all.map(({ runId, where, place, seenAt }) => ({ runId, where, place, seenAt }));
  expect(
    asBefore(
      again["pains.jsonl"]!.split("\n").flatMap((line) => (line ? [JSON.parse(line) as Record<string, unknown>] : [])),
    ),
  ).toEqual(asBefore(pains));
  await end();
});

it("of before there were classes, or arcs of its own, is read all the same", async () => {
  const { db, end } = await kept("2026-11-27.sql.gz");
  const id = await coachOf(db, "ana@club.example");
  const written = await archiveOf(db, (await clubsOf(db, id))[0]!.club);
  const about = JSON.parse(written["about.json"]!) as { counts: Record<string, number> };
  for (const { file } of KINDS.filter((kind) => kind.later)) {
    delete written[`${file}.jsonl`];
    delete about.counts[file];
  }
  const other = await addClub(db, id, "Empty");
  expect((await readInto(db, other, { ...written, "about.json": JSON.stringify(about) })).counts).toEqual(about.counts);
  await end();
});

describe("an archive that is not right", () => {
  let db: Db, end: () => Promise<void>, ana: Club, empty: Club, good: Archive;
  beforeAll(async () => {
    ({ db, end } = await kept("2026-11-27.sql.gz"));
    const id = await coachOf(db, "ana@club.example");
    ana = (await clubsOf(db, id))[0]!.club;
    empty = await addClub(db, id, "Empty");
    good = await archiveOf(db, ana);
  });
  afterAll(() => end());

  const refused = async (files: Archive): Promise<string> => {
    const fault: unknown = await readInto(db, empty, files).catch((error: unknown) => error);
    expect(await isEmpty(db, empty)).toBe(true);
    expect((await db.select({ name: clubs.name }).from(clubs).where(eq(clubs.id, empty.id)))[0]!.name).toBe("Empty");
    if (!(fault instanceof ArchiveFault))
      throw fault instanceof Error ? fault : new Error(`It was taken: ${JSON.stringify(fault)}`);
    return fault.message;
  };
  const without = (name: string): Archive => Object.fromEntries(Object.entries(good).filter(([file]) => file !== name));
  const changed = (name: string, change: (text: string) => string): Archive => ({
    ...good,
    [name]: change(good[name]!),
  });
  const first = (name: string, change: (row: Record<string, unknown>) => void): Archive =>
    changed(name, (text) => {
      const [line, ...rest] = text.split("\n");
      const row = JSON.parse(line!) as Record<string, unknown>;
      change(row);
      return [JSON.stringify(row), ...rest].join("\n");
    });
  const about = (change: (row: Record<string, unknown>) => void): Archive =>
    changed("about.json", (text) => {
      const row = JSON.parse(text) as Record<string, unknown>;
      change(row);
      return JSON.stringify(row);
    });

  it("is not taken by a club that has something in it", async () => {
    await expect(readInto(db, ana, good)).rejects.toThrow(
      "This club has something in it already. An archive is read into one that is empty.",
    );
  });
  it.each([
    ["without saying what it is", () => without("about.json"), /^about\.json is missing/],
    ["without a file", () => without("runs.jsonl"), /^runs\.jsonl is missing\.$/],
    ["of a newer Mapset", () => about((row) => (row["version"] = 2)), /made by a newer Mapset/],
    ["of something else", () => about((row) => (row["format"] = "other")), /^about\.json: format/],
    [
      "that is cut off",
      () => changed("check-ins.jsonl", (text) => text.split("\n").slice(0, -2).join("\n")),
      /^check-ins\.jsonl has \d+ lines; the archive says \d+\. It is not whole\.$/,
    ],
    ["with half a line", () => changed("people.jsonl", (text) => text.slice(0, 20)), /^people\.jsonl, line 1: /],
    [
      "with a field that is none",
      () => first("runs.jsonl", (row) => (row["shareDone"] = 2)),
      /^runs\.jsonl, line 1: shareDone/,
    ],
    ["with a field too many", () => first("people.jsonl", (row) => (row["clubId"] = "x")), /^people\.jsonl, line 1: /],
    [
      "with what no text may hold",
      () => first("people.jsonl", (row) => (row["name"] = "a\u0000b")),
      /^people\.jsonl, line 1: name/,
    ],
    [
      "with what no document may hold",
      () => first("sessions.jsonl", (row) => (row["doc"] = { a: "\ud800" })),
      /^sessions\.jsonl, line 1: doc/,
    ],
    [
      "with a moment that is none",
      () => first("links.jsonl", (row) => (row["createdAt"] = "yesterday")),
      /^links\.jsonl, line 1: createdAt/,
    ],
    [
      "whose things belong to nothing",
      () => first("editions.jsonl", (row) => (row["sessionId"] = crypto.randomUUID())),
      /^editions\.jsonl, lines 1 to \d+: something there belongs to what is not in the archive\.$/,
    ],
    [
      "with a thing twice",
      () => ({
        ...changed("groups.jsonl", (text) => text + text),
        "about.json": about((row) => ((row["counts"] as Record<string, number>)["groups"]! *= 2))["about.json"]!,
      }),
      /^groups\.jsonl, lines 1 to \d+: something there is in the archive twice\.$/,
    ],
  ])("%s is refused with its place, and nothing of it kept", async (_, files, says) =>
    expect(await refused(files())).toMatch(says),
  );

  it("however it is changed, is taken whole or refused in words with nothing kept", async () => {
    const anything = fc.oneof(
      fc.constant(null),
      fc.string({ maxLength: 12 }),
      fc.double(),
      fc.integer(),
      fc.constant([]),
      fc.constant({}),
      fc.constant("2026-13-45T99:00:00.000Z"),
      fc.constant("9999-12-31T23:59:59.999Z"),
    );
    await fc.assert(
      fc.asyncProperty(fc.constantFrom(...LINES), fc.nat(), anything, async (file, n, value) => {
        if (good[file] === "") return;
        const files = first(file, (row) => {
          const names = Object.keys(row);
          row[names[n % names.length]!] = value;
        });
        const came = await readInto(db, empty, files).catch((error: unknown) => error);
        if (came instanceof Error) {
          expect(came).toBeInstanceOf(ArchiveFault);
          expect(await isEmpty(db, empty)).toBe(true);
          return;
        }
        for (const { table } of [...KINDS].reverse())
          await db.execute(sql`delete from ${table} where ${table.clubId} = ${empty.id}`);
        await db.update(clubs).set({ name: "Empty" }).where(eq(clubs.id, empty.id));
      }),
      { numRuns: 60 },
    );
  });
});
