import { needsOf } from "~/core/drills/form";
import { itemsOf } from "../look";
import type { RuleFinding, Rule } from "../types";
import { KIT_FACTS, kitFacts } from "~/core/vocabulary/kit";
import { kitList } from "~/core/coverage/kit-list";
import { piecesFor, piecesOf, piecesThere } from "~/core/group/kit";
import { LEVELS } from "~/core/vocabulary/levels";
import { editItem } from "~/core/session/edits";

/** Kit a group has not got, or not enough of for everyone at once. */
export const kit: Rule = {
  id: "kit",
  find: (input) => {
    const { group, session, drills } = input;
    const has = group?.setting.kit;
    if (!group || !has) return [];
    const people = Math.max(1, group.people.length);
    return kitList(session, drills, needsOf).flatMap(({ kit: piece, pieces }): RuleFinding[] => {
      const needs = piecesFor(piece, pieces, people);
      const there = piecesOf(piece, has);
      if (there >= needs) return [];
      const users = itemsOf(input).filter(
        ({ level }) => needsOf(level).filter((k) => k === piece).length * (kitFacts(piece).shared ? 1 : people) > there,
      );
      const first = users[0];
      if (!first) return [];
      const { words, instead } = KIT_FACTS[piece];
      // A level of the same drills that does with what there is, where every one of them has one.
      const other = users.map(({ place, drill, item }) => ({
        place,
        level: LEVELS.find(
          (level) => level !== item.level && piecesThere(needsOf(drill.levels[level]), people, group.setting),
        ),
      }));
      const mends = other.every(({ level }) => level !== undefined);
      return [
        {
          severity: "stop",
          place: first.place,
          lead: { to: "kit" },
          message:
            there === 0
              ? `There is ${words.replace(/^something /, "nothing ").replace(/^(?!nothing )/, "no ")}; ${first.drill.name} needs ${needs === 1 ? "one" : needs}.`
              : `${needs} pieces of “${words}” are needed for ${people} people at once; there are ${there}.`,
          why: `Someone has to go without. At home ${instead} would do.`,
          ...(mends && {
            fix: {
              words:
                users.length === 1
                  ? `Take the ${other[0]!.level} level of ${first.drill.name}, which needs none`
                  : `Take a level that needs none, in ${users.length} drills`,
              apply: (s) => other.reduce((sum, { place, level }) => (level ? editItem(sum, place, { level }) : sum), s),
            },
          }),
        },
      ];
    });
  },
};
