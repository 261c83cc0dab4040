import type { Route } from "./+types/progress";
import { readReport } from "~/app/server/player.server";
import { getServices } from "~/app/server/services.server";
import { progressSchema } from "~/core/checkin/schema";
import { keepProgress } from "~/db/runs";

/** How far someone has got. Sent now and then; the same run again updates it. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { opened, message, fold } = await readReport(
    request,
    params.token,
    context.address,
    progressSchema,
    (progress) => progress.key,
  );
  await keepProgress(getServices().db, opened, message, { fold });
  return Response.json({ kind: "kept" });
}
