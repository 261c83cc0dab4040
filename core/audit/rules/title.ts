import type { Rule } from "../types";
import { editSession } from "~/core/session/edits";
import { clockText } from "~/core/lengths";

const MINUTES = /\b(\d{1,3})\s*[- ]?\s*(?:min\b|mins\b|minute|minutes|′)/i;
/** A title's round number may be this far from the truth. */
const ALLOWED = 30;

/** The title names a number of minutes that the session does not last. */
export const title: Rule = {
  id: "title",
  find: ({ session, timeline }) => {
    const said = MINUTES.exec(session.title);
    if (!said) return [];
    const minutes = Number(said[1]);
    if (Math.abs(minutes * 60 - timeline.totalSeconds) <= ALLOWED) return [];
    const now = Math.round(timeline.totalSeconds / 60);
    return [
      {
        severity: "hint",
        message: `The title says ${minutes} minutes; it lasts ${clockText(timeline.totalSeconds)}.`,
        why: "People plan by the title.",
        ...(Math.abs(now * 60 - timeline.totalSeconds) <= ALLOWED && {
          fix: {
            words: `Put ${now} in the title`,
            apply: (s) => editSession(s, { title: s.title.replace(said[1]!, String(now)) }),
          },
        }),
      },
    ];
  },
};
