import { ZoomIn, ZoomOut } from "lucide-react";
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState, type PointerEvent } from "react";
import { MomentCard } from "./moment-card";
import {
  Bands,
  BANDS,
  Beats,
  Calls,
  Flags,
  FLOOR,
  Ground,
  HEIGHT,
  LEFT,
  RIGHT,
  Scale,
  SCALE_TOP,
  Shapes,
  Textures,
} from "./profile-shapes";
import { useDrills } from "~/app/ui/drills";
import { nameAt, type Desk, type Place } from "./use-desk";
import { IconButton } from "~/app/ui/button";
import type { Flag } from "~/core/audit/by-place";
import { editBlock } from "~/core/session/edits";
import { addCue } from "~/core/session/cues";
import { cueMoments } from "~/core/timeline/cue-moments";
import { doseChange } from "~/core/wording/changes";
import {
  doseLasting,
  edgeAt,
  workLasting,
  landingAt,
  moved,
  placesBetween,
  spansOf,
  zoomed,
  type Window,
} from "~/core/profile/handling";
import { miniProfile } from "~/core/profile/mini";
import type { Dose } from "~/core/dose/kinds";
import { clockText } from "~/core/lengths";
import { doseWords, tempoOf } from "~/core/dose/dose";
import { momentAt } from "~/core/timeline/moment";
import type { WorkSegment } from "~/core/timeline/types";

/** What the pointer is doing once it has moved a little. */
type Drag =
  | { kind: "press"; x: number; at: number; place: Place | undefined; edge: WorkSegment | undefined; top: boolean }
  | { kind: "move"; place: Place; at: number }
  | { kind: "edge"; segment: WorkSegment; place: Place; dose: Dose; before: Dose }
  | { kind: "box"; from: number; to: number };

const SLACK = 5;
const EDGE = 6;

/**
 * The session to scale in time and body height, its sides above and below a centre line. Point at a moment to see it; press
 * a drill to choose it, drag it to another place, drag its right edge for another dose, drag over the headings to choose
 * several; press twice to put a call at that moment. The wheel, or + − 0, goes closer; an overview shows where.
 */
