import type { Rule } from "../types";
import { editSession } from "~/core/session/edits";
import { clockText, secondsText } from "~/core/lengths";

/** A session this much shorter than promised leaves people standing. */
const SHORT = 60;

/** The compiled length against the promised one. Any second over it is too long: the next group is at the door. */
export const length: Rule = {
  id: "length",
  find: ({ session, timeline }) => {
    const { target } = session;
    if (target === undefined) return [];
    const over = timeline.totalSeconds - target;
    const promised = Math.ceil(timeline.totalSeconds / 60) * 60;
    if (over > 0)
      return [
        {
          severity: "warn",
          message: `It runs ${secondsText(over)} over its target of ${clockText(target)}.`,
          why: "The next group is at the door.",
          fix: { words: `Make the target ${clockText(promised)}`, apply: (s) => editSession(s, { target: promised }) },
          lead: { to: "fit" },
        },
      ];
    if (-over > SHORT)
      return [
        {
          severity: "hint",
          message: `It ends ${secondsText(-over)} short of its target of ${clockText(target)}.`,
          why: "There is time for more work, or the target can come down.",
          fix: { words: `Make the target ${clockText(promised)}`, apply: (s) => editSession(s, { target: promised }) },
          lead: { to: "fit" },
        },
      ];
    return [];
  },
};
