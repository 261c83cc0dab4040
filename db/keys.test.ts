import { sql } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { migrateTo, UnfitDatabase, type Db } from "./client";
import { freshDatabase, MIGRATIONS } from "./testing";

let db: Db;
let end: () => Promise<void>;
beforeAll(async () => {
  ({ db, end } = await freshDatabase());
});
afterAll(() => end());

/** Tables that belong to nobody's club: accounts and what is looked up without knowing the club. */
const GLOBAL = ["about", "club", "coach", "credential", "entry", "message", "sign_in", "verification"];

type Key = {
  table: string;
  name: string;
  type: "p" | "u" | "f";
  columns: string[];
  target: string | null;
  emptied: string[] | null;
  clears: boolean;
};

async function keys(): Promise<Key[]> {
  const { rows } = await db.execute<Key>(sql`
    select t.relname as table, c.conname as name, c.contype as type, r.relname as target, c.confdeltype = 'n' as clears,
      (select array_agg(a.attname::text order by k.n) from unnest(c.conkey) with ordinality k(num, n) join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.num) as columns,
      (select array_agg(a.attname::text) from unnest(c.confdelsetcols) k(num) join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.num) as emptied
    from pg_constraint c join pg_class t on t.oid = c.conrelid left join pg_class r on r.oid = c.confrelid
    where c.connamespace = 'public'::regnamespace and c.contype in ('p', 'u', 'f')`);
  return rows;
}

describe("the keys of what a club has", () => {
  it("all begin with the club, but those to an account or to the club itself", async () => {
    const all = (await keys()).filter((key) => !GLOBAL.includes(key.table));
    expect(new Set(all.map((key) => key.table)).size).toBeGreaterThan(12);
    const odd = all
      .filter((key) => key.columns[0] !== "club_id" && key.target !== "coach")
      .map((key) => `${key.table}.${key.name}`);
    expect(odd).toEqual([]);
  });

  it("name the column to empty where a reference may be emptied, so that the club never is", async () => {
    const clearing = (await keys()).filter((key) => key.clears && key.columns.length > 1);
    expect(clearing.length).toBe(6);
    for (const { table, emptied } of clearing)
      expect([table, emptied?.length, emptied?.includes("club_id")]).toEqual([table, 1, false]);
  });

  it("have an index that begins with what they point from", async () => {
    const { rows } = await db.execute<{ table: string; columns: string[] }>(sql`
      select t.relname as table, (select array_agg(a.attname::text order by k.n) from unnest(i.indkey) with ordinality k(num, n) join pg_attribute a on a.attrelid = t.oid and a.attnum = k.num) as columns
      from pg_index i join pg_class t on t.oid = i.indrelid join pg_namespace n on n.oid = t.relnamespace where n.nspname = 'public'`);
    const missing = (await keys())
      .filter((key) => key.type === "f" && key.target !== "coach")
      .filter(
        (key) =>
          !rows.some(
            (index) => index.table === key.table && key.columns.every((column, i) => index.columns[i] === column),
          ),
      );
    expect(missing.map((key) => `${key.table}.${key.name}`)).toEqual([]);
  });
});

describe("a database that does not fit", () => {
  it("made by a newer Mapset is refused in words, and left as it is", async () => {
    await db.execute(
      sql`insert into drizzle.__drizzle_migrations (hash, created_at) values ('from later', 4102444800000)`,
    );
    await expect(migrateTo(db, MIGRATIONS)).rejects.toThrow(UnfitDatabase);
    await expect(migrateTo(db, MIGRATIONS)).rejects.toThrow(/newer Mapset.*Nothing was changed/);
    await db.execute(sql`delete from drizzle.__drizzle_migrations where hash = 'from later'`);
    await migrateTo(db, MIGRATIONS);
  });

  it("is brought up to date once when several start at once", async () => {
    await Promise.all([migrateTo(db, MIGRATIONS), migrateTo(db, MIGRATIONS), migrateTo(db, MIGRATIONS)]);
    const { rows } = await db.execute<{ n: number; distinct: number }>(
      sql`select count(*)::int n, count(distinct hash)::int "distinct" from drizzle.__drizzle_migrations`,
    );
    expect(rows[0]!.n).toBe(rows[0]!.distinct);
  });
});
