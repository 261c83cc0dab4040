import { getServices } from "./services.server";
import type { Drill } from "~/core/drills/schema";
import type { Club } from "~/db/clubs";
import { browseOwnDrills } from "~/db/own-drills";
import { DRILLS } from "~/library";

/** The drills that may be done in place of others: a club's own, and the library's. */
export async function offeredIn(club: Club): Promise<readonly Drill[]> {
  const own = await browseOwnDrills(getServices().db, club);
  return own.length > 0 ? [...own.map(({ doc }) => doc), ...DRILLS] : DRILLS;
}
