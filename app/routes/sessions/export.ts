import type { Route } from "./+types/export";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { fileName } from "~/core/files/file-name";
import { exportSession, LARGEST_IMPORT } from "~/app/server/session-docs.server";
import { cannotLeave } from "~/core/files/session-file";

/** The session as a file with everything it needs elsewhere, in the format of docs/session-file.md. Nothing leaves that could not come in again. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const file = await exportSession(coach.club, idOf(params.id));
  if (!file) throw notHere();
  const [spaced, tight] = [`${JSON.stringify(file.document, null, 2)}\n`, `${JSON.stringify(file.document)}\n`];
  const refused = cannotLeave(file.document.drills.length, Buffer.byteLength(tight), LARGEST_IMPORT);
  if (refused)
    return new Response(`${refused}\n`, { status: 409, headers: { "content-type": "text/plain; charset=utf-8" } });
  return new Response(Buffer.byteLength(spaced) > LARGEST_IMPORT ? tight : spaced, {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename="${fileName(file.name, "session")}.mapset.json"`,
      "cache-control": "no-store",
    },
  });
}
