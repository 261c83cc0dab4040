import { itemsOf } from "../look";
import type { RuleFinding, Rule } from "../types";
import { editItem } from "~/core/session/edits";
import { secondsText } from "~/core/lengths";

/** Seconds that left and right may differ before it is said. */
const TELL = 1;

/** Left and right get different seconds of work. Extra for one side is an explicit choice, so it is named with its drill. */
export const unequalSides: Rule = {
  id: "unequal-sides",
  find: (input) => {
    const { left, right } = input.timeline.workSeconds;
    if (Math.abs(left - right) < TELL) return [];
    const more = left > right ? "left" : "right";
    const single = itemsOf(input).find(({ item, drill }) => item.sides === more && drill.sides !== "together");
    const finding: RuleFinding = {
      severity: "warn",
      message: `The ${more} side works ${secondsText(Math.abs(left - right))} longer than the ${more === "left" ? "right" : "left"}: ${secondsText(left)} left, ${secondsText(right)} right.`,
      why: "Sides are worked equally unless a difference was measured.",
    };
    return single
      ? [
          {
            ...finding,
            place: single.place,
            fix: {
              words: `${single.drill.name}: one side, then the other`,
              apply: (s) => editItem(s, single.place, { sides: "each" }),
            },
          },
        ]
      : [finding];
  },
};
