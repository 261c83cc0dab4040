import { z } from "zod";
import type { Route } from "./+types/class";
import { readMessage } from "~/app/server/forms.server";
import { passFor } from "~/app/server/live.server";
import { secondsToWait } from "~/app/server/limits.server";
import { byNetwork } from "~/app/server/network";
import { findForPlayer } from "~/app/server/player.server";
import { getServices } from "~/app/server/services.server";
import { parseWith } from "~/core/faults";
import { withoutNotes, type Edition } from "~/core/edition/edition";
import { keyOf } from "~/db/club-cache";
import { editionOf, type LinkFound } from "~/db/links";
import { runningFor } from "~/db/live";
import { tellPeople } from "~/db/live-people";

/** The class a device can join; with its edition, where that is another than the link’s. */
export type Running = { id: string; fold: number; edition: Edition | undefined };

async function running(found: LinkFound): Promise<{ id: string; fold: number; editionId: string } | undefined> {
  const one = await runningFor(getServices().db, found.club, { editionId: found.edition.id, groupId: found.groupId });
  return one && { id: one.id, fold: one.fold, editionId: one.editionId };
}

/** Whether the group’s class is running, for whoever holds one of its links. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const found = await findForPlayer(params.token, context.address, false);
  const one = await running(found);
  return Response.json({ running: one ? { id: one.id } : null }, { headers: { "cache-control": "no-store" } });
}

const asked = z.strictObject({ class: z.uuid(), athlete: z.uuid().nullable() });

/** Joins the class: from then on this device follows it. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const found = await findForPlayer(params.token, context.address, false);
  const read = parseWith(asked, await readMessage(request, 1000));
  if (!read.ok) return Response.json({ kind: "refused", faults: read.faults }, { status: 422 });
  const one = await running(found);
  if (!one || one.id !== read.value.class) return Response.json({ kind: "over" }, { status: 404 });
  if ((await secondsToWait("joinClass", `${keyOf(found.club, one.id)} ${byNetwork(context.address)}`)) > 0)
    return Response.json({ kind: "wait" }, { status: 429 });
  // Only who is on the list is somebody; everybody else joins as whoever they are.
  const personId = found.athletes.find(({ id }) => id === read.value.athlete)?.id ?? null;
  const cookie = await passFor(request, found.club, one.id, { kind: "athlete", personId });
  const other =
    one.editionId === found.edition.id
      ? undefined
      : await editionOf(getServices().db, { club: found.club, edition: { id: one.editionId } });
  await tellPeople(getServices().db, found.club, one.id);
  const joined: Running = {
    id: one.id,
    fold: one.fold,
    edition: other && { ...other, session: withoutNotes(other.session) },
  };
  return Response.json(joined, { headers: { "cache-control": "no-store", ...(cookie && { "set-cookie": cookie }) } });
}
