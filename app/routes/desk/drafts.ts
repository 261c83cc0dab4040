import type { Session } from "~/core/session/schema";

/** Edits that have not reached the server, kept in this browser. */
export type Draft = { basedOn: number; doc: Session };

const key = (id: string) => `mapset-unsaved-${id}`;

/** Storage may be full or switched off; then there is no copy in the browser, and everything else goes on. */
function quietly<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch {
    return undefined;
  }
}

export function keepDraft(id: string, draft: Draft): void {
  quietly(() => localStorage.setItem(key(id), JSON.stringify(draft)));
}

export function dropDraft(id: string): void {
  quietly(() => localStorage.removeItem(key(id)));
}

export function readDraft(id: string): Draft | undefined {
  return quietly(() => {
    const text = localStorage.getItem(key(id));
    return text ? (JSON.parse(text) as Draft) : undefined;
  });
}
