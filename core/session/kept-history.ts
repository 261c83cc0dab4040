import { isObject } from "~/core/faults";
import { sameJson } from "~/core/same-json";
import type { History } from "./history";

/*
 * What can be undone, as text, so that it is there when a coach comes back to the desk: the nearest steps, as many as there
 * is room for.
 */

/** Characters of one session's steps; a browser keeps some five million of all. */
export const LONGEST_KEPT = 1_000_000;
const MOST_STEPS = 60;

type Step<T> = { state: T; words: string };
type Kept<T> = { present: T; words: string; past: Step<T>[]; future: Step<T>[] };

/** The steps around the present as text, fewer where they would be too long; undefined where there are none. */
export function keepHistory<T>({ past, present, words, future }: History<T>): string | undefined {
  for (let steps = MOST_STEPS; steps >= 1; steps = Math.floor(steps / 2)) {
    const kept: Kept<T> = { present, words, past: past.slice(-steps), future: future.slice(0, steps) };
    if (kept.past.length === 0 && kept.future.length === 0) return undefined;
    const text = JSON.stringify(kept);
    if (text.length <= LONGEST_KEPT) return text;
  }
  return undefined;
}

/**
 * The history of a state that is on the desk, from text that was kept; undefined where it is of another state, or not right.
 * `read` takes a state and gives it back where it is one.
 */
export function readHistory<T>(
  text: string,
  present: T,
  read: (value: unknown) => T | undefined,
): History<T> | undefined {
  let kept: unknown;
  try {
    kept = JSON.parse(text);
  } catch {
    return undefined;
  }
  if (!isObject(kept) || !sameJson(kept["present"], present)) return undefined;
  const [past, future] = [stepsOf(kept["past"], read), stepsOf(kept["future"], read)];
  if (!past || !future) return undefined;
  return { past, present, words: typeof kept["words"] === "string" ? kept["words"] : "", future, lastAt: 0 };
}

function stepsOf<T>(value: unknown, read: (value: unknown) => T | undefined): Step<T>[] | undefined {
  if (!Array.isArray(value) || value.length > MOST_STEPS) return undefined;
  const steps: Step<T>[] = [];
  for (const one of value as unknown[]) {
    const state = isObject(one) ? read(one["state"]) : undefined;
    if (!isObject(one) || state === undefined || typeof one["words"] !== "string") return undefined;
    steps.push({ state, words: one["words"] });
  }
  return steps;
}
