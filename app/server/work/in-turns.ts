import { setImmediate } from "node:timers/promises";
import type { Steps } from "~/core/steps";

/** Milliseconds of work after which others are served. Answering one of them takes some eight turns, each of which waits so long. */
const TURN = 6;

/** Does work step by step; others are served whenever a turn is over. Fails as soon as `stopped` says why. */
export async function inTurns<T>(steps: Steps<T>, stopped: () => Error | undefined = () => undefined): Promise<T> {
  for (let from = performance.now(); ;) {
    const why = stopped();
    if (why) throw why;
    const next = steps.next();
    if (next.done) return next.value;
    if (performance.now() - from < TURN) continue;
    await setImmediate();
    from = performance.now();
  }
}
