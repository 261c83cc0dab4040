import { closeFix } from "../add";
import { itemsOf } from "../look";
import type { RuleFinding, Rule } from "../types";
import { methodFacts } from "~/core/vocabulary/methods";
import type { Drill, DrillLevel } from "~/core/drills/schema";

/** Positions new range is used in. */
const UPRIGHT = new Set(["standing", "split-stance", "squat", "plank"]);

/** A whole movement on the feet that uses new range. */
export const isPattern = (drill: Pick<Drill, "method">, level: DrillLevel): boolean =>
  methodFacts(drill.method).pattern === true && UPRIGHT.has(level.endPosture);
/** Slow breathing. */
export const isBreath = (drill: Pick<Drill, "method">): boolean => drill.method === "breath";

/** Before training the last drill should be a pattern that uses the new range; after training, slow breathing. */
export const closing: Rule = {
  id: "closing",
  find: (input) => {
    const last = itemsOf(input).at(-1);
    if (!last) return [];
    const { purpose } = input.session;
    const finding = (message: string, why: string, answers: (drill: Drill) => boolean): RuleFinding[] => [
      { severity: "hint", place: last.place, message, why, offer: () => closeFix(input, answers) },
    ];
    if (purpose.startsWith("before-") && !isPattern(last.drill, last.level))
      return finding(
        `It ends with ${last.drill.name}, not with a whole movement on the feet.`,
        "People keep new range by using it in a whole movement.",
        (d) => isPattern(d, d.levels.standard),
      );
    if (purpose === "after-training" && !isBreath(last.drill))
      return finding(
        `It ends with ${last.drill.name}, without slow breathing.`,
        "After training, a minute of slow breathing sends people home calmer.",
        isBreath,
      );
    return [];
  },
};
