import { needsOf } from "~/core/drills/form";
import { itemsOf } from "../look";
import type { Rule } from "../types";
import { piecesThere } from "~/core/group/kit";
import { scalesOf } from "~/core/stress/scales";
import { LEVELS } from "~/core/vocabulary/levels";
import { editItem } from "~/core/session/edits";

const NEXT_TO_NOTHING = 2;

/** A mixed group in a drill that has no easier form they could take: it is at its easiest, or the kit for it is not there. */
export const mixedGroup: Rule = {
  id: "mixed-group",
  find: (input) => {
    const { group } = input;
    if (!group?.setting.mixed) return [];
    return itemsOf(input).flatMap(({ place, item, drill }) => {
      if (item.level === "easier") return [];
      // What asks for next to nothing needs no easier form.
      const { effort, skill } = scalesOf(drill, item.level);
      if (effort <= NEXT_TO_NOTHING && skill === 0) return [];
      const down = LEVELS.slice(0, LEVELS.indexOf(item.level)).reverse();
      if (down.some((level) => piecesThere(needsOf(drill.levels[level]), 1, group.setting))) return [];
      const easier = drill.levels.easier;
      return [
        {
          severity: "warn" as const,
          place,
          message: `${drill.name} has no easier form with the kit you have (${easier.how.replace(/\.$/, "").toLowerCase()}).`,
          why: "In a mixed group someone won’t manage it, and needs something else to do meanwhile.",
          ...(item.level === "harder" && {
            fix: { words: "Take the standard level", apply: (s) => editItem(s, place, { level: "standard" as const }) },
          }),
        },
      ];
    });
  },
};
