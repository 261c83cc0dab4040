import { execFileSync } from "node:child_process";
import { randomBytes } from "node:crypto";
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { gunzipSync } from "node:zlib";
import { sql } from "drizzle-orm";
import { connect, migrateTo, type Db } from "./client";
import { makeAccount, openAccounts } from "./accounts";
import type { Club } from "./clubs";

export const TEST_SECRET = "a secret that only the tests know, long enough";

/** An empty database of its own on the test server. */
async function emptyDatabase(): Promise<string> {
  const server = process.env["TEST_DATABASE_URL"];
  if (!server) throw new Error("Run the tests with ./mapset test: it starts a database server for them.");
  const name = `t_${randomBytes(6).toString("hex")}`;
  const admin = connect(server);
  await admin.db.execute(sql.raw(`create database ${name}`));
  await admin.close();
  return server.replace(/\/[^/]*$/, `/${name}`);
}

export const MIGRATIONS = fileURLToPath(new URL("./migrations", import.meta.url));

/** A database as an earlier Mapset left it, from a kept dump, brought to the newest schema. `before` looks at it, or adds to it, while it is still as it was. Only for tests. */
export async function earlierDatabase(dump: string, before?: (db: Db) => Promise<void>): Promise<{ db: Db; end: () => Promise<void> }> {
  const url = await emptyDatabase();
  execFileSync("psql", ["--quiet", "--no-psqlrc", "--set=ON_ERROR_STOP=1", url], { input: gunzipSync(readFileSync(fileURLToPath(new URL(`./earlier/${dump}`, import.meta.url)))), stdio: ["pipe", "ignore", "inherit"] });
  const { db, close } = connect(url);
  await before?.(db);
  await migrateTo(db, MIGRATIONS);
  return { db, end: close };
}

/** A migrated database of its own on the test server, and two coaches in it. Only for tests. */
export async function freshDatabase(): Promise<{ db: Db; url: string; ana: Club; ben: Club; end: () => Promise<void> }> {
  const url = await emptyDatabase();
  const { db, close } = connect(url);
  await migrateTo(db, MIGRATIONS);
  const accounts = openAccounts(db, { secret: TEST_SECRET, baseUrl: "http://127.0.0.1:1" });
  const signUp = (who: string) => makeAccount(db, accounts, { name: who, email: `${who}@club.example`, password: `${who} has a long password` }).then((made) => made.club);
  return { db, url, ana: await signUp("ana"), ben: await signUp("ben"), end: close };
}
