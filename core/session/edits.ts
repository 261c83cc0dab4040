import type { Block, Item, SessionPlan } from "./schema";
import type { Pace } from "~/core/dose/pace";

/** Where an item stands: its block and its place in it, counted from 0. */
export type Place = { block: number; item: number };

/** Edits are pure: they return a new session and leave the old one as it was. A place that does not exist changes nothing. */

export function editSession(
  session: SessionPlan,
  change: Partial<Omit<SessionPlan, "blocks" | "format" | "version">>,
): SessionPlan {
  return { ...session, ...change };
}

export function editPace(session: SessionPlan, change: Partial<Pace>): SessionPlan {
  return { ...session, pace: { ...session.pace, ...change } };
}

export function editBlock(
  session: SessionPlan,
  block: number,
  change: { [K in keyof Block]?: Block[K] | undefined },
): SessionPlan {
  return withBlocks(
    session,
    session.blocks.map((b, i) => (i === block ? dropUnset({ ...b, ...change }) : b)),
  );
}

export function editItem(
  session: SessionPlan,
  place: Place,
  change: { [K in keyof Item]?: Item[K] | undefined },
): SessionPlan {
  return withItems(session, place.block, (items) =>
    items.map((item, i) => (i === place.item ? dropUnset({ ...item, ...change }) : item)),
  );
}

/** A key given as undefined is taken out, so that the document stays as the format wants it. */
function dropUnset<T extends object>(part: T): T {
  return Object.fromEntries(Object.entries(part).filter(([, value]) => value !== undefined)) as T;
}

/** Puts an item before the place given; a place at the end of the block's list puts it last. */
export function insertItem(session: SessionPlan, place: Place, item: Item): SessionPlan {
  if ((session.blocks[place.block]?.items.length ?? MOST_ITEMS) >= MOST_ITEMS) return session;
  return withItems(session, place.block, (items) => items.toSpliced(place.item, 0, item));
}

/** The most items a block and blocks a session may hold, as in the format. */
export const MOST_ITEMS = 60;
export const MOST_BLOCKS = 40;

/** Adds a block that holds these items before the block given. */
export function insertBlock(session: SessionPlan, at: number, title: string, items: [Item, ...Item[]]): SessionPlan {
  if (session.blocks.length >= MOST_BLOCKS) return session;
  return withBlocks(session, session.blocks.toSpliced(at, 0, newBlock(title, items)));
}

/** Takes an item out. A block left empty goes with it; the last item of a session stays. */
export function removeItem(session: SessionPlan, place: Place): SessionPlan {
  if (itemCount(session) <= 1) return session;
  return dropEmptyBlocks(withItems(session, place.block, (items) => items.filter((_, i) => i !== place.item)));
}

/** Puts a copy of an item right after it. */
export function copyItem(session: SessionPlan, place: Place): SessionPlan {
  const item = session.blocks[place.block]?.items[place.item];
  return item ? insertItem(session, { block: place.block, item: place.item + 1 }, item) : session;
}

/**
 * Moves an item so that it stands at `to`, counted as if it had already been taken out of its old place.
 * A block left empty goes.
 */
export function moveItem(session: SessionPlan, from: Place, to: Place): SessionPlan {
  const item = session.blocks[from.block]?.items[from.item];
  const target = session.blocks[to.block];
  if (!item || !target || (from.block === to.block && from.item === to.item)) return session;
  if (from.block !== to.block && target.items.length >= MOST_ITEMS) return session;
  const without = withItems(session, from.block, (items) => items.filter((_, i) => i !== from.item));
  return dropEmptyBlocks(withItems(without, to.block, (items) => items.toSpliced(to.item, 0, item)));
}

/** One place up or down, over the edge of a block into its neighbour. Returns the session and where the item stands now. */
export function nudgeItem(session: SessionPlan, place: Place, by: -1 | 1): { session: SessionPlan; place: Place } {
  const size = session.blocks[place.block]?.items.length ?? 0;
  const inside = place.item + by;
  if (inside >= 0 && inside < size) {
    const to = { block: place.block, item: inside };
    return { session: moveItem(session, place, to), place: to };
  }
  const neighbour = session.blocks[place.block + by];
  if (!neighbour || neighbour.items.length >= MOST_ITEMS) return { session, place };
  const to = { block: place.block + by, item: by < 0 ? neighbour.items.length : 0 };
  const moved = moveItem(session, place, to);
  const emptied = size === 1 && by > 0;
  return { session: moved, place: emptied ? { block: to.block - 1, item: to.item } : to };
}

export function moveBlock(session: SessionPlan, from: number, to: number): SessionPlan {
  const block = session.blocks[from];
  if (!block || to < 0 || to >= session.blocks.length) return session;
  return withBlocks(session, session.blocks.toSpliced(from, 1).toSpliced(to, 0, block));
}

export function removeBlock(session: SessionPlan, block: number): SessionPlan {
  return session.blocks.length > 1 ? withBlocks(session, session.blocks.toSpliced(block, 1)) : session;
}

/** Cuts a block in two, so that the item at the place starts a new one, which goes by the same clock. */
export function splitBlock(session: SessionPlan, place: Place, title: string): SessionPlan {
  const block = session.blocks[place.block];
  if (!block || place.item <= 0 || place.item >= block.items.length || session.blocks.length >= MOST_BLOCKS)
    return session;
  const head = { ...block, items: block.items.slice(0, place.item) };
  return withBlocks(
    session,
    session.blocks.toSpliced(place.block, 1, head, {
      ...newBlock(title, block.items.slice(place.item)),
      ...(block.interval && { interval: block.interval }),
    }),
  );
}

/** Joins a block to the one before it; the earlier block's title, rounds and side order stay. */
export function joinBlock(session: SessionPlan, block: number): SessionPlan {
  const before = session.blocks[block - 1];
  const joined = session.blocks[block];
  if (!before || !joined || before.items.length + joined.items.length > MOST_ITEMS) return session;
  return withBlocks(
    session,
    session.blocks.toSpliced(block - 1, 2, { ...before, items: [...before.items, ...joined.items] }),
  );
}

export function itemCount(session: SessionPlan): number {
  return session.blocks.reduce((sum, block) => sum + block.items.length, 0);
}

function newBlock(title: string, items: Item[]): Block {
  return { title, rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items };
}

function withBlocks(session: SessionPlan, blocks: Block[]): SessionPlan {
  return { ...session, blocks };
}

function withItems(session: SessionPlan, block: number, change: (items: Item[]) => Item[]): SessionPlan {
  return withBlocks(
    session,
    session.blocks.map((b, i) => (i === block ? { ...b, items: change(b.items) } : b)),
  );
}

function dropEmptyBlocks(session: SessionPlan): SessionPlan {
  return withBlocks(
    session,
    session.blocks.filter((block) => block.items.length > 0),
  );
}
