import type { Bends, LevelStress, Stress, StressSide, Timed } from "./types";
import { isSided, type Area } from "~/core/drills/areas";
import type { DrillLevel, Load } from "~/core/drills/schema";
import { HEIGHT, type Posture } from "~/core/timeline/postures";

/** Lying counts from 15 s on, and as much from just over a minute. */
export const lyingTimes = (area: "lying-back" | "lying-front"): Timed[] => [{ area, grade: 1, side: "middle", from: 15.001 }, { area, grade: 2, side: "middle", from: 60.001 }];

/** An area that is only named counts as much of it. */
const asStated = (load: Load): Exclude<Load, string> => (typeof load === "string" ? { area: load, grade: 2, because: "" } : load);

/**
 * What is worked out, with what a level states besides. What is stated takes the place of what is worked out for its area;
 * only the library may state less, and a test counts where it does.
 */
export function statedIn(stress: LevelStress, loads: readonly Load[]): LevelStress {
  return loads.map(asStated).reduce((so, { area, grade, side }) => {
    const others = <S extends Stress>(list: readonly S[]) => list.filter((one) => one.area !== area);
    const own = so.always.filter((one) => one.area === area);
    const where: StressSide[] = side ? [side] : own.length > 0 ? own.map((one) => one.side) : [isSided(area) ? "both" : "middle"];
    return {
      ...so, timed: grade === 0 ? others(so.timed) : so.timed, pressed: grade === 0 ? others(so.pressed) : so.pressed,
      always: [...others(so.always), ...(grade === 0 ? [] : where.map((one): Stress => ({ area, grade, side: one })))],
    };
  }, stress);
}

const NO_BENDS: Bends = { "hip-deep-bend": { working: 180, other: 180 }, "knee-deep-bend": { working: 180, other: 180 }, "shoulder-overhead": { working: 180, other: 180 } };

/** What a position stresses by itself. */
function postureAreas(posture: Posture): Area[] {
  const low: Area[] = HEIGHT[posture] <= 2 ? ["floor"] : [];
  switch (posture) {
    case "half-kneeling": case "tall-kneeling": return ["kneeling", "floor"];
    case "kneel-sit": return [...low, "kneeling", "knee-deep-bend"];
    case "hands-and-knees": return [...low, "kneeling", "wrist-weight", "shoulder-weight"];
    case "forearms-and-knees": return [...low, "kneeling", "shoulder-weight"];
    case "plank": return [...low, "wrist-weight", "shoulder-weight", "toe-bend"];
    case "ninety-sit": return [...low, "knee-twist", "hip-turn"];
    case "crossed-sit": return [...low, "knee-twist"];
    case "straddle-sit": return [...low, "groin-stretch"];
    case "squat": return ["hip-deep-bend", "knee-deep-bend", "ankle-deep-bend"];
    case "hang": return ["shoulder-overhead", "shoulder-weight", "grip"];
    default: return low;
  }
}

/** A level that is not drawn has its positions', its kit's and its stated areas; it is never chosen for someone who protects anything. */
export function undrawnStress(level: Pick<DrillLevel, "posture" | "endPosture" | "kit" | "loads">): LevelStress {
  const areas = new Set([...postureAreas(level.posture), ...postureAreas(level.endPosture), ...(level.kit.includes("bar") ? postureAreas("hang") : [])]);
  const always = [...areas].map((area): Stress => ({ area, grade: 2, side: isSided(area) ? "both" : "middle" }));
  const timed = [...(level.posture === "supine" ? lyingTimes("lying-back") : []), ...(level.posture === "prone" ? lyingTimes("lying-front") : [])];
  // Nothing that is stated takes away what a position has.
  return statedIn({ drawn: false, pace: 2, always, timed, pressed: [], bends: NO_BENDS }, level.loads.map(asStated).filter(({ area, grade }) => grade > 0 && !areas.has(area)));
}
