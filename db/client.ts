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

/** Opens a pool of connections to the database at the address. `starting` is for the start, when nobody waits: a database that is away is said at once, and a migration takes as long as it takes. */
export function connect(url: string, { starting = false } = {}): Connection {
  const usual = { connectionString: url, max: 8, connectionTimeoutMillis: 30_000, idleTimeoutMillis: 60_000 };
  const pool = starting ? new pg.Pool(usual) : new PerseveringPool({ ...usual, statement_timeout: LONGEST_QUERY_MS, query_timeout: LONGEST_ANSWER_MS });
  // A connection that ends while nobody uses it is replaced.
  pool.on("error", () => undefined);
  return { db: drizzle(pool, { schema }), close: () => pool.end() };
}

/** Brings the database to the newest schema. Migrations only go forward; running it again does nothing. */
export async function migrateTo(db: Db, folder: string): Promise<void> {
  await migrate(db, { migrationsFolder: folder });
}
