import { useState } from "react";
import { Link } from "react-router";
import type { Route } from "./+types/route";
import { useRehearsal } from "./use-rehearsal";
import { RemoteView } from "~/app/routes/live/remote";
import { idOf, requireSignedIn } from "~/app/server/coach.server";
import { editionForRehearsal } from "~/app/server/live.server";
import { useEdition } from "~/app/live/edition-facts";
import { cx } from "~/app/ui/classes";

export const handle = { screen: "player" };

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: loaderData ? `Rehearsing ${loaderData.edition.session.title} · Mapset` : "Mapset" },
];

export async function loader({ request, params }: Route.LoaderArgs) {
  const { club, zone } = await requireSignedIn(request);
  return { ...(await editionForRehearsal(club, idOf(params.edition))), zone };
}

const SPEEDS = [1, 4, 10, 30] as const;

/** A class without anybody in it, by a fast clock: what is pressed here happens here alone. */
export default function Rehearsal({ loaderData }: Route.ComponentProps) {
  const { edition, sessionId, promised, zone } = loaderData;
  const { frozen, facts } = useEdition(edition);
  const [speed, setSpeed] = useState<number>(10);
  const [sounds, setSounds] = useState(false);
  const leading = useRehearsal(edition, frozen, speed, zone);
  return (
    <RemoteView
      led={{
        edition,
        group: undefined,
        zone,
        promised,
        mute: speed !== 1,
        rehearsal: (
          <span className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1 text-sm">
            <span className="font-semibold text-buoy">Rehearsal: nobody else sees this</span>
            <span role="group" aria-label="How fast its clock goes" className="flex gap-1">
              {SPEEDS.map((one) => (
                <button
                  key={one}
                  type="button"
                  aria-pressed={one === speed}
                  onClick={() => {
                    setSpeed(one);
                    if (one !== 1) setSounds(false);
                  }}
                  className={cx(
                    "min-h-8 min-w-10 rounded-md border px-1.5 tabular-nums",
                    one === speed ? "border-transparent bg-depth-5 font-semibold text-paper" : "border-line bg-land",
                  )}
                >
                  {one}×
                </button>
              ))}
            </span>
            <Link to={`/sessions/${sessionId}/hand-out`} className="underline underline-offset-4">
              Leave it
            </Link>
          </span>
        ),
      }}
      leading={leading}
      facts={facts}
      sounds={sounds}
      onSounds={setSounds}
    />
  );
}
