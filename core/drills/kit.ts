export const KIT = [
  "pad", "stick", "roller", "support", "wall", "block", "box", "bench", "band", "bar", "chair", "light weight", "cushion", "strap", "wedge", "ball",
] as const;

export type Kit = (typeof KIT)[number];

/** What a piece of kit is called, and which household thing does instead. */
export const KIT_FACTS: Readonly<Record<Kit, { words: string; instead: string }>> = {
  pad: { words: "kneeling pad", instead: "a folded towel or a cushion" },
  stick: { words: "stick", instead: "a broom handle" },
  roller: { words: "roller", instead: "a bath towel rolled tight" },
  support: { words: "something to hold on to", instead: "a door frame or a fixed post; a chair back only to steady yourself, never to pull on" },
  wall: { words: "wall", instead: "a locked door, or a door that your push closes" },
  block: { words: "block", instead: "a thick book on a floor that grips" },
  box: { words: "knee-high box", instead: "a sturdy low chair against the wall" },
  bench: { words: "bench", instead: "the edge of a firm bed" },
  band: { words: "light band", instead: "a pair of tights or a long towel, held wider" },
  bar: { words: "bar overhead", instead: "nothing at home: leave the hang out, and never hang from a door frame" },
  chair: { words: "chair", instead: "a sturdy box" },
  "light weight": { words: "light weight", instead: "a full tin or a water bottle" },
  cushion: { words: "cushion", instead: "a folded blanket" },
  strap: { words: "strap", instead: "a belt or a towel" },
  wedge: { words: "heel wedge", instead: "a book under both heels" },
  ball: { words: "firm ball", instead: "a tennis ball in a sock" },
};

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

/** Kit that stays where it is: set up once, there for the rest of the session. */
const STAYS: ReadonlySet<Kit> = new Set(["chair", "wall", "support", "box", "bench", "bar"]);

/** Of a drill's kit, what is carried from drill to drill. */
export const carried = (kit: readonly Kit[]): readonly Kit[] => (kit.some((piece) => STAYS.has(piece)) ? kit.filter((piece) => !STAYS.has(piece)) : kit);

/** Whether a piece stays where it is once it has been set up. */
export const stays = (piece: Kit): boolean => STAYS.has(piece);

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
  return { fetch: [...piecesToFetch(held, moved), ...fresh, ...supports], atHand: { held: moved, placed: [...placed, ...fresh, ...supports] } };
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
