import { data, redirect } from "react-router";
import type { Route } from "./+types/route";
import { actOnSessions } from "./actions.server";
import { sessionsPage } from "./data.server";
import { SessionsView } from "./view";
import { requireCoach } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";

export const meta: Route.MetaFunction = () => [{ title: "Sessions · Mapset" }];

export const loader = async ({ request }: Route.LoaderArgs) =>
  sessionsPage(await requireCoach(request), new URL(request.url).searchParams);

export async function action({ request }: Route.ActionArgs) {
  const coach = await requireCoach(request);
  const outcome = await actOnSessions(coach.club, await readForm(request));
  if ("go" in outcome) throw redirect(outcome.go);
  return data(outcome, { status: "faults" in outcome ? 400 : 200 });
}

export default function Sessions({ loaderData }: Route.ComponentProps) {
  return <SessionsView listed={loaderData} />;
}
