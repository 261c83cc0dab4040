import { editBlock } from "~/core/session/edits";
import type { SessionPlan } from "~/core/session/schema";
import { placeKey } from "~/core/timeline/totals";

/** So many rounds more than there are at most. */
const MORE_ROUNDS = 2;
/** As many as the format has. */
const MOST_ROUNDS = 20;
/** So many ways to have other rounds are looked at. */
const MOST_WAYS = 24;

/** The rounds of each block, in order. */
export const roundsOf = (session: SessionPlan): number[] => session.blocks.map((block) => block.rounds);

/** The session with so many rounds of each block. */
export const withRounds = (session: SessionPlan, rounds: readonly number[]): SessionPlan =>
  rounds.reduce((s, count, b) => (s.blocks[b]!.rounds === count ? s : editBlock(s, b, { rounds: count })), session);

/**
 * The ways to have as many rounds, fewer or more of the blocks that are gone through more than once, with as many as there
 * are among them: fewer begin with the fewest, more with as many as there are. A block with something locked keeps its own, and
 * blocks that are the same keep the same.
 */
export function roundsBetween(
  session: SessionPlan,
  which: "same" | "fewer" | "more",
  locked: ReadonlySet<string>,
): number[][] {
  const now = roundsOf(session);
  if (which === "same") return [now];
  const alike = new Map<string, number[]>();
  session.blocks.forEach((block, b) => {
    if (block.rounds < 2 || block.items.some((_, i) => locked.has(placeKey(b, i)))) return;
    const key = JSON.stringify([block.rounds, block.items.map(({ drill, level, dose }) => [drill, level, dose])]);
    alike.set(key, [...(alike.get(key) ?? []), b]);
  });
  let ways = [now];
  for (const blocks of alike.values()) {
    const from = now[blocks[0]!]!;
    const counts =
      which === "fewer"
        ? Array.from({ length: from }, (_, n) => from - n)
        : Array.from({ length: MORE_ROUNDS + 1 }, (_, n) => from + n).filter((count) => count <= MOST_ROUNDS);
    ways = ways
      .flatMap((way) => counts.map((count) => way.map((one, b) => (blocks.includes(b) ? count : one))))
      .slice(0, MOST_WAYS * MOST_WAYS);
  }
  const changed = (way: readonly number[]) => way.reduce((sum, count, b) => sum + Math.abs(count - now[b]!), 0);
  const byChange = ways.sort((a, b) => changed(a) - changed(b));
  // The fewest of all are looked at in any case: they say how short it can be.
  const some = byChange.length > MOST_WAYS ? [...byChange.slice(0, MOST_WAYS - 1), byChange.at(-1)!] : byChange;
  return which === "fewer" ? some.reverse() : some;
}
