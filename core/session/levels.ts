import { LEVELS, type LevelName } from "./schema";

/** One level down; of the easiest there is none. */
export const levelBelow = (level: LevelName): LevelName | undefined => LEVELS[LEVELS.indexOf(level) - 1];
