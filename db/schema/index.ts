/* The tables, by what they are about. */
export * from "./accounts";
export * from "./clubs";
export * from "./people";
export * from "./sessions";
export * from "./runs";
export * from "./drills";
export * from "./live";
