import { getServices } from "./services.server";
import { now } from "~/core/clock/clock";
import { learntFrom, spreadsOf, type Learnt, type PastPaces } from "~/core/live/learnt";
import type { Club } from "~/db/clubs";
import { pacesOfClub } from "~/db/live-people";

/** What the classes of a group taught of its pace, with how far groups of its club spread; showing is of the classes this coach began. */
export async function learntOf(club: Club, groupId: string): Promise<Learnt[]> {
  const groups = new Map<string, PastPaces[]>();
  for (const { groupId: of, paces, at, by } of await pacesOfClub(getServices().db, club))
    groups.set(of, [...(groups.get(of) ?? []), { paces, at: at.getTime(), by }]);
  return learntFrom(groups.get(groupId) ?? [], now(), {
    spreads: spreadsOf([...groups.values()]),
    ...(club.by && { coach: club.by }),
  });
}
