import type { Drill } from "~/core/drills/schema";
import { allRevisions, listOwnDrills } from "~/db/own-drills";
import { DRAWN_DRILLS, drawnDrillById } from "~/library/drawn";
import { drillById } from "~/library";
import { getServices } from "./services.server";

export type Lookup = (id: string) => Drill | undefined;

/** Finds every drill a coach's sessions may use: the shipped ones and each revision of their own. */
export async function drillsOf(coachId: string): Promise<Lookup> {
  const own = new Map((await allRevisions(getServices().db, coachId)).map((drill) => [drill.id, drill]));
  return (id) => own.get(id) ?? drillById(id);
}

/** The same, with the motions of the shipped ones. */
export async function drawnDrillsOf(coachId: string): Promise<Lookup> {
  const own = new Map((await allRevisions(getServices().db, coachId)).map((drill) => [drill.id, drill]));
  return (id) => own.get(id) ?? drawnDrillById(id);
}

/** What a coach can browse: their own drills in their newest revision, then the shipped ones. */
export async function browsable(coachId: string): Promise<Drill[]> {
  const own = await listOwnDrills(getServices().db, coachId);
  return [...own.map((row) => row.doc), ...DRAWN_DRILLS];
}
