/** Work done in steps, so that others can be served between one and the next: every `yield` is such a place. */
export type Steps<T> = Generator<undefined, T, undefined>;

/** Does all of it at once. */
export function allAtOnce<T>(steps: Steps<T>): T {
  for (;;) {
    const next = steps.next();
    if (next.done) return next.value;
  }
}
