import { AUTHORED } from "./authored";
import { motionsOf } from "./animations";
import { motionAt } from "~/core/drills/motion";
import { writeStress } from "~/core/stress/codec";
import { stressOf } from "~/core/stress/derive";
import { undrawnStress } from "~/core/stress/stated";
import type { LevelStress } from "~/core/drills/stresses";
import type { Drill } from "~/core/drills/schema";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";

/** What a level of a shipped drill stresses, worked out from its drawing now. */
export function workedOut(drill: Drill, level: LevelName): LevelStress {
  const motion = motionAt({ motions: motionsOf(drill.id) }, level);
  return motion ? stressOf(drill, drill.levels[level], motion) : undrawnStress(drill.levels[level]);
}

/** The whole library, a line a level, as it is written to the generated file. */
export const libraryStresses = (): Record<string, Record<LevelName, string>> =>
  Object.fromEntries(
    AUTHORED.map((drill) => [
      drill.id,
      Object.fromEntries(LEVELS.map((level) => [level, writeStress(workedOut(drill, level))])) as Record<
        LevelName,
        string
      >,
    ]),
  );
