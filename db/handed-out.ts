import { and, asc, desc, eq, gte, isNull, or, sql } from "drizzle-orm";
import { among } from "./among";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { isOf } from "./groups";
import { checkIn, edition, group, link, membership, person, run, trainingSession } from "./schema";
import { standings, type Did, type PersonStanding } from "~/core/checkin/standing";
import type { Purpose } from "~/core/session/schema";
import type { Seconds } from "~/core/units";

/** A session as it was last handed to a group, or to anyone, and how far everybody is with it. */
export type HandedOut = {
  linkId: string;
  sessionId: string;
  title: string;
  purpose: Purpose;
  totalSeconds: Seconds;
  number: number;
  groupId: string | null;
  groupName: string | null;
  /** The group's own zone. */
  zone: string | null;
  at: Date;
  openings: number;
  people: PersonStanding[];
  /** Times it was followed by nobody on the list. */
  others: number;
};

/** Links looked at for one page; the newest count. */
const MOST_LINKS = 120;

/**
 * What was handed out since a moment, or followed since then, the newest first; each session once for each group, by its newest
 * link that still opens. `groupId` narrows it to one group's, `sessionId` to one session.
 */
export async function listHandedOut(
  db: Db,
  club: Club,
  { since, most, groupId, sessionId }: { since: Date; most: number; groupId?: string; sessionId?: string },
): Promise<HandedOut[]> {
  const followed = db
    .select({ id: run.linkId })
    .from(run)
    .where(and(eq(run.clubId, club.id), gte(run.startedAt, since)));
  const links = await db
    .select({
      linkId: link.id,
      sessionId: edition.sessionId,
      title: trainingSession.title,
      purpose: trainingSession.purpose,
      totalSeconds: edition.totalSeconds,
      number: edition.number,
      groupId: link.groupId,
      groupName: group.name,
      zone: sql<string | null>`${group.setting} ->> 'zone'`,
      at: link.createdAt,
      openings: link.openings,
    })
    .from(link)
    .innerJoin(edition, and(eq(edition.clubId, link.clubId), eq(edition.id, link.editionId)))
    .innerJoin(
      trainingSession,
      and(eq(trainingSession.clubId, edition.clubId), eq(trainingSession.id, edition.sessionId)),
    )
    .leftJoin(group, and(eq(group.clubId, link.clubId), eq(group.id, link.groupId)))
    .where(
      and(
        eq(link.clubId, club.id),
        isNull(link.withdrawnAt),
        groupId ? eq(link.groupId, groupId) : undefined,
        sessionId ? eq(edition.sessionId, sessionId) : undefined,
        or(gte(link.createdAt, since), sql`${link.id} in ${followed}`),
      ),
    )
    .orderBy(desc(link.createdAt), desc(edition.number))
    .limit(MOST_LINKS);
  const pairOf = (one: { sessionId: string; groupId: string | null }) => `${one.sessionId} ${one.groupId ?? ""}`;
  const newest = [...new Map([...links].reverse().map((one) => [pairOf(one), one])).values()].reverse().slice(0, most);
  const shown = new Set(newest.map(pairOf));
  const counted = links.filter((one) => shown.has(pairOf(one)));
  const [did, people] = await Promise.all([
    didOf(
      db,
      club,
      counted.map((one) => one.linkId),
    ),
    peopleOf(
      db,
      club,
      newest.flatMap((one) => one.groupId ?? []),
    ),
  ]);
  return newest.map((one) => {
    const ids = new Set(counted.filter((other) => pairOf(other) === pairOf(one)).map(({ linkId }) => linkId));
    return {
      ...one,
      ...standings(
        people.filter((each) => each.groupId === one.groupId),
        did.filter(({ linkId }) => ids.has(linkId)),
      ),
    };
  });
}

/** What was done by these links, each person once a link: what stands on the list of feedback, under whose name it counts. */
async function didOf(db: Db, club: Club, ids: readonly string[]): Promise<(Did & { linkId: string })[]> {
  if (ids.length === 0) return [];
  const whose = sql<string | null>`case when ${run.notTheirs} then null else ${run.personId} end`;
  return db
    .select({
      linkId: run.linkId,
      personId: whose,
      times: sql<number>`count(*)::int`,
      finished: sql<boolean>`bool_or(${run.finishedAt} is not null)`,
      shareDone: sql<number>`max(${run.shareDone})`,
      checkedIn: sql<boolean>`bool_or(${checkIn.runId} is not null)`,
      pain: sql<boolean>`bool_or(coalesce(${checkIn.pain}, false))`,
    })
    .from(run)
    .leftJoin(checkIn, and(eq(checkIn.clubId, run.clubId), eq(checkIn.runId, run.id)))
    .where(and(eq(run.clubId, club.id), among(run.linkId, ids), isNull(run.removedAt), eq(run.folded, false)))
    .groupBy(run.linkId, sql`2`);
}

async function peopleOf(
  db: Db,
  club: Club,
  groupIds: readonly string[],
): Promise<{ groupId: string; id: string; name: string }[]> {
  if (groupIds.length === 0) return [];
  return db
    .select({ groupId: membership.groupId, id: person.id, name: person.name })
    .from(membership)
    .innerJoin(person, isOf)
    .where(
      and(eq(membership.clubId, club.id), among(membership.groupId, [...new Set(groupIds)]), isNull(membership.until)),
    )
    .orderBy(sql`lower(${person.name})`, asc(person.id));
}

/** When something was last handed to each group. */
export async function lastHandedTo(db: Db, club: Club): Promise<Map<string, Date>> {
  const rows = await db
    .select({ id: link.groupId, at: sql<Date>`max(${link.createdAt})`.mapWith(link.createdAt) })
    .from(link)
    .where(and(eq(link.clubId, club.id), sql`${link.groupId} is not null`))
    .groupBy(link.groupId);
  return new Map(rows.flatMap(({ id, at }) => (id ? [[id, at] as const] : [])));
}
