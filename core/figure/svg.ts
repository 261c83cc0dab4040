import { draw, type DrawOptions } from "./draw";
import type { Mark } from "./marks";
import type { View } from "./animation";
import { viewOf } from "./views";
import { frameOf, type Frame } from "./picture";
import { bodyAt, type Player } from "./play";

export const markClass = (mark: Mark): string => `fig-${mark.part}${mark.shade ? ` fig-far-${mark.shade}` : ""}`;

const marksSvg = (marks: readonly Mark[]) => marks.map((m) => `<path class="${markClass(m)}" d="${m.path}"/>`).join("");

export const frameBox = (frame: Frame): string =>
  [frame.x, frame.y, frame.width, frame.height].map((v) => v.toFixed(1)).join(" ");

type StillOptions = DrawOptions & { view?: View; shape?: number; label?: string; least?: number };

const escape = (text: string) =>
  text.replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c] ?? c);

/** A still of one moment as an SVG document. */
export function stillSvg(
  player: Player,
  beat: number,
  { view = viewOf(player.motion), shape = 4 / 3, label, least, ...options }: StillOptions = {},
): string {
  const body = bodyAt(player, beat);
  return wrap(
    frameOf(player, view, shape, least),
    marksSvg(draw(body, view, { props: player.motion.props, ...options })),
    label,
  );
}

/** Start and end in one picture, the start as a ghost behind, for print. */
export function pairSvg(
  player: Player,
  start: number,
  end: number,
  { view = viewOf(player.motion), shape = 4 / 3, label, least, hair }: StillOptions = {},
): string {
  const ghost = marksSvg(draw(bodyAt(player, start), view, { hair }));
  const whole = marksSvg(draw(bodyAt(player, end), view, { props: player.motion.props, hair }));
  return wrap(frameOf(player, view, shape, least), `<g class="fig-ghost">${ghost}</g>${whole}`, label);
}

function wrap(frame: Frame, inner: string, label: string | undefined): string {
  const role = label ? ` role="img" aria-label="${escape(label)}"` : ' aria-hidden="true"';
  return `<svg xmlns="http://www.w3.org/2000/svg" class="figure" viewBox="${frameBox(frame)}"${role}>${inner}</svg>`;
}
