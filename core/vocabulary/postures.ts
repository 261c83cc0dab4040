import type { Area } from "./areas";
import type { HeightStep, Seconds } from "~/core/units";

/** What is known of a position. */
export type PostureFacts = {
  /** Body height in steps, lying lowest; the table of the session format. */
  height: HeightStep;
  words: string;
  /** How people stay in it, after “Everyone stays”, where that is not its words. */
  staying?: string;
  lies?: "back" | "front";
  /** Sitting on something, off the floor. */
  seated?: true;
  /** What it stresses by itself, for a level that is not drawn; the figure says more of one that is. */
  stresses: readonly Area[];
  /** Words it is found by. */
  findBy: string;
};

/** Every position, those of one height together. A new one is a line here. */
export const POSTURE_FACTS = {
  prone: {
    height: 0,
    words: "lying on the front",
    lies: "front",
    stresses: ["floor"],
    findBy: "lying face down front",
  },
  supine: {
    height: 0,
    words: "lying on the back",
    lies: "back",
    stresses: ["floor"],
    findBy: "lying on the back face up",
  },
  "side-lying": { height: 0, words: "lying on the side", stresses: ["floor"], findBy: "lying on the side" },
  "long-sit": { height: 1, words: "sitting, legs long", stresses: ["floor"], findBy: "seated sitting floor" },
  "straddle-sit": {
    height: 1,
    words: "sitting, legs wide",
    stresses: ["floor", "groin-stretch"],
    findBy: "seated sitting straddle wide legs",
  },
  "crossed-sit": {
    height: 1,
    words: "sitting cross-legged",
    stresses: ["floor", "knee-twist"],
    findBy: "seated sitting cross legged",
  },
  "ninety-sit": {
    height: 1,
    words: "sitting, both knees bent to one side",
    stresses: ["floor", "knee-twist", "hip-turn"],
    findBy: "seated sitting floor shin box",
  },
  "hands-and-knees": {
    height: 2,
    words: "hands and knees",
    staying: "on hands and knees",
    stresses: ["floor", "kneeling", "wrist-weight", "shoulder-weight"],
    findBy: "quadruped all fours kneeling",
  },
  "forearms-and-knees": {
    height: 2,
    words: "forearms and knees",
    staying: "on forearms and knees",
    stresses: ["floor", "kneeling", "shoulder-weight"],
    findBy: "quadruped all fours kneeling",
  },
  plank: {
    height: 2,
    words: "hands and feet",
    staying: "on hands and feet",
    stresses: ["floor", "wrist-weight", "shoulder-weight", "toe-bend"],
    findBy: "press up push up hands and feet",
  },
  "kneel-sit": {
    height: 2,
    words: "kneeling, sitting back",
    stresses: ["floor", "kneeling", "knee-deep-bend"],
    findBy: "kneeling sitting on heels",
  },
  "side-kneel": {
    height: 2,
    words: "kneeling, one leg out to the side",
    stresses: ["floor", "kneeling", "groin-stretch"],
    findBy: "kneeling side leg out",
  },
  "chair-sit": {
    height: 2,
    words: "sitting on a chair",
    seated: true,
    stresses: [],
    findBy: "chair seated sitting desk office",
  },
  "bench-sit": {
    height: 2,
    words: "sitting on a bench",
    seated: true,
    stresses: [],
    findBy: "bench seated sitting",
  },
  "half-kneeling": {
    height: 3,
    words: "half-kneeling",
    stresses: ["kneeling", "floor"],
    findBy: "kneeling one knee lunge",
  },
  "tall-kneeling": {
    height: 3,
    words: "kneeling tall",
    stresses: ["kneeling", "floor"],
    findBy: "kneeling both knees",
  },
  squat: {
    height: 3,
    words: "squat",
    staying: "in the squat",
    stresses: ["hip-deep-bend", "knee-deep-bend", "ankle-deep-bend"],
    findBy: "low",
  },
  standing: { height: 4, words: "standing", stresses: [], findBy: "upright on your feet stand" },
  "split-stance": {
    height: 4,
    words: "standing, one foot forward",
    stresses: [],
    findBy: "standing lunge split stance stagger",
  },
  walking: { height: 4, words: "walking", stresses: [], findBy: "on your feet walk move travel" },
  hang: { height: 5, words: "hanging", stresses: ["shoulder-overhead", "shoulder-weight", "grip"], findBy: "hanging" },
} as const satisfies Record<string, PostureFacts>;

export type Posture = keyof typeof POSTURE_FACTS;

export const POSTURES = Object.keys(POSTURE_FACTS) as [Posture, ...Posture[]];

export const postureFacts = (posture: Posture): PostureFacts => POSTURE_FACTS[posture];

const each = <T>(of: (facts: PostureFacts) => T) =>
  Object.fromEntries(POSTURES.map((posture) => [posture, of(POSTURE_FACTS[posture])])) as Readonly<Record<Posture, T>>;

export const HEIGHT = each((facts) => facts.height);

/** Whether people are down: lying, sitting on the floor, or with hands or both knees on it. A chair or bench keeps them up. */
export const isDown = (posture: Posture): boolean =>
  HEIGHT[posture] < HEIGHT["half-kneeling"] && !postureFacts(posture).seated;

/** Plain words for each posture. */
export const POSTURE_WORDS = each((facts) => facts.words);

/** How people stay in each, after “Everyone stays”. */
export const STAYING = each((facts) => facts.staying ?? facts.words);

/** What any change of posture takes, and what each step of height adds, where a session says nothing of its own. */
export const CHANGE_BASE: Seconds = 3;
export const CHANGE_PER_STEP: Seconds = 2;

/** How long a class takes to change position. */
export type MovePace = { moveBase?: Seconds | undefined; moveStep?: Seconds | undefined };

/** Seconds a class needs to get from one posture to another: none for the same, else 3 s and 2 s for each step of height, or what its pace says. */
export function moveSeconds(
  from: Posture,
  to: Posture,
  { moveBase = CHANGE_BASE, moveStep = CHANGE_PER_STEP }: MovePace = {},
): Seconds {
  if (from === to) return 0;
  return moveBase + moveStep * Math.abs(HEIGHT[from] - HEIGHT[to]);
}
