import type { Route } from "./+types/own-drills";
import { requireCoachForData } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { ownIdsIn } from "~/core/drills/own";
import { ownDrillsText } from "~/db/own-drills";

/** The coach's own drills, and those revisions that `named` holds the ids of, for a page that is there already. */
export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoachForData(request);
  const named = ownIdsIn(new URL(request.url).searchParams.get("named") ?? "");
  return new Response(await ownDrillsText(getServices().db, coach.club, named), {
    headers: { "content-type": "application/json; charset=utf-8" },
  });
}
