import { readFileSync } from "node:fs";
import { sql } from "drizzle-orm";
import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import pg from "pg";
import { PerseveringPool } from "./persevere";
import * as schema from "./schema";

export type Db = NodePgDatabase<typeof schema>;

export type Connection = { db: Db; close: () => Promise<void> };

/** A query that takes longer has gone wrong; whoever waits for it is told so instead of waiting on. */
const LONGEST_QUERY_MS = 30_000;
/** A database that answers nothing at all cannot keep to that by itself. */
const LONGEST_ANSWER_MS = 40_000;

/** What is asked for again and again lies in memory: finding it by an index costs little more than reading it in a row. */
const PLANNING = "-c random_page_cost=1.1";

/** Opens a pool of connections to the database at the address. `starting` is for the start, when nobody waits: a database that is away is said at once, and a migration takes as long as it takes. */
export function connect(url: string, { starting = false } = {}): Connection {
  const usual = {
    connectionString: url,
    max: 8,
    connectionTimeoutMillis: 30_000,
    idleTimeoutMillis: 60_000,
    options: PLANNING,
  };
  const pool = starting
    ? new pg.Pool(usual)
    : new PerseveringPool({ ...usual, statement_timeout: LONGEST_QUERY_MS, query_timeout: LONGEST_ANSWER_MS });
  // A connection that ends while nobody uses it is replaced.
  pool.on("error", () => undefined);
  return { db: drizzle(pool, { schema }), close: () => pool.end() };
}

/** A database that this Mapset cannot work with, and why, in words for whoever starts it. */
export class UnfitDatabase extends Error {}

/** Oldest PostgreSQL that can empty one column of a key. */
const LEAST_POSTGRES = 15;
/** Held while the database is brought up to date, so that of several processes one does it and the others wait. */
const MIGRATING = 7_251_902;

/**
 * Brings the database to the newest schema. Migrations only go forward; running it again does nothing. Throws
 * `UnfitDatabase` where the database is too old, or was made by a newer Mapset: nothing has been changed then.
 */
export async function migrateTo(db: Db, folder: string): Promise<void> {
  const { entries } = JSON.parse(readFileSync(`${folder}/meta/_journal.json`, "utf8")) as {
    entries: { when: number }[];
  };
  const newest = Math.max(...entries.map((entry) => entry.when));
  await db.transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${MIGRATING})`);
    const {
      rows: [about],
    } = await tx.execute<{ version: number; known: boolean }>(
      sql`select current_setting('server_version_num')::int / 10000 as version, to_regclass('drizzle.__drizzle_migrations') is not null as known`,
    );
    if (about!.version < LEAST_POSTGRES)
      throw new UnfitDatabase(
        `this database is PostgreSQL ${about!.version}, and Mapset needs ${LEAST_POSTGRES} or newer. Nothing was changed.`,
      );
    const {
      rows: [last],
    } = about!.known
      ? await tx.execute<{ at: string | null }>(sql`select max(created_at) as at from drizzle.__drizzle_migrations`)
      : { rows: [] };
    if (Number(last?.at ?? 0) > newest)
      throw new UnfitDatabase(
        "this database was last used by a newer Mapset, which keeps things this one does not know. Start the newer one, or use another database. Nothing was changed.",
      );
    await migrate(db, { migrationsFolder: folder });
  });
}
