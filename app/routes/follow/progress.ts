import type { Route } from "./+types/progress";
import { secondsToWait } from "~/app/server/limits.server";
import { openForPlayer, readMessage } from "~/app/server/player.server";
import { getServices } from "~/app/server/services.server";
import { progressSchema } from "~/core/checkin/schema";
import { parseWith } from "~/core/faults";
import { keepProgress } from "~/db/runs";

/** How far someone has got. Sent now and then; the same run again updates it. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const opened = await openForPlayer(params.token, context.address, false);
  if ((await secondsToWait("playerMessage", `${opened.id} ${context.address}`)) > 0) return Response.json({ kind: "wait" }, { status: 429 });
  const read = parseWith(progressSchema, await readMessage(request));
  if (!read.ok) return Response.json({ kind: "refused", faults: read.faults }, { status: 422 });
  await keepProgress(getServices().db, opened, read.value);
  return Response.json({ kind: "kept" });
}
