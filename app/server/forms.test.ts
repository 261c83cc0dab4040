import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { z } from "zod";
import { readAskedForm, readForm } from "./forms.server";

const schema = z.object({ email: z.string().max(50), password: z.string().max(50) });
const union = z.discriminatedUnion("do", [
  z.object({ do: z.literal("rename"), name: z.string() }),
  z.object({ do: z.literal("leave") }),
]);

const sent = (body: string) =>
  new Request("http://mapset.example/", {
    method: "POST",
    body,
    headers: { "content-type": "application/x-www-form-urlencoded" },
  });
const refusal = async (body: string) =>
  readForm(sent(body)).then(
    () => undefined,
    (refused: Response) => refused.status,
  );

describe("a form", () => {
  it("is read by the fields its schema has", () => {
    const form = new FormData();
    form.set("email", "a");
    form.set("password", "b");
    expect(readAskedForm(form, schema).value).toEqual({ email: "a", password: "b" });
    const named = new FormData();
    named.set("do", "rename");
    named.set("name", "Ana");
    expect(readAskedForm(named, union).value).toEqual({ do: "rename", name: "Ana" });
  });

  it("is never made into a tree by the names of its fields", async () => {
    // Thirteen bytes that were a list of a hundred million: a minute and a half, and no memory left.
    for (const name of [
      "a[99999999]",
      "email[99999999]",
      "email.a.b",
      "__proto__.x",
      "constructor.prototype.y",
      "email[]",
    ]) {
      const form = await readForm(sent(`${encodeURIComponent(name)}=x`));
      const began = performance.now();
      const { value, refuse } = readAskedForm(form, schema);
      expect(value, name).toBeUndefined();
      expect(JSON.stringify(refuse()).length, name).toBeLessThan(2000);
      expect(performance.now() - began, name).toBeLessThan(250);
    }
    expect(({} as Record<string, unknown>)["x"]).toBeUndefined();
  });

  it("of more fields than any form has is refused before anything is done with it", async () => {
    expect(await refusal("a=&".repeat(21_000))).toBe(400);
    expect(await refusal(`${"n".repeat(201)}=x`)).toBe(400);
    expect(await refusal("a=&".repeat(500))).toBeUndefined();
    expect(await refusal("a=&".repeat(501))).toBe(400);
  });

  it("whatever its fields are called is read or refused, in less than no time", async () => {
    const name = fc.oneof(
      fc.string({ maxLength: 30 }),
      fc.constantFrom("__proto__", "constructor", "__intent__", "toString", "hasOwnProperty"),
      fc
        .array(fc.constantFrom("[", "]", ".", "email", "9999999", "__proto__", "a"), { maxLength: 8 })
        .map((all) => all.join("")),
    );
    await fc.assert(
      fc.asyncProperty(fc.array(fc.tuple(name, fc.string({ maxLength: 20 })), { maxLength: 20 }), async (fields) => {
        const began = performance.now();
        const form = await readForm(sent(new URLSearchParams(fields).toString()));
        for (const one of [schema, union] as const) {
          const { value, refuse } = readAskedForm(form, one as typeof schema);
          refuse({ form: "no" });
          if (value !== undefined && one === schema) expect(Object.keys(value).sort()).toEqual(["email", "password"]);
        }
        return performance.now() - began < 250;
      }),
      { numRuns: 300 },
    );
  });
});
