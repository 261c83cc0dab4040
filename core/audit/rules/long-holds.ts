import { byClock } from "../by-clock";
import { beforePower, itemsOf } from "../look";
import type { RuleFinding, Rule } from "../types";
import { MOTION_FACTS, type Motion } from "~/core/vocabulary/motions";
import { editItem, removeItem } from "~/core/session/edits";
import { secondsText } from "~/core/lengths";
import { doseSeconds, isPiece } from "~/core/dose/dose";
import type { Seconds } from "~/core/units";

/** Holding a muscle region longer than this just before power can cost a little force. */
export const LONGEST_HOLD: Seconds = 60;
/** A hold shorter than this is not worth getting into. */
const SHORTEST: Seconds = 10;

/** Long holds for one muscle region and side, over all drills, before power, lifting or a game. */
export const longHolds: Rule = {
  id: "long-holds",
  find: (input) => {
    if (!beforePower(input.session.purpose)) return [];
    const held = new Map<Motion, Seconds>();
    return itemsOf(input).flatMap(({ item, drill, level, place }): RuleFinding[] => {
      if (drill.method !== "hold" || (!isPiece(item.dose) && item.dose.kind !== "breaths")) return [];
      const times =
        item.sets * (item.directions ?? drill.directions) * (input.session.blocks[place.block]?.rounds ?? 1);
      const own = doseSeconds(item.dose, input.session.pace) * times;
      const before = Math.max(0, ...level.main.map((row) => held.get(row) ?? 0));
      for (const row of level.main) held.set(row, (held.get(row) ?? 0) + own);
      const row = level.main.find((r) => (held.get(r) ?? 0) === before + own) ?? level.main[0];
      if (before + own <= LONGEST_HOLD || row === undefined) return [];
      const seconds = Math.floor((LONGEST_HOLD - before) / times);
      return [
        {
          severity: "warn" as const,
          place,
          message:
            before === 0
              ? `${drill.name} holds one side for ${secondsText(own)} shortly before power work.`
              : `With ${drill.name}, ${MOTION_FACTS[row].words} is held for ${secondsText(before + own)} a side shortly before power work.`,
          why: "Holding for over about a minute just before power work can cost a little force; shorter holds and moving repetitions don’t.",
          fix:
            byClock(input.session, place, seconds * (item.directions ?? drill.directions)) ??
            (seconds >= SHORTEST
              ? {
                  words: `Hold ${secondsText(seconds)}${times > 1 ? " at a time" : ""}`,
                  apply: (s) => editItem(s, place, { dose: { kind: "time", seconds } }),
                }
              : { words: `Remove ${drill.name}`, apply: (s) => removeItem(s, place) }),
        },
      ];
    });
  },
};
