import type { Drill } from "~/core/drills/schema";
import { ankleAndFoot } from "./ankle-and-foot";
import { breathAndTrunk } from "./breath-and-trunk";
import { hipBack } from "./hip-back";
import { hipFront } from "./hip-front";
import { hipSides } from "./hip-sides";
import { hipTurn } from "./hip-turn";
import { shoulder } from "./shoulder";
import { spine } from "./spine";
import { wholeBody } from "./whole-body";

/** Every drill that ships with Mapset. */
export const DRILLS: readonly Drill[] = [
  ...breathAndTrunk, ...spine, ...shoulder, ...hipFront, ...hipBack, ...hipSides, ...hipTurn, ...ankleAndFoot, ...wholeBody,
];

const byId = new Map(DRILLS.map((drill) => [drill.id, drill]));

/** The drill of an id, or undefined. */
export function drillById(id: string): Drill | undefined {
  return byId.get(id);
}
