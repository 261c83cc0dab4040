/** What each step of a scale means, 0 to 3, in words a coach codes by; the anchors are in docs/drill-format.md. */
export const SCALE_FACTS = {
  pulse: {
    words: "pulse",
    asks: "A fit adult after 45 s at its own tempo",
    steps: [
      "as at rest: lying, sitting, holds",
      "could sing: circles, slow standing work, easy walk",
      "can talk in sentences, warm: brisk march, jog, walking lunges, quick squats",
      "words only: build-up runs, fast feet, repeated jumps",
    ],
  },
  speed: {
    words: "speed",
    asks: "The fastest part of the body",
    steps: [
      "nothing moves, or only the breath",
      "slower than everyday: a repetition of 3 s or more",
      "everyday to brisk: repetitions of 1 to 2.5 s, jog, skips, easy throws",
      "near the sport’s: sprint or throw from 75 %, jumps for height, cuts",
    ],
  },
  impact: {
    words: "impact",
    asks: "The hardest landing",
    steps: [
      "the feet never leave the ground together",
      "both feet or a soft step: jog, low bounces, step-down",
      "a two-foot jump and stick, skips, bounds, run and brake",
      "a one-leg hop and stick, a drop from a height, repeated high jumps",
    ],
  },
  skill: {
    words: "skill",
    asks: "What a newcomer needs to do it right",
    steps: [
      "nothing: done at once from its name",
      "one look",
      "a look and a set-up with two or more points",
      "to be taught or tried before: several positions, balance or timing",
    ],
  },
} as const;

export type Scale = keyof typeof SCALE_FACTS;
export const SCALES = Object.keys(SCALE_FACTS) as [Scale, ...Scale[]];

/** 0 to 3 on one of the scales. */
export type ScaleStep = 0 | 1 | 2 | 3;

/** How strong it is at the working tissue, stretch or muscle, whichever is more: 0 nothing to 10 all there is. */
export const EFFORT_WORDS: readonly string[] = [
  "nothing",
  "barely felt",
  "barely felt",
  "clearly felt, could stay for minutes",
  "clearly felt, could stay for minutes",
  "strong, breath still easy",
  "strong, breath still easy",
  "hard: wants to stop within 30 s",
  "very hard, seconds",
  "very hard, seconds",
  "all there is",
];
