import { needsOf } from "~/core/drills/form";
import { itemsOf } from "../look";
import type { Rule } from "../types";
import { piecesThere } from "~/core/group/kit";
import { isFreeBalance } from "~/core/group/surfaces";
import { LEVELS } from "~/core/vocabulary/levels";
import { editItem } from "~/core/session/edits";

/** Balance with nothing to hold on to, for a group that needs it. */
export const balanceSupport: Rule = {
  id: "balance-support",
  find: (input) => {
    const { group } = input;
    if (!group?.setting.support) return [];
    return itemsOf(input).flatMap(({ place, item, drill, level }) => {
      if (!isFreeBalance(level)) return [];
      const other = LEVELS.slice(0, LEVELS.indexOf(item.level))
        .reverse()
        .find(
          (name) =>
            !isFreeBalance(drill.levels[name]) &&
            piecesThere(needsOf(drill.levels[name]), Math.max(1, group.people.length), group.setting),
        );
      return [
        {
          severity: "warn" as const,
          place,
          message: `${drill.name} is a balance drill with nothing to hold on to.`,
          why: "This group needs something to hold on to within reach.",
          ...(other && {
            fix: { words: `Take the ${other} level`, apply: (s) => editItem(s, place, { level: other }) },
          }),
        },
      ];
    });
  },
};
