import type { Bends, LevelStress, Stress, StressSide, Timed } from "~/core/drills/stresses";
import { isSided } from "~/core/vocabulary/areas";
import type { DrillLevel, Load } from "~/core/drills/schema";
import { postureFacts } from "~/core/vocabulary/postures";

/** Lying counts from 15 s on, and as much from just over a minute. */
export const lyingTimes = (area: "lying-back" | "lying-front"): Timed[] => [
  { area, grade: 1, side: "middle", from: 15.001 },
  { area, grade: 2, side: "middle", from: 60.001 },
];

/** An area that is only named counts as much of it. */
const asStated = (load: Load): Exclude<Load, string> =>
  typeof load === "string" ? { area: load, grade: 2, because: "" } : load;

/**
 * What is worked out, with what a level states besides. What is stated takes the place of what is worked out for its area;
 * only the library may state less, and a test counts where it does.
 */
export function statedIn(stress: LevelStress, loads: readonly Load[]): LevelStress {
  return loads.map(asStated).reduce((so, { area, grade, side }) => {
    const others = <S extends Stress>(list: readonly S[]) => list.filter((one) => one.area !== area);
    const own = so.always.filter((one) => one.area === area);
    const where: StressSide[] = side
      ? [side]
      : own.length > 0
        ? own.map((one) => one.side)
        : [isSided(area) ? "both" : "middle"];
    return {
      ...so,
      timed: grade === 0 ? others(so.timed) : so.timed,
      pressed: grade === 0 ? others(so.pressed) : so.pressed,
      always: [...others(so.always), ...(grade === 0 ? [] : where.map((one): Stress => ({ area, grade, side: one })))],
    };
  }, stress);
}

const NO_BENDS: Bends = {
  "hip-deep-bend": { working: 180, other: 180 },
  "knee-deep-bend": { working: 180, other: 180 },
  "shoulder-overhead": { working: 180, other: 180 },
};

/** A level that is not drawn has its positions', its kit's and its stated areas; it is never chosen for someone who protects anything. */
export function undrawnStress(level: Pick<DrillLevel, "posture" | "endPosture" | "kit" | "loads">): LevelStress {
  const areas = new Set(
    [level.posture, level.endPosture, ...(level.kit.includes("bar") ? ["hang" as const] : [])].flatMap(
      (posture) => postureFacts(posture).stresses,
    ),
  );
  const always = [...areas].map((area): Stress => ({ area, grade: 2, side: isSided(area) ? "both" : "middle" }));
  const { lies } = postureFacts(level.posture);
  const timed = lies === undefined ? [] : lyingTimes(`lying-${lies}`);
  // Nothing that is stated takes away what a position has.
  return statedIn(
    { drawn: false, pace: 2, endRange: true, landings: 0, always, timed, pressed: [], bends: NO_BENDS },
    level.loads.map(asStated).filter(({ area, grade }) => grade > 0 && !areas.has(area)),
  );
}
