import type { Route } from "./+types/route";
import { changeDemand } from "./actions.server";
import { demandPage } from "./data.server";
import { DemandView } from "./view";
import { requireCoach } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.demand.name ?? "Sport profile"} · Mapset` },
];

export const loader = async ({ request, params }: Route.LoaderArgs) =>
  demandPage(await requireCoach(request), params.profile);

export const action = async ({ request, params }: Route.ActionArgs) =>
  changeDemand(await requireCoach(request), params.profile, await readForm(request));

export default function Demand({ loaderData }: Route.ComponentProps) {
  return <DemandView key={loaderData.demand.id} {...loaderData} />;
}
