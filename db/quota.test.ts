import { sql } from "drizzle-orm";
import { afterAll, beforeAll, expect, it } from "vitest";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { hasRoom, MOST, type Kept } from "./quota";
import { freshDatabase } from "./testing";

let db: Db;
let ana: Club;
let ben: Club;
let end: () => Promise<void>;
beforeAll(async () => {
  ({ db, ana, ben, end } = await freshDatabase());
});
afterAll(() => end());

/** Puts so many of a kind into the database, as one statement. */
async function fill(what: Kept, count: number): Promise<void> {
  const rows = sql`from generate_series(1, ${count}) i`;
  switch (what) {
    case "people":
      return void (await db.execute(sql`insert into person (club_id, name) select ${ana.id}, 'P' || i ${rows}`));
    case "groups":
      return void (await db.execute(sql`insert into "group" (club_id, name) select ${ana.id}, 'T' || i ${rows}`));
    case "profiles":
      return void (await db.execute(
        sql`insert into sport_profile (club_id, name, doc) select ${ana.id}, 'Profile ' || i, '{}'::jsonb ${rows}`,
      ));
    case "sessions":
      return void (await db.execute(
        sql`insert into training_session (club_id, doc, title, purpose, total_seconds) select ${ana.id}, '{}'::jsonb, 'A', 'off-day', 60 ${rows}`,
      ));
    default:
      throw new Error(`${what} cannot be filled here`);
  }
}

it.each(["groups", "people", "profiles", "sessions"] as const)(
  "there is room for as many %s as are kept of one coach, and for none more, whatever others have",
  async (what) => {
    const {
      rows: [{ n: before } = { n: 0 }],
    } = await db.execute<{ n: number }>(
      sql`select count(*)::int n from ${sql.raw({ groups: '"group"', people: "person", profiles: "sport_profile", sessions: "training_session" }[what])} where club_id = ${ana.id}`,
    );
    await fill(what, MOST[what] - before - 1);
    expect([await hasRoom(db, ana, what), await hasRoom(db, ana, what, 2)]).toEqual([true, false]);
    await fill(what, 1);
    expect([await hasRoom(db, ana, what), await hasRoom(db, ben, what)]).toEqual([false, true]);
  },
);
