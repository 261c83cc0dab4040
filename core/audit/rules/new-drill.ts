import { whoOf } from "../course";
import { showingFor } from "~/core/arc/showing";
import { itemsOf, samePlace } from "../look";
import type { Rule } from "../types";
import { editItem } from "~/core/session/edits";
import { secondsText } from "~/core/lengths";

/** A drill the group has not been handed before, without time to watch it first. */
export const newDrill: Rule = {
  id: "new-drill",
  find: (input) => {
    const shown = input.group?.shown;
    if (!shown) return [];
    const seen = new Set(shown);
    return itemsOf(input).flatMap(({ place, drill, item }) => {
      if (seen.has(drill.id)) return [];
      seen.add(drill.id);
      if (input.timeline.segments.some((s) => s.kind === "demo" && samePlace(s, place))) return [];
      const seconds = showingFor(drill, item.level, "new", whoOf(input));
      // What is done at once from its name needs no showing.
      if (seconds === 0) return [];
      return [
        {
          severity: "warn" as const,
          place,
          message: `${drill.name} is new to ${input.group!.name}, and there is no time to watch it first.`,
          why: "Let them watch it once, then set up, then work: otherwise the first side is lost.",
          fix: {
            words: `Watch first for ${secondsText(seconds)}`,
            apply: (s) => editItem(s, place, { demo: seconds }),
          },
        },
      ];
    });
  },
};
