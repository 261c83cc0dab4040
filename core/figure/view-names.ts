/** The ways a figure is looked at, by name. */
export const VIEW_NAMES = ["side", "front", "three-quarter", "above"] as const;
export type ViewName = (typeof VIEW_NAMES)[number];
