import { itemsOf } from "../look";
import type { Rule } from "../types";
import { amongOf } from "../course";
import { isSpoken, nearestSpoken, saidOf } from "~/core/arc/doses";
import { amountOf } from "~/core/dose/amount";
import { doseWords } from "~/core/dose/dose";
import { editItem } from "~/core/session/edits";

/** Doses that nobody would say aloud. */
export const spoken: Rule = {
  id: "spoken",
  find: (input) => {
    const odd = itemsOf(input).flatMap((here) => {
      // By the clock it is the clock that is said.
      if (input.session.blocks[here.place.block]?.interval) return [];
      const said = saidOf(here.drill, here.item.level, amongOf(input));
      if (isSpoken(here.item.dose, said) || isSpoken(here.item.dose, { ...said, builds: false })) return [];
      const dose = nearestSpoken(here.item.dose, { ...said, builds: false });
      const { least, most } = here.level.bounds;
      const { value } = amountOf(dose);
      return [{ here, dose: value >= least && value <= most ? dose : undefined }];
    });
    if (odd.length === 0) return [];
    const { here } = odd[0]!;
    const mend = odd.filter(({ dose }) => dose !== undefined);
    return [
      {
        severity: "hint",
        place: here.place,
        message:
          odd.length === 1
            ? `${doseWords(here.item.dose)} of ${here.drill.name} is not how anyone would say it.`
            : `${odd.length} doses are not how anyone would say them, as ${doseWords(here.item.dose)} of ${here.drill.name}.`,
        why: "Round numbers are called, counted and remembered: eight or ten, thirty or forty seconds.",
        ...(mend.length > 0 && {
          fix: {
            words: mend.length === 1 ? `Make it ${doseWords(mend[0]!.dose!)}` : `Round ${mend.length} doses`,
            apply: (s) => mend.reduce((sum, { here: one, dose }) => editItem(sum, one.place, { dose: dose! }), s),
          },
        }),
      },
    ];
  },
};
