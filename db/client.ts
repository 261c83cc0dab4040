import { drizzle, type PostgresJsDatabase } from "drizzle-orm/postgres-js";
import { migrate } from "drizzle-orm/postgres-js/migrator";
import postgres from "postgres";
import * as schema from "./schema";

export type Db = PostgresJsDatabase<typeof schema>;

export type Connection = { db: Db; close: () => Promise<void> };

/** A query that takes longer has gone wrong; whoever waits for it is told so instead of waiting on. */
const LONGEST_QUERY_MS = 30_000;

/** Opens a pool of connections to the database at the address. */
export function connect(url: string): Connection {
  const client = postgres(url, { max: 8, onnotice: () => undefined, connect_timeout: 10, connection: { statement_timeout: LONGEST_QUERY_MS } });
  return { db: drizzle(client, { schema }), close: () => client.end({ timeout: 2 }) };
}

/** Brings the database to the newest schema. Migrations only go forward; running it again does nothing. */
export async function migrateTo(db: Db, folder: string): Promise<void> {
  await migrate(db, { migrationsFolder: folder });
}
