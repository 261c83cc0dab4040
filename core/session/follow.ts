import type { Place } from "./edits";
import type { Item, SessionPlan } from "./schema";

/**
 * Where items stand after an edit. An item that was only moved is found again by being the same object, as edits keep
 * what they do not change; where nothing was added, taken out or moved, an edited item is the one at the same place.
 * In a copy from elsewhere, which shares no item, it is one that says the same. Items that are gone are left out.
 */
export function followPlaces(before: SessionPlan, edited: SessionPlan, places: readonly Place[]): Place[] {
  if (places.length === 0 || before === edited) return [...places];
  const known = new Set(before.blocks.flatMap((block) => block.items));
  const isCopy = !edited.blocks.some((block) => block.items.some((item) => known.has(item)));
  const after = isCopy ? keepingItems(before, edited) : edited;
  // The first of several that are the same object: a copy stands after what it was copied from.
  const now = new Map(
    after.blocks.flatMap((block, b) => block.items.map((item, i) => [item, { block: b, item: i }] as const)).reverse(),
  );
  const sameShape =
    before.blocks.length === after.blocks.length &&
    before.blocks.every((block, b) => block.items.length === after.blocks[b]!.items.length);
  return places.flatMap((place) => {
    const item = before.blocks[place.block]?.items[place.item];
    const there = after.blocks[place.block]?.items[place.item];
    if (item && there === item) return [place];
    const found = item && now.get(item);
    if (found) return [found];
    return sameShape && item && there?.drill === item.drill ? [place] : [];
  });
}

/** A session worked out elsewhere, with the very items of the one before where they say the same, each once: so that they can be followed. */
export function keepingItems(before: SessionPlan, after: SessionPlan): SessionPlan {
  const there = new Map<string, Item[]>();
  for (const item of before.blocks.flatMap((block) => block.items))
    there.set(JSON.stringify(item), [...(there.get(JSON.stringify(item)) ?? []), item]);
  const known = (item: Item): Item => there.get(JSON.stringify(item))?.shift() ?? item;
  return { ...after, blocks: after.blocks.map((block) => ({ ...block, items: block.items.map(known) })) };
}
