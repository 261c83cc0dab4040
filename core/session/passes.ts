import { formIn } from "~/core/drills/form";
import type { Block, Item, SideMode } from "./schema";
import { type OneSide, otherSide } from "~/core/vocabulary/sides";
import type { DrillLookup } from "~/core/drills/lookup";

/** One visit to an item of a block: all its sets, on the sides this visit is for. */
export type Visit = {
  item: number;
  /** `each`: both sides within each set. A side: that side only. */
  sides: "together" | "alternating" | "each" | OneSide;
};

/** How an item's sides are worked: its own choice, else the drill's. */
export function sideModeOf(item: Pick<Item, "drill" | "level" | "sides">, drills: DrillLookup): SideMode {
  return item.sides ?? formIn(item, drills)?.sides ?? "together";
}

/**
 * The order in which one round of a block visits its items.
 * Drill by drill this is the order of the document. With `whole-block` everything with sides is done on the first
 * side and then again on the other; what has no sides, or takes turns, is done in the first pass only, and what is
 * for one side only in that side's pass. With nothing for the second side there is one pass.
 */
export function visitsOf(block: Block, firstSide: OneSide, drills: DrillLookup): Visit[] {
  const modes = block.items.map((item) => sideModeOf(item, drills));
  if (block.sideOrder === "drill-by-drill") return modes.map((sides, item) => ({ item, sides }));
  return [firstSide, otherSide(firstSide)].flatMap((side) =>
    modes.flatMap((mode, item): Visit[] => {
      if (mode === "each") return [{ item, sides: side }];
      if (mode === "left" || mode === "right") return mode === side ? [{ item, sides: side }] : [];
      return side === firstSide ? [{ item, sides: mode }] : [];
    }),
  );
}
