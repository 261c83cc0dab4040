import { readStress } from "./codec";
import type { Drill } from "~/core/drills/schema";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";

/** What every level of a drill stresses, a line each, as it is kept beside a drill. */
export type LevelLines = Record<LevelName, string>;

/** A drill with what its levels stress, where that is known. */
export function withStress<D extends Drill>(drill: D, lines: Partial<LevelLines> | null | undefined): D {
  if (!lines) return drill;
  const levels = { ...drill.levels };
  for (const name of LEVELS) {
    const line = lines[name];
    if (line !== undefined) levels[name] = { ...levels[name], stress: readStress(line) };
  }
  return { ...drill, levels };
}
