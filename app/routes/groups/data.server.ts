import type { Coach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { countAll } from "~/db/people";
import { listOff, listGroupsWithPeople } from "~/db/groups";

export type GroupsPage = Awaited<ReturnType<typeof groupsPage>>;
export type ShownGroup = GroupsPage["groups"][number];

/** Every group with its people, those off its list, and how many people there are in the club. */
export async function groupsPage(coach: Coach) {
  const { db } = getServices();
  const [groups, off, people] = await Promise.all([
    listGroupsWithPeople(db, coach.club),
    listOff(db, coach.club),
    countAll(db, coach.club),
  ]);
  return { people, groups: groups.map((group) => ({ ...group, off: off.filter((one) => one.groupId === group.id) })) };
}
