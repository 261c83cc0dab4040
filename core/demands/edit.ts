import type { Demand } from "./schema";
import { ROWS, type Row } from "~/core/vocabulary/rows";

/** A copy to be made one's own; its name says so and stays within the limit. */
export function copyOfDemand(demand: Demand): Demand {
  return { ...demand, id: "own", name: `${demand.name.slice(0, 74)}, mine` };
}

/** Gives a row another weight, 0 to 3 in halves. With 0 the row is left out; a new row begins with the reason given. */
export function withWeight(demand: Demand, row: Row, weight: number, why: string): Demand {
  const { [row]: old, ...rest } = demand.rows;
  const rows = weight === 0 ? rest : { ...rest, [row]: { weight, why: old?.why ?? why } };
  return { ...demand, rows: inOrder(rows) };
}

export function withReason(demand: Demand, row: Row, why: string): Demand {
  const old = demand.rows[row];
  return old ? { ...demand, rows: { ...demand.rows, [row]: { ...old, why } } } : demand;
}

/** Motions whose opposites gain weight when people are held in a position all week, for the positions that are usual. */
export const HELD_POSITIONS: readonly { words: string; opposites: readonly Row[] }[] = [
  { words: "hips folded", opposites: ["hip.ext"] },
  { words: "upper back rounded", opposites: ["th.ext"] },
  { words: "arms in front", opposites: ["sh.ext", "sh.er", "scap"] },
  { words: "arms overhead", opposites: ["sh.ext"] },
  { words: "head forward", opposites: ["nk.ext", "nk.flex"] },
  { words: "neck bent back", opposites: ["nk.flex"] },
  { words: "feet pointed", opposites: ["an.df"] },
  { words: "knees bent", opposites: ["kn.ext"] },
  { words: "turned to one side", opposites: ["th.rot", "hip.ir", "hip.er"] },
  { words: "wrists bent back", opposites: ["wr.flex"] },
  { words: "only forward", opposites: ["th.rot", "th.side", "hip.abd", "hip.ir"] },
];

/** Adds a held position: each opposite weighs one more, up to 3. Taking it away takes one off again, down to nothing. */
export function withHeld(demand: Demand, words: string, held: boolean): Demand {
  if (held === demand.held.includes(words)) return demand;
  const opposites = HELD_POSITIONS.find((one) => one.words === words)?.opposites ?? [];
  const next = { ...demand, held: held ? [...demand.held, words].slice(0, 6) : demand.held.filter((h) => h !== words) };
  if (next.held.length === demand.held.length) return demand;
  return opposites.reduce((d, row) => {
    const now = d.rows[row]?.weight ?? 0;
    return withWeight(d, row, Math.min(3, Math.max(0, now + (held ? 1 : -1))), `the opposite of ${words}`);
  }, next);
}

const inOrder = (rows: Demand["rows"]): Demand["rows"] => Object.fromEntries(ROWS.flatMap((row) => (rows[row] ? [[row, rows[row]]] : [])));
