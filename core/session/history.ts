import type { EpochMs } from "~/core/units";

/** What was done and can be undone. Each state keeps the words for the edit that led to it. */
export type History<T> = {
  past: { state: T; words: string }[];
  present: T;
  words: string;
  future: { state: T; words: string }[];
  /** Edits with the same key shortly after one another are one step. */
  lastKey?: string;
  lastAt: EpochMs;
};

const MOST_STEPS = 500;
const JOIN_WITHIN: EpochMs = 1200;

export function startHistory<T>(state: T): History<T> {
  return { past: [], present: state, words: "", future: [], lastAt: 0 };
}

/**
 * Records an edit under words such as “hold 30 → 45 s”. Edits that follow within 1.2 s under the same key are joined
 * into one step, so that typing a number is undone at once. An edit that changes nothing is not recorded.
 */
export function record<T>(history: History<T>, state: T, words: string, now: EpochMs, key?: string): History<T> {
  if (state === history.present) return history;
  const joins =
    key !== undefined && key === history.lastKey && now - history.lastAt < JOIN_WITHIN && history.past.length > 0;
  const past = joins
    ? history.past
    : [...history.past, { state: history.present, words: history.words }].slice(-MOST_STEPS);
  return { past, present: state, words, future: [], lastAt: now, ...(key !== undefined && { lastKey: key }) };
}

export function undo<T>(history: History<T>): History<T> {
  const before = history.past.at(-1);
  if (!before) return history;
  return {
    past: history.past.slice(0, -1),
    present: before.state,
    words: before.words,
    future: [{ state: history.present, words: history.words }, ...history.future],
    lastAt: 0,
  };
}

export function redo<T>(history: History<T>): History<T> {
  const [after, ...rest] = history.future;
  if (!after) return history;
  return {
    past: [...history.past, { state: history.present, words: history.words }],
    present: after.state,
    words: after.words,
    future: rest,
    lastAt: 0,
  };
}
