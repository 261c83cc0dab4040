/*
 * What can be undone, by session, in this tab. Storage may be full or switched off; then what was done can be undone until the
 * desk is left.
 */
const PREFIX = "mapset-undo-";

function quietly<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch {
    return undefined;
  }
}

export const readUndo = (id: string): string | undefined =>
  quietly(() => sessionStorage.getItem(PREFIX + id) ?? undefined);

export function forgetHistories(): void {
  quietly(() => {
    for (const name of Object.keys(sessionStorage)) if (name.startsWith(PREFIX)) sessionStorage.removeItem(name);
  });
}

export function keepUndo(id: string, text: string): void {
  const put = () => quietly(() => (sessionStorage.setItem(PREFIX + id, text), true));
  if (put()) return;
  // No room: what is kept of other sessions gives way.
  forgetHistories();
  put();
}
