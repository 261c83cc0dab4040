import type { Tightness } from "./schema";

/** Felt this tight, of ten, a joint is worth a few minutes. */
const TIGHT = 6;
/** So far apart, the sides are felt to differ. */
const APART = 3;

/** Whether a rating is worth a few minutes for that joint: felt tight on a side, or clearly tighter on one. A rating is a feeling, not a measurement. */
export const isNotable = ({ left, right }: Pick<Tightness, "left" | "right">): boolean =>
  Math.max(left ?? 0, right ?? 0) >= TIGHT || (left !== null && right !== null && Math.abs(left - right) >= APART);
