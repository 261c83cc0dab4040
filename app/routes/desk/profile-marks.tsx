import { BANDS, FLOOR, SCALE_TOP, type X } from "./profile-scale";
import type { Place } from "./use-desk";
import type { Flag } from "~/core/audit/by-place";
import { clockText } from "~/core/lengths";
import type { Window } from "~/core/profile/handling";
import { minuteMarks } from "~/core/profile/profile";
import { placeKey } from "~/core/timeline/totals";
import type { Timeline } from "~/core/timeline/types";

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
