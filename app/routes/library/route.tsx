import type { Route } from "./+types/route";
import { addToLibrary } from "./actions.server";
import { libraryPage } from "./data.server";
import { LibraryView } from "./view";
import { requireCoach } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";

export const meta: Route.MetaFunction = () => [{ title: "Library · Mapset" }];

export const loader = async ({ request }: Route.LoaderArgs) =>
  libraryPage(await requireCoach(request), new URL(request.url).searchParams);

export const action = async ({ request }: Route.ActionArgs) =>
  addToLibrary(await requireCoach(request), await readForm(request));

export default function Library({ loaderData, actionData }: Route.ComponentProps) {
  return <LibraryView page={loaderData} outcome={actionData} />;
}
