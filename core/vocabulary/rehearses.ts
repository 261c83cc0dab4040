/** What of a sport or of a day a drill rehearses: the thing itself, slower, smaller or lighter. */
export const REHEARSAL_WORDS = {
  squat: "the squat",
  hinge: "the hip hinge",
  lunge: "the lunge",
  step: "stepping",
  run: "running",
  jump: "jumping",
  land: "landing",
  cut: "a change of direction",
  throw: "throwing",
  hit: "hitting",
  kick: "kicking",
  stroke: "the stroke",
  push: "pushing",
  pull: "pulling",
  hang: "hanging",
  crawl: "crawling",
  roll: "rolling and getting up",
  breathe: "easy breathing",
} as const;

export type Rehearsal = keyof typeof REHEARSAL_WORDS;

export const REHEARSALS = Object.keys(REHEARSAL_WORDS) as [Rehearsal, ...Rehearsal[]];

/** Actions that are done fast: rehearsing them ends at speed. */
export const FAST_ACTIONS: readonly Rehearsal[] = ["run", "jump", "land", "cut", "throw", "hit", "kick", "stroke"];
