import { sql, type SQL } from "drizzle-orm";
import type { PgColumn } from "drizzle-orm/pg-core";

/** That a column is one of these, as one parameter: however many there are it is the same statement, which the database keeps ready. */
export const among = (column: PgColumn, ids: readonly string[]): SQL => sql`${column} = any(${sql.param([...ids])})`;
