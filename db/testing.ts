import { execFileSync } from "node:child_process";
import { randomBytes } from "node:crypto";
import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { gunzipSync } from "node:zlib";
import { eq, sql } from "drizzle-orm";
import { connect, migrateTo, type Db } from "./client";
import { clubsOf, type Club } from "./clubs";
import { coach } from "./schema";

export const TEST_SECRET = "a secret that only the tests know, long enough";

function serverUrl(): string {
  const server = process.env["TEST_DATABASE_URL"];
  if (!server) throw new Error("Run the tests with ./mapset test: it starts a database server for them.");
  return server;
}

/** A database of its own on the test server, empty or a copy of another. */
async function emptyDatabase(template = "template1"): Promise<string> {
  const name = `t_${randomBytes(6).toString("hex")}`;
  const admin = connect(serverUrl());
  await admin.db.execute(sql.raw(`create database ${name} template ${template}`));
  await admin.close();
  return serverUrl().replace(/\/[^/]*$/, `/${name}`);
}

export const MIGRATIONS = fileURLToPath(new URL("./migrations", import.meta.url));

/** A database as an earlier Mapset left it, from a kept dump, brought to the newest schema. `before` looks at it, or adds to it, while it is still as it was. Only for tests. */
export async function earlierDatabase(
  dump: string,
  before?: (db: Db) => Promise<void>,
): Promise<{ db: Db; end: () => Promise<void> }> {
  const url = await emptyDatabase();
  execFileSync("psql", ["--quiet", "--no-psqlrc", "--set=ON_ERROR_STOP=1", url], {
    input: gunzipSync(readFileSync(fileURLToPath(new URL(`./earlier/${dump}`, import.meta.url)))),
    stdio: ["pipe", "ignore", "inherit"],
  });
  const { db, close } = connect(url);
  await before?.(db);
  await migrateTo(db, MIGRATIONS);
  return { db, end: close };
}

/** What a database holds besides the two coaches, made once for all that begin with it. */
export type Beginning = { name: string; fill: (db: Db) => Promise<void> };

const NOTHING_MORE: Beginning = { name: "coaches", fill: () => Promise.resolve() };
const MAKING = 4_419_082;

/**
 * A migrated database of its own on the test server, and two coaches in it, with what it is to begin with. It is a copy: moving,
 * coaches' passwords and demo data take seconds, a copy a tenth of one. Only for tests.
 */
export async function freshDatabase(
  beginning: Beginning = NOTHING_MORE,
): Promise<{ db: Db; url: string; ana: Club; ben: Club; end: () => Promise<void> }> {
  const url = await emptyDatabase(await templateOf(beginning));
  const { db, close } = connect(url);
  const clubOf = async (who: string): Promise<Club> => {
    const [found] = await db
      .select({ id: coach.id })
      .from(coach)
      .where(eq(coach.email, `${who}@club.example`));
    return (await clubsOf(db, found!.id))[0]!.club;
  };
  return { db, url, ana: await clubOf("ana"), ben: await clubOf("ben"), end: close };
}

/** The name of the database others are copied from; made by whoever needs it first, while others who do wait. */
async function templateOf({ name, fill }: Beginning): Promise<string> {
  const template = `template_${name}`;
  const admin = connect(serverUrl(), { starting: true });
  try {
    await admin.db.transaction(async (tx) => {
      await tx.execute(sql`select pg_advisory_xact_lock(${MAKING})`);
      const { rows } = await tx.execute(sql`select 1 from pg_database where datname = ${template}`);
      if (rows.length > 0) return;
      const url = await emptyDatabase();
      const { db, close } = connect(url);
      await migrateTo(db, MIGRATIONS);
      // Only whoever makes what the others copy needs them.
      const { makeAccount, openAccounts } = await import("./accounts");
      const accounts = openAccounts(db, { secret: TEST_SECRET, baseUrl: "http://127.0.0.1:1" });
      for (const who of ["ana", "ben"])
        await makeAccount(db, accounts, {
          name: who,
          email: `${who}@club.example`,
          password: `${who} has a long password`,
        });
      await fill(db);
      await close();
      // It has its name when it is whole, and nobody is connected to it any more.
      await tx.execute(sql.raw(`alter database ${url.slice(url.lastIndexOf("/") + 1)} rename to ${template}`));
    });
  } finally {
    await admin.close();
  }
  return template;
}
