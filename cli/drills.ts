import { LEVELS } from "~/core/vocabulary/levels";
import { inForm, needsOf } from "~/core/drills/form";
import { coldSafe, scalesOf } from "~/core/stress/scales";
import { stressesOfLevel } from "~/core/stress/at";
import { roomOf } from "~/core/drills/room";
import { surfacesFor } from "~/core/group/surfaces";
import { DRILLS } from "~/library";
import { drawnDrillById } from "~/library/drawn";

/** The whole library as JSON: for each drill and level what planning and timing need to know. */
export function drillsJson(): string {
  return JSON.stringify(
    DRILLS.map((drill) => {
      const { id, name, family = null, rehearses = [], working = null, partner = null, levels } = drill;
      return {
        id,
        name,
        family,
        rehearses,
        working,
        partner,
        levels: Object.fromEntries(
          LEVELS.map((level) => {
            const { posture, endPosture, stance = null, kit, helps = [], main, also, dose, bounds } = levels[level];
            const { otherLimb = [], bothLimbs = [] } = levels[level];
            const { name: called, method, sides, directions } = inForm(drill, level);
            const stresses = stressesOfLevel(drill, level);
            const loads = [...new Set(stresses.map((stress) => stress.area))];
            return [
              level,
              {
                name: called,
                posture,
                endPosture,
                stance,
                sides,
                directions,
                kit,
                needs: needsOf(levels[level]),
                helps,
                main,
                also,
                otherLimb,
                bothLimbs,
                room: roomOf(drawnDrillById(id) ?? drill, level) ?? null,
                surfaces: surfacesFor(drill, level),
                loads,
                stresses,
                ...scalesOf(drill, level),
                coldSafe: coldSafe(drill, level),
                method,
                dose,
                bounds,
              },
            ];
          }),
        ),
      };
    }),
  );
}
