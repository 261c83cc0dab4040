import { steady } from "~/core/clock/clock";
import { NOTHING_KEPT, readKept, type Kept } from "~/core/player/kept";

const name = (token: string) => `mapset-follow-${token.slice(0, 12)}`;

/** What could not be written, for as long as the page is open. */
const unwritten = new Map<string, Kept>();

/** Told to forget, a page writes nothing down until somebody begins anew. */
let forgotten = false;

/** What this device keeps of a link. */
export function keptOf(token: string): Kept {
  const inMemory = unwritten.get(token);
  if (inMemory) return inMemory;
  try {
    return readKept(JSON.parse(localStorage.getItem(name(token)) ?? "null"), steady());
  } catch {
    return NOTHING_KEPT;
  }
}

/** Changes it. Where the device's storage is full or switched off, it is kept until the page is closed. */
export function keep(token: string, change: (kept: Kept) => Kept): Kept {
  const next = change(keptOf(token));
  try {
    if (forgotten) throw new Error("Nothing is kept any more");
    localStorage.setItem(name(token), JSON.stringify(next));
    unwritten.delete(token);
  } catch {
    unwritten.set(token, next);
  }
  return next;
}

/** Whether this browser keeps nothing at all: in a private window, with its storage switched off or full. */
export function keepsNothing(): boolean {
  const probe = "mapset-probe";
  try {
    localStorage.setItem(probe, "1");
    localStorage.removeItem(probe);
    return false;
  } catch {
    return true;
  }
}

/** Keeps nothing any more, and lets go of what could not be written, until somebody begins anew. */
export function stopKeeping(): void {
  forgotten = true;
  unwritten.clear();
}

export const keepAgain = (): void => void (forgotten = false);
