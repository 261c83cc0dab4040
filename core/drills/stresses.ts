import type { Area, Grade } from "~/core/vocabulary/areas";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import type { Degrees, Percent, Seconds } from "~/core/units";

/** Whose side a stress is on: the side that is called, the other one, both, or none where an area has no sides. */
export const STRESS_SIDES = ["working", "other", "both", "middle"] as const;
export type StressSide = (typeof STRESS_SIDES)[number];

/** An area a level stresses, how much, and on which side. */
export type Stress = { area: Area; grade: Grade; side: StressSide };

/** An area stressed so much by how long the work lasts: from `from` seconds on. */
export type Timed = Stress & { from: Seconds };

/** An area stressed so much by how hard it is pressed or pulled: from `from` per cent of effort on. */
export type Pressed = Stress & { from: Percent };

/** The largest bends of the drawing that a clinician may have given a limit for. */
export const LIMITABLE = ["hip-deep-bend", "knee-deep-bend", "shoulder-overhead"] as const satisfies readonly Area[];
export type Limitable = (typeof LIMITABLE)[number];
export type Bends = Readonly<Record<Limitable, { working: Degrees; other: Degrees }>>;

/** Everything known of what a level stresses: always, by its time, by its effort, and how far it bends. Worked out by `core/stress`. */
export type LevelStress = {
  always: readonly Stress[];
  timed: readonly Timed[];
  pressed: readonly Pressed[];
  /** Whether it was worked out from a drawing. What was not is never chosen for someone who protects anything. */
  drawn: boolean;
  /** How fast the fastest part moves at the fastest tempo allowed: still, slower than everyday, everyday or brisker. */
  pace: 0 | 1 | 2;
  /** Whether a joint comes near the end of its usual range. */
  endRange: boolean;
  /** Landings from the air in a repetition, or in ten seconds of a dose that is not counted. */
  landings: number;
  bends: Bends;
};

/** A drill as a document: without what was worked out of it. */
export function asDocument<D extends { levels: Record<LevelName, { stress?: unknown }> }>(drill: D): D {
  const levels = { ...drill.levels };
  for (const name of LEVELS) {
    const { stress: _, ...level } = levels[name];
    levels[name] = level;
  }
  return { ...drill, levels };
}
