import type { Drill } from "./schema";
import type { Animation } from "~/core/figure/animation";
import type { LevelName } from "~/core/vocabulary/levels";

/** How a drill moves at a level: the level's own motion, else the standard one, else nothing. */
export const motionAt = (drill: Pick<Drill, "motions">, level: LevelName): Animation | undefined =>
  drill.motions?.[level] ?? drill.motions?.standard;
