import { createContext, useContext } from "react";
import { drillById, type DrillLookup } from "~/library";

/** The drills this coach can use at the desk: their own and the shipped ones. */
export const DrillsContext = createContext<DrillLookup>(drillById);

export const useDrills = () => useContext(DrillsContext);

/** The ids of all revisions of the coach's own drills. */
export const OwnIdsContext = createContext<readonly string[]>([]);

export const useOwnIds = () => useContext(OwnIdsContext);
