import { servedOf } from "~/core/audit/course";
import { arcWith, type OwnArcs } from "~/core/arc/own";
import { useEffect, useMemo, useState } from "react";
import type { DrillLookup } from "~/library";
import { sortOut, type Accepted } from "~/core/audit/accepted";
import { audit, auditInput, keyOf, applyFix, type Finding, type AppliedFix } from "~/core/audit/audit";
import { flagsByPlace } from "~/core/audit/by-place";
import { fitOf } from "~/core/sport-profiles/fit";
import type { SportProfile } from "~/core/sport-profiles/schema";
import type { Drill } from "~/core/drills/schema";
import type { Group } from "~/core/group/schema";
import type { SessionPlan } from "~/core/session/schema";

const SETTLE_MS = 120;

/**
 * What the session covers and what the audit finds, a moment behind the edits so that typing is never held up. Fixes are
 * tried one by one while the page rests; only those that mend are offered.
 */
export function useInsights({
  session: now,
  drills,
  demand,
  group,
  offered,
  accepted,
  arcs,
}: {
  session: SessionPlan;
  drills: DrillLookup;
  demand: SportProfile | undefined;
  group: Group | undefined;
  offered: readonly Drill[];
  accepted: readonly Accepted[];
  arcs: OwnArcs;
}) {
  const session = useSettled(now);
  const arc = useMemo(() => arcWith(session.purpose, arcs[session.purpose]), [session.purpose, arcs]);
  const input = useMemo(
    () => auditInput(session, drills, { demand, group, offered, arc }),
    [session, drills, demand, group, offered, arc],
  );
  const found = useMemo(() => audit(input), [input]);
  const [tried, setTried] = useState<{ of: readonly Finding[]; mends: ReadonlyMap<Finding, AppliedFix> }>({
    of: [],
    mends: new Map(),
  });
  useEffect(() => {
    const mends = new Map<Finding, AppliedFix>();
    const open = found.filter((one) => one.fix ?? one.offer);
    let timer: ReturnType<typeof setTimeout>;
    const next = () => {
      const one = open.shift();
      if (!one) return setTried({ of: found, mends });
      const mended = applyFix(one, input, found);
      if (mended) mends.set(one, mended);
      timer = setTimeout(next);
    };
    timer = setTimeout(next, 250);
    return () => clearTimeout(timer);
  }, [input, found]);
  const sorted = useMemo(() => sortOut(found, session, accepted), [found, session, accepted]);
  const fit = useMemo(() => input.demand && fitOf(input.coverage, input.demand, servedOf(input)), [input]);
  const flags = useMemo(() => flagsByPlace(sorted.open), [sorted]);
  return {
    session,
    input,
    flags,
    coverage: input.coverage,
    fit,
    ...sorted,
    keyOf: (one: Finding) => keyOf(one, session),
    /** What its fix comes to; nothing where no single step mends it. */
    mended: (one: Finding): AppliedFix | "trying" | undefined =>
      !one.fix && !one.offer ? undefined : tried.of === found ? tried.mends.get(one) : "trying",
  };
}

/** The value as it was a moment ago, while it goes on changing: what is drawn at once is never held up by what can wait. */
function useSettled<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), SETTLE_MS);
    return () => clearTimeout(timer);
  }, [value]);
  return settled;
}

export type Insights = ReturnType<typeof useInsights>;
