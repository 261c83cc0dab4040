import { courseOf } from "../course";
import { itemsOf } from "../look";
import type { RuleFinding, Rule } from "../types";
import { moveItem } from "~/core/session/edits";
import { MOTION_FACTS } from "~/core/vocabulary/motions";

/** A place that was pressed or rolled and is not moved next. */
export const afterRelease: Rule = {
  id: "after-release",
  find: (input) => {
    const { grave } = courseOf(input);
    const items = itemsOf(input);
    return items.flatMap((here, i): RuleFinding[] => {
      if (here.drill.method !== "release") return [];
      const next = items.slice(i + 1).find(({ drill }) => drill.method !== "release");
      const worked = (one: (typeof items)[number]) => one.level.main.some((row) => here.level.main.includes(row));
      if (next && worked(next)) return [];
      const later = items.slice(i + 1).find((one) => one.drill.method !== "release" && worked(one));
      return [
        {
          severity: grave,
          place: here.place,
          message: `After ${here.drill.name} ${MOTION_FACTS[here.level.main[0]!].words} is not moved next.`,
          why: "What is let go is moved at once, or it tightens again.",
          ...(later && {
            fix: {
              words: `Do ${later.drill.name} right after it`,
              apply: (s) =>
                moveItem(s, later.place, {
                  block: here.place.block,
                  item: here.place.item + 1,
                }),
            },
          }),
        },
      ];
    });
  },
};
