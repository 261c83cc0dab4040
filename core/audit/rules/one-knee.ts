import { itemAt } from "../look";
import type { RuleFinding, Rule } from "../types";
import { secondsText } from "~/core/lengths";
import type { OneSide } from "~/core/vocabulary/sides";

/** Longest on one knee without a pad. */
const LONGEST = 180;

/** More than three minutes on one knee in one go, without a pad. Getting up, or changing knees, ends it. */
export const oneKnee: Rule = {
  id: "one-knee",
  find: (input) => {
    const found: RuleFinding[] = [];
    let side: OneSide | undefined;
    let seconds = 0;
    for (const segment of input.timeline.segments) {
      const here = itemAt(input, segment);
      const posture = segment.kind === "move" ? segment.to : segment.posture;
      // Changing sides rep by rep changes the knee each time.
      const turns = segment.kind === "work" && segment.side === "alternating";
      const kneels = posture === "half-kneeling" && !turns && here !== undefined && !here.level.kit.includes("pad");
      const own =
        segment.kind === "work" && (segment.side === "left" || segment.side === "right") ? segment.side : side;
      if (!kneels || segment.kind === "switch" || (side !== undefined && own !== side)) seconds = 0;
      side = kneels ? own : undefined;
      if (!kneels) continue;
      const before = seconds;
      seconds += segment.seconds;
      if (before <= LONGEST && seconds > LONGEST)
        found.push({
          severity: "warn",
          place: here.place,
          at: segment.start,
          message: `By ${here.drill.name} people have been on one knee for more than ${secondsText(LONGEST)} without a pad.`,
          why: "A knee on the floor needs a pad or a break.",
        });
    }
    return found;
  },
};
