import { memo, useMemo } from "react";
import type { Place } from "./use-desk";
import { minuteMarks, type Profile, type ProfileShape } from "~/core/profile/profile";
import type { Window } from "~/core/profile/handling";
import type { Flag } from "~/core/audit/by-place";
import { clockText } from "~/core/lengths";
import { placeKey } from "~/core/timeline/totals";
import type { Timeline } from "~/core/timeline/types";

export const LEFT = 74;
export const RIGHT = 36;
export const BANDS = 22;
const BODY = 108;
const SIDES_TOP = BANDS + BODY + 10;
const SIDE = 15;
export const SCALE_TOP = SIDES_TOP + 2 * SIDE + 9;
export const HEIGHT = SCALE_TOP + 26;
const STEPS = ["lying", "sitting", "all fours", "kneeling", "standing", "hanging"];

export const stepY = (step: number) => BANDS + BODY - ((step + 0.75) / 5.75) * (BODY - 4);
export const FLOOR = BANDS + BODY;
const CENTRE = SIDES_TOP + SIDE;

/** Dots for demonstration, stripes for taking turns. */
export function Textures() {
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

export function Ground({ width }: { width: number }) {
  return (
    <g>
      {STEPS.map((words, step) => (
        <g key={words}>
          <line
            x1={LEFT}
            x2={width - RIGHT}
            y1={stepY(step)}
            y2={stepY(step)}
            stroke="var(--line-water)"
            strokeDasharray="1 5"
          />
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

export function Bands({ profile, x }: { profile: Profile; x: (t: number) => number }) {
  return (
    <g>
      {profile.bands.map((band) => {
        const from = x(band.from);
        const width = x(band.to) - from;
        const fits = Math.floor((width - 8) / 6.2);
        const title = [band.title, band.clock].filter(Boolean).join(" · ");
        return (
          <g key={band.block}>
            {band.block % 2 === 1 && (
              <rect x={from} y={0} width={width} height={FLOOR} fill="var(--land-deep)" opacity={0.55} />
            )}
            <line x1={from} x2={from} y1={0} y2={FLOOR} stroke="var(--line)" />
            {fits > 3 && (
              <text x={from + 5} y={13} fontSize={11.5} fontWeight={600} fill="var(--ink-soft)">
                {title.length > fits ? `${title.slice(0, fits - 1)}…` : title}
              </text>
            )}
            {band.rhythm && (
              <path d={band.rhythm.map((pass) => box(x, pass, BANDS - 4, BANDS - 1)).join("")} fill="var(--depth-5)" />
            )}
          </g>
        );
      })}
    </g>
  );
}

export type X = (t: number) => number;
type Work = Extract<ProfileShape, { kind: "work" }>;

const box = (x: X, s: { from: number; to: number }, top: number, bottom: number) => {
  const from = x(s.from);
  return `M${from.toFixed(1)} ${bottom.toFixed(1)}V${top.toFixed(1)}H${Math.max(from + 0.5, x(s.to)).toFixed(1)}V${bottom.toFixed(1)}Z`;
};

/** Everything of one look is one path: a long session stays a handful of elements. */
export const Shapes = memo(function Shapes({
  profile,
  x,
  chosen: places,
  window,
}: {
  profile: Profile;
  x: X;
  chosen: readonly Place[];
  window: Window;
}) {
  const seen = useMemo(
    () => profile.shapes.filter((s) => s.to >= window.from && s.from <= window.to),
    [profile, window],
  );
  const all = useMemo(() => drawn(seen, x), [seen, x]);
  const chosen = useMemo(
    () =>
      places.length > 0
        ? drawn(
            seen.filter((s) => places.some((place) => s.block === place.block && s.item === place.item)),
            x,
          )
        : undefined,
    [seen, x, places],
  );
  const line = useMemo(() => bodyLine(seen, x), [seen, x]);
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
    (s.side !== "right" ? box(x, s, CENTRE - SIDE + 2, CENTRE - 1) : "") +
    (s.side !== "left" ? box(x, s, CENTRE + 1, CENTRE + SIDE - 2) : "");
  return {
    demo: path(
      shapes.filter(
        (s): s is Extract<ProfileShape, { kind: "demo" | "turn" | "switch" | "rest" }> => s.kind === "demo",
      ),
      (s) => box(x, s, stepY(s.height), FLOOR),
    ),
    solid: path(
      work.filter((s) => s.texture !== "wedge"),
      tops,
    ),
    pale: path(
      work.filter((s) => s.texture === "wedge"),
      tops,
    ),
    wedges: path(
      work.filter((s) => s.texture === "wedge"),
      (s) => wedge(s, x),
    ),
    oneSide: path(
      work.filter((s) => s.side === "left" || s.side === "right"),
      sides,
    ),
    bothSides: path(
      work.filter((s) => s.side === "both"),
      sides,
    ),
    turns: path(
      work.filter((s) => s.side === "alternating"),
      sides,
    ),
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
  return shape.efforts
    .map((e, i) => {
      const before = shape.efforts[i - 1];
      const low = before && Math.abs(before.to - e.from) < 1e-6 ? before.effort : 0;
      return `M${x(e.from)} ${FLOOR}V${FLOOR - (rise * low) / 100}L${x(e.to)} ${FLOOR - (rise * e.effort) / 100}V${FLOOR}Z`;
    })
    .join("");
}

/** The line of body height; work at a breathing pace ripples, a change of side or direction is a notch. */
function bodyLine(shapes: readonly ProfileShape[], x: (t: number) => number): string {
  const parts: string[] = [];
  const to = (px: number, py: number) =>
    parts.push(`${parts.length === 0 ? "M" : "L"}${px.toFixed(1)} ${py.toFixed(1)}`);
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
      for (let i = 0; i < waves; i++)
        parts.push(`q${(step / 2).toFixed(2)} -7 ${step.toFixed(2)} 0q${(step / 2).toFixed(2)} 5 ${step.toFixed(2)} 0`);
    } else to(b, y);
  }
  return parts.join("");
}

/** Width of a time on the scale, in pixels, with room round it. */
const LABEL = 40;

/** A scale bar as on a chart: a filled and an empty stretch in turn, and a mark where the target is. */
export function Scale({
  x,
  total,
  target,
  span,
  window,
}: {
  x: X;
  total: number;
  target: number | undefined;
  span: number;
  window: Window;
}) {
  // As many times as stand side by side without touching.
  const room = Math.max(2, Math.floor((x(window.to) - x(window.from)) / LABEL));
  const seen = Math.max(1, window.to - window.from);
  const step = [5, 10, 15, 30, 60].find((s) => seen / s <= Math.min(14, room));
  const marks =
    step !== undefined && step < 60
      ? Array.from({ length: Math.floor(span / step) + 1 }, (_, i) => i * step).filter(
          (t) => t >= window.from - step && t <= window.to,
        )
      : [0, ...minuteMarks(span, Math.round((Math.min(16, room) * span) / seen))];
  return (
    <g>
      {marks.map((mark, i) => {
        const to = Math.min(marks[i + 1] ?? span, span);
        return (
          <rect
            key={mark}
            x={x(mark)}
            y={SCALE_TOP}
            width={Math.max(0, x(to) - x(mark))}
            height={5}
            fill={i % 2 === 0 ? "var(--ink)" : "var(--land)"}
            stroke="var(--ink)"
            strokeWidth={0.8}
          />
        );
      })}
      {marks
        .filter((mark) => mark > 0 && mark >= window.from && mark <= window.to)
        .map((mark) => (
          <text key={mark} x={x(mark)} y={SCALE_TOP + 18} textAnchor="middle" fontSize={11} fill="var(--ink-soft)">
            {clockText(mark)}
          </text>
        ))}
      {target !== undefined && (
        <g>
          <line
            x1={x(target)}
            x2={x(target)}
            y1={BANDS}
            y2={SCALE_TOP + 5}
            stroke="var(--ink)"
            strokeWidth={1.4}
            strokeDasharray="5 3"
          />
          <title>{`Target ${clockText(target)}`}</title>
        </g>
      )}
      {target !== undefined && total > target + 0.5 && (
        <rect x={x(target)} y={SCALE_TOP} width={x(total) - x(target)} height={5} fill="var(--plum)" />
      )}
    </g>
  );
}

/** Beats as ticks under the line, once they are far enough apart to be told from one another; repetitions numbered. */
export function Beats({
  timeline,
  x,
  window,
  perSecond,
}: {
  timeline: Timeline;
  x: X;
  window: Window;
  perSecond: number;
}) {
  if (perSecond < 5) return null;
  const ticks: string[] = [];
  const numbers: { at: number; text: string }[] = [];
  for (const segment of timeline.segments) {
    if (segment.kind !== "work" || segment.start + segment.seconds < window.from || segment.start > window.to) continue;
    let rep = 0;
    for (const beat of segment.beats) {
      const fresh = beat.rep !== rep;
      rep = beat.rep;
      ticks.push(`M${x(beat.start).toFixed(1)} ${FLOOR}v${fresh ? -9 : -5}`);
      if (fresh && beat.reps > 1 && perSecond * beat.seconds > 9)
        numbers.push({ at: x(beat.start) + 2, text: String(beat.rep) });
    }
  }
  return (
    <g pointerEvents="none">
      <path d={ticks.join("")} stroke="var(--land)" strokeWidth={1.2} fill="none" />
      {numbers.map(({ at, text }) => (
        <text key={at} x={at} y={FLOOR - 10} fontSize={9.5} fill="var(--ink)">
          {text}
        </text>
      ))}
    </g>
  );
}

/**
 * What there is to look at, above the drill it is about: a filled pennant for what must not be run like this, an open one
 * for what should be looked at. What could be better stays with the list.
 */
export function Flags({
  flags,
  spans,
  x,
  onFlag,
}: {
  flags: ReadonlyMap<string, Flag>;
  spans: readonly { place: Place; from: number }[];
  x: X;
  onFlag: (place: Place) => void;
}) {
  return (
    <g>
      {spans.map(({ place, from }) => {
        const flag = flags.get(placeKey(place.block, place.item));
        if (!flag || flag.severity === "hint") return null;
        const left = x(from);
        return (
          <g
            key={placeKey(place.block, place.item)}
            className="cursor-pointer"
            onPointerDown={(event) => event.stopPropagation()}
            onClick={() => onFlag(place)}
          >
            <title>{flag.says}</title>
            <rect x={left - 3} y={BANDS - 6} width={18} height={20} fill="transparent" />
            <path
              d={`M${left + 1} ${BANDS + 12}V${BANDS - 4}l10 4.5l-10 4.5`}
              fill={flag.severity === "stop" ? "var(--plum)" : "var(--land)"}
              stroke="var(--plum)"
              strokeWidth={1.5}
              strokeLinejoin="round"
            />
          </g>
        );
      })}
    </g>
  );
}

/** The coach's own calls, small drops hanging from the scale at the moments they are heard. */
export function Calls({ calls, x }: { calls: readonly { at: number; say: string }[]; x: X }) {
  return (
    <g>
      {calls.map(({ at, say }, i) => (
        <path key={i} d={`M${x(at)} ${SCALE_TOP - 7}l3.5 5a3.5 3.5 0 1 1 -7 0z`} fill="var(--buoy)">
          <title>{`${clockText(at)}: ${say}`}</title>
        </path>
      ))}
    </g>
  );
}
