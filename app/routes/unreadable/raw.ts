import type { Route } from "./+types/raw";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { fileName } from "~/core/files/file-name";
import { getServices } from "~/app/server/services.server";
import { findUnreadable, UNREADABLE_KINDS } from "~/db/unreadable";

/** A document that cannot be read, as it is. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const kind = UNREADABLE_KINDS.find((one) => one === params.kind);
  const found = kind && (await findUnreadable(getServices().db, coach.club, kind, idOf(params.id)));
  if (!found) throw notHere("There is nothing here that can’t be read.");
  return new Response(`${JSON.stringify(found.raw, null, 2)}\n`, {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename="${fileName(found.title, found.kind)}.json"`,
      "cache-control": "no-store",
    },
  });
}
