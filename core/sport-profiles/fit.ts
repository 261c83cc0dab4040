import type { SportProfile } from "./schema";
import type { Coverage } from "~/core/coverage/coverage";
import { MOTIONS, type Motion } from "~/core/vocabulary/motions";
import type { Seconds, Share } from "~/core/units";

/** The part of the time in which motions are served that is work on them; the rest is moves, first looks and what else is wanted. */
const WORKED: Share = 0.7;

export const weightOf = (demand: SportProfile, row: Motion): number => demand.rows[row]?.weight ?? 0;

const totalWeight = (demand: SportProfile): number => MOTIONS.reduce((sum, row) => sum + weightOf(demand, row), 0);

/** How long each row should be worked, by the seconds of a session in which motions are served: T(r) = 0.7 × served × w(r) / Σ w. */
export function targetsOf(demand: SportProfile, served: Seconds): Record<Motion, Seconds> {
  const all = totalWeight(demand);
  return Object.fromEntries(
    MOTIONS.map((row) => [row, all === 0 ? 0 : (WORKED * served * weightOf(demand, row)) / all]),
  ) as Record<Motion, Seconds>;
}

/** How far a session answers a demand, 0 to 1: Σ w(r) · min(1, C(r)/T(r)) / Σ w. A demand of nothing is answered by anything. */
export function fitOf(coverage: Coverage, demand: SportProfile, served: Seconds): Share {
  const all = totalWeight(demand);
  if (all === 0 || served <= 0) return 1;
  const targets = targetsOf(demand, served);
  return (
    MOTIONS.reduce((sum, row) => {
      const weight = weightOf(demand, row);
      return weight === 0 ? sum : sum + weight * Math.min(1, coverage[row].counts / targets[row]);
    }, 0) / all
  );
}

/** The rows that fall short most, by weight and by how much is missing. */
export function missingRows(
  coverage: Coverage,
  demand: SportProfile,
  served: Seconds,
): { row: Motion; has: Seconds; wants: Seconds }[] {
  const targets = targetsOf(demand, served);
  return MOTIONS.map((row) => ({ row, has: coverage[row].counts, wants: targets[row] }))
    .filter(({ has, wants }) => wants > 0 && has < wants)
    .sort((a, b) => weightOf(demand, b.row) * (1 - b.has / b.wants) - weightOf(demand, a.row) * (1 - a.has / a.wants));
}
