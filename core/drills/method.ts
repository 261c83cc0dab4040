/** The ways of working a drill may have. */
export const METHODS = [
  "hold", "dynamic", "circles", "breath", "effort", "resisted", "activation", "strength", "balance", "flow", "travel", "release",
] as const;
export type Method = (typeof METHODS)[number];
