import type { Tightness } from "~/core/checkin/schema";
import { Link } from "react-router";
import { isNotable } from "~/core/checkin/notable";
import type { RatedJoint } from "~/core/vocabulary/motions";

/** How much of its half a bar takes. */
const shareOf = (rating: number | null): string => `${(rating ?? 0) * 10}%`;

/** Tightness by joint, left and right of a centre line, so that a difference is seen. */
export function Ratings({
  tightness,
  words,
  pain,
}: {
  tightness: readonly Tightness[];
  words: Readonly<Record<RatedJoint, string>>;
  /** Nobody drafts around pain. */ pain: boolean;
}) {
  if (tightness.length === 0) return <p className="text-sm text-ink-faint max-lg:hidden" />;
  return (
    <dl className="grid grid-cols-[5.5rem_1fr] items-center gap-x-2">
      {tightness.map((t) => (
        <div key={t.joint} className="contents">
          <dt className="text-sm text-ink-soft wrap-anywhere">
            {isNotable(t) && !pain ? (
              <Link
                to={`/sessions/draft?joint=${t.joint}`}
                title={`Draft a few minutes for the ${words[t.joint]}`}
                className="underline decoration-line underline-offset-4 hover:decoration-ink"
              >
                {words[t.joint]}
              </Link>
            ) : (
              words[t.joint]
            )}
          </dt>
          <dd className="grid grid-cols-[1.1rem_1fr_1.1rem] items-center gap-1 text-sm">
            <span className="text-right" aria-label={`left ${t.left ?? "not rated"}`}>
              {t.left ?? "–"}
            </span>
            <span className="flex h-2.5" aria-hidden>
              <span className="flex w-1/2 justify-end border-r border-ink">
                <span className="my-px bg-depth-4" style={{ width: shareOf(t.left) }} />
              </span>
              <span className="w-1/2">
                <span className="my-px block h-2 bg-depth-5" style={{ width: shareOf(t.right) }} />
              </span>
            </span>
            <span aria-label={`right ${t.right ?? "not rated"}`}>{t.right ?? "–"}</span>
          </dd>
        </div>
      ))}
    </dl>
  );
}
