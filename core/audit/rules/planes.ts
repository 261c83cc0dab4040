import type { Rule } from "../types";
import { planeSeconds } from "~/core/coverage/coverage";
import { PLANES } from "~/core/drills/browse";
import { PLANE_WORDS } from "~/core/text/areas";

/** One of the three planes that no drill works in. */
export const planes: Rule = {
  id: "planes",
  find: ({ coverage }) => {
    const seconds = planeSeconds(coverage);
    return PLANES.filter((plane) => seconds[plane] === 0).map((plane) => ({
      severity: "hint" as const, says: `Nothing moves in one direction: ${PLANE_WORDS[plane]}.`, why: "Most people are short of the directions their sport leaves out.",
    }));
  },
};
