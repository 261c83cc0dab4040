import type { MiniProfile } from "~/core/profile/mini";

/** A session as a small picture of body height over time, left and right under it. */
export function MiniProfilePicture({ profile, className }: { profile: MiniProfile; className?: string }) {
  const { width, height, work, line, sides } = profile;
  return (
    <svg viewBox={`0 0 ${width} ${height + 18}`} preserveAspectRatio="none" className={className} aria-hidden>
      <path d={work} fill="var(--depth-3)" />
      <path
        d={line}
        fill="none"
        stroke="var(--depth-6)"
        strokeWidth={1.4}
        strokeLinejoin="round"
        vectorEffect="non-scaling-stroke"
      />
      <path
        d={`M0 ${height + 2}H${width}`}
        stroke="var(--ink)"
        strokeWidth={1}
        opacity={0.35}
        vectorEffect="non-scaling-stroke"
      />
      <path d={sides} fill="var(--depth-4)" />
    </svg>
  );
}
