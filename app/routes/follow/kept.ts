import type { CheckIn, Person } from "~/core/checkin/schema";
import type { Run } from "~/core/player/run";

/** What this device keeps of a link: the run under way, a check-in that has not been sent, and who was here last. */
type Kept = { run?: KeptRun; unsent?: CheckIn; person?: Person; sent?: string };

export type KeptRun = { key: string; person: Person; run: Run; at: number };

const name = (token: string) => `mapset-follow-${token.slice(0, 12)}`;

function read(token: string): Kept {
  try {
    return JSON.parse(localStorage.getItem(name(token)) ?? "{}") as Kept;
  } catch {
    return {};
  }
}

function write(token: string, change: Partial<Kept>): void {
  try {
    localStorage.setItem(name(token), JSON.stringify({ ...read(token), ...change }));
  } catch {
    // Storage is full or switched off: the run goes on, it only cannot be taken up again after a reload.
  }
}

export const keepRun = (token: string, run: KeptRun | undefined) => write(token, { run });
export const keepPerson = (token: string, person: Person) => write(token, { person });
export const keepUnsent = (token: string, unsent: CheckIn | undefined) => write(token, { unsent });
export const readKept = read;

const TOO_OLD_MS = 3 * 3600 * 1000;

/** A run that can be taken up again: begun, not finished, not older than three hours. */
export function openRun(kept: Kept, now: number): KeptRun | undefined {
  const { run } = kept;
  return run && now - run.at < TOO_OLD_MS && (run.run.state === "running" || run.run.state === "paused") ? run : undefined;
}
