import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { changedByNobody, mergeFields, type Changes, type Marks } from "./fields";

type Fields = { group: string | null; demand: string | null; locks: number[] };
const THERE: Fields = { group: null, demand: "row", locks: [] };
const mine = <T>(value: T, seq: number, basedOn = 0) => ({ value, basedOn, by: "mine", seq });
const theirs = <T>(value: T, seq: number, basedOn = 0) => ({ value, basedOn, by: "theirs", seq });

/** Changes that arrive one after another. */
function arrive(changes: readonly Changes<Fields>[], later: (keyof Fields)[] = []) {
  let there = THERE;
  let marks: Marks<Fields> = {};
  const newer: (keyof Fields)[][] = [];
  for (const change of changes) {
    const merged = mergeFields(there, marks, change, later);
    there = { ...there, ...merged.write };
    marks = merged.marks;
    newer.push(merged.newer);
  }
  return { there, marks, newer };
}

describe("parts that are changed one by one", () => {
  it("are each written over the revision they were made from, and the others stay", () => {
    const { there, marks, newer } = arrive([{ group: mine("u16", 1) }, { demand: theirs("swim", 1) }]);
    expect(there).toEqual({ group: "u16", demand: "swim", locks: [] });
    expect([marks.group?.revision, marks.demand?.revision, newer]).toEqual([1, 1, [[], []]]);
  });

  it("are not written over another page's choice that was not seen", () => {
    const { there, newer } = arrive([
      { group: mine("u16", 1) },
      { group: theirs("u18", 1), demand: theirs("swim", 1) },
    ]);
    expect([there.group, there.demand, newer[1]]).toEqual(["u16", "swim", ["group"]]);
    // One of which only the first of two was seen is not seen, either.
    expect(
      arrive([{ group: mine("u16", 1) }, { group: mine("u17", 2) }, { group: theirs("u18", 1, 1) }]).there.group,
    ).toBe("u17");
    // Seen, it may be.
    expect(arrive([{ group: mine("u16", 1) }, { group: theirs("u18", 1, 1) }]).there.group).toBe("u18");
  });

  it("that two pages chose alike are no matter to choose about", () => {
    expect(arrive([{ group: mine("u16", 1) }, { group: theirs("u16", 1) }]).newer[1]).toEqual([]);
  });

  it("count as they come where nothing is lost with what was there", () => {
    expect(arrive([{ locks: mine([1], 1) }, { locks: theirs([2], 1) }], ["locks"]).there.locks).toEqual([2]);
  });

  it("are one page's in the order they were chosen, whatever order they arrive in, and however often", () => {
    const arrivals = fc.integer({ min: 1, max: 6 }).chain((n) =>
      fc
        .tuple(
          fc.shuffledSubarray(
            Array.from({ length: n }, (_, i) => i + 1),
            { minLength: n, maxLength: n },
          ),
          fc.array(fc.integer({ min: 1, max: n })),
        )
        .map(([order, again]) => ({ n, order: [...order, ...again] })),
    );
    fc.assert(
      fc.property(arrivals, ({ n, order }) => {
        const { there, newer } = arrive(order.map((seq) => ({ group: mine(`choice ${seq}`, seq) })));
        expect(there.group).toBe(`choice ${n}`);
        expect(newer.flat()).toEqual([]);
      }),
    );
  });

  it("sent again after another page's choice write nothing over it", () => {
    const { there, newer } = arrive([
      { group: mine("u16", 1) },
      { group: theirs("u18", 1, 1) },
      { group: mine("u16", 1) },
    ]);
    expect([there.group, newer[2]]).toEqual(["u18", ["group"]]);
  });

  it("changed by nobody are unseen by every page, the one that had chosen last, too", () => {
    const { marks } = arrive([{ group: mine("u16", 1) }]);
    const forgotten = changedByNobody<Fields>(marks, ["group", "demand"]);
    for (const field of ["group", "demand"] as const)
      expect(mergeFields(THERE, forgotten, { [field]: mine("u17", 2, 1 - Number(field === "demand")) }).newer).toEqual([
        field,
      ]);
    expect(mergeFields(THERE, forgotten, { locks: mine([1], 2) }).newer).toEqual([]);
  });
});
