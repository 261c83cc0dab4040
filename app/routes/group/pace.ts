import type { Route } from "./+types/pace";
import { idOf, requireMemberForData } from "~/app/server/coach.server";
import { learntOf } from "~/app/server/pace.server";

/** What a group’s classes say of its pace. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { club } = await requireMemberForData(request);
  return Response.json(await learntOf(club, idOf(params.group)), { headers: { "cache-control": "no-store" } });
}
