import type { Route } from "./+types/export";
import { notHere, requireCoach } from "~/app/server/coach.server";
import { fileName } from "~/core/files/file-name";
import { drawnDrill } from "~/app/server/drills.server";
import { drillFile } from "~/core/drills/read";

/** The drill as a file, in the format of docs/drill-format.md. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const drill = await drawnDrill(coach.club, params.drill);
  if (!drill) throw notHere("There is no such drill.");
  return new Response(`${JSON.stringify(drillFile(drill), null, 2)}\n`, {
    headers: {
      "content-type": "application/json; charset=utf-8",
      "content-disposition": `attachment; filename="${fileName(drill.name, "drill")}.drill.json"`,
      "cache-control": "no-store",
    },
  });
}
