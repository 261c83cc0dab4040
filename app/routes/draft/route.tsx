import type { Route } from "./+types/route";
import { actOnDraft } from "./actions.server";
import { draftPage } from "./data.server";
import { DraftView } from "./draft-view";
import { requireCoach } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";

export const meta: Route.MetaFunction = () => [{ title: "Draft · Mapset" }];

export const loader = async ({ request }: Route.LoaderArgs) =>
  draftPage(await requireCoach(request), new URL(request.url).searchParams);

export const action = async ({ request }: Route.ActionArgs) =>
  actOnDraft(await requireCoach(request), await readForm(request));

/** The page holds what is being asked; only going to another beginning fetches it anew. */
export const shouldRevalidate = ({
  currentUrl,
  nextUrl,
  formMethod,
}: {
  currentUrl: URL;
  nextUrl: URL;
  formMethod?: string;
}) => formMethod !== undefined || currentUrl.href !== nextUrl.href;

export default function DraftRoute({ loaderData }: Route.ComponentProps) {
  return <DraftView key={loaderData.begun} {...loaderData} />;
}
