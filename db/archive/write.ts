import { and, asc, eq, sql } from "drizzle-orm";
import { ARCHIVE_VERSION, type ArchiveAbout } from "~/core/club/archive";
import { now } from "~/core/clock/clock";
import type { Db } from "../client";
import type { Club } from "../clubs";
import { club as clubs, coach, member } from "../schema";
import { columnsOf, KINDS, type Kind } from "./kinds";

type Tx = Pick<Db, "select">;

/** So many lines are read at once. */
const AT_ONCE = 500;

/** The lines of one kind, as JSON, some hundred at a time. */
async function* linesOf(tx: Tx, club: Club, kind: Kind): AsyncGenerator<{ text: string; lines: number }> {
  const { all, key } = columnsOf(kind);
  const keys = sql.join(
    key.map((column) => sql`${column}`),
    sql`, `,
  );
  for (let last: Record<string, unknown> | undefined; ;) {
    const from =
      last &&
      sql`(${keys}) > (${sql.join(
        kind.key.map((name) => sql`${last![name]}`),
        sql`, `,
      )})`;
    const rows = await tx
      .select(all)
      .from(kind.table)
      .where(and(eq(kind.table.clubId, club.id), from))
      .orderBy(...key.map((column) => asc(column)))
      .limit(AT_ONCE);
    if (rows.length > 0) yield { text: rows.map((row) => `${JSON.stringify(row)}\n`).join(""), lines: rows.length };
    if (rows.length < AT_ONCE) return;
    last = rows.at(-1);
  }
}

/** A file of an archive: its name, and what is in it. */
export type ArchiveFile = { name: string; text: AsyncIterable<string> | Iterable<string> };

/**
 * Everything of a club, a file after the other, as it is at one moment. `each` takes one whole before the next is begun; the last says what
 * there is in all.
 */
export async function writeArchive(db: Db, club: Club, each: (file: ArchiveFile) => Promise<void>): Promise<void> {
  await db.transaction(
    async (tx) => {
      const counts: Record<string, number> = {};
      for (const kind of KINDS) {
        counts[kind.file] = 0;
        const lines = async function* () {
          for await (const { text, lines } of linesOf(tx, club, kind)) {
            counts[kind.file]! += lines;
            yield text;
          }
        };
        await each({ name: `${kind.file}.jsonl`, text: lines() });
      }
      const [one] = await tx
        .select({ name: clubs.name, zone: clubs.zone, keepMonths: clubs.keepMonths })
        .from(clubs)
        .where(eq(clubs.id, club.id));
      const members = await tx
        .select({ name: coach.name, role: member.role })
        .from(member)
        .innerJoin(coach, eq(coach.id, member.coachId))
        .where(eq(member.clubId, club.id))
        .orderBy(asc(member.createdAt), asc(coach.id));
      const about: ArchiveAbout = {
        format: "mapset/club",
        version: ARCHIVE_VERSION,
        made: new Date(now()).toISOString(),
        club: one!,
        members,
        counts,
      };
      await each({ name: "about.json", text: [`${JSON.stringify(about, undefined, 2)}\n`] });
    },
    { isolationLevel: "repeatable read", accessMode: "read only" },
  );
}
