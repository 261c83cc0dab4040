/** What is known of a piece of kit. Where something is not said, it is not so. */
export type KitFacts = {
  words: string;
  /** Which household thing does instead. */
  instead: string;
  /** It stays where it is: set up once, there for the rest of the session, and can be held on to. */
  stays?: true;
  /** It steadies whoever holds on to it: standing by itself, or held in the hand. */
  steadies?: "stands" | "held";
  /** A limb or the seat can rest on it. A wall is leant on, not stood on. */
  carries?: true;
  /** It makes what is done with it heavier. */
  weighs?: true;
  /** Everyone uses one at once: it is there or not. */
  shared?: true;
  /** What coaches call it besides its own name, in the singular. */
  called: readonly string[];
  /** Words it is found by: what it is called elsewhere, and what does instead at home. */
  findBy: string;
};

/** Every piece of kit. A new one is a line here, its drawing in `library/animations`, and a place in the own-drill editor. */
export const KIT_FACTS = {
  pad: {
    words: "kneeling pad",
    instead: "a folded towel or a cushion",
    carries: true,
    called: ["pad", "knee pad", "mat", "folded mat"],
    findBy: "mat knee pad towel",
  },
  stick: {
    words: "stick",
    instead: "a broom handle",
    steadies: "held",
    called: ["broomstick", "broom handle", "dowel", "pole", "pvc pipe", "pipe"],
    findBy: "broom broomstick broom handle pole dowel pipe rod",
  },
  roller: {
    words: "roller",
    instead: "a bath towel rolled tight",
    carries: true,
    called: ["foam roller"],
    findBy: "foam roller foam roll towel",
  },
  support: {
    words: "something to hold on to",
    instead: "a door frame or a fixed post; a chair back only to steady yourself, never to pull on",
    stays: true,
    steadies: "stands",
    called: ["support", "rail", "post", "rack", "rig", "door frame"],
    findBy: "post rail frame door",
  },
  wall: {
    words: "wall",
    instead: "a locked door, or a door that your push closes",
    stays: true,
    steadies: "stands",
    shared: true,
    called: ["wall"],
    findBy: "door",
  },
  block: {
    words: "block",
    instead: "a thick book on a floor that grips",
    carries: true,
    called: ["yoga block", "brick"],
    findBy: "brick book",
  },
  box: {
    words: "knee-high box",
    instead: "a sturdy low chair against the wall",
    stays: true,
    steadies: "stands",
    carries: true,
    called: ["box", "plyo box", "step"],
    findBy: "step plyo platform chair",
  },
  bench: {
    words: "bench",
    instead: "the edge of a firm bed",
    stays: true,
    steadies: "stands",
    carries: true,
    called: ["flat bench"],
    findBy: "bed",
  },
  band: {
    words: "light band",
    instead: "a pair of tights or a long towel, held wider",
    called: ["band", "resistance band", "mini band", "long band"],
    findBy: "resistance band elastic loop tubing tights",
  },
  bar: {
    words: "bar overhead",
    instead: "nothing at home: leave the hang out, and never hang from a door frame",
    stays: true,
    called: ["bar", "pull-up bar", "pull up bar", "chin-up bar"],
    findBy: "pull up pullup chin up rig dead hang",
  },
  chair: {
    words: "chair",
    instead: "a sturdy box",
    stays: true,
    steadies: "stands",
    carries: true,
    called: ["stool", "seat"],
    findBy: "seat office",
  },
  "light weight": {
    words: "light weight",
    instead: "a full tin or a water bottle",
    weighs: true,
    called: ["weight", "dumbbell", "kettlebell", "plate", "light dumbbell", "light kettlebell"],
    findBy: "dumbbell kettlebell plate bottle tin can free weight",
  },
  cushion: {
    words: "cushion",
    instead: "a folded blanket",
    carries: true,
    called: ["pillow", "blanket"],
    findBy: "pillow blanket",
  },
  strap: {
    words: "strap",
    instead: "a belt or a towel",
    called: ["belt", "towel"],
    findBy: "belt rope towel",
  },
  wedge: {
    words: "heel wedge",
    instead: "a book under both heels",
    carries: true,
    called: ["wedge", "slant board"],
    findBy: "slant board plate heel lift",
  },
  barbell: {
    words: "barbell",
    instead: "a stick, to learn the movement without a load",
    stays: true,
    weighs: true,
    called: ["barbell", "bar and rack", "long bar"],
    findBy: "bar rack weights lifting",
  },
  slider: {
    words: "slider",
    instead: "a sock or a cloth on a smooth floor",
    called: ["slider", "slide disc", "sock", "cloth"],
    findBy: "sliding disc sock cloth towel",
  },
  ball: {
    words: "firm ball",
    instead: "a tennis ball in a sock",
    carries: true,
    called: ["ball", "lacrosse ball", "tennis ball", "massage ball"],
    findBy: "tennis ball lacrosse massage ball",
  },
} as const satisfies Record<string, KitFacts>;

export type Kit = keyof typeof KIT_FACTS;

export const KIT = Object.keys(KIT_FACTS) as [Kit, ...Kit[]];

export const kitFacts = (piece: Kit): KitFacts => KIT_FACTS[piece];

/** Pieces of kit that `now` needs and `before` did not, counting each piece (two sticks are two pieces). */
export function piecesToFetch(before: readonly Kit[], now: readonly Kit[]): Kit[] {
  const held = [...before];
  return now.filter((piece) => {
    const place = held.indexOf(piece);
    if (place < 0) return true;
    held.splice(place, 1);
    return false;
  });
}

/** Of a drill's kit, what is carried from drill to drill. */
export const carried = (kit: readonly Kit[]): readonly Kit[] =>
  kit.some(stays) ? kit.filter((piece) => !stays(piece)) : kit;

/** Whether a piece stays where it is once it has been set up. */
export const stays = (piece: Kit): boolean => kitFacts(piece).stays === true;

/** What a class has at hand: what it holds, and what has been set up and stays. */
export type AtHand = { held: readonly Kit[]; placed: readonly Kit[] };

export const NOTHING_AT_HAND: AtHand = { held: [], placed: [] };

/** Pieces to fetch or to set up for the next drill, and what is at hand then. What stays is set up once in a session; a chair that stands there serves as a support. */
export function fetchFor({ held, placed }: AtHand, now: readonly Kit[]): { fetch: Kit[]; atHand: AtHand } {
  if (now.length === 0) return { fetch: [], atHand: { held: now, placed } };
  const moved = carried(now);
  const standing = now.filter(stays);
  const spare = [...placed];
  const take = (piece: Kit): boolean => {
    const at = spare.indexOf(piece);
    if (at >= 0) spare.splice(at, 1);
    return at >= 0;
  };
  // A support last: a chair that is needed as a chair is no support.
  const fresh = standing.filter((piece) => piece !== "support" && !take(piece));
  const supports = standing.filter((piece) => piece === "support" && !take("support") && !take("chair"));
  return {
    fetch: [...piecesToFetch(held, moved), ...fresh, ...supports],
    atHand: { held: moved, placed: [...placed, ...fresh, ...supports] },
  };
}

/** How many pieces that stay are set up, by the kit of drills in their order. */
export function setUpsOf(kits: readonly (readonly Kit[])[]): number {
  let hand = NOTHING_AT_HAND;
  let count = 0;
  for (const kit of kits) {
    const { fetch, atHand } = fetchFor(hand, kit.filter(stays));
    count += fetch.length;
    hand = atHand;
  }
  return count;
}
