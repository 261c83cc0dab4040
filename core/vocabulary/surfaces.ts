/** What a group stands on. */
export const SURFACES = [
  "mat",
  "hall floor",
  "dry grass",
  "wet grass",
  "hard ground",
  "dock or deck",
  "carpet",
] as const;

export type Surface = (typeof SURFACES)[number];
