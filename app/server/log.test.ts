import { DrizzleQueryError } from "drizzle-orm";
import fc from "fast-check";
import { expect, it } from "vitest";
import { told } from "./log";

const failed = () =>
  new DrizzleQueryError(
    "insert into check_in values ($1, $2)",
    ["left knee", "robin@club.example"],
    Object.assign(new Error("value left knee too long"), { code: "22001" }),
  );

it("tells the code of what the database said", () => {
  expect(told(failed())).toMatchObject({ error: "Error", code: "22001" });
});

it("tells where it was", () => {
  expect(told(new TypeError("x")).at[0]).toMatch(/log\.test\.ts:\d+:\d+/);
});

it("tells nothing of what was sent", () => {
  const text = JSON.stringify(told(failed()));
  for (const word of ["left knee", "robin", "insert", "22001 left"]) expect(text).not.toContain(word);
});

it("tells nothing of an error's words, whatever lines they have", () => {
  fc.assert(
    fc.property(
      fc.array(fc.string({ minLength: 6 }), { minLength: 1, maxLength: 4 }),
      fc.string({ minLength: 4 }),
      (lines, code) => {
        const secret = lines.map((line) => `§${line}§`).join("\n");
        const text = JSON.stringify(told(Object.assign(new Error(secret), { code: `§${code}` })));
        expect(text).not.toContain("§");
      },
    ),
  );
});

it("tells nothing of words that look like places", () => {
  const text = JSON.stringify(told(new Error("x\n    at §left knee§ (/home/§:1:2)\n")));
  expect(text).not.toContain("§");
  const later = new Error("before");
  later.message = "after\n    at §left knee§ (/home/§:1:2)";
  expect(JSON.stringify(told(later))).not.toContain("§");
});

it("takes anything that is thrown", () => {
  expect(told("left knee")).toEqual({ error: "string", at: [] });
  expect(told(undefined)).toEqual({ error: "undefined", at: [] });
});
