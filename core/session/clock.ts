import type { Block, Item } from "./schema";
import { forClock } from "~/core/dose/dose";

/** What of a block can't go by a clock, how many ladders become plain holds for it, and its drills as they would then be. */
export function clockable(block: Pick<Block, "items">): { unfit: Item[]; ladders: number; items: Item[] } {
  const become = block.items.map((item) => ({ item, dose: forClock(item.dose) }));
  return {
    unfit: become.filter(({ dose }) => dose === undefined).map(({ item }) => item),
    ladders: become.filter(({ item, dose }) => dose !== undefined && dose.kind !== item.dose.kind).length,
    items: become.map(({ item, dose }) => (dose === undefined || dose === item.dose ? item : { ...item, dose })),
  };
}
