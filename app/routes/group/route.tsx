import type { Route } from "./+types/route";
import { groupPage } from "./data.server";
import { GroupView } from "./view";
import { requireCoach } from "~/app/server/coach.server";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.group.name ?? "Group"} · Mapset` },
];

export const loader = async ({ request, params }: Route.LoaderArgs) =>
  groupPage(await requireCoach(request), params.group);

export default function Group({ loaderData }: Route.ComponentProps) {
  return <GroupView key={loaderData.group.id} page={loaderData} />;
}
