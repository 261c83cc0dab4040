import { MovingFigure } from "./moving-figure";
import type { Animation } from "~/core/figure/animation";
import type { Side } from "~/core/figure/points";

const MOST = 4;

/** The key positions of a motion as a row of stills, for people who asked for less motion. */
export function KeyPositions({
  motion,
  side,
  label,
  className,
  look,
}: {
  motion: Animation;
  side: Side;
  label: string;
  className?: string;
  look?: number | undefined;
}) {
  const step = Math.max(1, Math.ceil(motion.keys.length / MOST));
  const beats = motion.keys.filter((_, i) => i % step === 0).map((key) => key.at);
  return (
    <div role="img" aria-label={label} className={className ?? "flex gap-1"}>
      {beats.map((beat, i) => (
        <span key={beat} className="min-w-0 flex-1" aria-hidden>
          <MovingFigure
            motion={motion}
            stage={() => ({ side, beat, breath: 0.4 })}
            still
            look={look}
            label={`${label}, ${i + 1} of ${beats.length}`}
            className="figure h-full w-full"
          />
        </span>
      ))}
    </div>
  );
}
