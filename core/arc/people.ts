import type { Who } from "~/core/vocabulary/who";
import type { Percent, Seconds } from "~/core/units";

/** How much of anything is right for somebody. Working rules from practice, not norms. */
export type For = {
  /** The pulse that the first phase has to reach. */
  raise: 1 | 2;
  /** The hardest landing, and how many harder than a jog's a session has at most. */
  impact: number;
  landings: number;
  /** The fastest, 0 to 3; whether they drop and spring only where the group says that small landings are fine. */
  speed: number;
  landsSaid: boolean;
  /** The most effort, 0 to 10, where it is less than the phase's; effort ramps in per cent, 0 for none. */
  effort: number;
  ramps: Percent;
  /** How long a hold lasts, and on a day off. */
  holds: { least: Seconds; most: Seconds; offDay: Seconds } | undefined;
  /** In one piece: weight on the hands, the deep squat. */
  hands: Seconds;
  squat: Seconds;
  /** Whether a hand is on a support whenever somebody stands on one leg. */
  hand: boolean;
  /** Whether they get down to the floor only where the group says that it can. */
  floorSaid: boolean;
  headLow: boolean;
  breathHeld: boolean;
  /** How many steps longer everything is shown. */
  shown: 0 | 1;
  /** How many times as long changing position takes. */
  moves: number;
};

const ADULTS: For = {
  raise: 2,
  impact: 3,
  landings: 100,
  speed: 3,
  landsSaid: false,
  effort: 10,
  ramps: 100,
  holds: undefined,
  hands: 90,
  squat: 60,
  hand: false,
  floorSaid: false,
  headLow: true,
  breathHeld: true,
  shown: 0,
  moves: 1,
};

export const FOR: Readonly<Record<Who, For>> = {
  "to-12": {
    ...ADULTS,
    impact: 2,
    landings: 40,
    effort: 6,
    ramps: 0,
    holds: { least: 10, most: 20, offDay: 20 },
    hands: 45,
    squat: 30,
    shown: 1,
  },
  "13-17": {
    ...ADULTS,
    impact: 2,
    landings: 80,
    effort: 7,
    ramps: 60,
    holds: { least: 15, most: 30, offDay: 30 },
    hands: 60,
    squat: 60,
  },
  adults: ADULTS,
  older: {
    ...ADULTS,
    raise: 1,
    impact: 0,
    landings: 100,
    speed: 2,
    landsSaid: true,
    effort: 5,
    ramps: 50,
    holds: { least: 15, most: 45, offDay: 60 },
    hands: 30,
    squat: 0,
    hand: true,
    floorSaid: true,
    headLow: false,
    breathHeld: false,
    shown: 1,
    moves: 1.5,
  },
};

/** How much is right for a group; where nobody says who they are, for adults. */
export const forGroup = (group: { setting: { who?: Who | undefined } } | undefined): For =>
  FOR[group?.setting.who ?? "adults"];

/** The hardest landing for a group: older people land only where the group says that small landings are fine. */
export const impactFor = (who: Who, allowed: boolean | undefined): number =>
  who === "older" && allowed ? 1 : FOR[who].impact;
