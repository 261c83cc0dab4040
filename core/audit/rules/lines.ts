import { itemsOf } from "../look";
import { replaceFix } from "../replace";
import type { RuleFinding, Rule } from "../types";
import { LEAST_IN_LINES, shareInLines, usesLanes } from "~/core/group/lines";

/** Drills that travel with so few lanes that people wait more than they work. */
export const lines: Rule = {
  id: "lines",
  find: (input) => {
    const { group } = input;
    const lanes = group?.setting.lanes;
    if (lanes === undefined) return [];
    return itemsOf(input).flatMap(({ place, item, drill }): RuleFinding[] =>
      shareInLines(drill, item.level, group) >= LEAST_IN_LINES
        ? []
        : [
            {
              severity: "warn",
              place,
              message: `On ${lanes} ${lanes === 1 ? "lane" : "lanes"} each of ${group!.people.length} people works less than half of ${drill.name}.`,
              why: "Who waits in a line gets cold: it is done in place or in pairs instead.",
              offer: () => replaceFix(input, place, (one) => !usesLanes(one, "standard")),
            },
          ],
    );
  },
};
