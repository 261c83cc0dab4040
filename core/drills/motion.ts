import type { Drill, DrillLevel } from "./schema";
import { asksEffort } from "~/core/dose/dose";
import type { Animation } from "~/core/figure/animation";
import type { Motion } from "~/core/vocabulary/motions";
import type { LevelName } from "~/core/vocabulary/levels";

/** How a drill moves at a level: the level's own motion, else the standard one, else nothing. */
export const motionAt = (drill: Pick<Drill, "motions">, level: LevelName): Animation | undefined =>
  drill.motions?.[level] ?? drill.motions?.standard;

/** The rows that a level's drawing has to move. Nothing moves in a still effort: it is pushed against itself. */
export const rowsToMove = ({ dose, main }: Pick<DrillLevel, "dose" | "main">): readonly Motion[] =>
  asksEffort(dose) ? [] : main;
