import type { Steps } from "~/core/steps";

/** Milliseconds of work after which the page gets its turn. */
const TURN = 8;

/** Does work step by step beside the page, which stays quick meanwhile. Returns how to leave it undone. */
export function besidePage<T>(steps: Steps<T>, onDone: (value: T) => void): () => void {
  let timer: ReturnType<typeof setTimeout>;
  const turn = () => {
    for (const from = performance.now(); performance.now() - from < TURN;) {
      const next = steps.next();
      if (next.done) return onDone(next.value);
    }
    timer = setTimeout(turn);
  };
  timer = setTimeout(turn);
  return () => clearTimeout(timer);
}
