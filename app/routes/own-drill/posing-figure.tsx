import { useMemo, useRef, useState } from "react";
import { MovingFigure } from "~/app/ui/figure/moving-figure";
import { cameraOf } from "~/core/figure/camera";
import { drag, HANDLES, type Handle } from "~/core/figure/editing";
import type { Animation, View } from "~/core/figure/animation";
import { frameOf, type Frame } from "~/core/figure/picture";
import { playerOf } from "~/core/figure/play";
import type { Pose } from "~/core/figure/pose";
import { solvePose } from "~/core/figure/solve";
import { frameBox } from "~/core/figure/svg";
import { add, scale, type Vec } from "~/core/figure/vectors";

const HANDLE_WORDS: Readonly<Record<Handle, string>> = {
  pelvis: "Pelvis",
  "left.palm": "Left hand",
  "right.palm": "Right hand",
  "left.ankle": "Left foot",
  "right.ankle": "Right foot",
  "left.knee": "Left knee",
  "right.knee": "Right knee",
};
const SHAPE = 4 / 3;
const KEY_STEP = 0.02;

type Props = {
  motion: Animation;
  pose: Pose;
  at: number;
  view: View;
  onPose: (pose: Pose, words: string, key: string) => void;
};

/** The key position large, with a handle at each hand, foot and knee and at the pelvis to drag, or to move with the arrow keys. */
export function PosingFigure({ motion, pose, at, view, onPose }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const start = useRef<{ handle: Handle; pose: Pose; x: number; y: number }>(undefined);
  const [held, setHeld] = useState<Frame>();
  const camera = useMemo(() => cameraOf(view), [view]);
  const own = useMemo(() => frameOf(playerOf(motion), view, SHAPE), [motion, view]);
  const frame = held ?? own;
  const solved = useMemo(() => solvePose(pose), [pose]);
  const inPlane = (dx: number, dy: number): Vec => add(scale(camera.right, dx), scale(camera.up, dy));

  const spotOf = (event: React.PointerEvent) => {
    const box = svg.current!.getBoundingClientRect();
    // The picture is fitted whole into its place.
    const size = Math.min(box.width / frame.width, box.height / frame.height);
    return { x: event.clientX / size / 100, y: event.clientY / size / 100 };
  };
  const move = (event: React.PointerEvent) => {
    const from = start.current;
    if (!from) return;
    const to = spotOf(event);
    onPose(
      drag(from.pose, from.handle, inPlane(to.x - from.x, from.y - to.y)),
      `move the ${HANDLE_WORDS[from.handle].toLowerCase()}`,
      `drag ${from.handle}`,
    );
  };
  const end = () => {
    start.current = undefined;
    setHeld(undefined);
  };
  return (
    <div className="relative aspect-[4/3] w-full rounded-md bg-paper">
      <MovingFigure
        motion={motion}
        stage={() => ({ side: "right", beat: at, breath: 0.4 })}
        still
        moment={at}
        view={view}
        frame={frame}
        shape={SHAPE}
        label="The key position"
        className="figure absolute inset-0 h-full w-full"
      />
      <svg
        ref={svg}
        viewBox={frameBox(frame)}
        className="absolute inset-0 h-full w-full touch-none"
        onPointerMove={move}
        onPointerUp={end}
        onPointerCancel={end}
      >
        {HANDLES.map((handle) => {
          const spot = camera.see(solved.points[handle]);
          return (
            <circle
              key={handle}
              cx={spot.x}
              cy={spot.y}
              r={3.6}
              tabIndex={0}
              role="button"
              aria-label={`${HANDLE_WORDS[handle]}: drag, or move with the arrow keys`}
              className="cursor-grab fill-land/70 stroke-buoy focus-visible:fill-buoy"
              strokeWidth={1.4}
              onPointerDown={(event) => {
                event.currentTarget.setPointerCapture(event.pointerId);
                setHeld(frame);
                start.current = { handle, pose, ...spotOf(event) };
              }}
              onKeyDown={(event) => {
                const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[event.key];
                if (!by) return;
                event.preventDefault();
                onPose(
                  drag(pose, handle, inPlane(by[0]! * KEY_STEP, by[1]! * KEY_STEP)),
                  `move the ${HANDLE_WORDS[handle].toLowerCase()}`,
                  `key ${handle}`,
                );
              }}
            >
              <title>{HANDLE_WORDS[handle]}</title>
            </circle>
          );
        })}
      </svg>
    </div>
  );
}
