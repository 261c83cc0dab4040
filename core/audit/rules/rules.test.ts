import { readdirSync } from "node:fs";
import { expect, it } from "vitest";
import { RULES } from ".";

/** Rules that share a file with another: two sides of one question. */
const TOGETHER: Record<string, string> = { "interval-rest": "interval", "interval-work": "interval" };

it("every file of a rule is in the list, under its own name", () => {
  const files = readdirSync(import.meta.dirname)
    .filter((file) => !file.includes(".test.") && file !== "index.ts")
    .map((file) => file.replace(".ts", ""));
  expect([...new Set(RULES.map(({ id }) => TOGETHER[id] ?? id))].sort()).toEqual(files.sort());
  expect(new Set(RULES.map(({ id }) => id)).size).toBe(RULES.length);
});
