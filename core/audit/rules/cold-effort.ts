import { itemAt, itemsOf, samePlace } from "../look";
import type { Rule } from "../types";
import { ROW_FACTS, type Joint } from "~/core/drills/rows";
import type { Dose } from "~/core/session/schema";
import { insertItem } from "~/core/session/edits";
import { itemOf } from "~/core/session/start";
import { secondsText } from "~/core/text/clock";

/** Easier motion a joint should have had before strong effort at its end of range. */
export const WARM_SECONDS = 60;
/** Effort from here on counts as strong. */
const STRONG = 80;

/** Whether a dose asks for strong effort. */
export const isStrong = (dose: Dose): boolean => dose.kind === "effort" && dose.ramp.some((step) => step.effort >= STRONG);

/** Strong effort at the end of a joint's range before that joint has had a minute of easier motion. */
export const coldEffort: Rule = {
  id: "cold-effort",
  find: (input) => {
    const looked = itemsOf(input);
    return looked.flatMap((here) => {
      const { dose } = here.item;
      if (!isStrong(dose)) return [];
      const joints = new Set<Joint>(here.level.main.map((row) => ROW_FACTS[row].joint));
      const start = input.timeline.segments.find((s) => s.kind === "work" && samePlace(s, here.place))?.start ?? 0;
      const warm = input.timeline.segments.reduce((sum, s) => {
        if (s.kind !== "work" || s.start >= start) return sum;
        const before = itemAt(input, s);
        const easy = before && before.item.dose.kind !== "effort" && [...before.level.main, ...before.level.also].some((row) => joints.has(ROW_FACTS[row].joint));
        return easy ? sum + s.seconds : sum;
      }, 0);
      if (warm >= WARM_SECONDS) return [];
      return [{
        severity: "stop" as const, place: here.place, at: start, says: `${here.drill.name} asks for strong effort after only ${secondsText(warm)} of easier motion at that joint.`,
        why: "A cold joint is not pushed to its end: a minute of easier motion first.",
        fix: { words: "Put its easier level in front", apply: (s) => insertItem(s, here.place, { ...itemOf(here.drill, "easier"), dose: { kind: "time", seconds: WARM_SECONDS } }) },
      }];
    });
  },
};