export function ProfileChart({
  desk,
  flags,
  onFlag,
  onCall,
}: {
  desk: Desk;
  flags: ReadonlyMap<string, Flag>;
  onFlag: (place: Place) => void;
  onCall: (second: number) => void;
}) {
  const { profile, timeline, session, selection, marked } = desk;
  const target = session.target;
  const drills = useDrills();
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(1180);
  const [at, setAt] = useState<number>();
  const [drag, setDrag] = useState<Drag>();
  const span = Math.max(profile.total, target ?? 0, 1);
  const [asked, setAsked] = useState<Window>();
  const window_ = useMemo<Window>(
    () => (asked && asked.to - asked.from < span - 0.5 ? moved(asked, 0, span) : { from: 0, to: span }),
    [asked, span],
  );
  const close = window_.to - window_.from < span - 0.5;

  useLayoutEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => entry && setWidth(Math.max(320, entry.contentRect.width)));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  const inner = width - LEFT - RIGHT;
  const perSecond = inner / (window_.to - window_.from);
  const x = useCallback((t: number) => LEFT + (t - window_.from) * perSecond, [window_, perSecond]);
  const timeAt = useCallback(
    (clientX: number) =>
      Math.min(
        Math.max(window_.from + (clientX - (frame.current?.getBoundingClientRect().left ?? 0) - LEFT) / perSecond, 0),
        profile.total,
      ),
    [window_, perSecond, profile.total],
  );
  const zoom = useCallback(
    (factor: number, round?: number) =>
      setAsked((w) => {
        const now = w ?? { from: 0, to: span };
        return zoomed(now, factor, round ?? (now.from + now.to) / 2, span);
      }),
    [span],
  );

  // The wheel goes closer round the pointer, and sideways along; the page itself stays where it is.
  const latest = useRef({ zoom, timeAt, span, perSecond });
  useEffect(() => {
    latest.current = { zoom, timeAt, span, perSecond };
  });
  useEffect(() => {
    const element = frame.current;
    const wheel = (event: WheelEvent) => {
      const now = latest.current;
      event.preventDefault();
      if (event.shiftKey || Math.abs(event.deltaX) > Math.abs(event.deltaY))
        setAsked((w) => w && moved(w, (event.deltaX || event.deltaY) / now.perSecond, now.span));
      else now.zoom(Math.exp(event.deltaY * 0.0022), now.timeAt(event.clientX));
    };
    element?.addEventListener("wheel", wheel, { passive: false });
    return () => element?.removeEventListener("wheel", wheel);
  }, []);
  useProfileKeys(
    zoom,
    () => setAsked(undefined),
    (share) => setAsked((w) => w && moved(w, (w.to - w.from) * share, span)),
  );

  const spans = useMemo(() => spansOf(profile), [profile]);
  const calls = useMemo(() => cueMoments(session, timeline), [session, timeline]);
  const chosen = useMemo(() => (marked.length > 0 ? marked : selection ? [selection] : []), [marked, selection]);
  const moment = at === undefined || (drag && drag.kind !== "press") ? undefined : momentAt(timeline, at);
  const here = moment && session.blocks[moment.segment.block]?.items[moment.segment.item];
  const onEdge = at !== undefined && !drag && edgeAt(timeline, at, EDGE / perSecond) !== undefined;

  const press = (event: PointerEvent<SVGSVGElement>) => {
    if (event.button !== 0) return;
    const t = timeAt(event.clientX);
    const top = event.clientY - event.currentTarget.getBoundingClientRect().top < BANDS;
    const found = momentAt(timeline, t);
    event.currentTarget.setPointerCapture(event.pointerId);
    setDrag({
      kind: "press",
      x: event.clientX,
      at: t,
      place: found && { block: found.segment.block, item: found.segment.item },
      edge: top ? undefined : edgeAt(timeline, t, EDGE / perSecond),
      top,
    });
  };
  const move = (event: PointerEvent<SVGSVGElement>) => {
    const t = timeAt(event.clientX);
    setAt(t);
    if (!drag) return;
    if (drag.kind === "press") {
      if (Math.abs(event.clientX - drag.x) < SLACK) return;
      const place = drag.edge ? { block: drag.edge.block, item: drag.edge.item } : drag.place;
      const dose = drag.edge && session.blocks[drag.edge.block]?.items[drag.edge.item]?.dose;
      if (drag.edge && place && dose) setDrag({ kind: "edge", segment: drag.edge, place, dose, before: dose });
      else if (drag.top || event.shiftKey) setDrag({ kind: "box", from: drag.at, to: t });
      else if (place) setDrag({ kind: "move", place, at: t });
    } else if (drag.kind === "edge") {
      const seconds = Math.max(1, t - drag.segment.start);
      const clocked = session.blocks[drag.segment.block]?.interval !== undefined;
      setDrag({
        ...drag,
        dose: clocked
          ? { kind: "time", seconds: workLasting(drag.segment, seconds) }
          : (doseLasting(session, drag.segment, seconds, drills) ?? drag.dose),
      });
    } else if (drag.kind === "box") setDrag({ ...drag, to: t });
    else setDrag({ ...drag, at: t });
  };
  const drop = (event: PointerEvent<SVGSVGElement>) => {
    setDrag(undefined);
    if (!drag) return;
    if (drag.kind === "press") {
      if (!drag.place) return;
      if (event.ctrlKey || event.metaKey) desk.toggle(drag.place);
      else if (event.shiftKey) desk.extend(drag.place);
      else desk.select(drag.place);
    } else if (drag.kind === "box") desk.mark(placesBetween(profile, drag.from, drag.to));
    else if (drag.kind === "edge") {
      const interval = session.blocks[drag.place.block]?.interval;
      // By the clock every pass of the block is as long as this one.
      if (interval) {
        const work = drag.dose.kind === "time" && drag.dose !== drag.before ? drag.dose.seconds : interval.work;
        if (work !== interval.work)
          desk.change(
            (s) => editBlock(s, drag.place.block, { interval: { ...interval, work } }),
            `work ${interval.work} → ${work} s`,
          );
        return desk.select(drag.place);
      }
      if (drag.dose !== drag.before)
        desk.editItem(
          drag.place,
          { dose: drag.dose },
          `${nameAt(session, drag.place, drills)} ${doseChange(drag.before, drag.dose)}`,
        );
      desk.select(drag.place);
    } else {
      const to = landingAt(spans, drag.place, drag.at);
      if (to.block !== drag.place.block || to.item !== drag.place.item) desk.move(drag.place, to);
      else desk.select(drag.place);
    }
  };

  const call = () => {
    if (moment?.segment.kind !== "work") return;
    const { block, item } = moment.segment;
    const second = Math.floor(moment.elapsed);
    desk.change(
      (s) => addCue(s, { block, item }, { at: second, say: "Breathe." }),
      `call ${second} s into ${nameAt(session, { block, item }, drills)}`,
      undefined,
      () => ({ block, item }),
    );
    onCall(second);
  };

  return (
    <div ref={frame} className="relative select-none">
      <svg
        width="100%"
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        role="img"
        aria-label={`Profile of the session: ${clockText(profile.total)}, ${profile.bands.length} blocks. The list below has the same drills in order.`}
        onPointerMove={move}
        onPointerDown={press}
        onPointerUp={drop}
        onPointerCancel={() => setDrag(undefined)}
        onPointerLeave={() => setAt(undefined)}
        onDoubleClick={call}
        className="block touch-pan-y"
        style={{
          cursor: drag?.kind === "edge" || onEdge ? "ew-resize" : drag?.kind === "move" ? "grabbing" : "crosshair",
        }}
      >
        <Textures />
        <clipPath id="profile-inside">
          <rect x={LEFT} y={0} width={inner} height={HEIGHT} />
        </clipPath>
        <Ground width={width} />
        <g clipPath={close ? "url(#profile-inside)" : undefined}>
          <Bands profile={profile} x={x} />
          <Shapes profile={profile} x={x} chosen={chosen} window={window_} />
          <Calls calls={calls} x={x} />
          <Flags flags={flags} spans={spans} x={x} onFlag={onFlag} />
          <Beats timeline={timeline} x={x} window={window_} perSecond={perSecond} />
        </g>
        <Scale x={x} total={profile.total} target={target} span={span} window={window_} />
        {at !== undefined && (
          <g pointerEvents="none">
            <line x1={x(at)} x2={x(at)} y1={BANDS - 4} y2={SCALE_TOP} stroke="var(--buoy)" strokeWidth={1.5} />
            <circle cx={x(at)} cy={BANDS - 4} r={3} fill="var(--buoy)" />
          </g>
        )}
        {drag && <Dragged drag={drag} x={x} spans={spans} />}
      </svg>
      {at !== undefined && moment && here && (
        <MomentCard
          at={at}
          moment={moment}
          drill={here.drill}
          level={here.level}
          tempo={tempoOf(here.dose)}
          name={nameAt(session, { block: moment.segment.block, item: moment.segment.item }, drills)}
          left={x(at)}
          width={width}
        />
      )}
      {drag?.kind === "edge" && (
        <p
          className="pointer-events-none absolute top-1 z-10 rounded-md border border-line bg-land px-2 py-1 text-sm font-semibold shadow-md"
          style={{ left: Math.max(0, Math.min(width - 160, x(drag.segment.start))) }}
        >
          {doseWords(drag.dose)}
        </p>
      )}
      <div className="absolute top-6 right-0 flex flex-col">
        <IconButton label="Closer (+)" className="size-7" onClick={() => zoom(0.6)}>
          <ZoomIn size={15} aria-hidden />
        </IconButton>
        <IconButton
          label="The whole session (0)"
          className="size-7"
          disabled={!close}
          onClick={() => setAsked(undefined)}
        >
          <ZoomOut size={15} aria-hidden />
        </IconButton>
      </div>
      {close && (
        <Overview
          profile={profile}
          span={span}
          window={window_}
          width={inner}
          onMove={(to) => setAsked(moved(window_, to - (window_.from + window_.to) / 2, span))}
        />
      )}
    </div>
  );
}

/** What is being dragged: the caret where a drill would land, the new end of a stretch, or a box. */
function Dragged({ drag, x, spans }: { drag: Drag; x: (t: number) => number; spans: ReturnType<typeof spansOf> }) {
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
function Overview({
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
function useProfileKeys(zoom: (factor: number) => void, whole: () => void, along: (share: number) => void): void {
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
