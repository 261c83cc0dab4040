import type { Route } from "./+types/figure-still";
import { requireCoachForData } from "~/app/server/coach.server";
import { drawnDrill } from "~/app/server/drills.server";
import { stillFile } from "~/app/server/figures.server";
import { readOwnId } from "~/core/drills/own";
import { LOOKS } from "~/core/figure/looks";
import { STILL_MOMENTS, type StillMoment } from "~/core/figure/stills";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import { drawnDrillById } from "~/library/drawn";

/** The look that is asked for; the first where there is no such one. */
function lookAsked(request: Request): number {
  const number = Number(new URL(request.url).searchParams.get("look"));
  return Number.isInteger(number) && number in LOOKS ? number : 0;
}

/** A still of a drill. Those of a coach's own drills are for that coach only. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { drill: id, level, moment } = params;
  const name = moment.replace(/\.svg$/, "");
  if (!LEVELS.includes(level as LevelName) || !STILL_MOMENTS.includes(name as StillMoment))
    throw new Response("There is no such picture.", { status: 404 });
  const own = readOwnId(id) !== undefined;
  // A drill of a club may call itself by any name: whose it is, is by the address that was asked for.
  const whose = own ? (await requireCoachForData(request)).club : "shipped";
  const drill = whose === "shipped" ? drawnDrillById(id) : await drawnDrill(whose, id);
  const svg = drill && stillFile(whose, drill, level as LevelName, name as StillMoment, lookAsked(request));
  if (!svg) throw new Response("There is no such picture.", { status: 404 });
  return new Response(svg, {
    headers: {
      "content-type": "image/svg+xml; charset=utf-8",
      "cache-control": own ? "private, max-age=86400" : "public, max-age=3600",
    },
  });
}
