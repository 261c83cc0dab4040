import type { Route } from "./+types/figure-motion";
import { requireCoachForData } from "~/app/server/coach.server";
import { drawnDrill } from "~/app/server/drills.server";

/** How a drill moves, for a picture that is being looked at. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoachForData(request);
  const drill = await drawnDrill(coach.club, params.drill);
  if (!drill?.motions) throw Response.json({ kind: "gone" }, { status: 404 });
  return Response.json(drill.motions, { headers: { "cache-control": "private, max-age=3600" } });
}
