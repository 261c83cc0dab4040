import type { Route } from "./+types/route";
import { changeDrill } from "./actions.server";
import { drillPage } from "./data.server";
import { DrillView } from "./view";
import { requireCoach } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.drill.name ?? "Drill"} · Mapset` },
];

export const loader = async ({ request, params }: Route.LoaderArgs) =>
  drillPage(await requireCoach(request), params.drill);

export const action = async ({ request, params }: Route.ActionArgs) =>
  changeDrill(await requireCoach(request), params.drill, await readForm(request));

export default function Drill({ loaderData, actionData }: Route.ComponentProps) {
  return <DrillView page={loaderData} answer={actionData} />;
}
