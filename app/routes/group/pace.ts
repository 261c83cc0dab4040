import type { Route } from "./+types/pace";
import { idOf, requireMemberForData } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { now } from "~/core/clock/clock";
import { learntFrom } from "~/core/live/learnt";
import { pacesOfGroup } from "~/db/live-people";

/** What a group’s classes say of its pace. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { club } = await requireMemberForData(request);
  const classes = await pacesOfGroup(getServices().db, club, idOf(params.group));
  return Response.json(
    learntFrom(
      classes.map(({ paces, at }) => ({ paces, at: at.getTime() })),
      now(),
    ),
    { headers: { "cache-control": "no-store" } },
  );
}
