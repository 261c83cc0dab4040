/** A machine of plain values that runs: what happens is told to it, what is to be done is performed, and whoever shows it hears. */
export function openMachine<S, Event, Effect>(
  first: S,
  step: (state: S, event: Event) => [S, Effect[]],
  perform: (effect: Effect) => void,
) {
  let state = first;
  const listeners = new Set<() => void>();
  return {
    state: () => state,
    subscribe: (listener: () => void): (() => void) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
    tell: (event: Event): void => {
      const before = state;
      const [next, effects] = step(state, event);
      state = next;
      for (const effect of effects) perform(effect);
      if (next !== before) listeners.forEach((listener) => listener());
    },
  };
}
