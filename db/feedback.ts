import { and, desc, eq, gt, inArray, isNull, sql } from "drizzle-orm";
import { among } from "./among";
import type { Db } from "./client";
import type { Club } from "./clubs";
import { checkIn, coach, edition, group, link, painReport, person, run, trainingSession } from "./schema";
import type { PainPlace } from "~/core/checkin/pain-place";
import type { Tightness } from "~/core/checkin/schema";
import type { Seconds, Share } from "~/core/units";

/** One thing that hurt: where in the body and in which drill, where they said; when it was told, and when and by whom it was spoken of. */
export type Pain = {
  id: string;
  where: string | null;
  place: PainPlace | null;
  saidAt: Date;
  seenAt: Date | null;
  seenBy: string | null;
};

export type FeedbackRow = {
  runId: string;
  name: string;
  /** Whose name was chosen, where the coach has marked it as not theirs. */
  notTheirs: string | null;
  startedAt: Date;
  finishedAt: Date | null;
  shareDone: Share;
  sessionId: string;
  sessionTitle: string;
  editionNumber: number;
  totalSeconds: Seconds;
  /** When the first of it arrived. */
  arrivedAt: Date;
  /** The zone of the group it was handed to, where that is not the club’s. */
  zone: string | null;
  checkIn: {
    effort: number | null;
    tightness: Tightness[];
    pain: boolean;
    /** Each thing that hurt, in the order it was told. */
    pains: Pain[];
    note: string | null;
    sentAt: Date;
    arrivedAt: Date;
    seenAt: Date | null;
  } | null;
};

/** Which of what has been heard: everything, pain that nobody has looked at, or all pain; of everyone, or what is folded under a link. */
export type Which = {
  only?: "unseen pain" | "pain";
  foldedOf?: string;
  /** What was handed to one group. */
  groupId?: string;
  /** Of one person, what was not marked as somebody else’s. */ person?: string;
};

/** As the indexes have it. */
const unseenPain = sql`(${checkIn.pain} and ${checkIn.seenAt} is null)`;

/** The links of a session, all its editions'. */
const linksOf = (db: Pick<Db, "select">, club: Club, sessionId: string) =>
  db
    .select({ id: link.id })
    .from(link)
    .innerJoin(edition, and(eq(edition.clubId, link.clubId), eq(edition.id, link.editionId)))
    .where(and(eq(link.clubId, club.id), eq(edition.sessionId, sessionId)));

/** The links that were handed to a group. */
const linksTo = (db: Pick<Db, "select">, club: Club, groupId: string) =>
  db
    .select({ id: link.id })
    .from(link)
    .where(and(eq(link.clubId, club.id), eq(link.groupId, groupId)));

const feedbackOf = (
  db: Pick<Db, "select">,
  club: Club,
  sessionId: string | null,
  { only, foldedOf, groupId, person: of }: Which,
) =>
  and(
    of ? and(eq(run.personId, of), eq(run.notTheirs, false)) : undefined,
    eq(run.clubId, club.id),
    isNull(run.removedAt),
    sessionId ? inArray(run.linkId, linksOf(db, club, sessionId)) : undefined,
    groupId ? inArray(run.linkId, linksTo(db, club, groupId)) : undefined,
    // Pain is never folded away under a link, however much that brings.
    foldedOf
      ? and(sql`${run.folded}`, eq(run.linkId, foldedOf))
      : of || only === "unseen pain"
        ? undefined
        : eq(run.folded, false),
    only === "unseen pain" ? unseenPain : only === "pain" ? sql`${checkIn.pain}` : undefined,
  );

const withCheckIn = and(eq(checkIn.clubId, run.clubId), eq(checkIn.runId, run.id));

/** Feedback, the newest first. `sessionId` narrows it to one session. `skip` leaves out so many of the first. Pain that nobody has looked at is asked for by itself, and shown before everything. */
export async function listFeedback(
  db: Db,
  club: Club,
  sessionId: string | null,
  most: number,
  which: Which = {},
  skip = 0,
): Promise<FeedbackRow[]> {
  const [rows] = await listEachFeedback(db, club, sessionId, [{ ...which, most, skip }]);
  return rows;
}

