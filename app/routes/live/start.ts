import { redirect } from "react-router";
import type { Route } from "./+types/start";
import { idOf, notHere, requireSignedIn } from "~/app/server/coach.server";
import { fieldText, readForm } from "~/app/server/forms.server";
import { beginClass } from "~/app/server/start-class.server";
import { getServices } from "~/app/server/services.server";
import { listGroupNames } from "~/db/groups";

/** Starts a class from what was handed out: by anybody of the club, as whoever stands in for its coach. */
export async function action({ request }: Route.ActionArgs) {
  const { club } = await requireSignedIn(request);
  const form = await readForm(request);
  const { db } = getServices();
  const asked = fieldText(form, "group");
  const groupId = asked === "" ? null : idOf(asked);
  if (groupId && !(await listGroupNames(db, club)).some(({ id }) => id === groupId))
    throw notHere("There is no such group among yours.");
  const id = await beginClass(club, { editionId: idOf(fieldText(form, "edition")), groupId });
  if (!id) throw notHere("What was handed out is not there any more.");
  return redirect(`/live/${id}`);
}

export const loader = () => redirect("/today");
