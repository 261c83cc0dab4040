import { getServices } from "./services.server";
import type { Drill } from "~/core/drills/schema";
import type { Club } from "~/db/clubs";
import { browseOwnDrills } from "~/db/own-drills";

/** The drills of a club's own that may be done in place of others, as the library's may. */
export const ownOffered = async (club: Club): Promise<readonly Drill[]> =>
  (await browseOwnDrills(getServices().db, club)).map(({ doc }) => doc);
