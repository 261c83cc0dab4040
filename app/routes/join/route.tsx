import { data, Form, Link, redirect, useNavigation } from "react-router";
import type { Route } from "./+types/route";
import { clubCookie } from "~/app/server/chosen-club.server";
import { requireSignedIn } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { Button } from "~/app/ui/button";
import { ROLE_FACTS } from "~/core/club/role";
import { clubsOf } from "~/db/clubs";
import { acceptInvitation, openInvitation } from "~/db/members";

export const meta: Route.MetaFunction = () => [{ title: "Invitation · Mapset" }];

/** Opening the address changes nothing: programs that look through mail do it, too. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { id, email } = await requireSignedIn(request);
  const { db } = getServices();
  const [invited, clubs] = await Promise.all([openInvitation(db, params.token), clubsOf(db, id)]);
  const already = clubs.some((one) => one.club.id === invited?.clubId);
  return data(
    { email, already, invited: invited && { clubName: invited.clubName, role: invited.role } },
    { status: invited ? 200 : 410 },
  );
}

export async function action({ request, params }: Route.ActionArgs) {
  const coach = await requireSignedIn(request);
  const joined = await acceptInvitation(getServices().db, params.token, coach.id);
  if (!joined) return data(null, { status: 410 });
  throw redirect("/club", { headers: { "set-cookie": await clubCookie(joined.clubId) } });
}

/** One that was used meanwhile is shown as it is now. */
export const shouldRevalidate = () => true;

export default function Join({ loaderData: { invited, already, email } }: Route.ComponentProps) {
  const busy = useNavigation().state !== "idle";
  return (
    <main id="main" className="mx-auto flex w-full max-w-xl flex-col gap-4 px-4 py-10 wrap-anywhere">
      {invited && already ? (
        <>
          <h1 className="wide-type text-2xl font-semibold">You are in {invited.clubName} already</h1>
          <p>This invitation is still open for whoever it was meant for.</p>
          <p>
            <Link to="/club" className="font-medium underline underline-offset-2">
              To your club
            </Link>
          </p>
        </>
      ) : invited ? (
        <>
          <h1 className="wide-type text-2xl font-semibold">{invited.clubName} asks you in</h1>
          <p>
            {ROLE_FACTS[invited.role].as} you may {ROLE_FACTS[invited.role].may}. You are signed in as{" "}
            <strong>{email}</strong>.
          </p>
          <Form method="post" className="flex flex-wrap gap-3">
            <Button kind="primary" type="submit" disabled={busy}>
              {busy ? "One moment…" : `Join ${invited.clubName}`}
            </Button>
          </Form>
          <p className="text-sm text-ink-faint">
            What you have in other clubs stays there. You go from one to the other on the club’s page.
          </p>
        </>
      ) : (
        <>
          <h1 className="wide-type text-2xl font-semibold">This invitation opens nothing any more</h1>
          <p>It has been used, withdrawn, or is older than a week. Ask whoever sent it for a new one.</p>
          <p>
            <Link to="/today" className="font-medium underline underline-offset-2">
              To your sessions
            </Link>
          </p>
        </>
      )}
    </main>
  );
}
