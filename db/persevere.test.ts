import { describe, expect, it } from "vitest";
import { onlyAsks, persevere, readyNames } from "./persevere";

const failing = (...codes: (string | undefined)[]) => {
  const made = { tries: 0 };
  return {
    made,
    work: () => {
      const code = codes[made.tries++];
      return code === undefined ? Promise.resolve("done") : Promise.reject(Object.assign(new Error(code), { code }));
    },
  };
};
const quick = { longest: 1_000, pause: () => Promise.resolve() };

describe("while the database is away", () => {
  it.each(["ECONNREFUSED", "57P03", "57P01"])("what was never done is done once it is back: %s", async (code) => {
    const { made, work } = failing(code, code);
    expect(await persevere(work, false, quick)).toBe("done");
    expect(made.tries).toBe(3);
  });
  it.each(["CONNECTION_CLOSED", "ECONNRESET", "57P02"])(
    "what may have been done is done again only where it changes nothing: %s",
    async (code) => {
      expect(await persevere(failing(code).work, true, quick)).toBe("done");
      const { made, work } = failing(code);
      await expect(persevere(work, false, quick)).rejects.toThrow(code);
      expect(made.tries).toBe(1);
    },
  );
  it.each(["23505", "22001", "42P01", "57014", "Query read timeout"])(
    "what is wrong is not tried again: %s",
    async (code) => {
      const { made, work } = failing(code);
      await expect(persevere(work, true, quick)).rejects.toThrow(code);
      expect(made.tries).toBe(1);
    },
  );
  it("also where the driver says it in words only", async () => {
    let tries = 0;
    const work = () =>
      tries++ === 0 ? Promise.reject(new Error("Client was closed and is not queryable")) : Promise.resolve("done");
    expect(await persevere(work, false, quick)).toBe("done");
    await expect(
      persevere(() => Promise.reject(new Error("Connection terminated unexpectedly")), false, quick),
    ).rejects.toThrow("terminated");
  });
  it("it is given up in the end", async () => {
    const always = () => Promise.reject(Object.assign(new Error("away"), { code: "ECONNREFUSED" }));
    await expect(persevere(always, true, { longest: 0, pause: () => Promise.resolve() })).rejects.toThrow("away");
  });
});

it("knows what only asks", () => {
  expect(onlyAsks('select "id" from "run"')).toBe(true);
  expect(onlyAsks("  SELECT 1")).toBe(true);
  for (const query of [
    "insert into run values (1) returning id",
    "update run set x = 1",
    "delete from run",
    "select * from run for update",
    "select * from run for no key update",
    "select nextval('x')",
    "select 1 into t",
    "with x as (delete from run returning id) select * from x",
    "selection",
  ])
    expect(onlyAsks(query), query).toBe(false);
});

it("keeps ready what is asked for again and again, so much of it", () => {
  const nameOf = readyNames(2);
  const name = nameOf("select 1 from run where id = $1");
  expect(name).toBeDefined();
  expect(nameOf("select 1 from run where id = $1")).toBe(name);
  // What changes something, and what is another statement for each length of a list, is not.
  for (const text of [
    "insert into run (id) values ($1)",
    "select 1 from run where id = $1 for update",
    "select 1 from run where id in ($1, $2)",
  ])
    expect(nameOf(text), text).toBeUndefined();
  expect(nameOf("select 2")).not.toBe(name);
  expect(nameOf("select 3")).toBeUndefined();
  expect(nameOf("select 1 from run where id = $1")).toBe(name);
});
