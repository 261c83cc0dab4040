import { memo, useCallback, useLayoutEffect, useMemo, useRef, useState, type PointerEvent } from "react";
import type { Place, Selection } from "./use-desk";
import { minuteMarks, type Profile, type ProfileShape } from "~/core/profile/profile";
import { clockText, countdownText } from "~/core/text/clock";
import { sideWords } from "~/core/text/words";
import { momentAt, type Moment } from "~/core/timeline/moment";
import type { Timeline } from "~/core/timeline/types";

const LEFT = 74;
const RIGHT = 22;
const BANDS = 22;
const BODY = 108;
const SIDES_TOP = BANDS + BODY + 10;
const SIDE = 15;
const SCALE_TOP = SIDES_TOP + 2 * SIDE + 9;
const HEIGHT = SCALE_TOP + 26;
const STEPS = ["lying", "sitting", "all fours", "kneeling", "standing", "hanging"];

const stepY = (step: number) => BANDS + BODY - ((step + 0.75) / 5.75) * (BODY - 4);
const FLOOR = BANDS + BODY;
const CENTRE = SIDES_TOP + SIDE;

type Props = {
  profile: Profile;
  timeline: Timeline;
  selection: Selection;
  names: (place: Place) => string;
  onSelect: (place: Place) => void;
  target: number | undefined;
};

