/** Shortest and longest work, and longest rest, of work by the clock, in seconds. Apart from the schema, which phones do without. */
export const INTERVAL_BOUNDS = { leastWork: 5, mostWork: 600, mostRest: 600 } as const;
