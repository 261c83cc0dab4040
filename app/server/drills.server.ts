import { ClubCache } from "~/db/club-cache";
import type { Club } from "~/db/clubs";
import { ownIdsIn, readOwnId } from "~/core/drills/own";
import type { Drill } from "~/core/drills/schema";
import { makeFindable, type Findable } from "~/core/browse/search";
import type { SessionPlan } from "~/core/session/schema";
import { browseAllOwn, findRevision, listOwnDrills, revisionsNamed, type ListedDrill } from "~/db/own-drills";
import type { UnreadableRow } from "~/db/unreadable";
import { lookupOf, type DrillLookup } from "~/library";
import { DRAWN_DRILLS, drawnDrillById } from "~/library/drawn";
import { getServices } from "./services.server";

/** Those revisions of a coach's own drills that something names, a document or its text. Without motions. */
export const drillsNamed = (club: Club, within: unknown): Promise<Drill[]> =>
  revisionsNamed(getServices().db, club, ownIdsIn(within));

/** Finds the drills that something of a coach's names: the shipped ones and those revisions of their own. Without motions. */
export const drillsOf = async (club: Club, within: unknown): Promise<DrillLookup> =>
  lookupOf(await drillsNamed(club, within));

/** One drill with its motions: a shipped one, or a revision of one of the coach's own. */
export async function drawnDrill(club: Club, id: string): Promise<Drill | undefined> {
  const own = readOwnId(id);
  return own ? findRevision(getServices().db, club, own.drill, own.revision) : drawnDrillById(id);
}

/** The drills of a session with their motions. */
export async function drawnDrillsIn(club: Club, session: SessionPlan): Promise<DrillLookup> {
  const ids = [...new Set(session.blocks.flatMap((block) => block.items.map((item) => item.drill)))];
  const found = new Map(
    (await Promise.all(ids.map((id) => drawnDrill(club, id)))).flatMap((drill) =>
      drill ? [[drill.id, drill] as const] : [],
    ),
  );
  return (id) => found.get(id);
}

const SHIPPED: readonly ListedDrill[] = DRAWN_DRILLS.map(({ motions, ...doc }) => ({
  doc,
  drawn: motions !== undefined,
}));

/** What a coach can browse, without motions: their own drills in their newest revision, then the shipped ones; and their own that are archived; and what of them cannot be read. */
export async function browsable(
  club: Club,
): Promise<{ drills: ListedDrill[]; aside: ListedDrill[]; unreadable: UnreadableRow[] }> {
  const { db } = getServices();
  const [own, aside] = await Promise.all([browseAllOwn(db, club), browseAllOwn(db, club, true)]);
  return {
    drills: [...own.drills, ...SHIPPED],
    aside: aside.drills,
    unreadable: [...own.unreadable, ...aside.unreadable],
  };
}

/** So many lists of drills stay ready to be searched: one for each coach who searches about now. */
const MOST_READY = 50;
const ready = new ClubCache<Findable>(MOST_READY);

/** Drills made ready to be searched, remembered by their ids: a revision never changes. */
export function readyToSearch(club: Club, drills: readonly Drill[]): Findable {
  const key = drills
    .filter((drill) => readOwnId(drill.id))
    .map((drill) => drill.id)
    .join();
  return ready.get(club, key) ?? ready.set(club, key, makeFindable(drills));
}

/** The same with their motions. */
export async function everyDrawn(club: Club): Promise<Drill[]> {
  return [...(await listOwnDrills(getServices().db, club)).map((row) => row.doc), ...DRAWN_DRILLS];
}
