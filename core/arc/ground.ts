import type { Arc, Ground } from "./schema";
import { SURFACE_FACTS } from "~/core/group/surfaces";
import { type Surface } from "~/core/vocabulary/surfaces";
import type { GroupSetting } from "~/core/group/schema";
import type { SportProfile } from "~/core/sport-profiles/schema";
import type { Purpose } from "~/core/session/schema";
import { HEIGHT, isDown, postureFacts, type Posture } from "~/core/vocabulary/postures";

/** What a group stands on where nobody has said. */
export const usualSurface = (purpose: Purpose): Surface =>
  purpose === "off-day" ? "mat" : purpose === "desk-break" ? "carpet" : "hall floor";

export const surfaceOf = (setting: Pick<GroupSetting, "surface"> | undefined, purpose: Purpose): Surface =>
  setting?.surface ?? usualSurface(purpose);

/** Lying, sitting on the floor, on hands or both knees; kneeling on one knee or tall, and the deep squat; on the feet; on a seat. */
export type Place = "low" | "middle" | "feet" | "seat";

export function placeOf(posture: Posture): Place {
  if (postureFacts(posture).seated) return "seat";
  if (isDown(posture)) return "low";
  return HEIGHT[posture] < HEIGHT.standing ? "middle" : "feet";
}

/** How much of a session's work may be low, in per cent, where it takes place. */
export const lowAtMost = (ground: Ground, surface: Surface): number =>
  !SURFACE_FACTS[surface].down || (ground.lowWhere === "soft" && SURFACE_FACTS[surface].kneel !== "yes")
    ? 0
    : ground.low;

/** An arc's ground for a sport: one that is fought on the ground has its own. */
export const groundOf = (arc: Arc, profile: Pick<SportProfile, "groundSport"> | undefined): Ground =>
  (profile?.groundSport && arc.groundSport) || arc.ground;
