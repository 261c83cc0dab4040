import { drawnDrill } from "./drills.server";
import type { Drill } from "~/core/drills/schema";
import type { Edition } from "~/core/edition/edition";
import { asKnownToday, levelsUsed } from "~/core/edition/today";
import type { Club } from "~/db/clubs";

/** An edition of a club. */
export type EditionOf = { club: Club; edition: { id: string; doc: Edition } };

export const pauseForOthers = () => new Promise<void>((resolve) => void setImmediate(resolve));

/** How many editions are remembered as they are looked at today; one takes up to a second to work out. */
const REMEMBERED = 40;
const looked = new Map<string, Promise<Map<string, Drill>>>();

/** The drills of an edition as they are looked at today, others being served between one and the next. */
export function drillsToday({ club, edition }: EditionOf): Promise<Map<string, Drill>> {
  const before = looked.get(edition.id);
  if (before) return before;
  const work = (async () => {
    const used = levelsUsed(edition.doc);
    const drills = new Map<string, Drill>();
    for (const drill of edition.doc.drills) {
      const today = await drawnDrill(club, drill.id);
      drills.set(drill.id, asKnownToday(drill, used.get(drill.id) ?? new Set(), today));
      await pauseForOthers();
    }
    return drills;
  })();
  looked.set(edition.id, work);
  // One that could not be worked out is tried again the next time.
  work.catch(() => looked.delete(edition.id));
  if (looked.size > REMEMBERED) looked.delete(looked.keys().next().value!);
  return work;
}