type OneList = Which & { most: number; skip: number };

/** Several such lists, for one page. */
export async function listEachFeedback<const L extends readonly OneList[]>(
  db: Db,
  club: Club,
  sessionId: string | null,
  lists: L,
): Promise<{ [K in keyof L]: FeedbackRow[] }> {
  const found = await Promise.all(
    lists.map(({ most, skip, ...which }) => feedbackRuns(db, club, sessionId, most, which, skip)),
  );
  const pains = await painsOf(
    db,
    club,
    found.flat().flatMap((row) => (row.checkIn?.pain ? [row.runId] : [])),
  );
  // What they followed is looked up after, for the few links there are: all in one the database would think longer than it looks.
  const links = await ofLinks(db, club, [...new Set(found.flat().map((row) => row.linkId))]);
  const whole = found.map((rows) =>
    rows.flatMap(({ linkId, ...row }) => {
      const of = links.get(linkId);
      const said = row.checkIn && { ...row.checkIn, pains: pains.get(row.runId) ?? [] };
      return of ? [{ ...row, checkIn: said, ...of }] : [];
    }),
  );
  return whole as { [K in keyof L]: FeedbackRow[] };
}

/** What hurt in these runs. */
export async function painsOf(
  db: Pick<Db, "select">,
  club: Club,
  runIds: readonly string[],
): Promise<Map<string, Pain[]>> {
  const pains = new Map<string, Pain[]>();
  if (runIds.length === 0) return pains;
  const rows = await db
    .select({
      runId: painReport.runId,
      id: painReport.id,
      where: painReport.where,
      place: painReport.place,
      saidAt: painReport.saidAt,
      seenAt: painReport.seenAt,
      seenBy: coach.name,
    })
    .from(painReport)
    .leftJoin(coach, eq(coach.id, painReport.seenBy))
    .where(and(eq(painReport.clubId, club.id), among(painReport.runId, runIds)))
    .orderBy(painReport.saidAt, painReport.id);
  for (const { runId, ...row } of rows) pains.set(runId, [...(pains.get(runId) ?? []), row]);
  return pains;
}

async function feedbackRuns(db: Db, club: Club, sessionId: string | null, most: number, which: Which, skip: number) {
  const chosenName = sql<string>`coalesce(${person.name}, ${run.name})`;
  return db
    .select({
      runId: run.id,
      linkId: run.linkId,
      name: sql<string>`case when ${run.notTheirs} then 'Someone' else ${chosenName} end`,
      notTheirs: sql<string | null>`case when ${run.notTheirs} then ${chosenName} end`,
      startedAt: run.startedAt,
      finishedAt: run.finishedAt,
      arrivedAt: run.arrivedAt,
      shareDone: run.shareDone,
      // The first column must be one that is never null: by it Drizzle tells a missing row from an unanswered question.
      checkIn: {
        sentAt: checkIn.sentAt,
        arrivedAt: checkIn.arrivedAt,
        effort: checkIn.effort,
        tightness: checkIn.tightness,
        pain: checkIn.pain,
        note: checkIn.note,
        seenAt: checkIn.seenAt,
      },
    })
    .from(run)
    .leftJoin(person, and(eq(person.clubId, run.clubId), eq(person.id, run.personId)))
    .leftJoin(checkIn, withCheckIn)
    .where(feedbackOf(db, club, sessionId, which))
    .orderBy(desc(run.startedAt), run.id)
    .limit(most)
    .offset(skip);
}

type OfLink = Pick<FeedbackRow, "sessionId" | "sessionTitle" | "editionNumber" | "totalSeconds" | "zone">;

