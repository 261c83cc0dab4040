import { courseOf } from "../course";
import { takeOutFix } from "../doses";
import type { Looked } from "../look";
import type { AuditInput, Rule } from "../types";
import { secondsText } from "~/core/lengths";
import { placeKey, totalsByKind } from "~/core/timeline/totals";
import type { Seconds, Share } from "~/core/units";

/** Of a session, at most so much is moving, fetching, showing, turning and changing sides; rest that is planned is not. */
const MOST: Share = 0.25;
const MOST_SHORT: Share = 0.35;
const SHORT: Seconds = 600;

export const deadAtMost = (target: Seconds): Share => (target < SHORT ? MOST_SHORT : MOST);

/** The seconds of a session in which nobody works nor rests. */
function deadOf({ timeline }: AuditInput): Seconds {
  const { move, demo, turn, switch: sides } = totalsByKind(timeline.segments);
  return move + demo + turn + sides;
}

const isTooMuch = (input: AuditInput): boolean =>
  deadOf(input) > deadAtMost(courseOf(input).target) * input.timeline.totalSeconds + 1e-6;

/** What share of a drill’s time goes to getting to it and showing it. */
function deadShare({ timeline }: AuditInput): (here: Looked) => Share {
  const sums = new Map<string, { dead: Seconds; all: Seconds }>();
  for (const { kind, block, item, seconds } of timeline.segments) {
    if (kind === "rest") continue;
    const sum = sums.get(placeKey(block, item)) ?? { dead: 0, all: 0 };
    sums.set(placeKey(block, item), {
      dead: sum.dead + (kind === "work" ? 0 : seconds),
      all: sum.all + seconds,
    });
  }
  return ({ place }) => {
    const { dead, all } = sums.get(placeKey(place.block, place.item)) ?? { dead: 0, all: 1 };
    return dead / all;
  };
}

/** Too much of a session in which nobody works. */
export const deadTime: Rule = {
  id: "dead-time",
  find: (input) => {
    const total = input.timeline.totalSeconds;
    if (total === 0 || !isTooMuch(input)) return [];
    return [
      {
        severity: courseOf(input).grave,
        message: `${secondsText(Math.round(deadOf(input)))} of ${secondsText(Math.round(total))} go to showing, moving and changing sides.`,
        why: "Fewer drills, longer or twice through, and fewer changes of position leave more of it for the work.",
        offer: () => takeOutFix(input, (now) => !isTooMuch(now), deadShare),
      },
    ];
  },
};
