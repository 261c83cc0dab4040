import type { Seconds } from "~/core/units";

/** Sums are told apart to the millisecond. */
const PER_SECOND = 1000;
/** So many different sums are looked at; beyond that nothing is said. */
const MOST_SUMS = 200_000;

/**
 * Whether choosing one of each of these lists of seconds can come to between `least` and `most` in all: sums of beats often can't
 * come out at the second, and a search for a way there would try them all. True where there are too many sums to tell.
 */
export function canComeTo(lists: readonly (readonly Seconds[])[], least: Seconds, most: Seconds): boolean {
  const whole = lists.map((list) => [...new Set(list.map((seconds) => Math.round(seconds * PER_SECOND)))]);
  const [from, until] = [Math.ceil(least * PER_SECOND - 0.5), Math.floor(most * PER_SECOND + 0.5)];
  // What the lists still to come can add at least and at most.
  let fewest = whole.reduce((sum, list) => sum + Math.min(...list), 0);
  let largest = whole.reduce((sum, list) => sum + Math.max(...list), 0);
  let sums = new Set([0]);
  for (const list of whole) {
    fewest -= Math.min(...list);
    largest -= Math.max(...list);
    const next = new Set<number>();
    for (const sum of sums)
      for (const more of list) {
        const so = sum + more;
        if (so + fewest <= until && so + largest >= from) next.add(so);
      }
    if (next.size > MOST_SUMS) return true;
    sums = next;
  }
  return [...sums].some((sum) => sum >= from && sum <= until);
}
