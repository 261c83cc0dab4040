import type { Block, Item } from "./schema";

/** What of a block can't go by a clock, how many ladders become plain holds for it, and its drills as they would then be. */
export function clockable(block: Pick<Block, "items">): { unfit: Item[]; ladders: number; items: Item[] } {
  return {
    unfit: block.items.filter(({ dose }) => dose.kind === "effort"),
    ladders: block.items.filter(({ dose }) => dose.kind === "ladder").length,
    items: block.items.map((item) => (item.dose.kind === "ladder" ? { ...item, dose: { kind: "time", seconds: item.dose.rungs[item.dose.rung] ?? 0 } } : item)),
  };
}
