import type { TimedDrill } from "~/core/timeline/types";
import { KIT, type Kit } from "~/core/drills/kit";
import { POSTURES, type Posture } from "~/core/timeline/postures";

/** A drill with only what the arithmetic of time looks at, for tests. */
export function timedDrill(
  id: string, posture: Posture, more: Partial<{ sides: TimedDrill["sides"]; directions: 1 | 2; kit: Kit[]; endPosture: Posture }> = {},
): TimedDrill {
  const level = { posture, endPosture: more.endPosture ?? posture, kit: more.kit ?? [] };
  return { id, sides: more.sides ?? "each", directions: more.directions ?? 1, levels: { easier: level, standard: level, harder: level } };
}

export function lookup(drills: TimedDrill[]): (id: string) => TimedDrill | undefined {
  return (id) => drills.find((drill) => drill.id === id);
}

/** A drill for every posture and a few kinds of sides and kit, for generated sessions. */
export const SAMPLE_DRILLS: TimedDrill[] = POSTURES.map((posture, i) =>
  timedDrill(`d${i}`, posture, {
    sides: (["each", "together", "alternating"] as const)[i % 3],
    directions: i % 4 === 0 ? 2 : 1,
    kit: i % 2 === 0 ? [] : KIT.slice(i % 5, (i % 5) + (i % 3)),
    endPosture: POSTURES[(i * 7) % POSTURES.length],
  }),
);
