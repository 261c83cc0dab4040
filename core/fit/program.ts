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
export type Solution = { kind: "optimal"; values: ReadonlyMap<string, number>; bound: number; costs?: ReadonlyMap<string, number> } | { kind: "infeasible" } | { kind: "failed"; why: string };

/** When to be content: within a share of the proven bound, or after so many nodes of the search, which is the same on every machine; `relaxed` lets whole columns be anything between. */
export type Limits = { gap?: Share; nodes?: number; relaxed?: boolean };

export type Solve = (program: Program, limits?: Limits) => Solution;

/** The program in the text format that solvers read (CPLEX LP). Names are letters, digits and underscores. */
export function programText({ objective, rows, columns }: Program): string {
  const sum = (terms: readonly Term[]) => (terms.length === 0 ? "0 zero_" : terms.map(({ column, times }) => `${times < 0 ? "-" : "+"} ${number(Math.abs(times))} ${column}`).join(" "));
  const lines = rows.flatMap(({ name, terms, least, most }) => {
    if (least !== undefined && least === most) return [` ${name}: ${sum(terms)} = ${number(least)}`];
    return [
      ...(least !== undefined ? [` ${name}_l: ${sum(terms)} >= ${number(least)}`] : []),
      ...(most !== undefined ? [` ${name}_m: ${sum(terms)} <= ${number(most)}`] : []),
    ];
  });
  const whole = columns.filter((c) => c.whole).map((c) => c.name);
  return [
    "Maximize", ` fit: ${sum(objective)}`, "Subject To", ...lines, "Bounds", " 0 <= zero_ <= 0", ...columns.map((c) => ` ${number(c.least)} <= ${c.name} <= ${number(c.most)}`),
    ...(whole.length > 0 ? ["General", ` ${whole.join(" ")}`] : []), "End", "",
  ].join("\n");
}

const number = (n: number): string => (Number.isInteger(n) ? String(n) : n.toFixed(9));
