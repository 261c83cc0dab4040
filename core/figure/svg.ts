import { draw, type DrawOptions } from "./draw";
import type { Hair } from "./draw-head";
import type { Mark } from "./marks";
import type { View } from "./animation";
import { viewOf } from "./views";
import { frameOf, type Frame } from "./picture";
import { bodyAt, secondAt, type Player } from "./play";

export const markClass = (mark: Mark): string =>
  `fig-${mark.part}${mark.shade ? ` fig-far-${mark.shade}` : ""}${mark.second ? " fig-second" : ""}`;

const marksSvg = (marks: readonly Mark[]) => marks.map((m) => `<path class="${markClass(m)}" d="${m.path}"/>`).join("");

export const frameBox = (frame: Frame): string =>
  [frame.x, frame.y, frame.width, frame.height].map((v) => v.toFixed(1)).join(" ");

type StillOptions = Omit<DrawOptions, "second"> & {
  secondHair?: Hair | undefined;
  view?: View;
  shape?: number;
  label?: string;
  least?: number;
};

const partner = (player: Player, beat: number, hair: Hair = "short"): DrawOptions["second"] => {
  const body = secondAt(player, beat);
  return body && { body, hair };
};

const escape = (text: string) =>
  text.replace(/[&<>"]/g, (c) => ({ "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" })[c] ?? c);

/** A still of one moment as an SVG document. */
export function stillSvg(
  player: Player,
  beat: number,
  { view = viewOf(player.motion), shape = 4 / 3, label, least, secondHair, ...options }: StillOptions = {},
): string {
  const body = bodyAt(player, beat);
  const second = partner(player, beat, secondHair);
  return wrap(
    frameOf(player, view, shape, least),
    marksSvg(draw(body, view, { props: player.motion.props, second, ...options })),
    label,
  );
}

/** Start and end in one picture, the start as a ghost behind, for print. */
export function pairSvg(
  player: Player,
  start: number,
  end: number,
  { view = viewOf(player.motion), shape = 4 / 3, label, least, hair, secondHair }: StillOptions = {},
): string {
  const ghost = marksSvg(draw(bodyAt(player, start), view, { hair, second: partner(player, start, secondHair) }));
  const second = partner(player, end, secondHair);
  const whole = marksSvg(draw(bodyAt(player, end), view, { props: player.motion.props, hair, second }));
  return wrap(frameOf(player, view, shape, least), `<g class="fig-ghost">${ghost}</g>${whole}`, label);
}

function wrap(frame: Frame, inner: string, label: string | undefined): string {
  const role = label ? ` role="img" aria-label="${escape(label)}"` : ' aria-hidden="true"';
  return `<svg xmlns="http://www.w3.org/2000/svg" class="figure" viewBox="${frameBox(frame)}"${role}>${inner}</svg>`;
}
