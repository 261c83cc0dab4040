import { randomBytes } from "node:crypto";
import { fileURLToPath } from "node:url";
import { sql } from "drizzle-orm";
import { connect, migrateTo, type Db } from "./client";
import { openAccounts } from "./accounts";

export const TEST_SECRET = "a secret that only the tests know, long enough";

/** A migrated database of its own on the test server, and two coaches in it. Only for tests. */
export async function freshDatabase(): Promise<{ db: Db; url: string; ana: string; ben: string; end: () => Promise<void> }> {
  const server = process.env["TEST_DATABASE_URL"];
  if (!server) throw new Error("Run the tests with ./mapset test: it starts a database server for them.");
  const name = `t_${randomBytes(6).toString("hex")}`;
  const admin = connect(server);
  await admin.db.execute(sql.raw(`create database ${name}`));
  await admin.close();
  const url = server.replace(/\/[^/]*$/, `/${name}`);
  const { db, close } = connect(url);
  await migrateTo(db, fileURLToPath(new URL("./migrations", import.meta.url)));
  const accounts = openAccounts(db, { secret: TEST_SECRET, baseUrl: "http://127.0.0.1:1" });
  const signUp = async (who: string) =>
    (await accounts.api.signUpEmail({ body: { name: who, email: `${who}@club.example`, password: `${who} has a long password` } })).user.id;
  return { db, url, ana: await signUp("ana"), ben: await signUp("ben"), end: close };
}
