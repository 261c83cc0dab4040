import fc from "fast-check";
import { expect, it } from "vitest";
import { z } from "zod";
import { hasWord, placeWords } from "./places";
import { sportProfileSchema } from "~/core/sport-profiles/schema";
import { sessionSchema } from "~/core/session/schema";
import { MOTIONS } from "~/core/vocabulary/motions";

const document = {
  title: "Legs",
  blocks: [
    { title: "Warm up", items: [] },
    {
      title: "Switch on",
      items: [{ drill: "cat-camel" }, { drill: "nowhere", dose: { tempo: [{}, {}] }, cues: [{}] }],
    },
  ],
  drills: [{ name: "Harbour wall reach", levels: { easier: {} } }],
};
const nameOf = (id: string) => (id === "cat-camel" ? "Cat and camel" : undefined);

it.each([
  ["(document)", "the file"],
  ["title", "title"],
  ["blocks[1].items[0].dose.count", "block 2 “Switch on”, drill 1 “Cat and camel”, dose, how many"],
  ["blocks[1].items[1].drill", "block 2 “Switch on”, drill 2"],
  ["blocks[1].items[1].dose.tempo[1].seconds", "block 2 “Switch on”, drill 2, dose, beat 2, seconds"],
  ["blocks[1].items[1].cues[0].say", "block 2 “Switch on”, drill 2, call 1, words"],
  ["blocks[0].restBetweenRounds", "block 1 “Warm up”, rest between rounds"],
  ["blocks[7].title", "block 8, title"],
  ["blocks", "blocks"],
  [
    "drills[0].levels.easier.bounds.least",
    "own drill 1 “Harbour wall reach”, easier level, limits of the dose, smallest",
  ],
  [
    "drills[0].motions.standard.keys[3].pose",
    "own drill 1 “Harbour wall reach”, drawing, standard level, keys 4, pose",
  ],
  ["profile.rows.hip-flexion.weight", "sport profile, motions, hip-flexion, weight"],
  ["session", "the session"],
  ["someField", "some field"],
])("%s is said as %s", (path, words) => {
  expect(placeWords(path, document, nameOf)).toBe(words);
});

it("a session in a file is said like one alone", () => {
  expect(placeWords("session.blocks[1].items[0].sets", { session: document }, nameOf)).toBe(
    "block 2 “Switch on”, drill 1 “Cat and camel”, sets",
  );
});

it("has a word for every field of a session and of a sport profile", () => {
  const fields = new Set<string>();
  const walk = (schema: unknown): void => {
    if (typeof schema !== "object" || schema === null) return;
    const { properties } = schema as { properties?: Record<string, unknown> };
    if (properties) for (const field of Object.keys(properties)) fields.add(field);
    Object.values(schema).forEach(walk);
  };
  walk(z.toJSONSchema(sessionSchema, { io: "input" }));
  walk(z.toJSONSchema(sportProfileSchema, { io: "input" }));
  // Motions of the body have words of their own.
  const named = [...fields].filter((field) => !(MOTIONS as readonly string[]).includes(field));
  expect(named.length).toBeGreaterThan(40);
  expect(named.filter((field) => !hasWord(field))).toEqual([]);
});

it("says something of any path, and nothing of code", () => {
  fc.assert(
    fc.property(
      fc.array(fc.oneof(fc.constantFrom("blocks", "items", "drills", "dose", "tempo", "x"), fc.nat(9)), {
        minLength: 1,
        maxLength: 7,
      }),
      (parts) => {
        const path = parts
          .map((part, i) => (typeof part === "number" ? `[${part}]` : i === 0 ? part : `.${part}`))
          .join("");
        const words = placeWords(path, document);
        expect(words).not.toBe("");
        expect(words).not.toMatch(/[[\]]|undefined|^,|, ,/);
      },
    ),
  );
});
