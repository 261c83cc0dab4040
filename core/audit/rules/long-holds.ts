import { beforePower, itemsOf } from "../look";
import type { Rule } from "../types";
import { editItem } from "~/core/session/edits";
import { secondsText } from "~/core/text/clock";
import { doseSeconds } from "~/core/timeline/dose";

/** Holding a muscle region longer than this just before power can cost a little force. */
export const LONGEST_HOLD = 60;

/** Long holds for one region and side before power, lifting or a game. */
export const longHolds: Rule = {
  id: "long-holds",
  find: (input) => {
    if (!beforePower(input.session.purpose)) return [];
    return itemsOf(input).flatMap(({ item, drill, place }) => {
      if (drill.method !== "hold" || (item.dose.kind !== "time" && item.dose.kind !== "ladder")) return [];
      const held = doseSeconds(item.dose, input.session.pace) * item.sets;
      if (held <= LONGEST_HOLD) return [];
      const seconds = Math.floor(LONGEST_HOLD / item.sets);
      return [{
        severity: "warn" as const, place, says: `${drill.name} holds one side for ${secondsText(held)} shortly before power work.`, why: "Holds over about a minute just before power can cost a little force; shorter ones and moving repetitions do not.",
        fix: { words: `Hold ${secondsText(seconds)}${item.sets > 1 ? " a set" : ""}`, apply: (s) => editItem(s, place, { dose: { kind: "time", seconds } }) },
      }];
    });
  },
};
