import type { Animation, View } from "./animation";
import type { ViewName } from "./view-names";

export { VIEW_NAMES, type ViewName } from "./view-names";

/** The four views by name: 0 looks at the figure's right side, 90 at its front. Degrees. */
export const VIEWS: Readonly<Record<ViewName, View>> = {
  side: { around: 0, above: 7 },
  front: { around: 90, above: 7 },
  "three-quarter": { around: 42, above: 14 },
  above: { around: 0, above: 68 },
};

/** The view a motion is best seen from. */
export const viewOf = (motion: Animation): View => (typeof motion.view === "string" ? VIEWS[motion.view] : motion.view);
