import { useMemo } from "react";
import { inputLook } from "~/app/ui/field";
import type { Coverage } from "~/core/coverage/coverage";
import { fitOf } from "~/core/sport-profiles/fit";
import type { SportProfile } from "~/core/sport-profiles/schema";

export type Measured = { id: string; title: string; served: number; coverage: Coverage };

/** The fit of an open session, before and after the change, as the weights are moved. */
export function Effect({
  sessions,
  against,
  onAgainst,
  before,
  after,
}: {
  sessions: readonly Measured[];
  against: string;
  onAgainst: (id: string) => void;
  before: SportProfile;
  after: SportProfile;
}) {
  const session = sessions.find((s) => s.id === against);
  const [old, now] = useMemo(
    () =>
      session
        ? [fitOf(session.coverage, before, session.served), fitOf(session.coverage, after, session.served)]
        : [0, 0],
    [session, before, after],
  );
  if (sessions.length === 0) return null;
  return (
    <section className="flex flex-wrap items-end gap-x-5 gap-y-2 rounded-lg border border-line bg-land px-4 py-3">
      <div className="flex min-w-60 flex-col gap-1">
        <label htmlFor="against" className="text-sm font-medium text-ink-soft">
          How far this session meets it
        </label>
        <select id="against" className={inputLook} value={against} onChange={(e) => onAgainst(e.target.value)}>
          {sessions.map((s) => (
            <option key={s.id} value={s.id}>
              {s.title}
            </option>
          ))}
        </select>
      </div>
      <p role="status" aria-label="Needs met">
        <span className="clock-type text-3xl">{Math.round(now * 100)} %</span>
        {Math.abs(now - old) > 0.004 && (
          <span className="ml-2 text-sm text-ink-soft">was {Math.round(old * 100)} %</span>
        )}
      </p>
    </section>
  );
}
