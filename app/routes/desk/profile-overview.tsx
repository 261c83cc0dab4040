import { type PointerEvent, useEffect, useMemo, useRef } from "react";
import type { Drag } from "./profile-drag";
import { BANDS, FLOOR, LEFT, SCALE_TOP } from "./profile-scale";
import type { Desk } from "./use-desk";
import type { spansOf } from "~/core/profile/handling";
import { landingAt, type Window } from "~/core/profile/handling";
import { miniProfile } from "~/core/profile/mini";

/** What is being dragged: the caret where a drill would land, the new end of a stretch, or a box. */
export function Dragged({
  drag,
  x,
  spans,
}: {
  drag: Drag;
  x: (t: number) => number;
  spans: ReturnType<typeof spansOf>;
}) {
  if (drag.kind === "box")
    return (
      <rect
        x={Math.min(x(drag.from), x(drag.to))}
        y={BANDS - 6}
        width={Math.abs(x(drag.to) - x(drag.from))}
        height={SCALE_TOP - BANDS + 6}
        fill="var(--depth-2)"
        fillOpacity={0.45}
        stroke="var(--depth-5)"
        strokeDasharray="4 3"
        pointerEvents="none"
      />
    );
  if (drag.kind !== "move") return null;
  const to = landingAt(spans, drag.place, drag.at);
  const others = spans.filter(({ place }) => place.block !== drag.place.block || place.item !== drag.place.item);
  const inBlock = others.filter(({ place }) => place.block === to.block);
  const next = inBlock[to.item];
  const caret = next ? next.from : (inBlock.at(-1)?.to ?? drag.at);
  return (
    <path
      d={`M${x(caret) - 5} ${BANDS - 8}h10l-5 7z M${x(caret) - 1} ${BANDS}h2V${FLOOR}h-2z`}
      fill="var(--buoy)"
      pointerEvents="none"
    />
  );
}

/** Where the window is in the whole session; press or drag to go there. */
export function Overview({
  profile,
  span,
  window,
  width,
  onMove,
}: {
  profile: Desk["profile"];
  span: number;
  window: Window;
  width: number;
  onMove: (to: number) => void;
}) {
  const mini = useMemo(() => miniProfile(profile, (width * profile.total) / span, 22), [profile, width, span]);
  const go = (event: PointerEvent<SVGSVGElement>) =>
    onMove(((event.clientX - event.currentTarget.getBoundingClientRect().left) / width) * span);
  const x = (t: number) => (t / span) * width;
  return (
    <svg
      width={width}
      height={24}
      viewBox={`0 0 ${width} 24`}
      className="mb-1 block cursor-pointer touch-none"
      style={{ marginLeft: LEFT }}
      aria-hidden
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        go(event);
      }}
      onPointerMove={(event) => event.buttons === 1 && go(event)}
    >
      <rect width={width} height={24} fill="var(--land-deep)" />
      <path d={mini.work} fill="var(--depth-3)" />
      <rect
        x={x(window.from)}
        y={0.75}
        width={x(window.to) - x(window.from)}
        height={22.5}
        fill="var(--paper)"
        fillOpacity={0.35}
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
    </svg>
  );
}

/** + and − go closer and wider, 0 shows the whole session, Shift with the arrows goes along. */
export function useProfileKeys(
  zoom: (factor: number) => void,
  whole: () => void,
  along: (share: number) => void,
): void {
  const latest = useRef({ zoom, whole, along });
  useEffect(() => {
    latest.current = { zoom, whole, along };
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement &&
        (event.target.matches("input:not([type=radio]):not([type=checkbox]), textarea, select") ||
          event.target.isContentEditable);
      if (
        typing ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey ||
        document.querySelector('[role="dialog"], [role="alertdialog"], [role="menu"]')
      )
        return;
      const { zoom: z, whole: w, along: a } = latest.current;
      if (event.key === "+" || event.key === "=") z(0.6);
      else if (event.key === "-") z(1 / 0.6);
      else if (event.key === "0") w();
      else if (event.shiftKey && event.key === "ArrowRight") a(0.4);
      else if (event.shiftKey && event.key === "ArrowLeft") a(-0.4);
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
}
