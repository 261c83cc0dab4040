import type { Route } from "./+types/export";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { fileName } from "~/app/server/file-name";
import { exportSession, LARGEST_IMPORT } from "~/app/server/session-docs.server";

/** The session as a file with everything it needs elsewhere, in the format of docs/session-file.md. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const file = await exportSession(coach.id, idOf(params.id));
  if (!file) throw notHere();
  const spaced = JSON.stringify(file.document, null, 2);
  return new Response(`${spaced.length > LARGEST_IMPORT / 2 ? JSON.stringify(file.document) : spaced}\n`, {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename="${fileName(file.name, "session")}.mapset.json"`,
      "cache-control": "no-store",
    },
  });
}
