import type { HeightStep, Seconds } from "~/core/units";

export const POSTURES = [
  "prone", "supine", "side-lying",
  "long-sit", "straddle-sit", "crossed-sit", "ninety-sit",
  "hands-and-knees", "forearms-and-knees", "plank", "kneel-sit",
  "half-kneeling", "tall-kneeling", "squat",
  "standing", "split-stance",
  "hang",
] as const;

export type Posture = (typeof POSTURES)[number];

/** Body height of each posture in steps, lying lowest; the table of the session format. */
export const HEIGHT: Readonly<Record<Posture, HeightStep>> = {
  prone: 0, supine: 0, "side-lying": 0,
  "long-sit": 1, "straddle-sit": 1, "crossed-sit": 1, "ninety-sit": 1,
  "hands-and-knees": 2, "forearms-and-knees": 2, plank: 2, "kneel-sit": 2,
  "half-kneeling": 3, "tall-kneeling": 3, squat: 3,
  standing: 4, "split-stance": 4,
  hang: 5,
};

/** Plain words for each posture. */
export const POSTURE_WORDS: Readonly<Record<Posture, string>> = {
  prone: "lying on the front",
  supine: "lying on the back",
  "side-lying": "lying on the side",
  "long-sit": "sitting, legs long",
  "straddle-sit": "sitting, legs wide",
  "crossed-sit": "sitting cross-legged",
  "ninety-sit": "sitting, both knees bent to one side",
  "hands-and-knees": "hands and knees",
  "forearms-and-knees": "forearms and knees",
  plank: "hands and feet",
  "kneel-sit": "kneeling, sitting back",
  "half-kneeling": "half-kneeling",
  "tall-kneeling": "kneeling tall",
  squat: "squat",
  standing: "standing",
  "split-stance": "standing, one foot forward",
  hang: "hanging",
};

/** What any change of posture takes, and what each step of height adds, where a session says nothing of its own. */
export const CHANGE_BASE: Seconds = 3;
export const CHANGE_PER_STEP: Seconds = 2;

/** How long a class takes to change position. */
export type MovePace = { moveBase?: Seconds | undefined; moveStep?: Seconds | undefined };

/** Seconds a class needs to get from one posture to another: none for the same, else 3 s and 2 s for each step of height, or what its pace says. */
export function moveSeconds(from: Posture, to: Posture, { moveBase = CHANGE_BASE, moveStep = CHANGE_PER_STEP }: MovePace = {}): Seconds {
  if (from === to) return 0;
  return moveBase + moveStep * Math.abs(HEIGHT[from] - HEIGHT[to]);
}
