import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { copyOfDemand, HELD_POSITIONS, withHeld, withReason, withWeight } from "./edit";
import { weightOf } from "./fit";
import { demandSchema } from "./schema";
import { ROWS } from "~/core/vocabulary/rows";
import { DEMANDS, demandById } from "~/library/demands";

const rowing = demandById("rowing")!;

describe("changing a demand profile", () => {
  it("copies it under a name that says so", () => {
    for (const demand of DEMANDS) {
      const copy = copyOfDemand(demand);
      expect(demandSchema.safeParse(copy).success, demand.id).toBe(true);
      expect([copy.name.endsWith(", mine"), copy.rows]).toEqual([true, demand.rows]);
    }
  });
  it("gives a row a weight and a reason, and takes it away", () => {
    const added = withWeight(rowing, "toe.ext", 2, "asked for by this group");
    expect(added.rows["toe.ext"]).toEqual({ weight: 2, why: "asked for by this group" });
    expect(withReason(added, "toe.ext", "the push").rows["toe.ext"]).toEqual({ weight: 2, why: "the push" });
    expect(withWeight(added, "toe.ext", 0, "").rows["toe.ext"]).toBeUndefined();
    expect(withWeight(rowing, "hip.flex", 1, "x").rows["hip.flex"]?.why).toBe(rowing.rows["hip.flex"]?.why);
    expect(withReason(rowing, "toe.ext", "nothing").rows).toEqual(withReason(rowing, "toe.ext", "other").rows);
  });
  it("lets the opposites of a held position weigh one more, once", () => {
    const free = { ...rowing, held: [], rows: {} };
    for (const { words, opposites } of HELD_POSITIONS) {
      const held = withHeld(free, words, true);
      expect(held.held).toEqual([words]);
      for (const row of opposites) expect(weightOf(held, row), words).toBe(1);
      expect(withHeld(held, words, true)).toBe(held);
      expect(withHeld(held, words, false)).toEqual(free);
    }
  });
  it("is always a profile that can be kept, with weights from 0 to 3", () => {
    const step = fc.oneof(
      fc.record({ row: fc.constantFrom(...ROWS), weight: fc.integer({ min: 0, max: 3 }) }),
      fc.record({ words: fc.constantFrom(...HELD_POSITIONS.map((h) => h.words)), held: fc.boolean() }),
    );
    fc.assert(fc.property(fc.constantFrom(...DEMANDS), fc.array(step, { maxLength: 20 }), (demand, steps) => {
      const changed = steps.reduce((d, s) => ("row" in s ? withWeight(d, s.row, s.weight, "asked for") : withHeld(d, s.words, s.held)), demand);
      expect(demandSchema.safeParse(changed)).toMatchObject({ success: true });
      for (const row of ROWS) expect(weightOf(changed, row)).toBeLessThanOrEqual(3);
    }));
  });
});
