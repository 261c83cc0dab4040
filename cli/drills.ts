import { LEVELS } from "~/core/session/schema";
import { DRILLS } from "~/library";

/** The whole library as JSON: for each drill and level what planning and timing need to know. */
export function drillsJson(): string {
  return JSON.stringify(
    DRILLS.map(({ id, name, method, sides, directions, levels }) => ({
      id,
      name,
      levels: Object.fromEntries(
        LEVELS.map((level) => {
          const { posture, endPosture, kit, main, also, loads, dose, bounds } = levels[level];
          return [level, { posture, endPosture, sides, directions, kit, main, also, loads, method, dose, bounds }];
        }),
      ),
    })),
  );
}
