/** The levels of a drill, from the easiest. Apart from the schema, which phones do without. */
export const LEVELS = ["easier", "standard", "harder"] as const;
export type LevelName = (typeof LEVELS)[number];

/** One level down; of the easiest there is none. */
export const levelBelow = (level: LevelName): LevelName | undefined => LEVELS[LEVELS.indexOf(level) - 1];
