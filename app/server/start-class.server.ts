import { secondsToWait, waitText } from "./limits.server";
import { getServices } from "./services.server";
import type { Club } from "~/db/clubs";
import { startClass } from "~/db/live";

/** Starts a class as a member of a club. Undefined where what it is run from is not there; refused after more than anybody can lead. */
export async function beginClass(
  club: Club,
  from: { editionId: string; groupId: string | null },
): Promise<string | undefined> {
  const { db, secret } = getServices();
  const wait = await secondsToWait("startClass", `${club.id} ${club.by}`);
  if (wait > 0)
    throw new Response(`You have started many classes in a short time. Try again in ${waitText(wait)}.`, {
      status: 429,
    });
  return startClass(db, club, from, secret);
}
