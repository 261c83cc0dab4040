export const LEFT = 74;
export const RIGHT = 36;
export const BANDS = 22;
const BODY = 108;
const SIDES_TOP = BANDS + BODY + 10;
export const SIDE = 15;
export const SCALE_TOP = SIDES_TOP + 2 * SIDE + 9;
export const HEIGHT = SCALE_TOP + 26;
export const STEPS = ["lying", "sitting", "all fours", "kneeling", "standing", "hanging"];

export const stepY = (step: number) => BANDS + BODY - ((step + 0.75) / 5.75) * (BODY - 4);
export const FLOOR = BANDS + BODY;
export const CENTRE = SIDES_TOP + SIDE;

export type X = (t: number) => number;
export const box = (x: X, s: { from: number; to: number }, top: number, bottom: number) => {
  const from = x(s.from);
  return `M${from.toFixed(1)} ${bottom.toFixed(1)}V${top.toFixed(1)}H${Math.max(from + 0.5, x(s.to)).toFixed(1)}V${bottom.toFixed(1)}Z`;
};
