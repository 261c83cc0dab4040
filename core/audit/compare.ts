import { keyOf, type Finding } from "./audit";
import { SEVERITIES } from "./types";
import type { SessionPlan } from "~/core/session/schema";

/** What was found in a session, and in which. */
export type FoundIn = { session: SessionPlan; found: readonly Finding[] };

/** A finding as it is told: without what would mend it. */
export type Told = Omit<Finding, "fix" | "offer">;

/** What is found after a change that was not found before it just so: something new, more serious, or said otherwise. */
export function foundAnew(before: FoundIn, after: FoundIn): Told[] {
  const said = ({ session, found }: FoundIn) =>
    found.map((one) => `${keyOf(one, session)} ${one.severity} ${one.message}`);
  const left = new Map<string, number>();
  for (const line of said(before)) left.set(line, (left.get(line) ?? 0) + 1);
  const lines = said(after);
  return after.found
    .filter((_, i) => {
      const times = left.get(lines[i]!) ?? 0;
      left.set(lines[i]!, times - 1);
      return times <= 0;
    })
    .map(({ fix: _, offer: __, ...told }) => told);
}

/** How many findings that are no mere hint a change brings, or makes more serious. */
export function worsened(before: FoundIn, after: FoundIn): number {
  const ranks = ({ session, found }: FoundIn) => {
    const byKey = new Map<string, number[]>();
    for (const one of found)
      byKey.set(keyOf(one, session), [...(byKey.get(keyOf(one, session)) ?? []), SEVERITIES.indexOf(one.severity)]);
    for (const list of byKey.values()) list.sort((a, b) => a - b);
    return byKey;
  };
  const old = ranks(before);
  const hint = SEVERITIES.indexOf("hint");
  return [...ranks(after)].reduce(
    (sum, [key, list]) =>
      sum + list.filter((rank, i) => rank < hint && rank < (old.get(key)?.[i] ?? SEVERITIES.length)).length,
    0,
  );
}
