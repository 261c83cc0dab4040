import { inForm } from "~/core/drills/form";
import { AREA_WORDS } from "./areas";
import { knownStress, stressesOfLevel } from "~/core/stress/at";
import type { Stress } from "~/core/drills/stresses";
import type { Drill } from "~/core/drills/schema";
import type { LevelName } from "~/core/vocabulary/levels";

/** An area with its side, where it is on one only: “twisting the knee (other side)”. */
const areaWords = ({ area, side }: Stress, sides: Drill["sides"]): string =>
  `${AREA_WORDS[area]}${sides === "each" && (side === "working" || side === "other") ? ` (${side} side)` : ""}`;

/** What a level loads at its own dose, in words: much, some, and why, where it is stated besides the drawing. */
export function stressWords(
  drill: Drill,
  name: LevelName,
): { much: string[]; some: string[]; drawn: boolean; because: string[] } {
  const level = drill.levels[name];
  const all = stressesOfLevel(drill, name);
  const graded = (grade: number) =>
    all.filter((one) => one.grade === grade).map((one) => areaWords(one, inForm(drill, name).sides));
  const because = level.loads.flatMap((load) =>
    typeof load === "string" || load.grade === 0 ? [] : [`${AREA_WORDS[load.area]}: ${load.because}`],
  );
  return { much: graded(2), some: graded(1), drawn: knownStress(level).drawn, because };
}
