import type { Route } from "./+types/check-in";
import { secondsToWait } from "~/app/server/limits.server";
import { openForPlayer, readMessage } from "~/app/server/player.server";
import { getServices } from "~/app/server/services.server";
import { checkInSchema } from "~/core/checkin/schema";
import { parseWith } from "~/core/faults";
import { keepCheckIn } from "~/db/runs";

/** A check-in. Sent again after a dropped connection it is recognised by its run's key and kept once. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const opened = await openForPlayer(params.token, context.address, false);
  if ((await secondsToWait("playerMessage", `${opened.id} ${context.address}`)) > 0) return Response.json({ kind: "wait" }, { status: 429 });
  const read = parseWith(checkInSchema, await readMessage(request));
  if (!read.ok) return Response.json({ kind: "refused", faults: read.faults }, { status: 422 });
  const first = await keepCheckIn(getServices().db, opened, read.value);
  return Response.json({ kind: "kept", first });
}
