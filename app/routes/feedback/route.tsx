import type { Route } from "./+types/route";
import { changeReport } from "./actions.server";
import { feedbackPage } from "./data.server";
import { FeedbackView } from "./view";
import { requireCoach } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";

export const meta: Route.MetaFunction = () => [{ title: "Feedback · Mapset" }];

export const loader = async ({ request }: Route.LoaderArgs) =>
  feedbackPage(await requireCoach(request), new URL(request.url).searchParams);

export const action = async ({ request }: Route.ActionArgs) =>
  changeReport(await requireCoach(request), await readForm(request));

export default function Feedback({ loaderData }: Route.ComponentProps) {
  return <FeedbackView report={loaderData} />;
}
