import { AUTHORED } from "./authored";
import worked from "./generated/stresses.json";
import type { Drill } from "~/core/drills/schema";
import { withStress, type LevelLines } from "~/core/stress/attach";

const known: Readonly<Record<string, LevelLines>> = worked.drills;

/** Every drill that ships with Mapset, with what its levels stress as it was worked out at the build. */
export const DRILLS: readonly Drill[] = AUTHORED.map((drill) => {
  const lines = known[drill.id];
  if (!lines) throw new Error(`What ${drill.id} stresses is not worked out: build Mapset anew.`);
  return withStress(drill, lines);
});

const byId = new Map(DRILLS.map((drill) => [drill.id, drill]));

/** The drill of an id, or undefined. */
export function drillById(id: string): Drill | undefined {
  return byId.get(id);
}

export type DrillLookup = (id: string) => Drill | undefined;

/** Finds a coach's own drills first, then the shipped ones. */
export function lookupOf(own: readonly Drill[]): DrillLookup {
  const byOwnId = new Map(own.map((drill) => [drill.id, drill]));
  return (id) => byOwnId.get(id) ?? drillById(id);
}
