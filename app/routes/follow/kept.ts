import { steady } from "~/core/clock/clock";
import { NOTHING_KEPT, readKept, type Kept } from "~/core/player/kept";

const name = (token: string) => `mapset-follow-${token.slice(0, 12)}`;

/** What could not be written, for as long as the page is open. */
const unwritten = new Map<string, Kept>();

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

/** Lets go of what could not be written, too. */
export const forgetUnwritten = (): void => unwritten.clear();

/** A key for a run. Made of random numbers wherever the page is opened, also where a browser calls the address not secure. */
export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (bytes[6]! & 0x0f) | 0x40;
  bytes[8] = (bytes[8]! & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, "0")).join("");
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join("-");
}
