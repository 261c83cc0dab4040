import { Plus } from "lucide-react";
import { Form, Link, redirect } from "react-router";
import type { Route } from "./+types/route";
import { requireCoach } from "~/app/server/coach.server";
import { fieldText, readForm } from "~/app/server/forms.server";
import { needRoom } from "~/app/server/room.server";
import { getServices } from "~/app/server/services.server";
import { Button } from "~/app/ui/button";
import { MOTION_FACTS, MOTIONS } from "~/core/vocabulary/motions";
import { weightOf } from "~/core/sport-profiles/fit";
import { copyOfProfile } from "~/core/sport-profiles/edit";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { addProfile, findProfile, listProfiles, ownProfileId } from "~/db/sport-profiles";
import { SPORT_PROFILES, profileById } from "~/library/sport-profiles";
import { UnreadableLines } from "~/app/ui/unreadable";
import { listUnreadable } from "~/db/unreadable";
import { opening } from "~/app/server/opening.server";

export const meta: Route.MetaFunction = () => [{ title: "Sport profiles · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const { db } = getServices();
  const [own, unreadable] = await Promise.all([
    listProfiles(db, coach.club),
    listUnreadable(db, coach.club, "profile"),
  ]);
  return { unreadable, own: own.map(({ row: _, ...demand }) => demand) };
}

/** Copies a profile as one's own. */
export async function action({ request }: Route.ActionArgs) {
  const coach = await requireCoach(request);
  const { db } = getServices();
  const asked = fieldText(await readForm(request), "demand");
  const own = /^own-([0-9a-f-]{36})$/.exec(asked)?.[1];
  const from = own ? await opening(findProfile(db, coach.club, own)) : profileById(asked);
  if (!from) throw new Response("There is no such profile among yours.", { status: 404 });
  await needRoom(coach.club, "profiles");
  throw redirect(`/library/profiles/${ownProfileId(await addProfile(db, coach.club, copyOfProfile(from)))}`);
}

export default function Demands({ loaderData }: Route.ComponentProps) {
  return (
    <main id="main" className="mx-auto flex w-full max-w-[110rem] flex-1 flex-col gap-4 px-4 py-5">
      <h1 className="wide-type text-2xl font-semibold">Sport profiles</h1>
      <p className="max-w-3xl text-ink-soft">
        A sport profile says how much of each motion a sport or a working day needs, and why. Sessions are measured
        against it. These are a considered start, not published norms: copy one and make it your own. How a session
        rises and falls is in its{" "}
        <Link to="/library/arcs" className="underline underline-offset-4">
          arc
        </Link>
        .
      </p>
      <UnreadableLines rows={loaderData.unreadable} />
      {loaderData.own.length > 0 && <List title="Yours" demands={loaderData.own} />}
      <List title="Mapset’s" demands={SPORT_PROFILES} />
    </main>
  );
}

function List({ title, demands }: { title: string; demands: readonly SportProfile[] }) {
  return (
    <section className="flex flex-col gap-2">
      <h2 className="wide-type text-lg font-semibold">{title}</h2>
      <ul className="grid gap-3 md:grid-cols-2 lg:grid-cols-3 xl:grid-cols-4 2xl:grid-cols-5">
        {demands.map((demand) => (
          <li key={demand.id} className="flex flex-col gap-2 rounded-lg border border-line bg-land p-4">
            <h3 className="text-lg leading-snug font-semibold">
              <Link
                to={`/library/profiles/${demand.id}`}
                className="underline decoration-line underline-offset-4 hover:decoration-ink"
              >
                {demand.name}
              </Link>
            </h3>
            <p className="text-sm text-ink-soft">{demand.about}</p>
            <p className="text-sm">
              <span className="text-ink-faint">Most: </span>
              {MOTIONS.filter((row) => weightOf(demand, row) >= 3)
                .map((row) => MOTION_FACTS[row].words)
                .join(", ") || "nothing more than the rest"}
            </p>
            <Form method="post" className="mt-auto flex flex-wrap items-center gap-3">
              <Link to={`/sessions/draft?profile=${demand.id}`} className="text-sm underline underline-offset-4">
                Draft a session<span className="sr-only"> for {demand.name}</span>
              </Link>
              <input type="hidden" name="demand" value={demand.id} />
              <Button type="submit" size="small">
                <Plus size={14} aria-hidden /> Copy as my own<span className="sr-only">: {demand.name}</span>
              </Button>
            </Form>
          </li>
        ))}
      </ul>
    </section>
  );
}
