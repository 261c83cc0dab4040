const OWN = /^own-([0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12})-([1-9]\d{0,4})$/;

/** The id under which one revision of a coach's own drill is used in sessions. A revision never changes. */
export const ownDrillId = (drill: string, revision: number): string => `own-${drill}-${revision}`;

/** Which drill and revision an id means, or undefined for a shipped one. */
export function readOwnId(id: string): { drill: string; revision: number } | undefined {
  const found = OWN.exec(id);
  return found ? { drill: found[1]!, revision: Number(found[2]) } : undefined;
}

/** More drills than fit into the longest session. */
const MOST_NAMED = 5_000;

/** The ids of own drills that a document names, given as its text or its value; at most as many as the longest session has drills. */
export function ownIdsIn(document: unknown): string[] {
  const text = typeof document === "string" ? document : (JSON.stringify(document) ?? "");
  const ids = new Set<string>();
  for (const [id] of text.matchAll(/\bown-[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}-[1-9]\d{0,4}\b/g))
    if (ids.size < MOST_NAMED) ids.add(id);
  return [...ids];
}

/** What can be chosen from where some revisions are named: those, and whatever else is offered, but no other revision of the same drill. */
export function withNamed<D extends { id: string }>(named: readonly D[], offered: readonly D[]): D[] {
  const drills = new Set(named.map((one) => readOwnId(one.id)?.drill));
  return [...named, ...offered.filter((one) => !drills.has(readOwnId(one.id)?.drill))];
}

/** The newest of the ids that mean the same own drill, where that is newer than the one given. */
export function newerRevision(id: string, ids: Iterable<string>): string | undefined {
  const own = readOwnId(id);
  if (!own) return undefined;
  let best: { id: string; revision: number } | undefined;
  for (const other of ids) {
    const read = readOwnId(other);
    if (read?.drill === own.drill && read.revision > (best?.revision ?? own.revision))
      best = { id: other, revision: read.revision };
  }
  return best?.id;
}
