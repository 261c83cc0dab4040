import type { Route } from "./+types/route";
import { changeArc, purposeIn } from "./actions.server";
import { ArcView } from "./view";
import { requireCoach } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { capital, PURPOSE_WORDS } from "~/core/wording/words";
import { listArcs } from "~/db/arcs";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData ? capital(PURPOSE_WORDS[loaderData.purpose]) : "Arc"}, arc · Mapset` },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const purpose = purposeIn(params.purpose);
  return { purpose, changes: (await listArcs(getServices().db, coach.club))[purpose] };
}

export const action = async ({ request, params }: Route.ActionArgs) =>
  changeArc(await requireCoach(request), params.purpose, await readForm(request));

export default function ArcRoute({ loaderData }: Route.ComponentProps) {
  return <ArcView key={loaderData.purpose} {...loaderData} />;
}
