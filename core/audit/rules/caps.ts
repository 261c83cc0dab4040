import { byClock } from "../by-clock";
import { itemsOf } from "../look";
import type { RuleFinding, Rule } from "../types";
import { doseSeconds, isPiece, asksEffort, cappedAt, peakEffort } from "~/core/dose/dose";
import { editItem } from "~/core/session/edits";
import { secondsText } from "~/core/lengths";

/** Holds longer, and efforts stronger, than the group's cap. */
export const caps: Rule = {
  id: "caps",
  find: (input) => {
    const { effortCap, holdCap } = input.group?.setting ?? {};
    return itemsOf(input).flatMap(({ place, item, drill }): RuleFinding[] => {
      const { dose } = item;
      if (asksEffort(dose) && effortCap !== undefined) {
        const most = peakEffort(dose);
        if (most <= effortCap) return [];
        return [
          {
            severity: "warn",
            place,
            message: `${drill.name} needs ${most} % effort; this group’s cap is ${effortCap} %.`,
            why: "The cap was set for this group.",
            fix: {
              words: `Cap the ramp at ${effortCap} %`,
              apply: (s) => editItem(s, place, { dose: cappedAt(dose, effortCap) }),
            },
          },
        ];
      }
      if (holdCap !== undefined && drill.method === "hold" && (isPiece(dose) || dose.kind === "breaths")) {
        const held = doseSeconds(dose, input.session.pace);
        if (held <= holdCap) return [];
        return [
          {
            severity: "warn",
            place,
            message: `${drill.name} holds ${secondsText(held)} at a time; this group’s cap is ${secondsText(holdCap)}.`,
            why: "The cap was set for this group.",
            fix: byClock(input.session, place, holdCap * (item.directions ?? drill.directions)) ?? {
              words: `Hold ${secondsText(holdCap)}`,
              apply: (s) => editItem(s, place, { dose: { kind: "time", seconds: holdCap } }),
            },
          },
        ];
      }
      return [];
    });
  },
};
