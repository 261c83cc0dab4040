import { data } from "react-router";
import type { Route } from "./+types/route";
import { recordPage, type SaidOutcome } from "./data.server";
import { RecordView } from "./view";
import { idOf, requireCoach } from "~/app/server/coach.server";
import { fieldText, readForm } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { sayFor } from "~/db/live-people";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData ? `${loaderData.title}, as it was run` : "Class"} · Mapset` },
];

export const loader = async ({ request, params }: Route.LoaderArgs) =>
  recordPage((await requireCoach(request)).club, params.class);

/** What somebody without a phone said, written down by their coach. */
export async function action({ request, params }: Route.ActionArgs) {
  const { club } = await requireCoach(request);
  const form = await readForm(request);
  const run = fieldText(form, "run");
  const hard = fieldText(form, "hard").trim();
  const effort = hard === "" ? null : Number(hard);
  if (effort !== null && !(Number.isInteger(effort) && effort >= 0 && effort <= 10))
    return data<SaidOutcome>(
      { run, fault: "How hard is a whole number from 0 to 10, or left empty." },
      { status: 422 },
    );
  const pain = form.get("pain") === "yes";
  const painWhere = fieldText(form, "where").trim().slice(0, 120);
  const kept = await sayFor(getServices().db, club, idOf(params.class), idOf(run), { effort, pain, painWhere });
  return kept
    ? data<SaidOutcome>({ run, fault: undefined })
    : data<SaidOutcome>({ run, fault: "They are not in this class any more." }, { status: 404 });
}

export default function ClassRecord({ loaderData }: Route.ComponentProps) {
  return <RecordView page={loaderData} />;
}
