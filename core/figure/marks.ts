import type { Spot } from "./camera";

/** One shape of the picture: what it is, how far back it is (0 near, 2 far), and its closed line in centimetres. */
export type Mark = {
  part: "floor" | "shadow" | "limb" | "wear" | "hair" | "face" | "prop" | "prop-line" | "hold";
  shade: 0 | 1 | 2;
  path: string;
  /** It is the partner’s. */
  second?: true;
};

/** What is drawn together at one depth. Neighbours of one chain become one shape; one that joins does so under what is worn, too. */
export type Piece = { near: number; chain: string; joins?: boolean; marks: Mark[] };

/** A place of a body's part, given in the part's own directions, as the eye sees it. */
export type See = (x: number, y: number, z?: number) => Spot;
