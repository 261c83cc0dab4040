import type { Route } from "./+types/find";
import { requireCoachForData } from "~/app/server/coach.server";
import { browsable, readyToSearch } from "~/app/server/drills.server";
import { getServices } from "~/app/server/services.server";
import { browse, browseSchema } from "~/core/browse/browse";
import { readOwnId } from "~/core/drills/own";
import { clockText } from "~/core/lengths";
import { POSTURE_WORDS } from "~/core/vocabulary/postures";
import { listWords, PURPOSE_WORDS } from "~/core/wording/words";
import { listGroupNames } from "~/db/groups";
import { listPeople } from "~/db/people";
import { listSessions } from "~/db/sessions";
import { listProfiles } from "~/db/sport-profiles";
import { SPORT_PROFILES } from "~/library/sport-profiles";

export type FoundThing = { name: string; to: string; more?: string };
export type Found = Record<"sessions" | "groups" | "people" | "drills" | "profiles", FoundThing[]>;

/** So many of each kind are shown. */
const EACH = 6;
const LONGEST = 80;

const named = <T extends { name: string }>(all: readonly T[], find: string): T[] =>
  all.filter(({ name }) => name.toLowerCase().includes(find)).slice(0, EACH);

/** Everything of a club by a name; without one its groups and the sessions that were changed last. */
export async function loader({ request }: Route.LoaderArgs) {
  const { club } = await requireCoachForData(request);
  const { db } = getServices();
  const find = (new URL(request.url).searchParams.get("q") ?? "").trim().slice(0, LONGEST);
  const asked = find !== "";
  const [sessions, groups, people, drills, own] = await Promise.all([
    listSessions(db, club, { find }),
    listGroupNames(db, club),
    asked ? listPeople(db, club, { find }) : undefined,
    asked ? browsable(club) : undefined,
    asked ? listProfiles(db, club) : [],
  ]);
  const found: Found = {
    sessions: sessions.rows.slice(0, EACH).map(({ id, title, purpose, totalSeconds }) => ({
      name: title,
      to: `/sessions/${id}`,
      more: `${PURPOSE_WORDS[purpose]} · ${clockText(totalSeconds)}`,
    })),
    groups: named(groups, find.toLowerCase()).map(({ id, name }) => ({ name, to: `/groups/${id}` })),
    people: (people?.rows ?? []).slice(0, EACH).map((one) => ({
      name: one.name,
      to: `/groups/people/${one.id}`,
      more: listWords(one.groups),
    })),
    drills: drills
      ? browse(
          drills.drills.map(({ doc }) => doc),
          browseSchema.parse({ q: find }),
          (drill) => readOwnId(drill.id) !== undefined,
          (all) => readyToSearch(club, all),
        )
          .slice(0, EACH)
          .map(({ id, name, levels }) => ({
            name,
            to: `/library/${id}`,
            more: POSTURE_WORDS[levels.standard.posture],
          }))
      : [],
    profiles: asked
      ? named([...own, ...SPORT_PROFILES], find.toLowerCase()).map(({ id, name }) => ({
          name,
          to: `/library/profiles/${id}`,
        }))
      : [],
  };
  return Response.json(found);
}
