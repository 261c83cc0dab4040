import { courseOf, isOfLift } from "../course";
import { itemsOf, type Looked } from "../look";
import { familiarTo } from "./showing";
import type { AuditInput, RuleFinding, Rule } from "../types";
import { takeOutFix } from "../doses";
import { servedOf } from "../course";
import { coverageOf, type Coverage } from "~/core/coverage/coverage";
import { inLines } from "~/core/group/lines";
import { removeItem } from "~/core/session/edits";
import { fitOf } from "~/core/sport-profiles/fit";
import { compile } from "~/core/timeline/compile";
import { MOTIONS } from "~/core/vocabulary/motions";
import { isTaught, mostNew, mostTaught } from "~/core/arc/showing";
import { phasesAt } from "~/core/arc/arcs";

/** The less a drill gives that no other one does, the more it is worth to take it out; what need not be shown only where that is too much. */
const leastWorth =
  (taughtOnly: boolean) =>
  (input: AuditInput): ((here: Looked) => number) => {
    const { session, drills, demand, coverage, group } = input;
    const worth = (at: Coverage) =>
      demand
        ? fitOf(at, demand, servedOf(input))
        : MOTIONS.filter((row) => at[row].left + at[row].right > 0).length / MOTIONS.length;
    const now = worth(coverage);
    return ({ drill, item, place }) => {
      if (taughtOnly && !isTaught(drill, item.level)) return 0;
      const without = removeItem(session, place);
      return 1.001 - (now - worth(coverageOf(without, compile(without, drills), drills, inLines(group))));
    };
  };

/** The drills of a session, each once, and those of them that have to be shown. */
function drillsOf(input: AuditInput): { all: Looked[]; taught: Looked[] } {
  const all = [...new Map(itemsOf(input).map((here) => [here.drill.id, here])).values()];
  return { all, taught: all.filter((here) => isTaught(here.drill, here.item.level) && !isOfLift(input, here)) };
}

/** More drills than a group can take up: few drills, well used. */
export const tooMany: Rule = {
  id: "too-many",
  find: (input) => {
    const { grave, target, arc } = courseOf(input);
    const { all, taught } = drillsOf(input);
    const [most, simple] = [mostTaught(target), phasesAt(arc, target).length];
    const found: RuleFinding[] = [];
    const isEnough = (now: AuditInput) => {
      const left = drillsOf(now);
      return left.taught.length <= most && left.all.length <= most + simple;
    };
    const offer = () => takeOutFix(input, isEnough, leastWorth(taught.length > most));
    if (taught.length > most)
      found.push({
        // One more may be, where nothing fits without.
        severity: taught.length > most + 1 ? grave : "hint",
        about: "taught",
        message: `${taught.length} drills have to be shown; in this time a group takes up ${most}.`,
        why: "Few drills, well used: longer doses or a second round do more than another drill.",
        offer,
      });
    else if (all.length > most + simple)
      found.push({
        severity: all.length > most + simple + 1 ? grave : "hint",
        about: "simple",
        message: `There are ${all.length} drills in it; ${most + simple} are enough for this time.`,
        why: "Few drills, well used: longer doses or a second round do more than another drill.",
        offer,
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
