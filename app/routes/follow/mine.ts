import { z } from "zod";
import type { Route } from "./+types/mine";
import { mineInClass, mineOf } from "~/app/server/mine.server";
import { openForPlayer } from "~/app/server/player.server";
import { getServices } from "~/app/server/services.server";
import { editionInClass, type OpenLink } from "~/db/links";
import { runningFor } from "~/db/live";

/** Takes the edition of a class that the link’s group is in, in place of the link’s own. False where it is in no such class. */
async function asInClass(opened: OpenLink, classId: string): Promise<boolean> {
  const { db } = getServices();
  const one = await runningFor(db, opened.club, { editionId: opened.edition.id, groupId: opened.groupId });
  if (one?.id !== classId) return false;
  if (one.editionId !== opened.edition.id)
    opened.edition = { ...opened.edition, ...(await editionInClass(db, opened.club, one.editionId)) };
  return true;
}

/** What the person chosen on a device does instead of what they should keep off: levels and drills, never areas. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const opened = await openForPlayer(params.token, context.address);
  // In a class that is run from another edition than the link’s, what is done instead is of that one.
  const running = z.uuid().safeParse(new URL(request.url).searchParams.get("class"));
  const inClass = running.success && (await asInClass(opened, running.data)) ? running.data : undefined;
  const asked = z.uuid().safeParse(new URL(request.url).searchParams.get("athlete"));
  const who = asked.success ? asked.data : null;
  return Response.json(inClass ? await mineInClass(opened, who, inClass) : await mineOf(opened, who), {
    headers: { "cache-control": "no-store" },
  });
}
