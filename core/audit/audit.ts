import { askedOf } from "~/core/arc/lift";
import { meaningFaults } from "~/core/session/meaning";
import { settled } from "~/core/session/newest";
import { RULES } from "./rules";
import { SEVERITIES, type AuditInput, type Circumstances, type RuleFinding, type Fix } from "./types";
import { coverageOf } from "~/core/coverage/coverage";
import { inLines } from "~/core/group/lines";
import type { SessionPlan } from "~/core/session/schema";
import { allAtOnce, type Steps } from "~/core/steps";
import { compile } from "~/core/timeline/compile";

export { RULES } from "./rules";

export type Finding = RuleFinding & { rule: string };

/** Everything the rules look at, worked out once. Throws for drills that are unknown, as `compile` does. */
export function auditInput(
  session: SessionPlan,
  drills: AuditInput["drills"],
  circumstances: Circumstances = {},
): AuditInput {
  const timeline = compile(session, drills);
  const coverage = coverageOf(session, timeline, drills, inLines(circumstances.group));
  const demand = askedOf(session, circumstances.demand, drills, circumstances.arc);
  return { session, timeline, drills, coverage, offered: [], ...circumstances, demand };
}

/** What an input is told besides its session. */
const circumstancesOf = ({ demand, group, offered, arc }: AuditInput): Circumstances => ({
  demand,
  group,
  offered,
  arc,
});

/** What the rules find in a session, most serious first. Fixes are proposals: `mending` says which of them mend. */
export const audit = (input: AuditInput): Finding[] => allAtOnce(auditInSteps(input));

/** The same in steps. */
export function* auditInSteps(input: AuditInput): Steps<Finding[]> {
  const all: Finding[] = [];
  for (const rule of RULES) {
    for (const finding of rule.inSteps ? yield* rule.inSteps(input) : rule.find(input))
      all.push({ rule: rule.id, ...finding });
    yield;
  }
  return all
    .map((finding, i) => ({ finding, i }))
    .sort((a, b) => SEVERITIES.indexOf(a.finding.severity) - SEVERITIES.indexOf(b.finding.severity) || a.i - b.i)
    .map(({ finding }) => finding);
}

/** What a finding is known by when the session has changed a little: its rule, and the drill it is about. */
export function keyOf(found: Pick<Finding, "rule" | "place" | "about">, session: SessionPlan): string {
  const item = found.place && session.blocks[found.place.block]?.items[found.place.item];
  return item ? `${found.rule} ${item.drill}` : found.about ? `${found.rule} ${found.about}` : found.rule;
}

const counts = (all: readonly Finding[], session: SessionPlan): Map<string, number> => {
  const map = new Map<string, number>();
  for (const one of all) map.set(keyOf(one, session), (map.get(keyOf(one, session)) ?? 0) + 1);
  return map;
};

/** Rules by which people are kept from harm: what they find in one place makes up for nothing in another. */
export const PROTECTING: ReadonlySet<string> = new Set([
  "protected-areas",
  "for-whom",
  "ground",
  "kit",
  "cold-effort",
  "way-in",
  "caps",
  "long-holds",
  "one-piece",
  "balance-support",
  "mixed-group",
  "heavier-sets",
]);

const rankOf = ({ severity }: Finding): number => SEVERITIES.indexOf(severity);
const countOf = (all: readonly Finding[], rule: string): number => all.filter((one) => one.rule === rule).length;

/** Time that a fix leaves over is no fault of it: it is there to be filled. */
const isTimeLeft = ({ rule, severity }: Finding): boolean =>
  severity === "hint" && (rule === "length" || rule === "title");

/** A fix that mends: what it is, the session after it, and what is found then. */
export type AppliedFix = { fix: Fix; session: SessionPlan; found: Finding[] };

/**
 * What a finding's fix comes to: the session after it, and what is found then; `undefined` when the finding stays or
 * something at least as serious appears that was not there.
 */
export function applyFix(found: Finding, input: AuditInput, all: readonly Finding[]): AppliedFix | undefined {
  const fix = found.fix ?? found.offer?.();
  if (!fix) return undefined;
  const session = settled(fix.apply(input.session), input.drills);
  // What a block by the clock can't keep is no fix.
  if (session === input.session || meaningFaults(session, input.drills).length > 0) return undefined;
  const after = audit(auditInput(session, input.drills, circumstancesOf(input)));
  const [before, now] = [counts(all, input.session), counts(after, session)];
  const key = keyOf(found, input.session);
  if ((now.get(key) ?? 0) >= (before.get(key) ?? 0)) return undefined;
  const worse = after.some(
    (one) =>
      rankOf(one) <= rankOf(found) &&
      !isTimeLeft(one) &&
      (now.get(keyOf(one, session)) ?? 0) > (before.get(keyOf(one, session)) ?? 0) &&
      // A hint of another rule that is now about another drill is the same hint, unless it is about somebody’s safety.
      (one.severity !== "hint" ||
        one.rule === found.rule ||
        PROTECTING.has(one.rule) ||
        countOf(after, one.rule) > countOf(all, one.rule)),
  );
  return worse ? undefined : { fix, session, found: after };
}

/** Most fixes of one kind that are made at once. */
const MOST_AT_ONCE = 60;

/** Mends what one rule finds, one after the other, as far as its fixes mend; each is tried on what the one before has left. What has a key in `leave` stays. Others are served between. */
export function* applyAllFixes(
  rule: string,
  input: AuditInput,
  leave: ReadonlySet<string> = new Set(),
): Steps<{ session: SessionPlan; found: Finding[]; fixes: string[] }> {
  const fixes: string[] = [];
  let now = input;
  let found = audit(now);
  const given = circumstancesOf(input);
  while (fixes.length < MOST_AT_ONCE) {
    let made: AppliedFix | undefined;
    for (const one of found) {
      if (one.rule !== rule || leave.has(keyOf(one, now.session))) continue;
      yield;
      made = applyFix(one, now, found);
      if (made) break;
    }
    if (!made) break;
    fixes.push(made.fix.words);
    now = auditInput(made.session, input.drills, given);
    found = made.found;
  }
  return { session: now.session, found, fixes };
}

/** The findings with only those fixes that mend. */
export function withWorkingFixes(input: AuditInput): Finding[] {
  const all = audit(input);
  return all.map((found) => {
    const { fix: _, offer: __, ...rest } = found;
    const mends = applyFix(found, input, all);
    return mends ? { ...rest, fix: mends.fix } : rest;
  });
}
