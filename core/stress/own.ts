import type { LevelLines } from "./attach";
import { writeStress } from "./codec";
import { stressOf } from "./derive";
import { statedIn, undrawnStress } from "./stated";
import { motionAt } from "~/core/drills/motion";
import type { Drill, Load } from "~/core/drills/schema";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";

/** Only the shipped library may state less than a drawing shows; from a coach it is left out. */
const never = (load: Load): boolean => typeof load !== "string" && load.grade === 0;

/** Works out what each level of a drill stresses. It takes about 12 ms a level, and up to 60 for one that moves all the time. What is stated can only add to it. */
export function stressLines(drill: Drill): LevelLines;
/** The same for some levels. */
export function stressLines(drill: Drill, levels: readonly LevelName[]): Partial<LevelLines>;
export function stressLines(drill: Drill, levels: readonly LevelName[] = LEVELS): Partial<LevelLines> {
  return Object.fromEntries(
    levels.map((name) => {
      const level = drill.levels[name];
      const motion = motionAt(drill, name);
      if (!motion) return [name, writeStress(undrawnStress(level))];
      const shown = stressOf(drill, { ...level, loads: [] }, motion);
      const said = statedIn(
        shown,
        level.loads.filter((load) => !never(load)),
      );
      return [
        name,
        writeStress({ ...said, always: [...said.always, ...shown.always], timed: shown.timed, pressed: shown.pressed }),
      ];
    }),
  );
}
