import { memo, useMemo } from "react";
import { BANDS, box, CENTRE, FLOOR, LEFT, RIGHT, SIDE, STEPS, stepY, type X } from "./profile-scale";
import type { Place } from "./use-desk";
import type { Window } from "~/core/profile/handling";
import type { Profile, ProfileShape } from "~/core/profile/profile";

/** Dots for demonstration, stripes for alternating. */
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

type Work = Extract<ProfileShape, { kind: "work" }>;

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
