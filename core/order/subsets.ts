import type { Seconds } from "~/core/units";

/** So little for each pair out of the order given that equal costs keep it. */
const TIE = 1e-6;

type Search = {
  /** What it costs to come to each thing first, and from thing i to thing j at i · n + j. */
  start: ArrayLike<Seconds>;
  cost: ArrayLike<Seconds>;
  /** For each thing the things that come before it, as bits. */
  needs: ArrayLike<number>;
  /** The thing that stays at the end. */
  last?: number | undefined;
};

/** The least cost of all orders of n things that end with each, `Infinity` where none can, and the order that has it. */
export type Ends = { cost: Seconds[]; order: (last: number) => number[] };

/**
 * The cheapest order of n things for each that may be the last one: exact, by dynamic programming over subsets (Held and Karp
 * 1962), in n² · 2ⁿ steps. Of equally cheap orders the one nearest to the order given. Throws for more than sixteen things.
 */
export function cheapestOrders(n: number, { start, cost, needs, last }: Search): Ends {
  if (n > 16) throw new RangeError(`${n} things are too many to be put in order exactly.`);
  const size = 1 << n;
  const ones = new Uint8Array(size);
  for (let mask = 1; mask < size; mask++) ones[mask] = ones[mask >> 1]! + (mask & 1);
  const tie = (i: number, mask: number) => TIE * ones[((1 << i) - 1) & ~mask]!;
  const best = new Float64Array(size * n).fill(Infinity);
  const from = new Int8Array(size * n).fill(-1);
  const may = (i: number, mask: number) => (needs[i]! & ~mask) === 0 && (i !== last || mask === size - 1 - (1 << i));
  for (let i = 0; i < n; i++) if (may(i, 0)) best[(1 << i) * n + i] = start[i]! + tie(i, 0);
  for (let mask = 1; mask < size; mask++)
    for (let j = 0; j < n; j++) {
      if (mask & (1 << j) || !may(j, mask)) continue;
      let least = Infinity;
      let by = -1;
      for (let i = 0; i < n; i++) {
        const sum = best[mask * n + i]! + cost[i * n + j]!;
        if (sum < least - 1e-12) {
          least = sum;
          by = i;
        }
      }
      if (by < 0) continue;
      best[(mask | (1 << j)) * n + j] = least + tie(j, mask);
      from[(mask | (1 << j)) * n + j] = by;
    }
  const order = (end: number): number[] => {
    const list: number[] = [];
    for (let mask = size - 1, i = end; i >= 0;) {
      list.unshift(i);
      const previous = from[mask * n + i]!;
      mask &= ~(1 << i);
      i = previous;
    }
    return list;
  };
  return { cost: Array.from({ length: n }, (_, i) => best[(size - 1) * n + i]!), order };
}

/** Things named by their places, as bits. */
export const bitsOf = (places: readonly number[] | undefined): number =>
  (places ?? []).reduce((mask, i) => mask | (1 << i), 0);
