import { addable } from "./add";
import { itemAt } from "./look";
import type { AuditInput, Fix } from "./types";
import { inForm } from "~/core/drills/form";
import type { Drill } from "~/core/drills/schema";
import { amountOf, withAmount } from "~/core/dose/amount";
import { doseSeconds, isCounted, unitMicros } from "~/core/dose/dose";
import type { Dose } from "~/core/dose/kinds";
import type { Pace } from "~/core/dose/pace";
import { nearestSpoken } from "~/core/arc/doses";
import { editItem, type Place } from "~/core/session/edits";
import { toSeconds, type Seconds } from "~/core/units";

/** Seconds of one piece of work of a side at a dose. */
const pieces = (drill: Drill, dose: Dose, pace: Pace): Seconds => doseSeconds(dose, pace) * drill.directions;

/**
 * Another drill in an item's place that answers: the one that works most of the same main rows, for nearly as long, at a dose
 * a coach would say; nothing where none does.
 */
export function replaceFix(input: AuditInput, place: Place, answers: (drill: Drill) => boolean): Fix | undefined {
  const here = itemAt(input, place);
  if (!here) return undefined;
  const { main, also, posture } = here.level;
  const worth = (drill: Drill) => {
    const level = drill.levels.standard;
    return (
      level.main.filter((row) => main.includes(row)).length * 3 +
      level.main.filter((row) => also.includes(row)).length +
      (level.posture === posture ? 1 : 0) +
      (drill.sides === here.drill.sides ? 0.5 : 0)
    );
  };
  const best = addable(input)
    .map((drill) => inForm(drill, "standard"))
    .filter((drill) => drill.levels.standard.main.some((row) => main.includes(row)) && answers(drill))
    .map((drill) => ({ drill, worth: worth(drill) }))
    .sort((a, b) => b.worth - a.worth || (a.drill.id < b.drill.id ? -1 : 1))[0]?.drill;
  if (!best) return undefined;
  const { pace } = input.session;
  const wants = pieces(here.drill, here.item.dose, pace);
  const dose = doseOfLength(best, wants / best.directions, pace);
  return {
    words: `Take ${best.name} instead`,
    apply: (s) =>
      editItem(s, place, {
        drill: best.id,
        level: "standard",
        dose,
        sides: undefined,
        directions: undefined,
        firstSide: undefined,
        cues: undefined,
      }),
  };
}

/** The drill's dose that lasts nearest to so long a side and direction, as a coach would say it, within its bounds. */
function doseOfLength(drill: Drill, wants: Seconds, pace: Pace): Dose {
  const level = drill.levels.standard;
  const unit = isCounted(level.dose) ? toSeconds(unitMicros(level.dose, pace)) : 1;
  const value = Math.min(level.bounds.most, Math.max(level.bounds.least, Math.round(wants / unit)));
  const said = nearestSpoken(withAmount(level.dose, value), { method: drill.method, gait: level.gait });
  const { value: spoken } = amountOf(said);
  return spoken >= level.bounds.least && spoken <= level.bounds.most ? said : level.dose;
}
