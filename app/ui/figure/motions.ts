import type { DrillAnimations } from "~/core/figure/animation";

const known = new Map<string, Promise<DrillAnimations | undefined>>();

/** How a drill moves, fetched once. */
export function fetchMotions(drill: string): Promise<DrillAnimations | undefined> {
  const asked =
    known.get(drill) ??
    fetch(`/figure/${drill}`)
      .then((answer) => (answer.ok ? (answer.json() as Promise<DrillAnimations>) : undefined))
      .catch(() => undefined);
  known.set(drill, asked);
  return asked;
}
