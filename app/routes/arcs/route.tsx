import { Link } from "react-router";
import type { Route } from "./+types/route";
import { ArcPicture } from "~/app/ui/arc-picture";
import { requireCoach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { arcWith } from "~/core/arc/own";
import { PURPOSES } from "~/core/session/schema";
import { capital, PURPOSE_WORDS } from "~/core/wording/words";
import { listArcs } from "~/db/arcs";

export const meta: Route.MetaFunction = () => [{ title: "Arcs · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  return { arcs: await listArcs(getServices().db, coach.club) };
}

/** A length to draw them at. */
const TEN_MINUTES = 600;

export default function Arcs({ loaderData: { arcs } }: Route.ComponentProps) {
  return (
    <main id="main" className="mx-auto flex w-full max-w-[110rem] flex-1 flex-col gap-4 px-4 py-5">
      <p className="text-sm">
        <Link to="/library" className="text-ink-soft underline underline-offset-4">
          Library
        </Link>
      </p>
      <h1 className="wide-type text-2xl font-semibold">Arcs</h1>
      <p className="max-w-3xl text-ink-soft">
        How a session rises and falls, by what it is for: its phases, how much of the time each takes, how hard it gets
        and how long it holds. Drafts are made by them, and findings are measured against them. They are working rules
        from practice, not norms: change one, and it is yours.
      </p>
      <ul className="grid gap-4 lg:grid-cols-2">
        {PURPOSES.map((purpose) => (
          <li key={purpose} className="flex flex-col rounded-lg border border-line bg-land p-4">
            <h2 className="text-lg font-semibold">
              <Link
                to={`/library/arcs/${purpose}`}
                className="underline decoration-line underline-offset-4 hover:decoration-ink"
              >
                {capital(PURPOSE_WORDS[purpose])}
              </Link>
              {arcs[purpose] && <span className="ml-2 text-sm font-normal text-ink-faint">yours</span>}
            </h2>
            <ArcPicture arc={arcWith(purpose, arcs[purpose])} target={TEN_MINUTES} />
            <p className="mt-2 text-xs text-ink-faint">Drawn for ten minutes.</p>
          </li>
        ))}
      </ul>
    </main>
  );
}
