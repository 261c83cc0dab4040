import { eq, sql } from "drizzle-orm";
import { archiveAboutSchema, type ArchiveAbout } from "~/core/club/archive";
import { faultLine, parseWith } from "~/core/faults";
import type { Db } from "../client";
import type { Club } from "../clubs";
import { club as clubs, edition, editionDrill } from "../schema";
import { KINDS, type Kind } from "./kinds";

/** What keeps an archive from being read, in words, with its file and line. Nothing of it has been kept. */
export class ArchiveFault extends Error {}

/** A file of an archive, to be read a line at a time. */
export type ArchiveReader = (name: string) => AsyncIterable<string> | undefined;

/** So many lines are kept at once. */
const AT_ONCE = 500;
/** A line, the longest of which is an edition with its drills, has at most so many characters. */
export const LONGEST_LINE = 4_000_000;

type Tx = Pick<Db, "select" | "insert" | "update" | "execute">;

/** Whether a club has nothing in it yet, and so can take an archive. */
export async function isEmpty(db: Pick<Db, "execute">, club: Club): Promise<boolean> {
  for (const { table } of KINDS) {
    const { rows } = await db.execute(sql`select 1 from ${table} where ${table.clubId} = ${club.id} limit 1`);
    if (rows.length > 0) return false;
  }
  return true;
}

/** What came with an archive, in words. */
export type Restored = { about: ArchiveAbout; counts: Record<string, number> };

/**
 * Reads an archive into a club that has nothing in it: all of it or nothing. Every line is looked at before it is kept; documents are as they
 * are, for their readers. Links come without their addresses, so that nobody gets into what was another club's by an old one.
 * Throws `ArchiveFault`.
 */
export async function readArchive(db: Db, club: Club, file: ArchiveReader): Promise<Restored> {
  const about = readAbout(await wholeOf(file("about.json")));
  return db.transaction(async (tx) => {
    await tx.select({ id: clubs.id }).from(clubs).where(eq(clubs.id, club.id)).for("update");
    if (!(await isEmpty(tx, club)))
      throw new ArchiveFault("This club has something in it already. An archive is read into one that is empty.");
    const counts: Record<string, number> = {};
    for (const kind of KINDS) {
      const lines = file(`${kind.file}.jsonl`);
      if (!lines && kind.later && about.counts[kind.file] === undefined) continue;
      if (!lines) throw new ArchiveFault(`${kind.file}.jsonl is missing.`);
      counts[kind.file] = await takeLines(tx, club, kind, lines);
      if (counts[kind.file] !== about.counts[kind.file])
        throw new ArchiveFault(
          `${kind.file}.jsonl has ${counts[kind.file]} lines; the archive says ${about.counts[kind.file] ?? "nothing of it"}. It is not whole.`,
        );
    }
    await tx.execute(
      sql`insert into ${editionDrill} select distinct e.club_id, e.id, drill #>> '{}' from ${edition} e, jsonb_path_query(e.doc, 'lax $.session.blocks[*].items[*].drill ? (@.type() == "string")') as drill where e.club_id = ${club.id}`,
    );
    const { name, zone, keepMonths } = about.club;
    await tx
      .update(clubs)
      .set({ name, keepMonths, ...(zone && { zone }) })
      .where(eq(clubs.id, club.id));
    return { about, counts };
  });
}

async function wholeOf(text: AsyncIterable<string> | undefined): Promise<string> {
  if (!text) throw new ArchiveFault("about.json is missing. This is not a club’s archive, or not all of it.");
  let whole = "";
  for await (const line of text) {
    whole += `${line}\n`;
    if (whole.length > LONGEST_LINE) throw new ArchiveFault("about.json is longer than it can be.");
  }
  return whole;
}

function readAbout(text: string): ArchiveAbout {
  const given = parsed(text);
  if (
    typeof given === "object" &&
    given !== null &&
    "version" in given &&
    typeof given.version === "number" &&
    given.version > 1
  )
    throw new ArchiveFault("This archive was made by a newer Mapset. Bring this one up to date first.");
  const read = parseWith(archiveAboutSchema, given);
  if (!read.ok) throw new ArchiveFault(`about.json: ${read.faults.slice(0, 3).map(faultLine).join("; ")}`);
  return read.value;
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

async function takeLines(tx: Tx, club: Club, kind: Kind, lines: AsyncIterable<string>): Promise<number> {
  const where = (n: number) => `${kind.file}.jsonl, line ${n}`;
  let taken = 0;
  let rows: Record<string, unknown>[] = [];
  let moved: Record<string, unknown>[] = [];
  const { before } = kind;
  const shape = before ? kind.row.extend(before.fields) : kind.row;
  const keep = async () => {
    if (rows.length === 0) return;
    await tx
      .insert(kind.table)
      .values(rows as never)
      .catch((error: unknown) => {
        throw refusal(error, `${kind.file}.jsonl, lines ${taken - rows.length + 1} to ${taken}`);
      });
    if (moved.length > 0) await tx.insert(before!.as).values(moved);
    [rows, moved] = [[], []];
  };
  for await (const line of lines) {
    if (line === "") continue;
    taken++;
    if (taken > kind.most)
      throw new ArchiveFault(
        `${kind.file}.jsonl has more than ${kind.most.toLocaleString("en-GB")} lines, the most Mapset keeps of ${kind.words}.`,
      );
    if (line.length > LONGEST_LINE) throw new ArchiveFault(`${where(taken)} is longer than it can be.`);
    const read = parseWith(shape, parsed(line));
    if (!read.ok) throw new ArchiveFault(`${where(taken)}: ${read.faults.slice(0, 3).map(faultLine).join("; ")}`);
    const other = before?.row(read.value);
    if (other) moved.push({ ...other, clubId: club.id });
    const own = Object.fromEntries(Object.entries(read.value).filter(([name]) => name in kind.row.shape));
    rows.push({ ...own, clubId: club.id, ...("madeBy" in kind.table && { madeBy: club.by }) });
    if (rows.length === AT_ONCE) await keep();
  }
  await keep();
  return taken;
}

/** What the database refused, as a fault of the archive; anything else is a fault of ours. */
function refusal(error: unknown, where: string): unknown {
  const code = (error as { cause?: { code?: string } }).cause?.code ?? "";
  if (code === "23503") return new ArchiveFault(`${where}: something there belongs to what is not in the archive.`);
  if (code === "23505") return new ArchiveFault(`${where}: something there is in the archive twice.`);
  return /^2[23]/.test(code) ? new ArchiveFault(`${where}: something there cannot be kept.`) : error;
}
