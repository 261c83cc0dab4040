import { drawnDrill } from "./drills.server";
import type { Drill } from "~/core/drills/schema";
import type { Edition } from "~/core/edition/edition";
import { asKnownToday, levelsUsed } from "~/core/edition/today";
import { ClubPromises } from "~/db/club-cache";
import type { Club } from "~/db/clubs";

/** An edition of a club. */
export type EditionOf = { club: Club; edition: { id: string; doc: Edition } };

export const pauseForOthers = () => new Promise<void>((resolve) => void setImmediate(resolve));

/** How many editions are remembered as they are looked at today; one takes up to a second to work out. */
const REMEMBERED = 40;
const looked = new ClubPromises<Map<string, Drill>>(REMEMBERED);

/** The drills of an edition as they are looked at today, others being served between one and the next. */
export function drillsToday({ club, edition }: EditionOf): Promise<Map<string, Drill>> {
  return looked.of(club, edition.id, async () => {
    const used = levelsUsed(edition.doc);
    const drills = new Map<string, Drill>();
    for (const drill of edition.doc.drills) {
      const today = await drawnDrill(club, drill.id);
      drills.set(drill.id, asKnownToday(drill, used.get(drill.id) ?? new Set(), today));
      await pauseForOthers();
    }
    return drills;
  });
}
