import { itemAt, itemsOf, samePlace } from "../look";
import type { AuditInput, Rule } from "../types";
import { MOTION_FACTS, type Motion } from "~/core/vocabulary/motions";
import type { Dose } from "~/core/dose/kinds";
import { insertItem } from "~/core/session/edits";
import { itemOf } from "~/core/session/start";
import { peakEffort, asksEffort } from "~/core/dose/dose";
import { secondsText } from "~/core/lengths";
import type { Seconds } from "~/core/units";

/** Easier motion of the same kind that should come before strong effort at the end of a range. */
export const WARM_SECONDS = 60;
/** Effort from here on counts as strong. */
const STRONG = 80;

/** Whether a dose asks for strong effort. */
export const isStrong = (dose: Dose): boolean => peakEffort(dose) >= STRONG;

/** Seconds of easier motion along a row before a moment: drills that have it, without their ramps. */
function warmed(input: AuditInput, row: Motion, until: Seconds): Seconds {
  return input.timeline.segments.reduce((sum, s) => {
    if (s.kind !== "work" || s.start >= until) return sum;
    const before = itemAt(input, s);
    const easy =
      before && !asksEffort(before.item.dose) && (before.level.main.includes(row) || before.level.also.includes(row));
    return easy ? sum + s.seconds : sum;
  }, 0);
}

/** Strong effort at the end of a range before a minute of easier motion of the same kind: bending a knee does not ready its turning. */
export const coldEffort: Rule = {
  id: "cold-effort",
  find: (input) => {
    const looked = itemsOf(input);
    return looked.flatMap((here) => {
      const { dose } = here.item;
      if (!isStrong(dose)) return [];
      const start = input.timeline.segments.find((s) => s.kind === "work" && samePlace(s, here.place))?.start ?? 0;
      // Every motion it is for needs its own; the one that has had least decides.
      const had = here.level.main.map((row) => ({ row, seconds: warmed(input, row, start) }));
      const least = had.reduce((a, b) => (b.seconds < a.seconds ? b : a));
      if (least.seconds >= WARM_SECONDS) return [];
      return [
        {
          severity: "stop" as const,
          place: here.place,
          at: start,
          message: `${here.drill.name} asks for strong effort after only ${secondsText(least.seconds)} of easier ${MOTION_FACTS[least.row].words}.`,
          why: "Don’t push a cold joint to its end: do a minute of the same motion, easier, first.",
          fix: {
            words: "Put its easier level in front",
            apply: (s) =>
              insertItem(s, here.place, {
                ...itemOf(here.drill, "easier"),
                dose: { kind: "time", seconds: WARM_SECONDS },
              }),
          },
        },
      ];
    });
  },
};
