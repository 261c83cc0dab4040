import type { Route } from "./+types/check-in";
import { readReport } from "~/app/server/player.server";
import { getServices } from "~/app/server/services.server";
import { checkInSchema } from "~/core/checkin/schema";
import { keepCheckIn } from "~/db/runs";

/** A check-in. Sent again after a dropped connection it is recognised by its run's key and kept once. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { opened, message, fold } = await readReport(
    request,
    params.token,
    context.address,
    checkInSchema,
    (checkIn) => checkIn.run.key,
  );
  const first = await keepCheckIn(getServices().db, opened, message, { fold });
  // Far beyond what a link brings, what tells of no pain has no room: the device keeps it and says so.
  return first === undefined
    ? Response.json({ kind: "wait" }, { status: 429 })
    : Response.json({ kind: "kept", first });
}
