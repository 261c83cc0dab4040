import { useEffect, useMemo, useRef } from "react";
import { useLook } from "./look";
import { arcs, workingJoints } from "~/core/figure/arcs";
import { cameraOf } from "~/core/figure/camera";
import { draw } from "~/core/figure/draw";
import type { Animation, View } from "~/core/figure/animation";
import { lookAt, partnerOf, type Look } from "~/core/figure/looks";
import { frameOf, type Frame } from "~/core/figure/picture";
import { bodyAt, playerOf, secondAt, type Player } from "~/core/figure/play";
import type { Side } from "~/core/figure/points";
import { frameBox, markClass } from "~/core/figure/svg";
import type { Staging } from "~/core/player/timing";
import { viewOf } from "~/core/figure/views";
import type { Motion } from "~/core/vocabulary/motions";

type Props = {
  motion: Animation;
  /** Where the figure is now. Asked for at every frame, or once when `still`. */
  stage: () => Staging;
  /** Another view than the motion's own. */
  view?: View | undefined;
  still?: boolean;
  /** Which moment a still shows; another one draws it again. */
  moment?: number;
  /** The part of the picture to show; worked out from the whole motion unless given. */
  frame?: Frame | undefined;
  /** Rows whose joints carry an arc. */
  rows?: readonly Motion[];
  /** Both sides work at once. */
  together?: boolean;
  shape?: number;
  /** Who shows it, where the page around does not say. */
  look?: number | undefined;
  label: string;
  className?: string;
};

const NS = "http://www.w3.org/2000/svg";
const LOOK_BACK = 0.06;
const PICTURE_MS = 28;

/** The colours of a look, which the style of the page takes for light and dark. */
function wear(picture: SVGSVGElement, look: Look, who: "look" | "second" = "look"): void {
  for (const [name, shades] of Object.entries({ skin: look.skin, wear: look.wear, "wear-dark": look.wearDark }))
    shades.forEach((shade, i) => picture.style.setProperty(`--${who}-${name}-${i}`, shade));
  for (const [name, colour] of Object.entries({
    hair: look.hairFill,
    "hair-dark": look.hairDark,
    eyes: look.eyes,
    mouth: look.mouth,
  }))
    picture.style.setProperty(`--${who}-${name}`, colour);
}

/** The figure in motion. The picture is written straight into the page at each frame; nothing is rendered again. */
export function MovingFigure({
  motion,
  stage,
  view,
  still = false,
  moment = 0,
  frame: fixed,
  rows = [],
  together = false,
  shape = 1,
  look: given,
  label,
  className,
}: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const around = useLook();
  const look = lookAt(given ?? around);
  const partner = partnerOf(given ?? around);
  const players = useMemo<Record<Side, Player>>(
    () => ({ right: playerOf(motion, "right"), left: playerOf(motion, "left") }),
    [motion],
  );
  const asked = useRef(stage);
  useEffect(() => {
    asked.current = stage;
  });

  const rowKey = rows.join();
  const frames = useMemo(() => {
    const of = (side: Side) => {
      const seen = view ?? viewOf(players[side].motion);
      return { view: seen, camera: cameraOf(seen), box: frameBox(fixed ?? frameOf(players[side], seen, shape)) };
    };
    return { right: of("right"), left: of("left") };
  }, [players, view, shape, fixed]);

  useEffect(() => {
    const picture = svg.current;
    if (!picture) return;
    wear(picture, look);
    if (motion.second) wear(picture, partner, "second");
    const paths: SVGPathElement[] = [];
    let box = "";
    const write = (list: { className: string; d: string; opacity?: number }[]) => {
      list.forEach(({ className: name, d, opacity }, i) => {
        const path = (paths[i] ??= picture.appendChild(document.createElementNS(NS, "path")));
        if (path.getAttribute("class") !== name) path.setAttribute("class", name);
        if (path.getAttribute("d") !== d) path.setAttribute("d", d);
        path.style.opacity = opacity === undefined ? "" : String(opacity);
      });
      while (paths.length > list.length) paths.pop()!.remove();
    };
    let shown = "";
    let failed = false;
    const show = () => {
      try {
        showNow();
        failed = false;
      } catch (error) {
        // The words and the clock around it go on; the next moment may be one that can be drawn.
        if (!failed) console.error("Mapset: a moment can’t be drawn", error);
        failed = true;
        shown = "";
        paths.splice(0).forEach((path) => path.remove());
      }
    };
    const showNow = () => {
      const { side, beat, breath, effort } = asked.current();
      // A body that stands still is not drawn again.
      const now = `${side} ${beat.toFixed(3)} ${breath.toFixed(2)} ${effort ?? ""}`;
      if (now === shown) return;
      shown = now;
      const player = players[side];
      const frame = frames[side];
      if (box !== frame.box) picture.setAttribute("viewBox", (box = frame.box));
      const body = bodyAt(player, beat);
      const other = secondAt(player, beat);
      const second = other && { body: other, hair: partner.hair };
      const marks = draw(body, frame.view, { props: player.motion.props, breath, hair: look.hair, second }).map(
        (mark) => ({
          className: markClass(mark),
          d: mark.path,
        }),
      );
      const joints = rowKey ? workingJoints(rowKey.split(",") as Motion[], together ? ["left", "right"] : [side]) : [];
      const signs = arcs(body, bodyAt(player, Math.max(0, beat - LOOK_BACK)), frame.camera, joints, effort ?? 0.85);
      write([
        ...marks,
        ...signs.map((sign) => ({
          className: `fig-arc${effort !== undefined ? " fig-effort" : ""}`,
          d: sign.path,
          opacity: 0.35 + 0.65 * sign.strength,
        })),
      ]);
    };
    show();
    if (still) return () => paths.forEach((path) => path.remove());
    let last = 0;
    let frame = requestAnimationFrame(function next(at) {
      // Thirty pictures a second are smooth enough for a body, and spare a phone's battery.
      if (at - last > PICTURE_MS) {
        last = at;
        show();
      }
      frame = requestAnimationFrame(next);
    });
    return () => {
      cancelAnimationFrame(frame);
      paths.forEach((path) => path.remove());
    };
  }, [players, frames, still, moment, rowKey, together, look, partner, motion]);

  return <svg ref={svg} role="img" aria-label={label} className={className ?? "figure"} viewBox={frames.right.box} />;
}
