import { sameJson } from "~/core/same-json";

/*
 * Things that stand beside one another and are changed one by one, from several pages: each has a revision of its own. What one
 * page sends counts in the order it was chosen, whatever order it arrives in; over another page's choice nothing is written unseen.
 */

/** How a field came to be as it is: how often it was changed from elsewhere, and by which page with which of its changes. */
export type Mark = { revision: number; by: string; seq: number };
export type Marks<F> = { [K in keyof F]?: Mark | undefined };

/** One field's change, as a page sends it: over which revision, and its how many-th change of that page. */
export type Change<T> = { value: T; basedOn: number; by: string; seq: number };
export type Changes<F> = { [K in keyof F]?: Change<F[K]> | undefined };

/** The revision a field has. */
export const revisionOf = <F>(marks: Marks<F>, field: keyof F): number => marks[field]?.revision ?? 0;

/** What comes of changes: what is written and as what it is marked, and those that somebody has to choose about. */
export type Merged<F> = { write: Partial<F>; marks: Marks<F>; newer: (keyof F)[] };

/**
 * Changes on what is there. `later` names the fields of which whatever comes later counts, since nothing is lost with what was
 * there before.
 */
export function mergeFields<F>(
  there: F,
  marks: Marks<F>,
  changes: Changes<F>,
  later: readonly (keyof F)[] = [],
): Merged<F> {
  const merged: Merged<F> = { write: {}, marks: { ...marks }, newer: [] };
  for (const field of Object.keys(changes) as (keyof F)[]) {
    const change = changes[field];
    if (!change) continue;
    const mark = marks[field];
    const mine = mark?.by === change.by;
    // This page's own, and not its latest: that is there already.
    if (mine && mark.seq >= change.seq) continue;
    const unseen = !mine && change.basedOn !== revisionOf(marks, field) && !later.includes(field);
    if (unseen && !sameJson(there[field], change.value)) {
      merged.newer.push(field);
      continue;
    }
    merged.write[field] = change.value;
    merged.marks[field] = { revision: revisionOf(marks, field) + 1, by: change.by, seq: change.seq };
  }
  return merged;
}

/** By whom changes are marked that no page sent. */
const NO_PAGE = "";

/** Marks of fields that were changed by no page: every page that is open has not seen it. */
export function changedByNobody<F>(marks: Marks<F>, fields: readonly (keyof F)[]): Marks<F> {
  const marked = fields.map((field) => [
    field,
    { revision: revisionOf(marks, field) + 1, by: NO_PAGE, seq: (marks[field]?.seq ?? 0) + 1 },
  ]);
  return { ...marks, ...(Object.fromEntries(marked) as Marks<F>) };
}
