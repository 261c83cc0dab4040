import { amongOf, courseOf } from "../course";
import { itemsOf } from "../look";
import { replaceFix } from "../replace";
import type { RuleFinding, Rule } from "../types";
import { outOfPhase } from "~/core/arc/fits";
import { inForm } from "~/core/drills/form";
import { LEVELS } from "~/core/vocabulary/levels";
import { editItem, removeItem } from "~/core/session/edits";
import { isPiece } from "~/core/dose/dose";
import type { Purpose } from "~/core/session/schema";
import { listWords, PURPOSE_WORDS } from "~/core/wording/words";
import type { Motion } from "~/core/vocabulary/motions";

const FOR_WHAT: Readonly<Record<Purpose, string>> = {
  ...PURPOSE_WORDS,
  "off-day": "on a day off",
  "desk-break": "beside a desk",
};

/** A drill that is too much, or nothing, for the part of the session it stands in. */
export const notInPhase: Rule = {
  id: "not-in-phase",
  find: (input) => {
    const { phased, phaseOf, arc } = courseOf(input);
    const among = amongOf(input);
    if (!phased)
      return itemsOf(input).flatMap(({ place, item, drill }): RuleFinding[] => {
        // A hold is as long as it is in no part that is written down.
        const dose = drill.method === "hold" ? drill.levels[item.level].dose : item.dose;
        const out = arc.phases.every((phase) => outOfPhase(phase, drill, item.level, dose, among) !== undefined);
        if (!out || item.locked) return [];
        return [
          {
            severity: "hint",
            place,
            message: `${drill.name} belongs to no part of a session ${FOR_WHAT[input.session.purpose]}.`,
            why: `It has these parts: ${listWords(arc.phases.map(({ title }) => title.toLowerCase()))}.`,
            fix: { words: `Remove ${drill.name}`, apply: (s) => removeItem(s, place) },
          },
        ];
      });
    const long = new Set<Motion>();
    return itemsOf(input).flatMap(({ place, item, drill, level }): RuleFinding[] => {
      const phase = phaseOf(place.block);
      if (!phase) return [];
      const why = outOfPhase(phase, drill, item.level, item.dose, among) ?? tooLongAgain();
      if (!why) return [];
      const other = LEVELS.slice(0, LEVELS.indexOf(item.level))
        .reverse()
        .find((name) => !outOfPhase(phase, inForm(drill, name), name, drill.levels[name].dose, among));
      return [
        {
          severity: "warn",
          place,
          message: `${drill.name} ${why} in “${phase.title}”.`,
          why: `${phase.title}: ${phase.why}.`,
          ...(other
            ? {
                fix: {
                  words: `Take the ${other} level`,
                  apply: (s) => editItem(s, place, { level: other, dose: drill.levels[other].dose }),
                },
              }
            : {
                offer: () =>
                  replaceFix(
                    input,
                    place,
                    (one) => !outOfPhase(phase, one, "standard", one.levels.standard.dose, among),
                  ),
              }),
        },
      ];

      /** A longer hold is fine once for each motion. */
      function tooLongAgain(): string | undefined {
        const { holds } = phase!;
        if (holds?.once === undefined || drill.method !== "hold" || !isPiece(item.dose)) return undefined;
        if (item.dose.kind !== "time" || item.dose.seconds <= holds.most) return undefined;
        const again = level.main.some((row) => long.has(row));
        level.main.forEach((row) => long.add(row));
        return again ? `is the second long hold of a motion, after ${holds.most} s` : undefined;
      }
    });
  },
};