/** What was followed by these links, and the zone of whom it was handed to. */
async function ofLinks(db: Db, club: Club, ids: readonly string[]): Promise<Map<string, OfLink>> {
  if (ids.length === 0) return new Map();
  const rows = await db
    .select({
      id: link.id,
      sessionId: edition.sessionId,
      sessionTitle: trainingSession.title,
      editionNumber: edition.number,
      totalSeconds: edition.totalSeconds,
      zone: sql<string | null>`${group.setting} ->> 'zone'`,
    })
    .from(link)
    .innerJoin(edition, and(eq(edition.clubId, link.clubId), eq(edition.id, link.editionId)))
    .innerJoin(
      trainingSession,
      and(eq(trainingSession.clubId, edition.clubId), eq(trainingSession.id, edition.sessionId)),
    )
    .leftJoin(group, and(eq(group.clubId, link.clubId), eq(group.id, link.groupId)))
    .where(and(eq(link.clubId, club.id), among(link.id, ids)));
  return new Map(rows.map(({ id, ...row }) => [id, row]));
}

export type FeedbackSummary = { runs: number; finished: number; checkedIn: number; effort: number | null };

/** What was heard comes to, however much of it is shown: of a session, of somebody, or of everything since a moment. */
export async function summariseFeedback(
  db: Db,
  club: Club,
  sessionId: string | null,
  { since, ...which }: Pick<Which, "person" | "groupId"> & { since?: Date } = {},
): Promise<FeedbackSummary> {
  const [row] = await db
    .select({
      runs: sql<number>`count(*)::int`,
      finished: sql<number>`count(${run.finishedAt})::int`,
      checkedIn: sql<number>`count(${checkIn.runId})::int`,
      effort: sql<number | null>`percentile_cont(0.5) within group (order by ${checkIn.effort})`,
    })
    // A check-in comes after what it is of began: said here, so that the database looks at none that came before.
    .from(run)
    .leftJoin(checkIn, and(withCheckIn, since ? gt(checkIn.arrivedAt, since) : undefined))
    .where(and(feedbackOf(db, club, sessionId, which), since ? gt(run.startedAt, since) : undefined));
  return row ?? { runs: 0, finished: 0, checkedIn: 0, effort: null };
}

/** A drill that more than one person was hurt in. */
export type HurtDrill = { drill: string; name: string; people: number };

/** Fewer people than this are no pattern. */
const TOGETHER = 2;
/** So many drills are told of. */
const MOST_TOGETHER = 10;

/** The drills that hurt more than one person since a moment, whether or not somebody has spoken to them, those with the most first; of one session, or of one drill. */
export async function hurtTogether(
  db: Db,
  club: Club,
  { since, sessionId = null, drills }: { since: Date; sessionId?: string | null; drills?: readonly string[] },
): Promise<HurtDrill[]> {
  const drill = sql<string>`${painReport.place} ->> 'drill'`;
  // Somebody on no list is known by their run alone.
  const people = sql<number>`count(distinct coalesce(${run.personId}, ${run.id}))::int`;
  return db
    .select({ drill, name: sql<string>`max(${painReport.place} ->> 'name')`, people })
    .from(painReport)
    .innerJoin(run, and(eq(run.clubId, painReport.clubId), eq(run.id, painReport.runId)))
    .where(
      and(
        eq(painReport.clubId, club.id),
        gt(painReport.arrivedAt, since),
        isNull(run.removedAt),
        sql`${painReport.place} is not null`,
        sessionId ? inArray(run.linkId, linksOf(db, club, sessionId)) : undefined,
        drills ? inArray(drill, [...drills]) : undefined,
      ),
    )
    .groupBy(drill)
    .having(sql`${people} >= ${TOGETHER}`)
    .orderBy(desc(people), drill)
    .limit(MOST_TOGETHER);
}

/** How many reports tell of pain that nobody has looked at. */
export async function countUnseen(
  db: Db,
  club: Club,
  sessionId: string | null,
  which: Omit<Which, "only"> = {},
): Promise<number> {
  const [row] = await db
    .select({ n: sql<number>`count(*)::int` })
    .from(checkIn)
    .innerJoin(run, withCheckIn)
    .where(and(eq(checkIn.clubId, club.id), feedbackOf(db, club, sessionId, { ...which, only: "unseen pain" })));
  return row?.n ?? 0;
}

