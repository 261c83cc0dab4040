import { Part } from "./part";
import type { PlayerView } from "~/core/player/player-view";

/** What the body does on this beat: breath swells and sinks, effort climbs, everything else fills a bar. */
export function Guide({ guide }: { guide: NonNullable<PlayerView["guide"]> }) {
  return (
    <div className="flex items-center gap-4" data-testid="guide">
      <Part name="guide" again={guide.words}>
        <Picture guide={guide} />
      </Part>
      <p className="text-2xl font-semibold first-letter:uppercase">{guide.words}</p>
    </div>
  );
}

function Picture({ guide }: { guide: NonNullable<PlayerView["guide"]> }) {
  if (guide.effort !== undefined) return <Effort effort={guide.effort} />;
  if (guide.breath) return <Breath breath={guide.breath} share={guide.share} />;
  return (
    <span className="h-4 w-24 shrink-0 overflow-hidden rounded-full border border-depth-5" aria-hidden>
      <span className="block h-full bg-depth-5" style={{ width: `${Math.round(guide.share * 100)}%` }} />
    </span>
  );
}

function Breath({ breath, share }: { breath: "in" | "out" | "hold"; share: number }) {
  const size = breath === "in" ? 0.35 + 0.65 * share : breath === "out" ? 1 - 0.65 * share : undefined;
  return (
    <svg viewBox="-34 -34 68 68" className="size-17 shrink-0" aria-hidden>
      <circle
        r={32}
        fill="none"
        stroke="var(--depth-4)"
        strokeWidth={2}
        strokeDasharray={breath === "hold" ? "5 4" : undefined}
      />
      {size === undefined ? (
        <path
          d={`M0 -22A22 22 0 ${share > 0.5 ? 1 : 0} 1 ${(22 * Math.sin(2 * Math.PI * share)).toFixed(2)} ${(-22 * Math.cos(2 * Math.PI * share)).toFixed(2)}`}
          fill="none"
          stroke="var(--depth-6)"
          strokeWidth={6}
        />
      ) : (
        <circle r={30 * size} fill="var(--depth-5)" />
      )}
    </svg>
  );
}

function Effort({ effort }: { effort: number }) {
  const bars = [20, 40, 60, 80, 100];
  return (
    <svg viewBox="0 0 84 60" className="h-16 w-22 shrink-0" aria-hidden>
      {bars.map((bar, i) => {
        const height = 12 + i * 12;
        return (
          <rect
            key={bar}
            x={i * 17}
            y={60 - height}
            width={13}
            height={height}
            fill={effort > bar - 20 ? "var(--depth-6)" : "none"}
            stroke="var(--depth-4)"
            strokeWidth={2}
          />
        );
      })}
    </svg>
  );
}
