import { z } from "zod";
import { editItem, MOST_BLOCKS, MOST_ITEMS, type Place } from "./edits";
import type { SessionPlan } from "./schema";

/** A drill that fitting leaves as it is, by its place, with the drill that stood there when it was said. */
export const lockSchema = z.strictObject({
  block: z
    .int()
    .min(0)
    .max(MOST_BLOCKS - 1),
  item: z
    .int()
    .min(0)
    .max(MOST_ITEMS - 1),
  drill: z.string().min(1).max(80),
});
export const locksSchema = z.array(lockSchema).max(MOST_BLOCKS * MOST_ITEMS);

export type Lock = z.infer<typeof lockSchema>;

/** The places that are locked, where still the same drill stands: a session may have been changed elsewhere meanwhile. */
export const lockedPlaces = (session: SessionPlan, locks: readonly Lock[]): Place[] =>
  locks
    .filter(({ block, item, drill }) => session.blocks[block]?.items[item]?.drill === drill)
    .map(({ block, item }) => ({ block, item }));

/** What is kept of locked places. */
export const locksOf = (session: SessionPlan, places: readonly Place[]): Lock[] =>
  places.flatMap(({ block, item }) => {
    const drill = session.blocks[block]?.items[item]?.drill;
    return drill === undefined ? [] : [{ block, item, drill }];
  });

/** A session with its locks in it, for a file. At the desk they stand beside it: locking a drill changes nothing that was handed out. */
export function withLocks(session: SessionPlan, locks: readonly Lock[]): SessionPlan {
  const places = lockedPlaces(session, locks);
  // Version 1 has no place for them.
  if (session.version === 1 || places.length === 0) return session;
  return places.reduce((so, place) => editItem(so, place, { locked: true }), session);
}

/** A session without the locks that it brought, and those. */
export function takeLocks(session: SessionPlan): { session: SessionPlan; locks: Lock[] } {
  const places = session.blocks.flatMap((block, b) =>
    block.items.flatMap((item, i) => (item.locked ? [{ block: b, item: i }] : [])),
  );
  return {
    session: places.reduce((so, place) => editItem(so, place, { locked: undefined }), session),
    locks: locksOf(session, places),
  };
}
