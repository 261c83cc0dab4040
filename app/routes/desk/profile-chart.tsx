import { ZoomIn, ZoomOut } from "lucide-react";
import { type PointerEvent, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { MomentCard } from "./moment-card";
import type { Drag } from "./profile-drag";
import { Beats, Calls, Flags, Scale } from "./profile-marks";
import { Dragged, Overview, useProfileKeys } from "./profile-overview";
import { BANDS, HEIGHT, LEFT, RIGHT, SCALE_TOP } from "./profile-scale";
import { Bands, Ground, Shapes, Textures } from "./profile-shapes";
import { type Desk, nameAt, type Place } from "./use-desk";
import { IconButton } from "~/app/ui/button";
import { useDrills } from "~/app/ui/drills";
import type { Flag } from "~/core/audit/by-place";
import { doseWords, tempoOf } from "~/core/dose/dose";
import { clockText } from "~/core/lengths";
import {
  doseLasting,
  edgeAt,
  landingAt,
  moved,
  placesBetween,
  spansOf,
  type Window,
  workLasting,
  zoomed,
} from "~/core/profile/handling";
import { addCue } from "~/core/session/cues";
import { editBlock } from "~/core/session/edits";
import { cueMoments } from "~/core/timeline/cue-moments";
import { momentAt } from "~/core/timeline/moment";
import { doseChange } from "~/core/wording/changes";

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
