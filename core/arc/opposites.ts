import { heldKey, HELD_POSITIONS } from "~/core/sport-profiles/held";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { MOTION_FACTS, type Motion } from "~/core/vocabulary/motions";

const PAIRS: readonly (readonly [Motion, Motion])[] = [
  ["hip.ext", "hip.flex"],
  ["hip.abd", "hip.add"],
  ["hip.er", "hip.ir"],
  ["kn.flex", "kn.ext"],
  ["an.df", "an.pf"],
  ["th.flex", "th.ext"],
  ["lu.flex", "lu.ext"],
  ["sh.flex", "sh.ext"],
  ["sh.er", "sh.ir"],
  ["wr.flex", "wr.ext"],
  ["nk.flex", "nk.ext"],
  ["scap", "th.flex"],
  ["scap", "sh.ir"],
  ["trunk", "lu.ext"],
];

/** The motions whose muscles work against a motion; those to the side and turning oppose themselves on the other side. */
export const oppositesOf = (row: Motion): Motion[] => {
  const across = MOTION_FACTS[row].plane !== "forward-back" && /\.(rot|side)$/.test(row) ? [row] : [];
  return [...across, ...PAIRS.flatMap(([a, b]) => (a === row ? [b] : b === row ? [a] : []))];
};

/** What people at a desk are held in, whatever their sport. */
const AT_A_DESK = ["hips-folded", "upper-back-rounded", "arms-in-front", "head-forward"];

/** What nobody does all day at a desk: turning, leaning and looking round. It opposes nothing that is held there, and is missed all the same. */
export const LEFT_OUT_AT_A_DESK: ReadonlySet<Motion> = new Set(["th.rot", "th.side", "nk.rot", "nk.side"]);

/** The motions that undo what people are held in: at a desk, and by their sport. */
export const undoing = (profile: SportProfile | undefined): ReadonlySet<Motion> =>
  new Set([...AT_A_DESK, ...(profile?.held ?? []).map(heldKey)].flatMap((key) => HELD_POSITIONS[key]?.opposites ?? []));
