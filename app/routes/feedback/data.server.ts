import { redirect } from "react-router";
import { askedOf } from "./asked.server";
import { type Coach, notHere } from "~/app/server/coach.server";
import { handedOutFor } from "~/app/server/handed-out.server";
import { getServices } from "~/app/server/services.server";
import { daysBefore } from "~/core/clock/calendar";
import { now } from "~/core/clock/clock";
import { listGroupNames } from "~/db/groups";
import { findPerson } from "~/db/people";
import { TOGETHER_DAYS } from "./hurt-together";
import {
  countUnseen,
  hurtTogether,
  lastHandedOut,
  listEachFeedback,
  listFolded,
  summariseFeedback,
} from "~/db/feedback";

export type FeedbackPage = Awaited<ReturnType<typeof feedbackPage>>;

/** Rows on a page, and reports of pain that nobody has looked at yet. */
const ROWS = 20;
const PAINS = 10;
/** Sessions to choose from; others are come to from their own page. */
const SESSIONS = 20;
/** Of everything what is summed up is of so many days. */
const DAYS = 28;
const HANDED_OUT = 6;

/** Which page is asked for, from 0. */
const pageAsked = (text: string | null): number => Math.min(10_000, Math.max(0, Math.floor(Number(text) || 0)));

/** What people said after their sessions, pain that nobody has seen to first, by what the address asks. */
export async function feedbackPage(coach: Coach, asked: URLSearchParams) {
  const { db } = getServices();
  const { sessionId, groupId, person: personId, foldedOf, only } = askedOf(asked);
  const onlyPain = only === "pain";
  const [page, painPage] = [pageAsked(asked.get("page")), pageAsked(asked.get("pain"))];
  const of = {
    ...(foldedOf && { foldedOf }),
    ...(personId && { person: personId }),
    ...(groupId && { groupId }),
  };
  const narrow = { ...(groupId && { groupId }), ...(sessionId && { sessionId }) };
  const [[pain, rows], together, summary, folded, sessions, person, groups, handed] = await Promise.all([
    // Pain that nobody has looked at has pages of its own, so that nothing else comes before it.
    listEachFeedback(db, coach.club, sessionId, [
      { only: "unseen pain", ...of, most: PAINS + 1, skip: painPage * PAINS },
      { ...(onlyPain && { only: "pain" as const }), ...of, most: ROWS + 1, skip: page * ROWS },
    ]),
    personId || foldedOf
      ? []
      : hurtTogether(db, coach.club, { since: daysBefore(now(), TOGETHER_DAYS, 0, 0, coach.zone), sessionId }),
    summariseFeedback(
      db,
      coach.club,
      sessionId,
      personId
        ? { person: personId }
        : {
            ...(groupId && { groupId }),
            ...(!sessionId && { since: daysBefore(now(), DAYS, 0, 0, coach.zone) }),
          },
    ),
    personId ? [] : listFolded(db, coach.club, sessionId),
    lastHandedOut(db, coach.club, SESSIONS, sessionId),
    personId ? findPerson(db, coach.club, personId) : undefined,
    listGroupNames(db, coach.club),
    // Who has not yet: asked for where it is about one session or one group.
    Object.keys(narrow).length > 0 && !personId && !foldedOf
      ? handedOutFor(coach, {
          since: daysBefore(now(), DAYS - 1, 0, 0, coach.zone),
          most: HANDED_OUT,
          ...narrow,
        })
      : [],
  ]);
  if (personId && !person) throw notHere("There is no such person in your club.");
  if (groupId && !groups.some(({ id }) => id === groupId)) throw notHere("There is no such group among yours.");
  if (sessionId && !sessions.some((s) => s.id === sessionId)) throw notHere();
  const under = folded.find((one) => one.linkId === foldedOf);
  const morePain = pain.length > PAINS;
  // Only where they are not all on the page.
  const pains = morePain || painPage > 0 ? await countUnseen(db, coach.club, sessionId, of) : pain.length;
  // Once the last of them has been taken off there is nothing to go back to.
  if (foldedOf && !under) throw redirect("/feedback");
  return {
    pain: pain.slice(0, PAINS),
    together,
    morePain,
    painPage,
    rows: rows.slice(0, ROWS),
    more: rows.length > ROWS,
    page,
    sessions,
    sessionId,
    summary,
    pains,
    folded,
    under,
    onlyPain,
    person: person && { id: person.id, name: person.name },
    groups,
    groupId: groupId ?? null,
    handedOut: handed,
  };
}
