import type { OneSide } from "~/core/session/schema";

export const otherSide = (side: OneSide): OneSide => (side === "left" ? "right" : "left");
