import type { GroupSetting } from "./schema";
import { type Kit, kitFacts } from "~/core/vocabulary/kit";

/** How many pieces of a kind are needed for so many people, each using some. */
export const piecesFor = (kit: Kit, each: number, people: number): number =>
  kitFacts(kit).shared ? Math.min(1, each) : each * people;

/** Whether a group has all these pieces, one entry a piece, for so many people at once. Where nothing was said, it has. */
export function piecesThere(pieces: readonly Kit[], people: number, { kit }: Pick<GroupSetting, "kit">): boolean {
  if (!kit) return true;
  return [...new Set(pieces)].every(
    (piece) => (kit[piece] ?? 0) >= piecesFor(piece, pieces.filter((p) => p === piece).length, people),
  );
}
