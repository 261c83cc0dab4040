import { data } from "react-router";
import type { Route } from "./+types/route";
import { insteadPage } from "./data.server";
import { InsteadView } from "./view";
import { chooseInClass } from "~/app/server/class-choices.server";
import { idOf, requireSignedIn } from "~/app/server/coach.server";
import { fieldText, readForm } from "~/app/server/forms.server";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: loaderData ? `Who does what instead: ${loaderData.title} · Mapset` : "Mapset" },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const { club } = await requireSignedIn(request);
  return insteadPage(club, idOf(params.class), new URL(request.url).searchParams);
}

/** Somebody does something else at a drill, in this class alone. */
export async function action({ request, params }: Route.ActionArgs) {
  const { club } = await requireSignedIn(request);
  const form = await readForm(request);
  const kept = await chooseInClass(club, idOf(params.class), {
    person: fieldText(form, "person"),
    at: fieldText(form, "at"),
    does: fieldText(form, "does"),
  });
  return data({ kept }, { status: kept ? 200 : 422 });
}

export default function LiveInstead({ loaderData }: Route.ComponentProps) {
  return <InsteadView page={loaderData} />;
}
