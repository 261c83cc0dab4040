import { courseOf } from "../course";
import type { Rule } from "../types";
import { secondsText } from "~/core/lengths";
import { totalsByKind } from "~/core/timeline/totals";
import type { Seconds, Share } from "~/core/units";

/** Of a session, at most so much is moving, fetching, showing, turning and changing sides; rest that is planned is not. */
const MOST: Share = 0.25;
const MOST_SHORT: Share = 0.35;
const SHORT: Seconds = 600;

export const deadAtMost = (target: Seconds): Share => (target < SHORT ? MOST_SHORT : MOST);

/** Too much of a session in which nobody works. */
export const deadTime: Rule = {
  id: "dead-time",
  find: (input) => {
    const { grave, target } = courseOf(input);
    const total = input.timeline.totalSeconds;
    if (total === 0) return [];
    const { move, demo, turn, switch: sides } = totalsByKind(input.timeline.segments);
    const dead = move + demo + turn + sides;
    if (dead <= deadAtMost(target) * total + 1e-6) return [];
    return [
      {
        severity: grave,
        message: `${secondsText(Math.round(dead))} of ${secondsText(Math.round(total))} go to showing, moving and changing sides.`,
        why: "Fewer drills, longer or twice through, and fewer changes of position leave more of it for the work.",
      },
    ];
  },
};
