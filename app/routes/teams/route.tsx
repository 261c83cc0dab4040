import type { Route } from "./+types/route";
import { changeTeams } from "./actions.server";
import { teamsPage } from "./data.server";
import { TeamsView } from "./view";
import { requireCoach } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";

export const meta: Route.MetaFunction = () => [{ title: "Teams · Mapset" }];

export const loader = async ({ request }: Route.LoaderArgs) => teamsPage(await requireCoach(request));

export const action = async ({ request }: Route.ActionArgs) =>
  changeTeams(await requireCoach(request), await readForm(request));

export default function Teams({ loaderData }: Route.ComponentProps) {
  return <TeamsView page={loaderData} />;
}
