import { motionAt } from "~/core/drills/motion";
import type { Drill } from "~/core/drills/schema";
import { playerOf } from "~/core/figure/play";
import { beatOf, type StillMoment } from "~/core/figure/stills";
import { pairSvg, stillSvg } from "~/core/figure/svg";
import type { LevelName } from "~/core/vocabulary/levels";

/** The look of a still that stands by itself, readable on light and dark pages alike. */
const STYLE =
  "<style>path{paint-order:stroke;stroke:#11283b;stroke-width:2;stroke-linejoin:round}.fig-shadow{fill:#11283b;fill-opacity:.16;stroke:none}.fig-limb{fill:#c99f7a}.fig-limb.fig-far-1{fill:#b28a67}.fig-limb.fig-far-2{fill:#9a7555}" +
  ".fig-wear{fill:#2f7da2}.fig-wear.fig-far-1{fill:#256a8b}.fig-wear.fig-far-2{fill:#1d5874}.fig-hair{fill:#33261f}.fig-face{fill:#241a15;stroke:none}.fig-face.fig-far-1{fill:#8c4f43}.fig-prop{fill:#c6b58a}.fig-ghost{opacity:.26}.fig-prop-line{fill:none;stroke:#7d6c41;stroke-width:.8}</style>";

const MOST_KEPT = 1500;
const kept = new Map<string, string>();

/** A still of a drill as an SVG file, or undefined when the drill is not drawn. Stills are kept: a shipped drill never changes while this runs, nor does a revision of an own one. */
export function stillFile(drill: Drill, level: LevelName, moment: StillMoment): string | undefined {
  const motion = motionAt(drill, level);
  if (!motion) return undefined;
  const key = `${drill.id} ${level} ${moment}`;
  const known = kept.get(key);
  if (known) return known;
  const player = playerOf(motion);
  const look = { shape: 1, least: 130 };
  const svg = (
    moment === "pair" ? pairSvg(player, 0, beatOf(motion, "end"), look) : stillSvg(player, beatOf(motion, moment), look)
  ).replace(/>/, `>${STYLE}`);
  if (kept.size >= MOST_KEPT) kept.clear();
  kept.set(key, svg);
  return svg;
}
