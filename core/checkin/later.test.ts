import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { withLater, withPains } from "./later";
import { checkInSchema, MOST_PAINS, type CheckIn, type PainTold } from "./schema";

const uuid = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, "0")}`;
const pain = (n: number, over: Partial<PainTold> = {}): PainTold => ({
  key: uuid(n),
  at: { block: 0, item: n, drill: `d${n}` },
  where: "",
  said: n,
  ...over,
});
const checkIn = (pains?: PainTold[]): CheckIn => ({
  run: {
    ...{ key: uuid(99), person: { athleteId: null, name: "Tern" }, shareDone: 0.5 },
    ...{ finished: false, begun: undefined, sent: undefined, inClass: undefined },
  },
  hard: null,
  tightness: [],
  pain: pains !== undefined,
  painWhere: "",
  ...(pains && { pains }),
  note: "",
  said: undefined,
});

describe("what hurts, told several times", () => {
  it("is a report each, however often and in whatever order, with what was said last", () => {
    const any = fc.array(
      fc
        .tuple(fc.integer({ min: 1, max: 5 }), fc.constantFrom("", "left knee", "right hip"))
        .map(([n, where]) => pain(n, { where })),
      { maxLength: 8 },
    );
    fc.assert(
      fc.property(any, any, (first, later) => {
        const all = withPains(withPains([], first), later);
        expect(all.map(({ key }) => key).sort()).toEqual(
          [...new Set([...first, ...later].map(({ key }) => key))].sort(),
        );
        for (const one of all) {
          const said = [...first, ...later].filter(({ key, where }) => key === one.key && where !== "");
          expect(one.where).toBe(said.at(-1)?.where ?? "");
        }
        expect(withPains(all, later)).toEqual(all);
      }),
    );
  });
  it("keeps both where a second is told while the first waits, and fills up what was open", () => {
    const both = withLater(checkIn([pain(1)]), checkIn([pain(7)]));
    expect(both.pains?.map(({ key }) => key)).toEqual([uuid(1), uuid(7)]);
    const filled = withLater(
      both,
      checkIn([pain(7, { where: "right wrist", at: null }), pain(1, { where: "left knee" })]),
    );
    expect(filled.pains).toMatchObject([
      { where: "left knee", at: { item: 1 } },
      { where: "right wrist", at: { item: 7 } },
    ]);
    expect(withLater(filled, checkIn()).pains).toHaveLength(2);
  });
  it("is read whatever is wrong with one of them, and never more than there can be", () => {
    const read = checkInSchema.parse({
      ...checkIn([]),
      pains: [pain(1), { key: "x" }, null, pain(2, { at: 3 as never })],
    });
    expect(read.pains).toMatchObject([{ key: uuid(1) }, { key: uuid(2), at: null }]);
    expect(checkInSchema.parse({ ...checkIn([]), pains: "no list" }).pains).toBeUndefined();
    const many = Array.from({ length: MOST_PAINS + 20 }, (_, n) => pain(n));
    expect(checkInSchema.parse({ ...checkIn([]), pains: many }).pains).toHaveLength(MOST_PAINS);
  });
});
