import type { Drill, DrillLevel } from "~/core/drills/schema";
import type { LevelName } from "~/core/session/levels";
import type { TimedDrill } from "~/core/timeline/types";
import { KIT, type Kit } from "~/core/drills/kit";
import { POSTURES, type Posture } from "~/core/timeline/postures";
import { STANCES, type Stance } from "~/core/timeline/stance";

/** A drill with only what the arithmetic of time looks at, for tests. */
export function timedDrill(
  id: string, posture: Posture, more: Partial<{ sides: TimedDrill["sides"]; directions: 1 | 2; kit: Kit[]; endPosture: Posture; stance: Stance }> = {},
): TimedDrill {
  const level = { posture, endPosture: more.endPosture ?? posture, kit: more.kit ?? [], ...(more.stance && { stance: more.stance }) };
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
    ...(i % 5 === 1 && { stance: STANCES[i % STANCES.length] }),
  }),
);

type Over = Partial<Omit<Drill, "levels">> & Partial<DrillLevel> & { levels?: Partial<Record<LevelName, Partial<DrillLevel>>> };

const UNBENT = { working: 0, other: 0 };
const PLAIN: DrillLevel = {
  how: "As it is.", posture: "standing", endPosture: "standing", kit: [], main: ["hip.flex"], also: [], loads: [], dose: { kind: "time", seconds: 30 }, bounds: { least: 10, most: 120, step: 5 },
  stress: { always: [], timed: [], pressed: [], bends: { "hip-deep-bend": UNBENT, "knee-deep-bend": UNBENT, "shoulder-overhead": UNBENT }, drawn: true, pace: 0 },
};

/** A whole drill that stresses nothing, with what a test says otherwise of it, of all its levels, or of one of them. */
export function madeDrill(id: string, { levels = {}, ...over }: Over = {}): Drill {
  const { name = `The ${id}`, region = "whole-body", method = "dynamic", sides = "together", directions = 1, setUp = ["Stand tall."], ...all } = over;
  const level = (which: LevelName): DrillLevel => ({ ...PLAIN, ...all, ...levels[which] });
  return {
    id, name, region, method, sides, directions, setUp, brief: "A drill.", steps: ["Move."], feel: ["Ease."], elsewhere: [{ felt: "Pain.", change: "Stop." }], faults: [{ see: "Hurry.", say: "Slower." }], cautions: ["Ease off where it hurts."],
    levels: { easier: level("easier"), standard: level("standard"), harder: level("harder") },
  };
}