/** The session to scale in time and body height, its sides above and below a centre line, and a scale of minutes. */
export function ProfileChart({ profile, timeline, selection, names, onSelect, target }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(1180);
  const [at, setAt] = useState<number>();
  useLayoutEffect(() => {
    const element = frame.current;
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => entry && setWidth(Math.max(320, entry.contentRect.width)));
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  const span = Math.max(profile.total, target ?? 0, 1);
  const inner = width - LEFT - RIGHT;
  const x = useCallback((t: number) => LEFT + (t / span) * inner, [span, inner]);
  const moment = at === undefined ? undefined : momentAt(timeline, at);
  const timeOf = (event: PointerEvent) => {
    const left = frame.current?.getBoundingClientRect().left ?? 0;
    return Math.min(Math.max(((event.clientX - left - LEFT) / inner) * span, 0), profile.total);
  };

  return (
    <div ref={frame} className="relative select-none">
      <svg
        width="100%" height={HEIGHT} viewBox={`0 0 ${width} ${HEIGHT}`} role="img"
        aria-label={`Profile of the session: ${clockText(profile.total)}, ${profile.bands.length} blocks. The list below has the same drills in order.`}
        onPointerMove={(event) => setAt(timeOf(event))}
        onPointerLeave={() => setAt(undefined)}
        onClick={() => moment && onSelect({ block: moment.segment.block, item: moment.segment.item })}
        className="block cursor-crosshair"
      >
        <Textures />
        <Ground width={width} />
        <Bands profile={profile} x={x} />
        <Shapes profile={profile} x={x} selection={selection} />
        <Scale x={x} total={profile.total} target={target} span={span} />
        {at !== undefined && (
          <g pointerEvents="none">
            <line x1={x(at)} x2={x(at)} y1={BANDS - 4} y2={SCALE_TOP} stroke="var(--buoy)" strokeWidth={1.5} />
            <circle cx={x(at)} cy={BANDS - 4} r={3} fill="var(--buoy)" />
          </g>
        )}
      </svg>
      {at !== undefined && moment && <MomentCard at={at} moment={moment} name={names({ block: moment.segment.block, item: moment.segment.item })} left={x(at)} width={width} />}
    </div>
  );
}

/** Dots for demonstration, stripes for taking turns. */
function Textures() {
  return (
    <defs>
      <pattern id="dots" width="5" height="5" patternUnits="userSpaceOnUse">
        <circle cx="1.5" cy="1.5" r="1" fill="var(--depth-5)" />
      </pattern>
      <pattern id="stripes" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="6" height="6" fill="var(--depth-2)" />
        <rect width="3" height="6" fill="var(--depth-4)" />
      </pattern>
    </defs>
  );
}

function Ground({ width }: { width: number }) {
  return (
    <g>
      {STEPS.map((words, step) => (
        <g key={words}>
          <line x1={LEFT} x2={width - RIGHT} y1={stepY(step)} y2={stepY(step)} stroke="var(--line-water)" strokeDasharray="1 5" />
          <text x={LEFT - 8} y={stepY(step) + 3.5} textAnchor="end" fontSize={10.5} fill="var(--ink-faint)">
            {words}
          </text>
        </g>
      ))}
      <line x1={LEFT} x2={width - RIGHT} y1={FLOOR} y2={FLOOR} stroke="var(--ink)" strokeWidth={1} opacity={0.5} />
      <line x1={LEFT} x2={width - RIGHT} y1={CENTRE} y2={CENTRE} stroke="var(--ink)" strokeWidth={1} opacity={0.5} />
      <text x={LEFT - 8} y={CENTRE - 4} textAnchor="end" fontSize={10.5} fill="var(--ink-faint)">
        left
      </text>
      <text x={LEFT - 8} y={CENTRE + 11} textAnchor="end" fontSize={10.5} fill="var(--ink-faint)">
        right
      </text>
    </g>
  );
}

function Bands({ profile, x }: { profile: Profile; x: (t: number) => number }) {
  return (
    <g>
      {profile.bands.map((band) => {
        const from = x(band.from);
        const width = x(band.to) - from;
        const fits = Math.floor((width - 8) / 6.2);
        return (
          <g key={band.block}>
            {band.block % 2 === 1 && <rect x={from} y={0} width={width} height={FLOOR} fill="var(--land-deep)" opacity={0.55} />}
            <line x1={from} x2={from} y1={0} y2={FLOOR} stroke="var(--line)" />
            {fits > 3 && (
              <text x={from + 5} y={13} fontSize={11.5} fontWeight={600} fill="var(--ink-soft)">
                {band.title.length > fits ? `${band.title.slice(0, fits - 1)}…` : band.title}
              </text>
            )}
          </g>
        );
      })}
    </g>
  );
}

type X = (t: number) => number;
type Work = Extract<ProfileShape, { kind: "work" }>;

const box = (x: X, s: { from: number; to: number }, top: number, bottom: number) => {
  const from = x(s.from);
  return `M${from.toFixed(1)} ${bottom.toFixed(1)}V${top.toFixed(1)}H${Math.max(from + 0.5, x(s.to)).toFixed(1)}V${bottom.toFixed(1)}Z`;
};

/** Everything of one look is one path: a long session stays a handful of elements. */
const Shapes = memo(function Shapes({ profile, x, selection }: { profile: Profile; x: X; selection: Selection }) {
  const all = useMemo(() => drawn(profile.shapes, x), [profile, x]);
  const chosen = useMemo(
    () => (selection ? drawn(profile.shapes.filter((s) => s.block === selection.block && s.item === selection.item), x) : undefined),
    [profile, x, selection],
  );
  const line = useMemo(() => bodyLine(profile.shapes, x), [profile, x]);
  return (
    <g>
      <Drawn paths={all} work="var(--depth-3)" wedge="var(--depth-4)" side="var(--depth-4)" />
      {chosen && (
        <>
          <Drawn paths={chosen} work="var(--depth-5)" wedge="var(--depth-6)" side="var(--depth-6)" />
          <path d={chosen.ground} fill="var(--buoy)" />
        </>
      )}
      <path d={line} fill="none" stroke="var(--depth-6)" strokeWidth={1.8} strokeLinejoin="round" />
    </g>
  );
});

type Paths = Record<"demo" | "solid" | "pale" | "wedges" | "oneSide" | "bothSides" | "turns" | "ground", string>;

function drawn(shapes: readonly ProfileShape[], x: X): Paths {
  const work = shapes.filter((s): s is Work => s.kind === "work");
  const path = <S extends ProfileShape>(some: readonly S[], draw: (s: S) => string) => some.map(draw).join("");
  const tops = (s: Work) => box(x, s, stepY(s.height), FLOOR);
  const sides = (s: Work) =>
    (s.side !== "right" ? box(x, s, CENTRE - SIDE + 2, CENTRE - 1) : "") + (s.side !== "left" ? box(x, s, CENTRE + 1, CENTRE + SIDE - 2) : "");
  return {
    demo: path(shapes.filter((s): s is Extract<ProfileShape, { kind: "demo" | "turn" | "switch" | "rest" }> => s.kind === "demo"), (s) => box(x, s, stepY(s.height), FLOOR)),
    solid: path(work.filter((s) => s.texture !== "wedge"), tops),
    pale: path(work.filter((s) => s.texture === "wedge"), tops),
    wedges: path(work.filter((s) => s.texture === "wedge"), (s) => wedge(s, x)),
    oneSide: path(work.filter((s) => s.side === "left" || s.side === "right"), sides),
    bothSides: path(work.filter((s) => s.side === "both"), sides),
    turns: path(work.filter((s) => s.side === "alternating"), sides),
    ground: path(shapes, (s) => box(x, s, FLOOR - 3, FLOOR)),
  };
}

function Drawn({ paths, work, wedge, side }: { paths: Paths; work: string; wedge: string; side: string }) {
  return (
    <g>
      <path d={paths.demo} fill="url(#dots)" opacity={0.85} />
      <path d={paths.solid} fill={work} />
      <path d={paths.pale} fill="var(--depth-2)" />
      <path d={paths.wedges} fill={wedge} />
      <path d={paths.oneSide} fill={side} />
      <path d={paths.bothSides} fill={side} opacity={0.55} />
      <path d={paths.turns} fill="url(#stripes)" />
    </g>
  );
}

function wedge(shape: Work, x: X): string {
  const rise = FLOOR - stepY(shape.height);
  return shape.efforts.map((e, i) => {
    const before = shape.efforts[i - 1];
    const low = before && Math.abs(before.to - e.from) < 1e-6 ? before.effort : 0;
    return `M${x(e.from)} ${FLOOR}V${FLOOR - (rise * low) / 100}L${x(e.to)} ${FLOOR - (rise * e.effort) / 100}V${FLOOR}Z`;
  }).join("");
}

/** The line of body height; work at a breathing pace ripples, a change of side or direction is a notch. */
function bodyLine(shapes: readonly ProfileShape[], x: (t: number) => number): string {
  const parts: string[] = [];
  const to = (px: number, py: number) => parts.push(`${parts.length === 0 ? "M" : "L"}${px.toFixed(1)} ${py.toFixed(1)}`);
  for (const shape of shapes) {
    const [a, b] = [x(shape.from), x(shape.to)];
    if (shape.kind === "move") {
      to(a, stepY(shape.fromHeight));
      to(b, stepY(shape.toHeight));
      continue;
    }
    const y = stepY(shape.height);
    to(a, y);
    if (shape.kind === "switch" || shape.kind === "turn") to((a + b) / 2, y + (shape.kind === "switch" ? 9 : 5));
    if (shape.kind === "work" && shape.texture === "ripple") {
      const waves = Math.min(shape.breaths, Math.max(1, Math.floor((b - a) / 5)));
      const step = (b - a) / (2 * waves);
      for (let i = 0; i < waves; i++) parts.push(`q${(step / 2).toFixed(2)} -7 ${step.toFixed(2)} 0q${(step / 2).toFixed(2)} 5 ${step.toFixed(2)} 0`);
    } else to(b, y);
  }
  return parts.join("");
}

/** A scale bar as on a chart: a filled and an empty stretch in turn, and a mark where the target is. */
function Scale({ x, total, target, span }: { x: (t: number) => number; total: number; target: number | undefined; span: number }) {
  const marks = [0, ...minuteMarks(span, 16)];
  return (
    <g>
      {marks.map((mark, i) => {
        const to = Math.min(marks[i + 1] ?? span, span);
        return <rect key={mark} x={x(mark)} y={SCALE_TOP} width={Math.max(0, x(to) - x(mark))} height={5} fill={i % 2 === 0 ? "var(--ink)" : "var(--land)"} stroke="var(--ink)" strokeWidth={0.8} />;
      })}
      {marks.slice(1).map((mark) => (
        <text key={mark} x={x(mark)} y={SCALE_TOP + 18} textAnchor="middle" fontSize={11} fill="var(--ink-soft)">
          {clockText(mark)}
        </text>
      ))}
      {target !== undefined && (
        <g>
          <line x1={x(target)} x2={x(target)} y1={BANDS} y2={SCALE_TOP + 5} stroke="var(--ink)" strokeWidth={1.4} strokeDasharray="5 3" />
          <title>{`Target ${clockText(target)}`}</title>
        </g>
      )}
      {target !== undefined && total > target + 0.5 && (
        <rect x={x(target)} y={SCALE_TOP} width={x(total) - x(target)} height={5} fill="var(--plum)" />
      )}
    </g>
  );
}

function MomentCard({ at, moment, name, left, width }: { at: number; moment: Moment; name: string; left: number; width: number }) {
  const { segment, beat } = moment;
  const what = {
    move: "moving", demo: "watch first", turn: "other direction", switch: "changing sides", rest: "rest",
    work: segment.kind === "work" ? sideWords(segment.side) : "",
  }[segment.kind];
  return (
    <div
      className="pointer-events-none absolute top-1 z-10 w-56 rounded-md border border-line bg-land/95 px-2.5 py-1.5 text-sm shadow-md"
      style={{ left: Math.min(Math.max(left + 10, 0), width - 232) }}
    >
      <p className="font-semibold">{name}</p>
      <p className="text-ink-soft">
        {what}
        {beat && beat.reps > 1 && ` · ${beat.rep} of ${beat.reps}`}
        {beat?.effort !== undefined && ` · ${beat.effort} %`}
      </p>
      <p className="text-ink-faint">
        at {clockText(at)} · {countdownText(moment.left)} left in it
      </p>
    </div>
  );
}
