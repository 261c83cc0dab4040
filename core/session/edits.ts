import type { Block, Item, Session } from "./schema";
import type { Pace } from "~/core/dose/pace";

/** Where an item stands: its block and its place in it, counted from 0. */
export type Place = { block: number; item: number };

/** Edits are pure: they return a new session and leave the old one as it was. A place that does not exist changes nothing. */

export function editSession(
  session: Session,
  change: Partial<Omit<Session, "blocks" | "format" | "version">>,
): Session {
  return { ...session, ...change };
}

export function editPace(session: Session, change: Partial<Pace>): Session {
  return { ...session, pace: { ...session.pace, ...change } };
}

export function editBlock(
  session: Session,
  block: number,
  change: { [K in keyof Block]?: Block[K] | undefined },
): Session {
  return withBlocks(
    session,
    session.blocks.map((b, i) => (i === block ? dropUnset({ ...b, ...change }) : b)),
  );
}

export function editItem(session: Session, place: Place, change: { [K in keyof Item]?: Item[K] | undefined }): Session {
  return withItems(session, place.block, (items) =>
    items.map((item, i) => (i === place.item ? dropUnset({ ...item, ...change }) : item)),
  );
}

/** A key given as undefined is taken out, so that the document stays as the format wants it. */
function dropUnset<T extends object>(part: T): T {
  return Object.fromEntries(Object.entries(part).filter(([, value]) => value !== undefined)) as T;
}

/** Puts an item before the place given; a place at the end of the block's list puts it last. */
export function insertItem(session: Session, place: Place, item: Item): Session {
  if ((session.blocks[place.block]?.items.length ?? MOST_ITEMS) >= MOST_ITEMS) return session;
  return withItems(session, place.block, (items) => items.toSpliced(place.item, 0, item));
}

/** The most items a block and blocks a session may hold, as in the format. */
export const MOST_ITEMS = 60;
export const MOST_BLOCKS = 40;

/** Adds a block that holds these items before the block given. */
export function insertBlock(session: Session, at: number, title: string, items: [Item, ...Item[]]): Session {
  if (session.blocks.length >= MOST_BLOCKS) return session;
  return withBlocks(session, session.blocks.toSpliced(at, 0, newBlock(title, items)));
}

/** Takes an item out. A block left empty goes with it; the last item of a session stays. */
export function removeItem(session: Session, place: Place): Session {
  if (itemCount(session) <= 1) return session;
  return dropEmptyBlocks(withItems(session, place.block, (items) => items.filter((_, i) => i !== place.item)));
}

/** Puts a copy of an item right after it. */
export function copyItem(session: Session, place: Place): Session {
  const item = session.blocks[place.block]?.items[place.item];
  return item ? insertItem(session, { block: place.block, item: place.item + 1 }, item) : session;
}

/**
 * Moves an item so that it stands at `to`, counted as if it had already been taken out of its old place.
 * A block left empty goes.
 */
export function moveItem(session: Session, from: Place, to: Place): Session {
  const item = session.blocks[from.block]?.items[from.item];
  const target = session.blocks[to.block];
  if (!item || !target || (from.block === to.block && from.item === to.item)) return session;
  if (from.block !== to.block && target.items.length >= MOST_ITEMS) return session;
  const without = withItems(session, from.block, (items) => items.filter((_, i) => i !== from.item));
  return dropEmptyBlocks(withItems(without, to.block, (items) => items.toSpliced(to.item, 0, item)));
}

/** One place up or down, over the edge of a block into its neighbour. Returns the session and where the item stands now. */
export function nudgeItem(session: Session, place: Place, by: -1 | 1): { session: Session; place: Place } {
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

export function moveBlock(session: Session, from: number, to: number): Session {
  const block = session.blocks[from];
  if (!block || to < 0 || to >= session.blocks.length) return session;
  return withBlocks(session, session.blocks.toSpliced(from, 1).toSpliced(to, 0, block));
}

export function removeBlock(session: Session, block: number): Session {
  return session.blocks.length > 1 ? withBlocks(session, session.blocks.toSpliced(block, 1)) : session;
}

/** Cuts a block in two, so that the item at the place starts a new one, which goes by the same clock. */
export function splitBlock(session: Session, place: Place, title: string): Session {
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
export function joinBlock(session: Session, block: number): Session {
  const before = session.blocks[block - 1];
  const joined = session.blocks[block];
  if (!before || !joined || before.items.length + joined.items.length > MOST_ITEMS) return session;
  return withBlocks(
    session,
    session.blocks.toSpliced(block - 1, 2, { ...before, items: [...before.items, ...joined.items] }),
  );
}

export function itemCount(session: Session): number {
  return session.blocks.reduce((sum, block) => sum + block.items.length, 0);
}

function newBlock(title: string, items: Item[]): Block {
  return { title, rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items };
}

function withBlocks(session: Session, blocks: Block[]): Session {
  return { ...session, blocks };
}

function withItems(session: Session, block: number, change: (items: Item[]) => Item[]): Session {
  return withBlocks(
    session,
    session.blocks.map((b, i) => (i === block ? { ...b, items: change(b.items) } : b)),
  );
}

function dropEmptyBlocks(session: Session): Session {
  return withBlocks(
    session,
    session.blocks.filter((block) => block.items.length > 0),
  );
}
