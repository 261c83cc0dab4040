import { addFix } from "../add";
import type { Rule } from "../types";
import { planeSeconds } from "~/core/coverage/coverage";
import { PLANES } from "~/core/browse/browse";
import { MOTION_FACTS } from "~/core/vocabulary/motions";
import { PLANE_WORDS } from "~/core/wording/areas";

/** Shorter sessions have no time for every plane. */
const FROM = 600;

/** One of the three planes that no drill works in. */
export const planes: Rule = {
  id: "planes",
  find: (input) => {
    if ((input.session.target ?? input.timeline.totalSeconds) < FROM) return [];
    const seconds = planeSeconds(input.coverage);
    return PLANES.filter((plane) => seconds[plane] === 0).map((plane) => {
      const offer = () =>
        addFix(input, (drill) => drill.levels.standard.main.some((row) => MOTION_FACTS[row].plane === plane));
      return {
        severity: "hint" as const,
        about: plane,
        message: `Nothing moves in one direction: ${PLANE_WORDS[plane]}.`,
        why: "Most people get too little of the directions their sport leaves out.",
        offer,
      };
    });
  },
};
