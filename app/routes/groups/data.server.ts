import type { Coach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { listGroupsWithPeople } from "~/db/groups";
import { lastHandedTo } from "~/db/handed-out";
import { countAll } from "~/db/people";

export type GroupsPage = Awaited<ReturnType<typeof groupsPage>>;
export type ShownGroup = GroupsPage["groups"][number];

/** Every group with its people and when something was last handed to it, and how many people there are in the club. */
export async function groupsPage(coach: Coach) {
  const { db } = getServices();
  const [groups, people, last] = await Promise.all([
    listGroupsWithPeople(db, coach.club),
    countAll(db, coach.club),
    lastHandedTo(db, coach.club),
  ]);
  return { people, groups: groups.map((group) => ({ ...group, last: last.get(group.id) ?? null })) };
}
