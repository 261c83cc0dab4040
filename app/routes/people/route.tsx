import { ShieldAlert } from "lucide-react";
import { Link } from "react-router";
import type { Route } from "./+types/route";
import { findOf, LONGEST_FIND, pageOf } from "~/app/server/asked";
import { requireCoach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { Find } from "~/app/ui/find";
import { Pages } from "~/app/ui/pages";
import { When } from "~/app/ui/when";
import { protectionsOf } from "~/core/group/protect";
import { protectionWords } from "~/core/wording/areas";
import { listWords } from "~/core/wording/words";
import { listPeople, PEOPLE_A_PAGE, type PersonRow } from "~/db/people";

export const meta: Route.MetaFunction = () => [{ title: "People · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const asked = new URL(request.url).searchParams;
  const [find, page] = [findOf(asked), pageOf(asked)];
  return { ...(await listPeople(getServices().db, coach.club, { find, page })), find, page, size: PEOPLE_A_PAGE };
}

/** Everybody the club works with, whatever group they are in. */
export default function People({ loaderData }: Route.ComponentProps) {
  const { rows, all, find, page, size } = loaderData;
  return (
    <main id="main" className="mx-auto flex w-full max-w-[100rem] flex-1 flex-col gap-4 px-4 py-5">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-3">
        <h1 className="wide-type text-2xl font-semibold">People</h1>
        <Link to="/groups" className="text-sm text-ink-soft underline underline-offset-4 hover:text-ink">
          Groups
        </Link>
        {(all > 3 || find !== "") && (
          <div className="ml-auto">
            <Find words="Find somebody" find={find} longest={LONGEST_FIND} />
          </div>
        )}
      </div>
      {rows.length === 0 ? (
        <p className="rounded-lg border border-dashed border-line bg-land px-6 py-10 text-center text-ink-soft">
          {find !== "" ? (
            "Nobody by that name."
          ) : (
            <>
              Nobody yet. People are added to{" "}
              <Link to="/groups" className="underline underline-offset-4">
                a group
              </Link>
              .
            </>
          )}
        </p>
      ) : (
        <ul className="rounded-lg border border-line bg-land">
          {rows.map((row) => (
            <PersonLine key={row.id} row={row} />
          ))}
        </ul>
      )}
      <Pages page={page} size={size} all={all} shown={rows.length} before="Names before" after="Names after" />
    </main>
  );
}

function PersonLine({ row }: { row: PersonRow }) {
  const { id, name, areas, groups, last } = row;
  return (
    <li className="grid grid-cols-[minmax(8rem,1fr)_minmax(10rem,1.4fr)_minmax(10rem,1.8fr)_9rem] items-baseline gap-x-5 gap-y-0.5 border-b border-line px-4 py-2.5 wrap-anywhere last:border-0 max-md:grid-cols-1">
      <Link
        to={`/groups/people/${id}`}
        className="font-semibold underline decoration-line underline-offset-4 hover:decoration-ink"
      >
        {name}
      </Link>
      <span className={groups.length === 0 ? "text-ink-faint" : ""}>
        {groups.length === 0 ? "in no group" : listWords(groups)}
      </span>
      <span className="text-sm">
        {areas.length > 0 && (
          <>
            <ShieldAlert size={14} className="mr-1 inline text-plum" aria-hidden />
            Protects {listWords(protectionsOf(areas).map(protectionWords))}
          </>
        )}
      </span>
      <span className="text-sm text-ink-faint md:text-right">
        {last ? (
          <>
            last on <When at={last} as="d MMM yyyy" />
          </>
        ) : (
          "no session followed yet"
        )}
      </span>
    </li>
  );
}
