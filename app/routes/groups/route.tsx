import type { Route } from "./+types/route";
import { changeGroups } from "./actions.server";
import { groupsPage } from "./data.server";
import { GroupsView } from "./view";
import { requireCoach } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";

export const meta: Route.MetaFunction = () => [{ title: "Groups · Mapset" }];

export const loader = async ({ request }: Route.LoaderArgs) => groupsPage(await requireCoach(request));

export const action = async ({ request }: Route.ActionArgs) =>
  changeGroups(await requireCoach(request), await readForm(request));

export default function Groups({ loaderData }: Route.ComponentProps) {
  return <GroupsView page={loaderData} />;
}
