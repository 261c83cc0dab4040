import type { Club } from "~/db/clubs";
import { hasRoom, MOST, type Kept } from "~/db/quota";
import { getServices } from "./services.server";

const HELP: Record<Kept, string> = {
  sessions: "sessions. Delete some that are archived, then try again.",
  links: "links. Delete sessions you no longer need, then try again.",
  people: "people in groups. Delete groups you no longer coach, then try again.",
  groups: "groups. Delete some you no longer coach, then try again.",
  drills: "drills of your own.",
  profiles: "sport profiles of your own. Delete some you no longer use, then try again.",
  revisions: "revisions of drills of your own.",
};

/** Goes on when a coach has room for more; else says what is full. Nothing has been kept then. */
export async function needRoom(club: Club, what: Kept, more = 1): Promise<void> {
  if (await hasRoom(getServices().db, club, what, more)) return;
  throw new Response(`You have as many as Mapset allows: ${MOST[what].toLocaleString("en-GB")} ${HELP[what]}`, {
    status: 409,
  });
}
