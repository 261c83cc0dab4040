import type { Route } from "./+types/export";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { findSession } from "~/db/sessions";

/** The session as a file, in the format of docs/session-format.md. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const stored = await findSession(getServices().db, coach.id, idOf(params.id));
  if (!stored) throw notHere();
  const name = stored.doc.title.normalize("NFKD").replace(/[^A-Za-z0-9]+/g, "-").replace(/^-|-$/g, "").toLowerCase() || "session";
  return new Response(`${JSON.stringify(stored.doc, null, 2)}\n`, {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename="${name}.mapset.json"`,
      "cache-control": "no-store",
    },
  });
}
