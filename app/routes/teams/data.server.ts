import type { Coach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { countAll } from "~/db/people";
import { listOff, listTeams } from "~/db/teams";

export type TeamsPage = Awaited<ReturnType<typeof teamsPage>>;
export type ShownTeam = TeamsPage["teams"][number];

/** Every group with its people, those off its list, and how many people there are in the club. */
export async function teamsPage(coach: Coach) {
  const { db } = getServices();
  const [teams, off, people] = await Promise.all([
    listTeams(db, coach.club),
    listOff(db, coach.club),
    countAll(db, coach.club),
  ]);
  return { people, teams: teams.map((team) => ({ ...team, off: off.filter((one) => one.teamId === team.id) })) };
}
