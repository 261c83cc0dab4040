import type { Drill, DrillLevel } from "~/core/drills/schema";
import { tempoOf } from "~/core/dose/dose";
import { coldSafe, scalesOf } from "~/core/stress/scales";
import type { LevelName } from "~/core/vocabulary/levels";
import { EFFORT_WORDS, SCALE_FACTS, SCALES, type Scale } from "~/core/vocabulary/scales";

/** A level on one scale: its step and what that means. */
export type ScaleLine = { scale: Scale | "effort"; words: string; step: number; most: number; means: string };

/** A level by every scale, in the order they are coded in. */
export function scaleLines(drill: Drill, level: LevelName): ScaleLine[] {
  const scales = scalesOf(drill, level);
  return [
    ...SCALES.map((scale) => ({
      scale,
      words: SCALE_FACTS[scale].words,
      step: scales[scale],
      most: 3,
      means: SCALE_FACTS[scale].steps[scales[scale]],
    })),
    { scale: "effort", words: "effort", step: scales.effort, most: 10, means: EFFORT_WORDS[scales.effort] ?? "" },
  ];
}

/** Whether a level may come first, in a sentence. */
export const coldWords = (drill: Drill, level: LevelName): string =>
  coldSafe(drill, level) ? "Fine to start a session with." : "Not cold: something easier comes first.";

/** How often a level lands from the air, in a sentence; undefined where it never does. */
export function landingWords({ dose, stress }: DrillLevel): string | undefined {
  const landings = stress?.landings ?? 0;
  if (landings === 0) return undefined;
  const times = landings === 1 ? "once" : landings === 2 ? "twice" : `${landings} times`;
  return tempoOf(dose).length > 0 ? `Lands ${times} in each repetition.` : `Lands about ${times} in ten seconds.`;
}

export const PARTNER_WORDS: Readonly<Record<NonNullable<Drill["partner"]>, string>> = {
  alone: "alone",
  pairs: "in pairs",
  line: "in a line, waiting for others",
};
