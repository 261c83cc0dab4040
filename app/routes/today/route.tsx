import type { Route } from "./+types/route";
import { changeToday } from "./actions.server";
import { todayPage } from "./data.server";
import { TodayView } from "./view";
import { requireCoach } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";

export const meta: Route.MetaFunction = () => [{ title: "Today · Mapset" }];

export const loader = async ({ request }: Route.LoaderArgs) => todayPage(await requireCoach(request));

export const action = async ({ request }: Route.ActionArgs) =>
  changeToday(await requireCoach(request), await readForm(request));

export default function Today({ loaderData }: Route.ComponentProps) {
  return <TodayView page={loaderData} />;
}
