import { expect, it } from "vitest";
import { bothSaved } from "./use-setting";
import type { SaveState } from "./use-saving";

const at = "2026-03-02T10:00:00Z";
const saved: SaveState = { kind: "saved", at };
const held: SaveState = { kind: "offline", where: "browser" };
const saving: SaveState = { kind: "saving" };

it("nothing is said to be held in the browser while something chosen is still on its way into it", () => {
  expect(bothSaved(held, saving, true)).toEqual(saving);
  expect(bothSaved(held, held, false)).toEqual(held);
  // Sent anew, it is held all the same.
  expect(bothSaved(held, saving, false)).toEqual(held);
});

it("what is wrong goes before what is under way, of the document and of what is beside it", () => {
  expect(bothSaved(saved, undefined, false)).toEqual(saved);
  expect(bothSaved(saved, saving, true)).toEqual(saving);
  expect(bothSaved(saved, held, false)).toEqual(held);
  expect(bothSaved({ kind: "signed-out" }, saving, true)).toEqual({ kind: "signed-out" });
  expect(bothSaved({ kind: "waiting" }, saving, true)).toEqual({ kind: "waiting" });
  expect(bothSaved(saving, held, false)).toEqual(held);
});
