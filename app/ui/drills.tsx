import { createContext, useContext } from "react";
import type { Drill } from "~/core/drills/schema";
import { drillById } from "~/library";

export type DrillLookup = (id: string) => Drill | undefined;

/** The drills this coach can use at the desk: their own and the shipped ones. */
export const DrillsContext = createContext<DrillLookup>(drillById);

export const useDrills = () => useContext(DrillsContext);

/** Finds a coach's own drills first, then the shipped ones. */
export function lookupOf(own: readonly Drill[]): DrillLookup {
  const byId = new Map(own.map((drill) => [drill.id, drill]));
  return (id) => byId.get(id) ?? drillById(id);
}

/** The ids of all revisions of the coach's own drills. */
export const OwnIdsContext = createContext<readonly string[]>([]);

export const useOwnIds = () => useContext(OwnIdsContext);
