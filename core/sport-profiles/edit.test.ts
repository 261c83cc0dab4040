import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  copyOfProfile,
  isHeld,
  withAction,
  withActionFirst,
  withHeld,
  withReason,
  withSurface,
  withWeight,
} from "./edit";
import { HELD_POSITIONS, heldKey, heldWords } from "./held";
import { weightOf } from "./fit";
import { sportProfileSchema } from "./schema";
import { MOTIONS } from "~/core/vocabulary/motions";
import { SPORT_PROFILES, profileById } from "~/library/sport-profiles";

const rowing = profileById("rowing")!;

describe("changing a demand profile", () => {
  it("copies it under a name that says so", () => {
    for (const demand of SPORT_PROFILES) {
      const copy = copyOfProfile(demand);
      expect(sportProfileSchema.safeParse(copy).success, demand.id).toBe(true);
      expect([copy.name.endsWith(", mine"), copy.rows]).toEqual([true, demand.rows]);
    }
  });
  it("gives a row a weight and a reason, and takes it away", () => {
    const added = withWeight(rowing, "toe.ext", 2, "needed by this group");
    expect(added.rows["toe.ext"]).toEqual({ weight: 2, why: "needed by this group" });
    expect(withReason(added, "toe.ext", "the push").rows["toe.ext"]).toEqual({ weight: 2, why: "the push" });
    expect(withWeight(added, "toe.ext", 0, "").rows["toe.ext"]).toBeUndefined();
    expect(withWeight(rowing, "hip.flex", 1, "x").rows["hip.flex"]?.why).toBe(rowing.rows["hip.flex"]?.why);
    expect(withReason(rowing, "toe.ext", "nothing").rows).toEqual(withReason(rowing, "toe.ext", "other").rows);
  });
  it("lets the opposites of a held position weigh one more, once", () => {
    const free = { ...rowing, held: [], rows: {} };
    for (const [key, { words, opposites }] of Object.entries(HELD_POSITIONS)) {
      const held = withHeld(free, key, true);
      expect([held.held, heldWords(key)]).toEqual([[key], words]);
      for (const row of opposites) expect(weightOf(held, row), key).toBe(1);
      expect(withHeld(held, key, true)).toBe(held);
      expect(withHeld(held, key, false)).toEqual(free);
    }
  });
  it("knows a held position by the words it has in profiles of before, and leaves a coach's own text what it is", () => {
    const before = { ...rowing, held: ["hips folded", "in the bow seat"] };
    expect([isHeld(before, "hips-folded"), isHeld(before, "feet-pointed")]).toEqual([true, false]);
    expect(withHeld(before, "hips-folded", true)).toBe(before);
    expect(withHeld(before, "hips-folded", false).held).toEqual(["in the bow seat"]);
    expect([heldKey("in the bow seat"), heldWords("in the bow seat")]).toEqual(["in the bow seat", "in the bow seat"]);
    expect(heldKey("constructor")).toBe("constructor");
  });
  it("is always a profile that can be kept, with weights from 0 to 3", () => {
    const step = fc.oneof(
      fc.record({ row: fc.constantFrom(...MOTIONS), weight: fc.integer({ min: 0, max: 3 }) }),
      fc.record({ key: fc.constantFrom(...Object.keys(HELD_POSITIONS)), held: fc.boolean() }),
    );
    fc.assert(
      fc.property(fc.constantFrom(...SPORT_PROFILES), fc.array(step, { maxLength: 20 }), (demand, steps) => {
        const changed = steps.reduce(
          (d, s) => ("row" in s ? withWeight(d, s.row, s.weight, "asked for") : withHeld(d, s.key, s.held)),
          demand,
        );
        expect(sportProfileSchema.safeParse(changed)).toMatchObject({ success: true });
        for (const row of MOTIONS) expect(weightOf(changed, row)).toBeLessThanOrEqual(3);
      }),
    );
  });
});

describe("what a sport asks of a session before it", () => {
  const plain = SPORT_PROFILES.find(({ id }) => id === "handball")!;
  it("is its actions in order, the first to end with; without any there is none", () => {
    const more = withAction(plain, "roll", true);
    expect(more.rehearses).toEqual([...plain.rehearses!, "roll"]);
    expect(withAction(more, "roll", true)).toEqual(more);
    expect(withActionFirst(more, "roll").rehearses).toEqual(["roll", ...plain.rehearses!]);
    expect(withAction(more, "roll", false)).toEqual(plain);
    const none = plain.rehearses!.reduce((profile, one) => withAction(profile, one, false), plain);
    expect(none).not.toHaveProperty("rehearses");
    expect(sportProfileSchema.parse(none)).toEqual(none);
  });
  it("is where it takes place, in the order of the surfaces", () => {
    const { surfaces: _, ...nowhere } = plain;
    expect(withSurface(nowhere, "mat", true).surfaces).toEqual(["mat"]);
    const both = withSurface(withSurface(nowhere, "wet grass", true), "mat", true);
    expect(both.surfaces).toEqual(["mat", "wet grass"]);
    expect(withSurface(withSurface(both, "mat", false), "wet grass", false)).toEqual(nowhere);
  });
});
