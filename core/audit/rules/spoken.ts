import { itemsOf } from "../look";
import type { AuditInput, Rule } from "../types";
import { amongOf } from "../course";
import { rehearsesIt } from "~/core/arc/fits";
import { isSpoken, nearestSpoken, type Said } from "~/core/arc/doses";
import type { Looked } from "../look";
import { amountOf } from "~/core/dose/amount";
import { doseWords } from "~/core/dose/dose";
import { editItem } from "~/core/session/edits";

/** What a dose belongs to: sets under a bar, runs and throws go by steps of weight or speed. */
export const saidOf = (input: AuditInput, here: Looked): Said => ({
  method: here.drill.method,
  gait: here.level.gait,
  builds: isBuild(input, here),
});

const isBuild = (input: AuditInput, { drill, level }: Looked): boolean =>
  (level.speed ?? 0) >= 3 || level.kit.includes("barbell") || (level.impact ?? 0) >= 2
    ? true
    : rehearsesIt(drill, "sport", amongOf(input)) && (level.speed ?? 0) >= 2
      ? true
      : input.session.purpose === "before-lifting" && rehearsesIt(drill, "lift", amongOf(input));

/** Doses that nobody would say aloud. */
export const spoken: Rule = {
  id: "spoken",
  find: (input) => {
    const odd = itemsOf(input).flatMap((here) => {
      // By the clock it is the clock that is said.
      if (input.session.blocks[here.place.block]?.interval) return [];
      const said = saidOf(input, here);
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
