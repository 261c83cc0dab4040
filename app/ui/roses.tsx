import { useMemo, useRef, useState, type KeyboardEvent } from "react";
import { petalPath, ROSE_VIEWS, rosesBody, type Petal, type Rose } from "~/core/sport-profiles/roses";
import { JOINT_WORDS, MOTION_FACTS } from "~/core/vocabulary/motions";
import { draw } from "~/core/figure/draw";
import { secondsText } from "~/core/lengths";

/** Where the two silhouettes stand in the picture, in its centimetres: the front whole, the back from the hips up beside its legs. */
const FRONT = { x: 74, y: 0 };
const BACK = { x: 158, y: 112 };
const BOX = { x: -6, y: -186, width: 226, height: 238 };
const FILLS = [
  "none",
  "var(--depth-2)",
  "var(--depth-3)",
  "var(--depth-4)",
  "var(--depth-5)",
  "var(--depth-6)",
] as const;

/** A petal that is looked at. */
export type Looked = { rose: Rose; petal: Petal };

type Props = {
  roses: readonly Rose[];
  looked: Looked | undefined;
  onLook: (looked: Looked | undefined) => void;
  onPick: (looked: Looked) => void;
};

const nameOf = ({ rose, petal }: Looked): string =>
  `${rose.side ? `${rose.side} ` : ""}${JOINT_WORDS[rose.joint] === MOTION_FACTS[petal.row].words ? "" : MOTION_FACTS[petal.row].words}`.trim();

/** “Left hip turning in: 45 s of 1 min 20 s”. */
export const petalWords = (looked: Looked): string => {
  const { has, wants } = looked.petal;
  return `${nameOf(looked)}: ${secondsText(Math.round(has))}${wants === undefined ? "" : ` of ${secondsText(Math.round(wants))}`}`;
};

/**
 * A plain body from the front and from behind with a rose at each joint: petals fill and deepen as minutes add up, the
 * thin outline is what the demand wants. One stop for the tab key; arrow keys go from petal to petal, Enter picks.
 */
export function Roses({ roses, looked, onLook, onPick }: Props) {
  const silhouettes = useMemo(() => {
    const body = rosesBody();
    return (["front", "back"] as const).map((view) => ({
      view,
      path: draw(body, ROSE_VIEWS[view])
        .filter((mark) => mark.part === "limb" || mark.part === "wear" || mark.part === "hair")
        .map((mark) => mark.path)
        .join(""),
    }));
  }, []);
  const all = useMemo(() => roses.flatMap((rose) => rose.petals.map((petal) => ({ rose, petal }))), [roses]);
  const [at, setAt] = useState(0);
  const svg = useRef<SVGSVGElement>(null);
  const go = (to: number) => {
    const next = (to + all.length) % all.length;
    setAt(next);
    svg.current?.querySelector<SVGElement>(`[data-petal="${next}"]`)?.focus();
  };
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (by !== undefined) {
      event.preventDefault();
      event.stopPropagation();
      return go(at + by);
    }
    const one = all[at];
    if ((event.key === "Enter" || event.key === " ") && one) {
      event.preventDefault();
      onPick(one);
    }
  };
  const origin = (rose: Rose) => (rose.view === "front" ? FRONT : BACK);
  return (
    <svg
      ref={svg}
      viewBox={`${BOX.x} ${BOX.y} ${BOX.width} ${BOX.height}`}
      className="block w-full"
      role="group"
      aria-label="Minutes of each motion, joint by joint"
      onKeyDown={keys}
      onPointerLeave={() => onLook(undefined)}
    >
      <clipPath id="back-half">
        <rect x={BACK.x - 60} y={BACK.y - 190} width={120} height={116} />
      </clipPath>
      {silhouettes.map(({ view, path }) => (
        <g key={view} {...(view === "back" && { clipPath: "url(#back-half)" })}>
          <path
            d={path}
            transform={`translate(${view === "front" ? FRONT.x : BACK.x} ${view === "front" ? FRONT.y : BACK.y})`}
            fill="var(--land-deep)"
            stroke="none"
          />
        </g>
      ))}
      <g fontSize={7.5} fill="var(--ink-faint)" textAnchor="middle" aria-hidden>
        <text x={FRONT.x - 58} y={-150}>
          right
        </text>
        <text x={FRONT.x + 58} y={-150}>
          left
        </text>
        <text x={FRONT.x} y={26}>
          from the front
        </text>
        <text x={BACK.x} y={BACK.y - 66}>
          from behind
        </text>
      </g>
      {all.map((one, i) => {
        const { rose, petal } = one;
        const o = origin(rose);
        const [x, y, r] = [o.x + rose.x, o.y + rose.y, rose.radius];
        const n = rose.petals.length;
        const on =
          looked?.petal.row === petal.row && looked.rose.side === rose.side && looked.rose.joint === rose.joint;
        return (
          <g
            key={`${petal.row} ${rose.side ?? ""}`}
            data-petal={i}
            role="button"
            tabIndex={i === at ? 0 : -1}
            aria-label={petalWords(one)}
            className="cursor-pointer outline-none [&:focus-visible>.hit]:stroke-(--ink)"
            onPointerEnter={() => onLook(one)}
            onFocus={() => {
              setAt(i);
              onLook(one);
            }}
            onBlur={() => onLook(undefined)}
            onClick={() => onPick(one)}
          >
            <path
              className="hit"
              d={petalPath(x, y, r, petal.angle, n)}
              fill={on ? "var(--depth-1)" : "var(--land)"}
              fillOpacity={on ? 0.95 : 0.55}
              stroke="transparent"
              strokeWidth={1}
            />
            {petal.length > 0 && (
              <path
                d={petalPath(x, y, Math.max(2.5, r * Math.min(1, petal.length)), petal.angle, n)}
                fill={FILLS[petal.depth]}
              />
            )}
            {petal.outline !== undefined && (
              <path
                d={petalPath(x, y, Math.max(3, r * petal.outline), petal.angle, n)}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={0.7}
              />
            )}
            {petal.otherLength !== undefined && petal.otherLength > 0 && (
              <path
                d={petalPath(x, y, Math.max(2.5, r * Math.min(1, petal.otherLength)), petal.angle, n)}
                fill="none"
                stroke="var(--buoy)"
                strokeWidth={0.9}
                strokeDasharray="2 1.4"
              />
            )}
          </g>
        );
      })}
      {roses.map((rose) => (
        <circle
          key={`${rose.joint} ${rose.side ?? ""}`}
          cx={origin(rose).x + rose.x}
          cy={origin(rose).y + rose.y}
          r={1.3}
          fill="var(--ink)"
          pointerEvents="none"
        />
      ))}
    </svg>
  );
}