/** The sessions that were handed out last, by name, and one more; so many that a coach finds theirs among them. */
export async function lastHandedOut(
  db: Db,
  club: Club,
  most: number,
  also: string | null,
): Promise<{ id: string; title: string }[]> {
  const last = db
    .select({ id: edition.sessionId, at: sql<Date>`max(${link.createdAt})`.as("at") })
    .from(link)
    .innerJoin(edition, and(eq(edition.clubId, link.clubId), eq(edition.id, link.editionId)))
    .where(eq(link.clubId, club.id))
    .groupBy(edition.sessionId)
    .orderBy(desc(sql`max(${link.createdAt})`))
    .limit(most)
    .as("last");
  const rows = await db
    .select({ id: trainingSession.id, title: trainingSession.title })
    .from(last)
    .innerJoin(trainingSession, and(eq(trainingSession.clubId, club.id), eq(trainingSession.id, last.id)))
    .orderBy(desc(last.at));
  if (also === null || rows.some((row) => row.id === also)) return rows;
  return [
    ...rows,
    ...(await db
      .select({ id: trainingSession.id, title: trainingSession.title })
      .from(trainingSession)
      .where(and(eq(trainingSession.clubId, club.id), eq(trainingSession.id, also)))),
  ];
}

export type FoldedLink = {
  linkId: string;
  sessionTitle: string;
  groupName: string | null;
  runs: number;
  unseenPain: number;
  uncounted: number;
  newest: Date;
};

/** Links that brought more than they usually do, with how much of it nobody has looked at tells of pain. */
export async function listFolded(db: Db, club: Club, sessionId: string | null): Promise<FoldedLink[]> {
  // Most clubs never have any.
  const [any] = await db
    .select({ linkId: run.linkId })
    .from(run)
    .where(and(eq(run.clubId, club.id), sql`${run.folded}`))
    .limit(1);
  if (!any) return [];
  return db
    .select({
      linkId: link.id,
      sessionTitle: trainingSession.title,
      groupName: group.name,
      runs: sql<number>`count(*)::int`,
      uncounted: link.uncounted,
      unseenPain: sql<number>`count(*) filter (where ${unseenPain})::int`,
      newest: sql<Date>`max(${run.startedAt})`.mapWith(run.startedAt),
    })
    .from(run)
    .innerJoin(link, and(eq(link.clubId, run.clubId), eq(link.id, run.linkId)))
    .innerJoin(edition, and(eq(edition.clubId, link.clubId), eq(edition.id, link.editionId)))
    .innerJoin(
      trainingSession,
      and(eq(trainingSession.clubId, edition.clubId), eq(trainingSession.id, edition.sessionId)),
    )
    .leftJoin(group, and(eq(group.clubId, link.clubId), eq(group.id, link.groupId)))
    .leftJoin(checkIn, and(eq(checkIn.clubId, run.clubId), eq(checkIn.runId, run.id)))
    .where(
      and(
        eq(run.clubId, club.id),
        sql`${run.folded}`,
        isNull(run.removedAt),
        sessionId ? eq(edition.sessionId, sessionId) : undefined,
      ),
    )
    .groupBy(link.clubId, link.id, trainingSession.title, group.name)
    .orderBy(desc(sql`max(${run.startedAt})`));
}

/** How many check-ins speak of pain and have not been looked at, however many a link brings. */
export async function countUnseenPain(db: Db, club: Club): Promise<number> {
  const [row] = await db
    .select({
      n: sql<number>`count(*)::int`,
    })
    .from(checkIn)
    .innerJoin(run, and(eq(run.clubId, checkIn.clubId), eq(run.id, checkIn.runId)))
    .where(and(eq(checkIn.clubId, club.id), unseenPain, isNull(run.removedAt)));
  return row?.n ?? 0;
}
