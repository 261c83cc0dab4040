import { describe, expect, it } from "vitest";
import { lockedPlaces, locksOf, locksSchema, takeLocks, withLocks } from "./locks";
import { readSession } from "./read";
import { itemOf, newSession } from "./start";
import { drillById } from "~/library";

const items = ["cat-camel", "hip-flexor-hold", "cat-camel"].map((id) => itemOf(drillById(id)!));
const session = newSession({ title: "A", purpose: "off-day" }, [
  { title: "", rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items: items },
]);

it("a locked place comes back while the same drill stands there, and is let go where another does", () => {
  const locks = locksOf(session, [
    { block: 0, item: 2 },
    { block: 0, item: 1 },
    { block: 4, item: 0 },
  ]);
  expect(locks).toEqual([
    { block: 0, item: 2, drill: "cat-camel" },
    { block: 0, item: 1, drill: "hip-flexor-hold" },
  ]);
  expect(lockedPlaces(session, locks)).toEqual([
    { block: 0, item: 2 },
    { block: 0, item: 1 },
  ]);
  const changed = { ...session, blocks: [{ ...session.blocks[0]!, items: [items[1]!, items[0]!] }] };
  expect(lockedPlaces(changed, [...locks, { block: 0, item: 0, drill: "hip-flexor-hold" }])).toEqual([
    { block: 0, item: 0 },
  ]);
});

it("is refused outside what a session can hold", () => {
  const one = { block: 39, item: 59, drill: "cat-camel" };
  expect(locksSchema.safeParse([one]).success).toBe(true);
  for (const bad of [
    { ...one, block: 40 },
    { ...one, item: 60 },
    { ...one, item: -1 },
    { ...one, drill: "" },
    { ...one, more: 1 },
  ])
    expect(locksSchema.safeParse([bad]).success).toBe(false);
});

describe("in a file", () => {
  it("they go with their drills, and come in again beside the session", () => {
    const session = {
      ...newSession({ title: "t", purpose: "off-day" }, [
        {
          title: "b",
          rounds: 1,
          restBetweenRounds: 0,
          sideOrder: "drill-by-drill",
          items: [itemOf(drillById("cat-camel")!), itemOf(drillById("open-book")!)],
        },
      ]),
    };
    const locks = [{ block: 0, item: 1, drill: "open-book" }];
    const file = withLocks(session, [...locks, { block: 0, item: 0, drill: "another" }]);
    expect(file.blocks[0]!.items.map((item) => item.locked)).toEqual([undefined, true]);
    expect(readSession(file, drillById).ok).toBe(true);
    expect(takeLocks(file)).toEqual({ session, locks });
    expect(takeLocks(session)).toEqual({ session, locks: [] });
    // Version 1 has no place for them.
    expect(withLocks({ ...session, version: 1 }, locks).blocks[0]!.items[1]!.locked).toBeUndefined();
  });
});
