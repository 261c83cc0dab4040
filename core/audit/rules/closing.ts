import { itemsOf } from "../look";
import type { Rule } from "../types";

/** Methods that use new range in a whole-body pattern, and postures it is used in. */
const PATTERN_METHODS = new Set(["strength", "flow", "travel", "dynamic"]);
const UPRIGHT = new Set(["standing", "split-stance", "squat", "plank"]);

/** Before training the last drill should be a pattern that uses the new range; after training, slow breathing. */
export const closing: Rule = {
  id: "closing",
  find: (input) => {
    const last = itemsOf(input).at(-1);
    if (!last) return [];
    const { purpose } = input.session;
    if (purpose.startsWith("before-") && !(PATTERN_METHODS.has(last.drill.method) && UPRIGHT.has(last.level.endPosture)))
      return [{ severity: "hint", place: last.place, says: `It ends with ${last.drill.name}, not with a pattern on the feet.`, why: "New range is kept when a whole movement uses it." }];
    if (purpose === "after-training" && last.drill.method !== "breath")
      return [{ severity: "hint", place: last.place, says: `It ends with ${last.drill.name}, without slow breathing.`, why: "After training people leave calmer with a minute of slow breath." }];
    return [];
  },
};
