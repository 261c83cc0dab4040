import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import { migrate } from "drizzle-orm/node-postgres/migrator";
import { PerseveringPool } from "./persevere";
import * as schema from "./schema";

export type Db = NodePgDatabase<typeof schema>;

export type Connection = { db: Db; close: () => Promise<void> };

/** A query that takes longer has gone wrong; whoever waits for it is told so instead of waiting on. */
const LONGEST_QUERY_MS = 30_000;
/** A database that answers nothing at all cannot keep to that by itself. */
const LONGEST_ANSWER_MS = 40_000;

/** Opens a pool of connections to the database at the address. `patient` sets no limit to a query, for migrations. */
export function connect(url: string, { patient = false } = {}): Connection {
  const limits = patient ? {} : { statement_timeout: LONGEST_QUERY_MS, query_timeout: LONGEST_ANSWER_MS };
  const pool = new PerseveringPool({ connectionString: url, max: 8, connectionTimeoutMillis: 30_000, idleTimeoutMillis: 60_000, ...limits });
  return { db: drizzle(pool, { schema }), close: () => pool.end() };
}

/** Brings the database to the newest schema. Migrations only go forward; running it again does nothing. */
export async function migrateTo(db: Db, folder: string): Promise<void> {
  await migrate(db, { migrationsFolder: folder });
}
