import type { Route } from "./+types/route";
import { Remote } from "./remote";
import { idOf, requireSignedIn } from "~/app/server/coach.server";
import { classPlan } from "~/app/server/class-plan.server";
import { classPage, passFor, withCookie } from "~/app/server/live.server";
import { getServices } from "~/app/server/services.server";
import { listGroupNames } from "~/db/groups";
import { renewWallCode } from "~/db/live";

export const handle = { screen: "player" };

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: loaderData ? `Leading ${loaderData.edition.session.title} · Mapset` : "Mapset" },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const { club, zone } = await requireSignedIn(request);
  const id = idOf(params.class);
  const page = await classPage(club, id);
  const { db, baseUrl } = getServices();
  // What people do instead is worked out before anybody joins.
  if (page.groupId && !page.ended) void classPlan(club, id).catch(() => undefined);
  const groups = page.groupId ? await listGroupNames(db, club) : [];
  return withCookie(
    { ...page, zone, wall: `${baseUrl}/wall`, group: groups.find((one) => one.id === page.groupId)?.name },
    await passFor(request, club, id, { kind: "remote" }),
  );
}

/** A new code for the wall. */
export async function action({ request, params }: Route.ActionArgs) {
  const { club } = await requireSignedIn(request);
  const { db, secret } = getServices();
  await renewWallCode(db, club, idOf(params.class), secret);
  return null;
}

export default function LiveRoute({ loaderData }: Route.ComponentProps) {
  return <Remote page={loaderData} />;
}
