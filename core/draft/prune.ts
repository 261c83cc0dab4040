import { rowsOf, type Candidate } from "./candidates";
import { stepRank } from "./sequencing";
import type { Kit } from "~/core/vocabulary/kit";

/** Drills of one kind, of which a session holds at most one: the same main motions, worked the same way in the same position. */
export const kindOf = (c: Candidate): string =>
  `${[...c.drill.levels[c.level].main].sort().join()} ${c.drill.method} ${c.from}`;

/** What drills have in common that feel the same: a main motion, worked the same way in the same position. Drills of one kind have all of it. */
export const feelsOf = (c: Candidate): string[] =>
  c.drill.levels[c.level].main.map((row) => `${row} ${c.drill.method} ${c.from}`);

/**
 * The candidates without those that another of their kind, with the same first motion and in the same step, replaces at no loss: no longer, no more kit, and
 * at least as much of everything. As a session holds one of a kind at most, no better session is lost. `wanted` stay, and so does what
 * only drills replace that `stands` does not take in its stead.
 */
export function undominated(
  candidates: readonly Candidate[],
  wanted: (c: Candidate) => boolean,
  stands: (better: Candidate, here: Candidate) => boolean = () => true,
): number[] {
  const replaced = (here: Candidate, by: Candidate) => stands(by, here) && replaces(by, here);
  const kinds = new Map<string, number[]>();
  candidates.forEach((c, i) => {
    const key = `${kindOf(c)} ${c.drill.levels[c.level].main[0]!} ${stepRank(c.step)}`;
    kinds.set(key, [...(kinds.get(key) ?? []), i]);
  });
  const kept: number[] = [];
  for (const which of kinds.values()) {
    const best: number[] = [];
    for (const i of which) {
      const here = candidates[i]!;
      if (wanted(here) || !best.some((j) => replaced(here, candidates[j]!))) best.push(i);
    }
    kept.push(
      ...best.filter(
        (i) => wanted(candidates[i]!) || !best.some((j) => j > i && replaced(candidates[i]!, candidates[j]!)),
      ),
    );
  }
  return kept.sort((a, b) => a - b);
}

const TOLERANCE = 1e-6;

function replaces(better: Candidate, here: Candidate): boolean {
  if (
    better.to !== here.to ||
    better.level !== here.level ||
    better.doses.length < here.doses.length ||
    !within(better.kit, here.kit)
  )
    return false;
  // What it warms may be asked for by another.
  const warms = rowsOf(better, true);
  if (![...rowsOf(here, true)].every((row) => warms.has(row))) return false;
  if (better.seconds > here.seconds + TOLERANCE || better.each > here.each + TOLERANCE) return false;
  // A hold that gives more also uses up more of what may be held before power.
  const exact = here.drill.method === "hold";
  const enough = (a: number, b: number) => (exact ? Math.abs(a - b) <= TOLERANCE : a >= b - TOLERANCE);
  return (
    enough(better.work.seconds, here.work.seconds) &&
    enough(better.work.each, here.work.each) &&
    here.gives.every((give) => {
      const other = better.gives.find((g) => g.row === give.row);
      return other !== undefined && enough(other.seconds, give.seconds) && enough(other.each, give.each);
    })
  );
}

const within = (few: readonly Kit[], many: readonly Kit[]): boolean => {
  const left = [...many];
  return few.every((piece) => {
    const at = left.indexOf(piece);
    if (at >= 0) left.splice(at, 1);
    return at >= 0;
  });
};
