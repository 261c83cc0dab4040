import type { Drill } from "~/core/drills/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import { coldWords, landingWords, scaleLines } from "~/core/wording/scales";

/** A level by the scales: each as a short bar with its number, and what the number means. */
export function ScaleLines({ drill, level }: { drill: Drill; level: LevelName }) {
  return (
    <div className="text-sm">
      <ul className="flex flex-col gap-0.5">
        {scaleLines(drill, level).map(({ scale, words, step, most, means }) => (
          <li key={scale} className="grid grid-cols-[3.2rem_3.5rem_1.2rem_minmax(0,1fr)] items-baseline gap-x-2">
            <span className="inline-block first-letter:uppercase">{words}</span>
            <svg viewBox="0 0 56 8" className="mt-1.5 h-2 w-14 self-start" aria-hidden>
              <rect width="56" height="8" rx="2" className="fill-depth-1" />
              <rect width={(56 * step) / most} height="8" rx="2" className="fill-depth-5" />
            </svg>
            <span className="tabular-nums">
              {step}
              <span className="sr-only"> of {most}</span>
            </span>
            <span className="text-ink-soft">{means}</span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-ink-soft">
        {[landingWords(drill.levels[level]), coldWords(drill, level)].filter(Boolean).join(" ")}
      </p>
    </div>
  );
}
