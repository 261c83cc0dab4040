import { expect, it } from "vitest";
import { answerOf } from "./send";

const mapsets = { "x-request-id": "1" };
const of = (status: number, headers: Record<string, string> = mapsets, text = "") =>
  answerOf(new Response(status === 204 ? null : text, { status, headers }));

it("is taken only where Mapset itself says so", async () => {
  expect(await of(200)).toEqual({ kind: "taken" });
  // The page of a hall's network that asks everyone to agree to something first.
  expect(await of(200, {}, "<html>Welcome")).toEqual({ kind: "offline" });
  expect(await of(404, {}, "<html>Welcome")).toEqual({ kind: "offline" });
});

it("waits for whatever passes", async () => {
  for (const status of [408, 429, 500, 502, 503, 504]) expect(await of(status, {})).toEqual({ kind: "busy" });
  expect(await of(429, { ...mapsets, "retry-after": "40" })).toEqual({ kind: "busy", seconds: 40 });
  expect(await of(401)).toEqual({ kind: "signed-out" });
  expect(await of(409)).toEqual({ kind: "newer" });
});

it("knows what is there already from what is newer", async () => {
  const newer = (doc: unknown) =>
    new Response(JSON.stringify({ kind: "newer", stored: { doc, revision: 3 } }), { status: 409, headers: mapsets });
  expect(
    await answerOf(newer({ title: "Gigs", blocks: [1] }), { basedOn: 2, doc: { blocks: [1], title: "Gigs" } }),
  ).toEqual({ kind: "taken" });
  expect(
    await answerOf(newer({ title: "Gigs", blocks: [2] }), { basedOn: 2, doc: { title: "Gigs", blocks: [1] } }),
  ).toEqual({ kind: "newer" });
  expect(await answerOf(new Response("", { status: 409, headers: mapsets }), { doc: undefined })).toEqual({
    kind: "newer",
  });
});

it("says why something will never be taken", async () => {
  expect(await of(410, mapsets, "This link has been withdrawn.")).toEqual({
    kind: "gone",
    words: "This link has been withdrawn.",
  });
  expect(
    await of(
      422,
      mapsets,
      JSON.stringify({ kind: "refused", faults: [{ path: "hard", message: "must be at most 10" }] }),
    ),
  ).toEqual({ kind: "refused", words: "Hard must be at most 10." });
  expect(await of(404, mapsets, "<html>")).toEqual({ kind: "refused", words: "" });
  expect(await of(413, mapsets, "x".repeat(2000))).toMatchObject({ kind: "refused", words: `X${"x".repeat(299)}.` });
});
