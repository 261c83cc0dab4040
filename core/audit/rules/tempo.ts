import { itemsOf } from "../look";
import type { Rule } from "../types";
import { editItem } from "~/core/session/edits";
import { secondsText } from "~/core/text/clock";
import { repSeconds } from "~/core/timeline/dose";

/** Repetitions faster than the drill's shortest safe one. */
export const tempo: Rule = {
  id: "tempo",
  find: (input) =>
    itemsOf(input).flatMap(({ item, drill, level, place }) => {
      const least = level.bounds.leastRep;
      if (item.dose.kind !== "reps" || least === undefined) return [];
      const { dose } = item;
      const rep = repSeconds(dose.tempo);
      if (rep >= least - 1e-9) return [];
      const slower = dose.tempo.map((beat) => ({ ...beat, seconds: Math.ceil((beat.seconds * least * 10) / rep) / 10 }));
      return [{
        severity: "warn" as const, place, says: `${drill.name} takes ${secondsText(rep)} a repetition; it needs at least ${secondsText(least)}.`, why: "Faster than that it is thrown, not moved.",
        fix: { words: `Slow it to ${secondsText(repSeconds(slower))}`, apply: (s) => editItem(s, place, { dose: { ...dose, tempo: slower } }) },
      }];
    }),
};
