import type { GroupSetting } from "./schema";
import { type Kit, kitFacts } from "~/core/vocabulary/kit";

/** How many pieces of a kind are needed for so many people, each using some. */
export const piecesFor = (kit: Kit, each: number, people: number): number =>
  kitFacts(kit).shared ? Math.min(1, each) : each * people;

/** How many pieces of a kind a group has: a chair nobody sits on is something to hold on to, and so is a wall for as many as there are. */
export const piecesOf = (piece: Kit, kit: Readonly<Partial<Record<Kit, number>>>): number =>
  piece !== "support" ? (kit[piece] ?? 0) : kit.wall ? Infinity : (kit.support ?? 0) + (kit.chair ?? 0);

/** Whether a group has all these pieces, one entry a piece, for so many people at once. Where nothing was said, it has. */
export function piecesThere(pieces: readonly Kit[], people: number, { kit }: Pick<GroupSetting, "kit">): boolean {
  if (!kit) return true;
  return [...new Set(pieces)].every(
    (piece) => piecesOf(piece, kit) >= piecesFor(piece, pieces.filter((p) => p === piece).length, people),
  );
}
