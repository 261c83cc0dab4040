import { data } from "react-router";
import type { Route } from "./+types/route";
import { changePerson } from "./actions.server";
import { PersonView } from "./view";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { findPerson, whatTheySaid } from "~/db/people";
import { listGroupNames } from "~/db/groups";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.person.name ?? "Somebody"} · Mapset` },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const { club } = await requireCoach(request);
  const { db } = getServices();
  const id = idOf(params.person);
  const [person, said, groups] = await Promise.all([
    findPerson(db, club, id),
    whatTheySaid(db, club, id),
    listGroupNames(db, club),
  ]);
  if (!person) throw notHere("There is no such person in your club.");
  const now = new Set(person.groups.filter((one) => one.until === null).map((one) => one.id));
  return { person, said, others: groups.filter((one) => !now.has(one.id)) };
}

export async function action({ request, params }: Route.ActionArgs) {
  const outcome = await changePerson(await requireCoach(request), idOf(params.person), await readForm(request));
  return data(outcome, { status: "fault" in outcome ? 422 : 200 });
}

export default function PersonPage({ loaderData }: Route.ComponentProps) {
  return <PersonView {...loaderData} />;
}
