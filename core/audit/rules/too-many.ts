import { courseOf } from "../course";
import { itemsOf } from "../look";
import { familiarTo } from "./showing";
import type { RuleFinding, Rule } from "../types";
import { isTaught, mostNew, mostTaught } from "~/core/arc/showing";
import { phasesAt } from "~/core/arc/arcs";

/** More drills than a group can take up: few drills, well used. */
export const tooMany: Rule = {
  id: "too-many",
  find: (input) => {
    const { grave, target, arc } = courseOf(input);
    const all = [...new Map(itemsOf(input).map((here) => [here.drill.id, here])).values()];
    const taught = all.filter(({ drill, item }) => isTaught(drill, item.level));
    const [most, simple] = [mostTaught(target), phasesAt(arc, target).length];
    const found: RuleFinding[] = [];
    if (taught.length > most)
      found.push({
        // One more may be, where nothing fits without.
        severity: taught.length > most + 1 ? grave : "hint",
        about: "taught",
        message: `${taught.length} drills have to be shown; in this time a group takes up ${most}.`,
        why: "Few drills, well used: longer doses or a second round do more than another drill.",
      });
    else if (all.length > most + simple)
      found.push({
        severity: all.length > most + simple + 1 ? grave : "hint",
        about: "simple",
        message: `There are ${all.length} drills in it; ${most + simple} are enough for this time.`,
        why: "Few drills, well used: longer doses or a second round do more than another drill.",
      });
    if (input.group?.shown) {
      const fresh = taught.filter(({ drill }) => familiarTo(input, drill.id) === "new");
      if (fresh.length > mostNew(target))
        found.push({
          severity: "hint",
          about: "new",
          place: fresh[mostNew(target)]!.place,
          message: `${fresh.length} drills are new to ${input.group.name}.`,
          why: `${mostNew(target) === 1 ? "One new drill" : "Two new drills"} a session is what people keep.`,
        });
    }
    return found;
  },
};
