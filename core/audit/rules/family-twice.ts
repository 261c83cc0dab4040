import { amongOf, courseOf } from "../course";
import { itemsOf } from "../look";
import { replaceFix } from "../replace";
import type { RuleFinding, Rule } from "../types";
import { outOfPhase } from "~/core/arc/fits";

/** Two drills that are the same idea; what is rehearsed or switched on may be a faster or heavier form of what came before, and a test is no repeat. */
export const familyTwice: Rule = {
  id: "family-twice",
  find: (input) => {
    const { phaseOf, grave, phased } = courseOf(input);
    const among = amongOf(input);
    const first = new Map<string, string>();
    const used = new Set(itemsOf(input).flatMap(({ drill }) => drill.family ?? []));
    return itemsOf(input).flatMap(({ place, drill, item, level }): RuleFinding[] => {
      const family = drill.family ?? drill.id;
      const before = first.get(family);
      if (!before) first.set(family, drill.id);
      const phase = phaseOf(place.block);
      // Without phases the faster or stronger of two may well be the one that is rehearsed.
      if (!before || item.test || phase?.again || (!phased && (level.pulse ?? 0) >= 2)) return [];
      if (before === drill.id && !phased) return [];
      const earlier = itemsOf(input).find((one) => one.drill.id === before)!.drill.name;
      return [
        {
          severity: grave,
          place,
          message: before === drill.id ? `${drill.name} comes twice.` : `${drill.name} is ${earlier} in another form.`,
          why: "One idea once, for longer, does more than twice a little.",
          offer: () =>
            replaceFix(
              input,
              place,
              (one) =>
                (one.family === undefined || !used.has(one.family)) &&
                (!phase || !outOfPhase(phase, one, "standard", one.levels.standard.dose, among)),
            ),
        },
      ];
    });
  },
};
