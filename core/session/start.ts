import { USUAL_PACE } from "~/core/dose/pace";
import type { Drill } from "~/core/drills/schema";
import type { Item, SessionPlan } from "./schema";
import type { LevelName } from "~/core/vocabulary/levels";
import { NEWEST_SESSION } from "./version";

/** A drill as it is first put into a session: its own dose and sides. */
export function itemOf(drill: Drill, level: LevelName = "standard"): Item {
  return { drill: drill.id, level, dose: drill.levels[level].dose, sets: 1, restBetweenSets: 0, restAfter: 0 };
}

/** A new session of one block. */
export function newSession(
  about: Pick<SessionPlan, "title" | "purpose" | "target">,
  blocks: SessionPlan["blocks"],
): SessionPlan {
  const { title, purpose, target } = about;
  return {
    format: "mapset/session",
    version: NEWEST_SESSION,
    title,
    purpose,
    ...(target && { target }),
    firstSide: "left",
    pace: USUAL_PACE,
    blocks,
  };
}
