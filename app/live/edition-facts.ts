import { useMemo } from "react";
import { formIn } from "~/core/drills/form";
import type { Drill } from "~/core/drills/schema";
import { editionDrills, type Edition } from "~/core/edition/edition";
import { FOLD } from "~/core/live/commands";
import type { Frozen } from "~/core/live/fold";
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

/** What an edition is for a class: its timeline, and what is done at each place of it. */
export const useEdition = (edition: Followed): { frozen: Frozen; facts: FactsOf } =>
  useMemo(
    () => ({
      frozen: { fold: FOLD, timeline: compile(edition.session, editionDrills(edition)) },
      facts: factsOf(edition),
    }),
    [edition],
  );
