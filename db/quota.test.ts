import { sql } from "drizzle-orm";
import { afterAll, beforeAll, expect, it } from "vitest";
import type { Db } from "./client";
import { hasRoom, MOST, type Kept } from "./quota";
import { addTeam } from "./teams";
import { freshDatabase } from "./testing";

let db: Db;
let ana: string;
let ben: string;
let end: () => Promise<void>;
beforeAll(async () => {
  ({ db, ana, ben, end } = await freshDatabase());
});
afterAll(() => end());

/** Puts so many of a kind into the database, as one statement. */
async function fill(what: Kept, count: number): Promise<void> {
  const rows = sql`from generate_series(1, ${count}) i`;
  switch (what) {
    case "people": return void (await db.execute(sql`insert into athlete (owner_id, team_id, name) select ${ana}, t.id, 'P' || i ${rows}, (select id from team where owner_id = ${ana} limit 1) t`));
    case "teams": return void (await db.execute(sql`insert into team (owner_id, name) select ${ana}, 'T' || i ${rows}`));
    case "profiles": return void (await db.execute(sql`insert into own_demand (owner_id, name, doc) select ${ana}, 'Profile ' || i, '{}'::jsonb ${rows}`));
    case "sessions": return void (await db.execute(sql`insert into training_session (owner_id, doc, title, purpose, total_seconds) select ${ana}, '{}'::jsonb, 'A', 'off-day', 60 ${rows}`));
    default: throw new Error(`${what} cannot be filled here`);
  }
}

it.each(["teams", "people", "profiles", "sessions"] as const)("there is room for as many %s as are kept of one coach, and for none more, whatever others have", async (what) => {
  if (what === "people") await addTeam(db, ana, "Squad");
  const { rows: [{ n: before } = { n: 0 }] } = await db.execute<{ n: number }>(sql`select count(*)::int n from ${sql.raw({ teams: "team", people: "athlete", profiles: "own_demand", sessions: "training_session" }[what])} where owner_id = ${ana}`);
  await fill(what, MOST[what] - before - 1);
  expect([await hasRoom(db, ana, what), await hasRoom(db, ana, what, 2)]).toEqual([true, false]);
  await fill(what, 1);
  expect([await hasRoom(db, ana, what), await hasRoom(db, ben, what)]).toEqual([false, true]);
});
