import { inForm, needsOf } from "~/core/drills/form";
import { itemsOf } from "../look";
import type { RuleFinding, Rule } from "../types";
import { piecesThere } from "~/core/group/kit";
import { groundAgainst, SURFACE_FACTS } from "~/core/group/surfaces";
import { LEVELS } from "~/core/vocabulary/levels";
import { editItem } from "~/core/session/edits";

/** Drills that are not for what the group stands on: down on wet grass, on the knees on the street, travelling on a dock. */
export const ground: Rule = {
  id: "ground",
  find: (input) => {
    const { group } = input;
    const surface = group?.setting.surface;
    if (!group || !surface) return [];
    const people = Math.max(1, group.people.length);
    const pads = piecesThere(["pad"], people, group.setting);
    return itemsOf(input).flatMap(({ place, item, drill, level }): RuleFinding[] => {
      const why = groundAgainst(drill, level, surface, pads);
      if (!why) return [];
      const other = LEVELS.slice(0, LEVELS.indexOf(item.level))
        .reverse()
        .find(
          (name) =>
            !groundAgainst(inForm(drill, name), drill.levels[name], surface, pads) &&
            piecesThere(needsOf(drill.levels[name]), people, group.setting),
        );
      return [
        {
          severity: SURFACE_FACTS[surface].onTheSpot ? "stop" : "warn",
          place,
          message: `${drill.name} ${why}.`,
          why: SURFACE_FACTS[surface].onTheSpot
            ? "There is an edge to go over, and it may be slippery."
            : "The ground is cold, wet or hard for a hand, a knee or a back.",
          ...(other && {
            fix: { words: `Take the ${other} level`, apply: (s) => editItem(s, place, { level: other }) },
          }),
        },
      ];
    });
  },
};
