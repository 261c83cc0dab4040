import type { ShouldRevalidateFunctionArgs } from "react-router";
import type { Route } from "./+types/route";
import { changeHandedOut } from "./actions.server";
import { handOutPage } from "./data.server";
import { HandOutView } from "./view";
import { idOf, requireCoach } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";
import { ShownTo } from "~/app/ui/figure/look";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `Hand out ${loaderData?.title ?? ""} · Mapset` }];

export const loader = async ({ request, params }: Route.LoaderArgs) =>
  handOutPage(await requireCoach(request), idOf(params.id), new URL(request.url).searchParams);

export const action = async ({ request, params }: Route.ActionArgs) =>
  changeHandedOut(await requireCoach(request), idOf(params.id), await readForm(request));

/** What was refused is shown as it is now. */
export const shouldRevalidate = ({ actionStatus, defaultShouldRevalidate }: ShouldRevalidateFunctionArgs) =>
  (actionStatus ?? 200) >= 400 || defaultShouldRevalidate;

export default function HandOutRoute({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <ShownTo group={loaderData.groupId}>
      <HandOutView page={loaderData} refused={actionData?.refused} />
    </ShownTo>
  );
}
