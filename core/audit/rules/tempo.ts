import { itemsOf } from "../look";
import type { Rule } from "../types";
import { editItem } from "~/core/session/edits";
import { secondsText } from "~/core/lengths";
import { repOf, slowedTo, tempoOf } from "~/core/dose/dose";

/** Repetitions faster than the drill's shortest safe one. */
export const tempo: Rule = {
  id: "tempo",
  find: (input) =>
    itemsOf(input).flatMap(({ item, drill, level, place }) => {
      const least = level.bounds.leastRep;
      const { dose } = item;
      if (tempoOf(dose).length === 0 || least === undefined) return [];
      const rep = repOf(dose);
      if (rep >= least - 1e-9) return [];
      const slower = slowedTo(dose, least);
      return [
        {
          severity: "warn" as const,
          place,
          message: `${drill.name} takes ${secondsText(rep)} a repetition; it needs at least ${secondsText(least)}.`,
          why: "Any faster and it is thrown, not controlled.",
          fix: {
            words: `Slow it to ${secondsText(repOf(slower))}`,
            apply: (s) => editItem(s, place, { dose: slower }),
          },
        },
      ];
    }),
};
