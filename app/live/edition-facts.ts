import { useMemo } from "react";
import { formIn, inForm } from "~/core/drills/form";
import type { Drill } from "~/core/drills/schema";
import { editionDrills, type Edition } from "~/core/edition/edition";
import { swapped } from "~/core/live/cuts";
import type { Live, Swaps } from "~/core/live/fold";
import { freeze, type Frozen } from "~/core/live/frozen";
import type { Item } from "~/core/session/schema";

/** What is done at each place of an edition. */
export type FactsOf = (place: { block: number; item: number }) => { drill: Drill; item: Item } | undefined;

type Followed = Pick<Edition, "session"> & { drills: readonly Drill[] };

/** What is done at each place of an edition; undefined where nothing is. */
export function factsOf(edition: Followed): FactsOf {
  const drills = editionDrills(edition);
  return ({ block, item }) => {
    const found = edition.session.blocks[block]?.items[item];
    const drill = found && formIn(found, drills);
    return found && drill ? { item: found, drill } : undefined;
  };
}

/** The same with what was swapped in a class. */
export const withSwaps =
  (facts: FactsOf, swaps: Swaps): FactsOf =>
  (place) => {
    const found = facts(place);
    const swap = swaps[`${place.block}.${place.item}`];
    if (!found || !swap) return found;
    return {
      drill: inForm(swap.drill, swap.level),
      item: swapped(found.item, { ...swap, drill: swap.drill.id }),
    };
  };

const NO_SWAPS: Swaps = {};

/** What is done at each place of a class as it is now. */
export function useSwapped(facts: FactsOf, live: Live | undefined): FactsOf {
  const swaps = live?.swaps ?? NO_SWAPS;
  return useMemo(() => withSwaps(facts, swaps), [facts, swaps]);
}

/** What an edition is for a class: what that begins with, by the class’s way of folding, and what is done at each place of it. */
export const useEdition = (edition: Followed, fold?: number): { frozen: Frozen; facts: FactsOf } =>
  useMemo(
    () => ({
      frozen: freeze(edition.session, editionDrills(edition), fold),
      facts: factsOf(edition),
    }),
    [edition, fold],
  );
