import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { copyItem, editItem, moveItem, removeItem } from "./edits";
import { followPlaces, keepingItems } from "./follow";
import type { Item, SessionPlan } from "./schema";
import { itemOf, newSession } from "./start";
import { DRILLS } from "~/library";

const session = newSession(
  { title: "A", purpose: "before-training" },
  [0, 1, 2].map((b) => ({
    title: "",
    rounds: 1,
    items: DRILLS.slice(b * 3, b * 3 + 3).map((drill) => itemOf(drill)) as [Item, ...Item[]],
  })) as unknown as SessionPlan["blocks"],
);
const drillAt = (s: SessionPlan, p: { block: number; item: number }) => s.blocks[p.block]?.items[p.item]?.drill;
const place = fc.record({ block: fc.nat(2), item: fc.nat(2) });

describe("places followed over an edit", () => {
  it("finds a moved item again", () => {
    const after = moveItem(session, { block: 0, item: 0 }, { block: 2, item: 1 });
    expect(followPlaces(session, after, [{ block: 0, item: 0 }])).toEqual([{ block: 2, item: 1 }]);
  });
  it("keeps the place of an item whose dose was changed", () => {
    const after = editItem(session, { block: 1, item: 1 }, { restAfter: 20 });
    expect(followPlaces(session, after, [{ block: 1, item: 1 }])).toEqual([{ block: 1, item: 1 }]);
  });
  it("forgets an item that is gone, and not its neighbour", () => {
    const after = removeItem(session, { block: 0, item: 1 });
    expect(
      followPlaces(session, after, [
        { block: 0, item: 1 },
        { block: 0, item: 2 },
      ]),
    ).toEqual([{ block: 0, item: 1 }]);
    expect(drillAt(after, { block: 0, item: 1 })).toBe(drillAt(session, { block: 0, item: 2 }));
  });
  it("finds items again in a copy from elsewhere, where one was put in before them", () => {
    const put = structuredClone(copyItem(session, { block: 0, item: 0 }));
    expect(
      followPlaces(session, put, [
        { block: 0, item: 0 },
        { block: 0, item: 1 },
        { block: 2, item: 2 },
      ]),
    ).toEqual([
      { block: 0, item: 0 },
      { block: 0, item: 2 },
      { block: 2, item: 2 },
    ]);
    expect(
      followPlaces(session, structuredClone(removeItem(session, { block: 1, item: 0 })), [{ block: 1, item: 0 }]),
    ).toEqual([]);
  });
  it("finds items again in a session worked out elsewhere, each once", () => {
    const twice = copyItem(session, { block: 0, item: 0 });
    const after = keepingItems(twice, structuredClone(removeItem(twice, { block: 1, item: 0 })));
    expect(
      followPlaces(twice, after, [
        { block: 0, item: 0 },
        { block: 1, item: 0 },
        { block: 1, item: 2 },
      ]),
    ).toEqual([
      { block: 0, item: 0 },
      { block: 1, item: 1 },
    ]);
    expect(after.blocks[0]!.items.map((item) => twice.blocks[0]!.items.includes(item))).toEqual([
      true,
      true,
      true,
      true,
    ]);
    expect(
      keepingItems(session, structuredClone(twice)).blocks[0]!.items.filter((item) =>
        session.blocks[0]!.items.includes(item),
      ),
    ).toHaveLength(3);
  });
  it("always points at the same drill, whatever was moved, copied or taken out", () => {
    fc.assert(
      fc.property(
        fc.array(place),
        fc.array(fc.tuple(fc.constantFrom("move", "copy", "out"), place, place), { maxLength: 4 }),
        (places, steps) => {
          let now = session;
          let followed = [...places];
          const drills = places.map((p) => drillAt(session, p));
          for (const [kind, from, to] of steps) {
            if (!now.blocks[from.block]?.items[from.item]) continue;
            const after =
              kind === "move" ? moveItem(now, from, to) : kind === "copy" ? copyItem(now, from) : removeItem(now, from);
            followed = followPlaces(now, after, followed);
            now = after;
          }
          for (const p of followed) expect(drills).toContain(drillAt(now, p));
        },
      ),
    );
  });
});
