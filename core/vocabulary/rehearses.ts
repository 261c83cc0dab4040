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
  hit: "hitting overhead",
  swing: "the swing",
  punch: "punching",
  kick: "kicking",
  stroke: "the stroke",
  swim: "the swimming stroke",
  push: "pushing",
  pull: "pulling",
  hang: "hanging",
  crawl: "crawling",
  sprawl: "the sprawl",
  level: "changing level",
  roll: "rolling and getting up",
  breathe: "easy breathing",
} as const;

export type Rehearsal = keyof typeof REHEARSAL_WORDS;

export const REHEARSALS = Object.keys(REHEARSAL_WORDS) as [Rehearsal, ...Rehearsal[]];

/** Actions that are done fast: rehearsing them ends at speed. */
export const FAST_ACTIONS: readonly Rehearsal[] = [
  "run",
  "jump",
  "land",
  "cut",
  "throw",
  "hit",
  "swing",
  "punch",
  "kick",
  "stroke",
  "swim",
];

/** Actions that belong to some sports and to no other: whoever does none of a kind has no use for it. */
const OF_A_SPORT: readonly (readonly Rehearsal[])[] = [
  ["throw", "hit", "swing"],
  ["punch"],
  ["kick"],
  ["stroke"],
  ["swim"],
  ["sprawl", "level"],
  ["roll"],
];

/** Whether what a drill rehearses belongs to another sport than one with these actions. */
export const isForeign = (rehearses: readonly Rehearsal[], actions: readonly Rehearsal[]): boolean =>
  OF_A_SPORT.some((kin) => rehearses.some((one) => kin.includes(one)) && !actions.some((one) => kin.includes(one))) ||
  // Whoever jumps and lands has a use for cutting; whoever only runs has not.
  (rehearses.includes("cut") && !actions.some((one) => one === "cut" || one === "jump" || one === "land"));

const SKILLS: readonly Rehearsal[] = ["throw", "hit", "swing", "punch", "kick", "stroke", "swim", "level", "sprawl"];

/** Whether an action is what its sport is named for, more than running and jumping are. */
export const isSkill = (action: Rehearsal): boolean => SKILLS.includes(action);

/** What any sport has: said only where a drill rehearses nothing of a sport's own. */
const PLAIN: readonly Rehearsal[] = ["run", "step", "squat"];

/** The action a drill is said to rehearse for a sport: of those it has, the one most its own. */
export function actionOf(
  { rehearses = [] }: { rehearses?: readonly Rehearsal[] | undefined },
  sport: { rehearses?: readonly Rehearsal[] | undefined },
): Rehearsal | undefined {
  const all = (sport.rehearses ?? rehearses).filter((one) => rehearses.includes(one));
  return all.find(isSkill) ?? all.find((one) => !PLAIN.includes(one)) ?? all[0];
}
