import { byClock } from "../by-clock";
import { itemsOf } from "../look";
import type { Finding, Rule } from "../types";
import { doseSeconds } from "~/core/timeline/dose";
import { editItem } from "~/core/session/edits";
import { secondsText } from "~/core/text/clock";

/** Holds longer, and efforts stronger, than the group's cap. */
export const caps: Rule = {
  id: "caps",
  find: (input) => {
    const { effortCap, holdCap } = input.group?.setting ?? {};
    return itemsOf(input).flatMap(({ place, item, drill }): Finding[] => {
      const { dose } = item;
      if (dose.kind === "effort" && effortCap !== undefined) {
        const most = Math.max(...dose.ramp.map((step) => step.effort), dose.opposite?.effort ?? 0);
        if (most <= effortCap) return [];
        const capped = <S extends { effort: number }>(step: S): S => ({ ...step, effort: Math.min(step.effort, effortCap) });
        return [{
          severity: "warn", place, says: `${drill.name} asks for ${most} % effort; this group’s cap is ${effortCap} %.`, why: "The cap was set for this group.",
          fix: { words: `Cap the ramp at ${effortCap} %`, apply: (s) => editItem(s, place, { dose: { ...dose, ramp: dose.ramp.map(capped), ...(dose.opposite && { opposite: capped(dose.opposite) }) } }) },
        }];
      }
      if (holdCap !== undefined && drill.method === "hold" && (dose.kind === "time" || dose.kind === "ladder")) {
        const held = doseSeconds(dose, input.session.pace);
        if (held <= holdCap) return [];
        return [{
          severity: "warn", place, says: `${drill.name} holds ${secondsText(held)} at a time; this group’s cap is ${secondsText(holdCap)}.`, why: "The cap was set for this group.",
          fix: byClock(input.session, place, holdCap * (item.directions ?? drill.directions)) ?? { words: `Hold ${secondsText(holdCap)}`, apply: (s) => editItem(s, place, { dose: { kind: "time", seconds: holdCap } }) },
        }];
      }
      return [];
    });
  },
};
