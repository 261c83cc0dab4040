import { inForm } from "~/core/drills/form";
import type { LevelName } from "~/core/vocabulary/levels";
import { undrawnStress } from "./stated";
import type { LevelStress, Stress } from "~/core/drills/stresses";
import { AREAS, type Grade } from "~/core/vocabulary/areas";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import type { Dose } from "~/core/dose/kinds";
import type { Item } from "~/core/session/schema";
import type { Pace } from "~/core/dose/pace";
import { USUAL_PACE } from "~/core/dose/pace";
import { doseSeconds, asksEffort, breathHeld, effortHeld, peakEffort } from "~/core/dose/dose";
import type { Percent, Seconds } from "~/core/units";

/** What is known of a level; of one that was never worked out, what its position and its statements say. */
export const knownStress = (level: DrillLevel): LevelStress => level.stress ?? undrawnStress(level);

/** From these efforts on an effort is strong, and all there is. */
const STRONG: Percent = 60;
const ALL: Percent = 80;
/** The same on the scale from 0 to 10. */
const HARD = 7;
const VERY_HARD = 8;
/** A strong effort for so long is held without a breath unless a breath is asked for; so is a hold of the breath itself from 4 s. */
const HELD_EFFORT: Seconds = 5;
const HELD_BREATH: Seconds = 4;

function effortGrade(dose: Dose): 0 | Grade {
  const peak = peakEffort(dose);
  return peak >= ALL ? 2 : peak >= STRONG ? 1 : 0;
}

/** What is not dosed by effort is as strong as its level says: hard is some, very hard much. */
function codedGrade({ dose, effort = 0 }: DrillLevel): 0 | Grade {
  if (asksEffort(dose)) return 0;
  return effort >= VERY_HARD ? 2 : effort >= HARD ? 1 : 0;
}

function breathGrade(dose: Dose): 0 | Grade {
  if (peakEffort(dose) >= ALL || breathHeld(dose) >= HELD_BREATH) return 2;
  return effortHeld(dose, STRONG) >= HELD_EFFORT ? 1 : 0;
}

/** What a level stresses when it is worked for so long in all and with this dose; the most of each area and side. An effort that is dosed otherwise counts as the level's own. */
export function stressesWith(level: DrillLevel, dose: Dose, seconds: Seconds): Stress[] {
  const known = knownStress(level);
  const effort = !asksEffort(dose) && asksEffort(level.dose) ? level.dose : dose;
  const peak = peakEffort(effort);
  const [strong, breath] = [
    Math.max(effortGrade(effort), codedGrade(level)) as 0 | Grade,
    Math.max(breathGrade(effort), breathGrade(dose)) as 0 | Grade,
  ];
  const all: Stress[] = [
    ...known.always,
    ...known.timed.filter(({ from }) => seconds >= from),
    ...known.pressed.filter(({ from }) => peak >= from),
    ...(strong ? [{ area: "max-effort" as const, grade: strong, side: "middle" as const }] : []),
    ...(breath ? [{ area: "breath-hold" as const, grade: breath, side: "middle" as const }] : []),
  ];
  return merged(all);
}

/** Each area and side once, as much as any says; what both sides have covers what one of them has as much of. In the order of the areas. */
function merged(all: readonly Stress[]): Stress[] {
  const most = new Map<string, Stress>();
  for (const { area, grade, side } of all) {
    const key = `${area} ${side}`;
    const before = most.get(key);
    if (!before || before.grade < grade) most.set(key, { area, grade, side });
  }
  const both = (area: string) => most.get(`${area} both`)?.grade ?? 0;
  return [...most.values()]
    .filter(({ area, grade, side }) => side === "both" || side === "middle" || grade > both(area))
    .sort((a, b) => AREAS.indexOf(a.area) - AREAS.indexOf(b.area));
}

/** Seconds a level keeps someone at work, all sides, directions and sets of an item together. */
export function atWork(
  drill: Pick<Drill, "sides" | "directions">,
  item: Pick<Item, "sides" | "directions" | "dose" | "sets">,
  pace: Pick<Pace, "breath">,
): Seconds {
  const sides = item.sides ?? drill.sides;
  return (
    doseSeconds(item.dose, pace) *
    (sides === "each" || sides === "alternating" ? 2 : 1) *
    (item.directions ?? drill.directions) *
    item.sets
  );
}

/** What a level stresses at its own dose. */
export function stressesOfLevel(drill: Drill, name: LevelName): Stress[] {
  const level = drill.levels[name];
  return stressesWith(level, level.dose, atWork(inForm(drill, name), { dose: level.dose, sets: 1 }, USUAL_PACE));
}
