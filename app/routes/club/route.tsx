import { data } from "react-router";
import type { Route } from "./+types/route";
import { changeClub } from "./actions.server";
import { ClubView } from "./view";
import { requireSignedIn } from "~/app/server/coach.server";
import { readForm } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { zoneChoices } from "~/core/clock/zone";
import { mayManage } from "~/core/club/role";
import { isEmpty } from "~/db/archive/read";
import { clubsOf } from "~/db/clubs";
import { holdingsOf } from "~/db/erase";
import { keepMonthsOf, listInvitations, listMembers } from "~/db/members";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.clubName ?? "Club"} · Mapset` }];

export async function loader({ request }: Route.LoaderArgs) {
  const { id, club, clubName, role, zone } = await requireSignedIn(request);
  const { db, secret, baseUrl } = getServices();
  const manages = mayManage(role);
  const [members, clubs, invitations] = await Promise.all([
    listMembers(db, club),
    clubsOf(db, id),
    manages ? listInvitations(db, club, secret) : [],
  ]);
  const [months, holdings, empty] = manages
    ? await Promise.all([keepMonthsOf(db, club), holdingsOf(db, club), isEmpty(db, club)])
    : [];
  return {
    keeping: months !== undefined && holdings && { months, holdings, empty: empty ?? false },
    me: id,
    clubId: club.id,
    clubName,
    role,
    manages,
    members,
    zone,
    zones: manages ? zoneChoices(zone) : [],
    others: clubs
      .filter((one) => one.club.id !== club.id)
      .map((one) => ({ id: one.club.id, name: one.name, role: one.role })),
    invitations: invitations.map(({ token, ...one }) => ({ ...one, address: token && `${baseUrl}/join/${token}` })),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const outcome = await changeClub(await requireSignedIn(request), await readForm(request));
  return data(outcome, { status: "fault" in outcome ? 422 : 200 });
}

/** What was refused is shown as it is now. */
export const shouldRevalidate = () => true;

/** Each club's page begins anew: nothing that was asked of one, or filled in, stays for the next. */
export default function ClubPage({ loaderData }: Route.ComponentProps) {
  return <ClubView key={loaderData.clubId} {...loaderData} />;
}
