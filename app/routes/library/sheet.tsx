import { Link } from "react-router";
import type { Route } from "./+types/sheet";
import { requireCoach } from "~/app/server/coach.server";
import { everyDrawn } from "~/app/server/drills.server";
import { Still } from "~/app/ui/figure/still";
import { REGIONS } from "~/core/drills/schema";
import { LEVELS } from "~/core/vocabulary/levels";
import { REGION_WORDS } from "~/core/wording/areas";
import { LEVEL_WORDS } from "~/core/wording/words";

export const meta: Route.MetaFunction = () => [{ title: "Contact sheet · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const all = new URL(request.url).searchParams.has("all");
  const drills = (await everyDrawn(coach.club)).filter((drill) => drill.motions);
  return {
    all,
    regions: REGIONS.map((region) => ({
      region,
      figures: drills
        .filter((drill) => drill.region === region)
        .flatMap((drill) =>
          LEVELS.filter((level) => (level === "standard" || all) && drill.motions?.[level]).map((level) => ({
            id: drill.id,
            name: drill.name,
            level,
          })),
        ),
    })).filter(({ figures }) => figures.length > 0),
  };
}

/** Every drill at the start, the middle and the end of its repetition, for the eye. */
export default function Sheet({ loaderData: { regions, all } }: Route.ComponentProps) {
  return (
    <main id="main" className="mx-auto flex w-full max-w-[110rem] flex-1 flex-col gap-6 px-4 py-5">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <h1 className="wide-type text-2xl font-semibold">Contact sheet</h1>
        <p className="text-ink-soft">Start, middle and end of each repetition.</p>
        <Link to={all ? "/library/sheet" : "/library/sheet?all"} className="text-sm underline underline-offset-4">
          {all ? "Standard levels only" : "With easier and harder levels"}
        </Link>
        <Link to="/library" className="text-sm underline underline-offset-4">
          Back to the library
        </Link>
      </div>
      <nav aria-label="Regions" className="flex flex-wrap gap-x-4 gap-y-1 text-sm">
        {regions.map(({ region, figures }) => (
          <a
            key={region}
            href={`#${region}`}
            className="inline-flex min-h-6 items-center text-ink-soft underline underline-offset-4 hover:text-ink"
          >
            {REGION_WORDS[region]} ({figures.length})
          </a>
        ))}
      </nav>
      {regions.map(({ region, figures }) => (
        <section key={region} aria-labelledby={region}>
          <h2 id={region} className="wide-type mb-2 scroll-mt-4 text-lg font-semibold">
            {REGION_WORDS[region]}
          </h2>
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(19rem,1fr))] gap-2">
            {figures.map(({ id, name, level }) => (
              <li key={`${id} ${level}`} className="rounded-md border border-line bg-land p-1.5">
                <Link to={`/library/${id}`} className="block px-1 text-sm font-medium hover:underline">
                  {name}
                  {level !== "standard" && <span className="font-normal text-ink-soft"> · {LEVEL_WORDS[level]}</span>}
                </Link>
                <span className="grid grid-cols-3">
                  {(["start", "middle", "end"] as const).map((at) => (
                    <Still
                      key={at}
                      drill={id}
                      level={level}
                      at={at}
                      size={110}
                      alt={`${name}, ${at}`}
                      className="h-auto w-full"
                    />
                  ))}
                </span>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </main>
  );
}
