export type OneSide = "left" | "right";

export const otherSide = (side: OneSide): OneSide => (side === "left" ? "right" : "left");
