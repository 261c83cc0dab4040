import type { Share } from "~/core/units";

/** What is known of a way of working. Where something is not said, it is not so. */
export type MethodFacts = {
  words: string;
  /** How hard it is on a cold body, 0 to 1: our own order, easy breath to full effort. */
  hard: Share;
  /** What it counts as when sessions are compared. */
  sort: "moving" | "holding" | "strength" | "breath and release";
  /** Nobody is given it in place of something gentler. */
  hardWay?: true;
  /** It can use new range in a movement of the whole body. */
  pattern?: true;
  /** What it is called in a hall, for finding. */
  findBy: string;
};

/** Every way of working a drill may have. A new one is a line here. */
export const METHOD_FACTS = {
  hold: { words: "holds", hard: 0.4, sort: "holding", findBy: "stretch static held" },
  dynamic: { words: "dynamic", hard: 0.4, sort: "moving", pattern: true, findBy: "mobility stretch moving" },
  circles: { words: "circles", hard: 0.2, sort: "moving", findBy: "rotations mobility" },
  breath: { words: "breathing", hard: 0.1, sort: "breath and release", findBy: "breath calm" },
  effort: {
    words: "effort at the end of range",
    hard: 0.85,
    sort: "strength",
    hardWay: true,
    findBy: "isometric isometrics contract relax push",
  },
  resisted: { words: "resisted", hard: 0.65, sort: "strength", hardWay: true, findBy: "eccentric pull" },
  activation: { words: "activation", hard: 0.5, sort: "strength", findBy: "activate switching on prime fire" },
  strength: { words: "strength", hard: 0.75, sort: "strength", hardWay: true, pattern: true, findBy: "strong loaded" },
  balance: { words: "balance", hard: 0.55, sort: "strength", hardWay: true, findBy: "stability one leg" },
  flow: { words: "flow", hard: 0.5, sort: "moving", pattern: true, findBy: "sequence mobility" },
  travel: {
    words: "travelling",
    hard: 0.55,
    sort: "moving",
    hardWay: true,
    pattern: true,
    findBy: "walk moving across floor",
  },
  spring: {
    words: "jumps and landings",
    hard: 0.7,
    sort: "moving",
    hardWay: true,
    pattern: true,
    findBy: "jump hop bounce bound land plyometric plyo spring",
  },
  release: {
    words: "release",
    hard: 0.25,
    sort: "breath and release",
    findBy: "roll rolling massage pressure",
  },
} as const satisfies Record<string, MethodFacts>;

export type Method = keyof typeof METHOD_FACTS;

export const METHODS = Object.keys(METHOD_FACTS) as [Method, ...Method[]];

export const methodFacts = (method: Method): MethodFacts => METHOD_FACTS[method];
