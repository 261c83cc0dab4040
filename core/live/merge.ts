import { LEAD_MS, type Pressed, type Sent } from "./commands";
import type { EpochMs } from "~/core/units";

/** When a command that arrives now takes effect: a little later for all, and never before the one before it. */
export const takesEffect = (now: EpochMs, last: EpochMs | undefined): EpochMs => Math.max(now + LEAD_MS, last ?? 0);

/** What was pressed without a connection, with the moment of it in server time. */
export type PressedApart = Pressed & { at: EpochMs };

/** What was pressed without a connection counts for so long. */
export const APART_MS = 10 * 60_000;

export type Merged =
  | { kind: "taken"; commands: (PressedApart & { from: EpochMs })[] }
  /** Somebody else led on meanwhile, or it is too long ago: none is taken, and whoever pressed is asked. */
  | { kind: "others" | "old" };

/**
 * What becomes of commands that were pressed without a connection: all are taken, at their own times, where nothing came in
 * between; otherwise none. Those that had arrived after all (their keys are there) keep the times they were given.
 */
export function mergeApart(have: readonly Sent[], pressed: readonly PressedApart[], now: EpochMs): Merged {
  const keys = new Set(pressed.map(({ key }) => key));
  const others = have.filter(({ key }) => !keys.has(key));
  const known = new Set(have.map(({ key }) => key));
  const fresh = pressed.filter(({ key }) => !known.has(key));
  if (fresh.length === 0) return { kind: "taken", commands: [] };
  if ((others.at(-1)?.n ?? 0) > pressed[0]!.seen) return { kind: "others" };
  if (fresh.some(({ at }) => now - at > APART_MS)) return { kind: "old" };
  let last = have.at(-1)?.from ?? 0;
  return {
    kind: "taken",
    commands: fresh.map((one) => {
      last = Math.max(last, Math.min(one.at, now));
      return { ...one, from: last };
    }),
  };
}

/** The commands a device has, with some that arrived: in order, each once. */
export function withArrived(have: readonly Sent[], arrived: readonly Sent[]): readonly Sent[] {
  const known = new Set(have.map(({ n }) => n));
  const fresh = arrived.filter(({ n }) => !known.has(n));
  return fresh.length === 0 ? have : [...have, ...fresh].sort((a, b) => a.n - b.n);
}

/** Those up to the first that is missing: what comes after a gap waits for it. */
export function inOrder(commands: readonly Sent[]): readonly Sent[] {
  const end = commands.findIndex(({ n }, i) => n !== i + 1);
  return end < 0 ? commands : commands.slice(0, end);
}
