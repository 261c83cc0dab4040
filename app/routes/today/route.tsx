import type { Route } from "./+types/route";
import { todayPage } from "./data.server";
import { TodayView } from "./view";
import { requireCoach } from "~/app/server/coach.server";

export const meta: Route.MetaFunction = () => [{ title: "Today · Mapset" }];

export const loader = async ({ request }: Route.LoaderArgs) => todayPage(await requireCoach(request));

export default function Today({ loaderData }: Route.ComponentProps) {
  return <TodayView page={loaderData} />;
}
