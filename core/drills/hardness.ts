import type { Method } from "~/core/drills/method";
import type { Dose, LevelName } from "~/core/session/schema";
import type { Share } from "~/core/units";

/** How hard a method is on a cold body, 0 to 1: our own order, easy breath to full effort. */
const HARD: Readonly<Record<Method, Share>> = {
  breath: 0.1, circles: 0.2, release: 0.25, dynamic: 0.4, hold: 0.4, flow: 0.5, activation: 0.5, travel: 0.55, balance: 0.55, resisted: 0.65, strength: 0.75, effort: 0.85,
};
const BY_LEVEL: Readonly<Record<LevelName, Share>> = { easier: -0.12, standard: 0, harder: 0.12 };

/** How hard a drill is at a level and dose; a ramp is as hard as its strongest step. */
export function hardness(method: Method, level: LevelName, dose: Dose): Share {
  const effort = dose.kind === "effort" ? Math.max(...dose.ramp.map((step) => step.effort)) / 100 : 0;
  return Math.max(HARD[method] + BY_LEVEL[level], effort);
}
