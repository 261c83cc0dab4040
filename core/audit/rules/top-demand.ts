import { servedOf } from "../course";
import { addFix } from "../add";
import type { Rule } from "../types";
import { missingRows, weightOf } from "~/core/sport-profiles/fit";
import { MOTION_FACTS } from "~/core/vocabulary/motions";
import { secondsText } from "~/core/lengths";
import { capital } from "~/core/wording/words";

const TOP = 3;

/** A motion the sport asks for most that gets less than half of what it should. */
export const topDemand: Rule = {
  id: "top-demand",
  find: (input) => {
    const { coverage, demand } = input;
    if (!demand) return [];
    return missingRows(coverage, demand, servedOf(input))
      .filter(({ row, has, wants }) => weightOf(demand, row) >= TOP && has < wants / 2)
      .map(({ row, has, wants }) => {
        const offer = () => addFix(input, (drill) => drill.levels.standard.main.includes(row), wants / 2 - has);
        return {
          severity: "hint" as const,
          about: row,
          message: `${capital(MOTION_FACTS[row].words)} gets ${secondsText(Math.round(has))} of ${secondsText(Math.round(wants))}.`,
          why: `${demand.name}: ${(demand.rows[row]?.why ?? "it is what this sport needs most").replace(/[.\s]+$/, "")}.`,
          offer,
          lead: { to: "drills" as const, row },
        };
      });
  },
};
