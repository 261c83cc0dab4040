import { useMemo } from "react";
import { formIn } from "~/core/drills/form";
import type { Drill } from "~/core/drills/schema";
import { editionDrills, type Edition } from "~/core/edition/edition";
import { FOLD } from "~/core/live/commands";
import type { Frozen, Live } from "~/core/live/fold";
import type { Item } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";

export type FactsOf = (place: { block: number; item: number }) => { drill: Drill; item: Item } | undefined;

/** What an edition is for a class: its timeline, and what is done at each place of it, with what was swapped on the way. */
export function useEdition(edition: Edition, swaps: Live["swaps"] | undefined): { frozen: Frozen; facts: FactsOf } {
  const drills = useMemo(() => editionDrills(edition), [edition]);
  const frozen = useMemo(() => ({ fold: FOLD, timeline: compile(edition.session, drills) }), [edition, drills]);
  const facts = useMemo((): FactsOf => {
    return ({ block, item }) => {
      const written = edition.session.blocks[block]?.items[item];
      const swap = swaps?.findLast((one) => one.block === block && one.item === item);
      const found = written && swap ? { ...written, drill: swap.drill, level: swap.level } : written;
      const drill = found && formIn(found, drills);
      return found && drill ? { item: found, drill } : undefined;
    };
  }, [edition, drills, swaps]);
  return { frozen, facts };
}
