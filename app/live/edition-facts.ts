import { useMemo } from "react";
import { formIn, inForm } from "~/core/drills/form";
import type { Drill } from "~/core/drills/schema";
import { editionDrills, type Edition } from "~/core/edition/edition";
import { FOLD } from "~/core/live/commands";
import { swapped } from "~/core/live/cuts";
import type { Frozen, Live, Swaps } from "~/core/live/fold";
import type { Item } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";

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

/** What an edition is for a class: its timeline, and what is done at each place of it. */
export const useEdition = (edition: Followed): { frozen: Frozen; facts: FactsOf } =>
  useMemo(
    () => ({
      frozen: { fold: FOLD, timeline: compile(edition.session, editionDrills(edition)) },
      facts: factsOf(edition),
    }),
    [edition],
  );
