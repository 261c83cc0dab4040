import { describe, expect, it } from "vitest";
import { withDrillAtEnd } from "./append";
import { MOST_ITEMS } from "./edits";
import { readSession } from "./read";
import type { SessionPlan } from "./schema";
import { itemOf } from "./start";
import { NEWEST_SESSION } from "./version";
import { DRILLS, drillById } from "~/library";

/** A session as it was kept before there was a second version. */
function old(items = 1): SessionPlan {
  const document = {
    format: "mapset/session",
    version: 1,
    title: "Kept long ago",
    purpose: "off-day",
    blocks: [{ title: "", items: Array(items).fill({ drill: "cat-camel", dose: { kind: "time", seconds: 9 } }) }],
  };
  const read = readSession(document, drillById);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}

describe("a drill put at the end", () => {
  it("makes a session that can be kept, of every drill and whatever version the session was", () => {
    for (const drill of DRILLS) {
      const after = withDrillAtEnd(old(), drill, drillById)!;
      expect([after.version, after.blocks[0]!.items[1]]).toEqual([NEWEST_SESSION, itemOf(drill)]);
      const read = readSession(JSON.parse(JSON.stringify(after)), drillById);
      expect([drill.id, read.ok || read.faults]).toEqual([drill.id, true]);
    }
  });

  it("goes only where there is room", () => {
    const [drill] = DRILLS;
    const last = withDrillAtEnd(old(MOST_ITEMS - 1), drill!, drillById)!;
    expect(last.blocks[0]!.items).toHaveLength(MOST_ITEMS);
    expect(withDrillAtEnd(last, drill!, drillById)).toBeUndefined();
  });
});
