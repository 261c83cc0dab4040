import type { Share } from "~/core/units";

/** A mixed-integer linear program, and what a solver says of it. The solver itself is handed in; the core only writes and reads. */
export type Program = {
  /** To be made as large as can be. */
  objective: Term[];
  rows: { name: string; terms: Term[]; least?: number; most?: number }[];
  columns: { name: string; least: number; most: number; whole: boolean }[];
};

export type Term = { column: string; times: number };

/**
 * The values of the columns, or why there are none. `bound` is what no solution can be better than, as proven; without
 * limits it is the value found. `costs`, where wholeness was let go, is what one more of each column would add.
 */
export type Solution =
  | { kind: "optimal"; values: ReadonlyMap<string, number>; bound: number; costs?: ReadonlyMap<string, number> }
  | { kind: "infeasible" }
  | { kind: "failed"; why: string };

/** When to be content: within a share of the proven bound, or after so many nodes of the search, which is the same on every machine; `relaxed` lets whole columns be anything between; `start` are values of whole columns to begin from, if they keep the rows. */
export type Limits = {
  gap?: Share;
  nodes?: number;
  relaxed?: boolean;
  start?: ReadonlyMap<string, number>;
};

export type Solve = (program: Program, limits?: Limits) => Solution;
