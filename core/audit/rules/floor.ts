import { itemsOf } from "../look";
import type { RuleFinding, Rule } from "../types";
import { editItem } from "~/core/session/edits";
import { metresOneWay } from "~/core/drills/room";

/** Drills that travel farther than the floor is long. */
export const floor: Rule = {
  id: "floor",
  find: (input) => {
    const length = input.group?.setting.floor;
    if (length === undefined) return [];
    return itemsOf(input).flatMap(({ place, item, drill, level }): RuleFinding[] => {
      const { dose } = item;
      if (drill.method !== "travel" || dose.kind !== "reps") return [];
      const needs = metresOneWay(level, dose);
      if (needs <= length) return [];
      const fits = Array.from({ length: dose.count }, (_, i) => dose.count - i).find(
        (n) => n >= level.bounds.least && metresOneWay(level, { ...dose, count: n }) <= length,
      );
      return [
        {
          severity: "warn",
          place,
          message: `${drill.name} travels about ${Math.ceil(needs)} m; the floor is ${length} m.`,
          why: "People run out of floor.",
          ...(fits !== undefined && {
            fix: {
              words: `${fits} repetitions each way`,
              apply: (s) => editItem(s, place, { dose: { ...dose, count: fits } }),
            },
          }),
        },
      ];
    });
  },
};
