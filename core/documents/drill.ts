import { openWith } from "./opened";
import { drillSchema, type Drill } from "~/core/drills/schema";

/** A kept drill of a coach's own. It says nothing of its version: what came later may only be left out, so one schema reads them all. */
export const openDrill = (raw: unknown) => openWith<Drill>(drillSchema, raw);
