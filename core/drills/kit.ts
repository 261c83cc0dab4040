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
