import { expect, it } from "vitest";
import { writtenBefore } from "./known-better.server";
import { KNOWN_BETTER_SINCE } from "~/core/audit/known-better";
import { newSession } from "~/core/session/start";
import { OUTLINES, outlineBlocks } from "~/library/outlines";

it("concerns sessions saved before that day, and of them their own drills only", () => {
  const doc = newSession({ title: "t", purpose: "off-day", target: undefined }, outlineBlocks(OUTLINES[0]!));
  const used = [...new Set(doc.blocks.flatMap((block) => block.items.map((item) => item.drill)))];
  expect(writtenBefore(doc, KNOWN_BETTER_SINCE)).toBeUndefined();
  const before = writtenBefore(doc, new Date(KNOWN_BETTER_SINCE.getTime() - 1)) ?? {};
  expect(used.length).toBeGreaterThan(0);
  expect(Object.keys(before).sort()).toEqual(used.sort());
});
