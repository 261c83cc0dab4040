import { motionAt } from "~/core/drills/motion";
import type { Drill } from "~/core/drills/schema";
import { lookAt, partnerOf, type Look } from "~/core/figure/looks";
import { playerOf } from "~/core/figure/play";
import { beatOf, type StillMoment } from "~/core/figure/stills";
import { pairSvg, stillSvg } from "~/core/figure/svg";
import { ClubCache, type Whose } from "~/db/club-cache";
import type { LevelName } from "~/core/vocabulary/levels";

/** The style of a still that stands by itself, readable on light and dark pages alike. */
export function styleOf(number: number): string {
  const shades = (part: string, fills: readonly string[]) =>
    fills.map((fill, i) => `.fig-${part}${i ? `.fig-far-${i}` : ""}{fill:${fill}}`).join("");
  const person = ({ skin, wear, hairFill, eyes, mouth }: Look, who = "") =>
    `${shades(`limb${who}`, skin)}${shades(`wear${who}`, wear)}.fig-hair${who}{fill:${hairFill}}.fig-face${who}{fill:${eyes};stroke:none}.fig-face.fig-far-1${who}{fill:${mouth}}`;
  return (
    "<style>path{paint-order:stroke;stroke:#11283b;stroke-width:2;stroke-linejoin:round}.fig-shadow{fill:#11283b;fill-opacity:.16;stroke:none}" +
    person(lookAt(number)) +
    person(partnerOf(number), ".fig-second") +
    ".fig-prop{fill:#c6b58a}.fig-ghost{opacity:.26}.fig-prop-line{fill:none;stroke:#7d6c41;stroke-width:.8}</style>"
  );
}

const kept = new ClubCache<{ svg: string }>(1500);

/**
 * A still of a drill as an SVG file, or undefined when the drill is not drawn. Stills are kept: a shipped drill never
 * changes while this runs, nor does a revision of an own one.
 */
export function stillFile(
  whose: Whose,
  drill: Drill,
  level: LevelName,
  moment: StillMoment,
  look = 0,
): string | undefined {
  const motion = motionAt(drill, level);
  if (!motion) return undefined;
  const key = `${drill.id} ${level} ${moment} ${look}`;
  const known = kept.get(whose, key);
  if (known) return known.svg;
  const player = playerOf(motion);
  const options = { shape: 1, least: 130, hair: lookAt(look).hair, secondHair: partnerOf(look).hair };
  const svg = (
    moment === "pair"
      ? pairSvg(player, 0, beatOf(motion, "end"), options)
      : stillSvg(player, beatOf(motion, moment), options)
  ).replace(/>/, `>${styleOf(look)}`);
  return kept.set(whose, key, { svg }).svg;
}
