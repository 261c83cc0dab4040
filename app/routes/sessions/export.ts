import type { Route } from "./+types/export";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { fileName } from "~/app/server/file-name";
import { exportSession } from "~/app/server/session-docs.server";

/** The session as a file with everything it needs elsewhere, in the format of docs/session-file.md. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const file = await exportSession(coach.id, idOf(params.id));
  if (!file) throw notHere();
  return new Response(`${JSON.stringify(file.document, null, 2)}\n`, {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename="${fileName(file.name, "session")}.mapset.json"`,
      "cache-control": "no-store",
    },
  });
}
