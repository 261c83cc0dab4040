import type { DrillMotions } from "~/core/figure/motion";

const known = new Map<string, Promise<DrillMotions | undefined>>();

/** How a drill moves, fetched once. */
export function fetchMotions(drill: string): Promise<DrillMotions | undefined> {
  const asked =
    known.get(drill) ??
    fetch(`/figure/${drill}`)
      .then((answer) => (answer.ok ? (answer.json() as Promise<DrillMotions>) : undefined))
      .catch(() => undefined);
  known.set(drill, asked);
  return asked;
}
