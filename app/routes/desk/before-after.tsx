import { miniProfile } from "~/core/profile/mini";
import { profileOf } from "~/core/profile/profile";
import type { SessionPlan } from "~/core/session/schema";
import { clockText } from "~/core/lengths";
import { compile } from "~/core/timeline/compile";
import { useMemo } from "react";
import { useDrills } from "~/app/ui/drills";

const WIDTH = 480;
const HEIGHT = 62;

/** Two states of a session as profiles to one scale of time, one over the other. */
export function BeforeAfter({ before, after }: { before: SessionPlan; after: SessionPlan }) {
  const drills = useDrills();
  const rows = useMemo(() => {
    const lines = [compile(before, drills), compile(after, drills)];
    const longest = Math.max(1, ...lines.map((t) => t.totalSeconds));
    return lines.map((timeline, i) => {
      const session = i === 0 ? before : after;
      return {
        words: i === 0 ? "now" : "then",
        total: timeline.totalSeconds,
        profile: miniProfile(profileOf(session, timeline), (WIDTH * timeline.totalSeconds) / longest, HEIGHT),
      };
    });
  }, [before, after, drills]);
  return (
    <dl className="flex flex-col gap-1.5">
      {rows.map(({ words, total, profile }) => (
        <div key={words} className="grid grid-cols-[3rem_minmax(0,1fr)_3.6rem] items-end gap-2">
          <dt className="text-sm text-ink-soft">{words}</dt>
          <dd className="border-b border-ink-faint">
            <svg
              viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
              preserveAspectRatio="none"
              className="block h-14 w-full"
              aria-hidden
            >
              <path d={profile.work} fill="var(--depth-3)" />
              <path
                d={profile.line}
                fill="none"
                stroke="var(--depth-6)"
                strokeWidth={1.6}
                vectorEffect="non-scaling-stroke"
              />
            </svg>
          </dd>
          <dd className="text-right font-semibold">{clockText(total)}</dd>
        </div>
      ))}
    </dl>
  );
}
