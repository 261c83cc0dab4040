import { LEVELS } from "~/core/vocabulary/levels";
import { stressesOfLevel } from "~/core/stress/at";
import { DRILLS } from "~/library";

/** The whole library as JSON: for each drill and level what planning and timing need to know. */
export function drillsJson(): string {
  return JSON.stringify(
    DRILLS.map((drill) => {
      const { id, name, method, sides, directions, levels } = drill;
      return {
        id,
        name,
        levels: Object.fromEntries(
          LEVELS.map((level) => {
            const { posture, endPosture, kit, main, also, dose, bounds } = levels[level];
            const stresses = stressesOfLevel(drill, levels[level]);
            const loads = [...new Set(stresses.map((stress) => stress.area))];
            return [
              level,
              { posture, endPosture, sides, directions, kit, main, also, loads, stresses, method, dose, bounds },
            ];
          }),
        ),
      };
    }),
  );
}
