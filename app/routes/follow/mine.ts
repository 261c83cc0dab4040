import { z } from "zod";
import type { Route } from "./+types/mine";
import { mineOf } from "~/app/server/mine.server";
import { openForPlayer } from "~/app/server/player.server";

/** What the person chosen on a device does instead of what they should keep off: levels and drills, never areas. */
export async function loader({ request, params, context }: Route.LoaderArgs) {
  const opened = await openForPlayer(params.token, context.address);
  const asked = z.uuid().safeParse(new URL(request.url).searchParams.get("athlete"));
  return Response.json(await mineOf(opened, asked.success ? asked.data : null), {
    headers: { "cache-control": "no-store" },
  });
}
