import { itemsOf } from "../look";
import type { Rule } from "../types";
import type { Kit } from "~/core/drills/kit";
import type { DrillLevel } from "~/core/drills/schema";
import { knownStress } from "~/core/stress/at";
import { piecesThere } from "~/core/group/kit";
import { LEVELS } from "~/core/session/schema";
import { editItem } from "~/core/session/edits";

/** Things to hold on to. */
const HOLDS: ReadonlySet<Kit> = new Set(["support", "wall", "chair", "stick", "box", "bench"]);

/** A hand on something clears balance that takes some; eyes closed, hops and swings take much with a hand, too. */
const free = (level: DrillLevel): boolean => knownStress(level).always.some((s) => s.area === "balance" && (s.grade === 2 || !level.kit.some((kit) => HOLDS.has(kit))));

/** Balance with nothing to hold on to, for a group that needs it. */
export const balanceSupport: Rule = {
  id: "balance-support",
  find: (input) => {
    const { group } = input;
    if (!group?.setting.support) return [];
    return itemsOf(input).flatMap(({ place, item, drill, level }) => {
      if (!free(level)) return [];
      const other = LEVELS.slice(0, LEVELS.indexOf(item.level)).reverse().find((name) => !free(drill.levels[name]) && piecesThere(drill.levels[name].kit, Math.max(1, group.people.length), group.setting));
      return [{
        severity: "warn" as const, place, says: `${drill.name} is a balance drill with nothing to hold on to.`, why: "This group wants a support within reach.",
        ...(other && { fix: { words: `Take the ${other} level`, apply: (s) => editItem(s, place, { level: other }) } }),
      }];
    });
  },
};
