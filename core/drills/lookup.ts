import type { Drill, DrillLevel } from "./schema";
import type { LevelName } from "~/core/vocabulary/levels";

/** What the arithmetic of time needs to know of a drill. */
export type TimedDrill = Pick<Drill, "id" | "sides" | "directions"> & {
  levels: Record<LevelName, Pick<DrillLevel, "posture" | "endPosture" | "kit" | "stance" | "sides" | "directions">>;
};

/** Finds a drill by its id. */
export type DrillLookup<D extends TimedDrill = TimedDrill> = (id: string) => D | undefined;
