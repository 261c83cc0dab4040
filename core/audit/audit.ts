import { closing } from "./rules/closing";
import { coldEffort } from "./rules/cold-effort";
import { instructions } from "./rules/instructions";
import { length } from "./rules/length";
import { longHolds } from "./rules/long-holds";
import { oneKnee } from "./rules/one-knee";
import { planes } from "./rules/planes";
import { tempo } from "./rules/tempo";
import { title } from "./rules/title";
import { topDemand } from "./rules/top-demand";
import { unequalSides } from "./rules/unequal-sides";
import { SEVERITIES, type AuditInput, type Finding, type Rule } from "./types";
import { coverageOf } from "~/core/coverage/coverage";
import type { Session } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";

/** Every rule, in the order findings of one severity are shown. */
export const RULES: readonly Rule[] = [coldEffort, unequalSides, length, longHolds, tempo, oneKnee, topDemand, instructions, planes, closing, title];

export type Found = Finding & { rule: string };

/** What the rules find in a session, most serious first. */
export function audit(session: Session, drills: AuditInput["drills"], demand?: AuditInput["demand"]): Found[] {
  const timeline = compile(session, drills);
  const input: AuditInput = { session, timeline, drills, coverage: coverageOf(session, timeline, drills), demand };
  return RULES.flatMap((rule) => rule.find(input).map((finding) => ({ rule: rule.id, ...finding })))
    .map((finding, i) => ({ finding, i }))
    .sort((a, b) => SEVERITIES.indexOf(a.finding.severity) - SEVERITIES.indexOf(b.finding.severity) || a.i - b.i)
    .map(({ finding }) => finding);
}
