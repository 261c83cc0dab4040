import { MonitorPlay, PencilRuler, TriangleAlert } from "lucide-react";
import { Link } from "react-router";
import type { TodayPage } from "./data.server";
import { ExampleNotice } from "./example-notice";
import { FirstSteps } from "./first-steps";
import { HandedOutCard } from "./handed-out-card";
import { HurtTogether } from "~/app/routes/feedback/hurt-together";
import { PainReports, Removed, useReportChanges } from "~/app/routes/feedback/pain-reports";
import { useFreshNews } from "~/app/routes/feedback/use-fresh-news";
import { ButtonLink } from "~/app/ui/button";
import { MayChange } from "~/app/ui/may-change";
import { SessionLine } from "~/app/ui/session-line";
import { Ago, When } from "~/app/ui/when";
import { dayAfter, instantOf } from "~/core/clock/calendar";
import { useZone } from "~/app/ui/zone";

/** A coach's day, also in the hall on a phone: pain first, what was handed out and who has not done it, what is half made. */
export function TodayView({ page }: { page: TodayPage }) {
  const { pain, painInAll, steps } = page;
  const isNew = !steps.handedOut;
  const showsDays = !isNew || page.handedOut.length > 0;
  const { change, removed } = useReportChanges();
  useFreshNews();
  return (
    <main id="main" className="mx-auto flex w-full max-w-[100rem] flex-1 flex-col gap-6 px-4 py-5">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="wide-type text-2xl font-semibold">Today</h1>
        <p className="text-ink-soft">
          <TodayWords day={page.today} />
        </p>
        {showsDays && (
          <Link to="/feedback" className="ml-auto min-h-8 content-center underline underline-offset-4">
            All feedback
          </Link>
        )}
      </div>{" "}
      {removed && <Removed run={removed} onChange={change} />}
      {pain.length > 0 && (
        <section aria-label="Pain reported" className="flex flex-col gap-2.5">
          <h2 className="wide-type flex items-center gap-2 text-lg font-semibold text-plum">
            <TriangleAlert size={18} aria-hidden /> Pain reported
          </h2>
          <PainReports rows={pain} together={page.together} onChange={change} />
          {painInAll > pain.length && (
            <Link to="/feedback" className="min-h-8 content-center self-start underline underline-offset-4">
              All {painInAll} reports of pain
            </Link>
          )}
        </section>
      )}
      {page.running.length > 0 && (
        <section aria-label="Running now" className="flex flex-col gap-2">
          <h2 className="wide-type flex items-center gap-2 text-lg font-semibold">
            <MonitorPlay size={18} aria-hidden /> Running now
          </h2>
          <ul className="flex flex-wrap gap-2">
            {page.running.map(({ id, title, group }) => (
              <li key={id}>
                <ButtonLink to={`/live/${id}`} className="min-h-11 text-left whitespace-normal">
                  Lead “{title}”{group && ` with ${group}`}
                </ButtonLink>
              </li>
            ))}
          </ul>
        </section>
      )}
      {pain.length === 0 && <HurtTogether drills={page.together} />}
      {page.hasExample && <ExampleNotice />}
      {isNew && <FirstSteps page={page} />}
      <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,1.9fr)_minmax(19rem,1fr)]">
        {showsDays && <HandedOutDays page={page} />}
        <aside className="flex flex-col gap-6 lg:col-start-2">
          {page.halfMade.length > 0 && <HalfMade page={page} />}
          {showsDays && (
            <MayChange>
              <Begin page={page} />
            </MayChange>
          )}
        </aside>
      </div>
    </main>
  );
}

/** The day in words: its noon, which is on that day in every zone that is asked. */
function TodayWords({ day }: { day: string }) {
  const zone = useZone();
  return <When at={instantOf(day, 12, 0, zone)} as="EEEE d MMMM" />;
}

function HandedOutDays({ page }: { page: TodayPage }) {
  const { handedOut, today } = page;
  const days = [...new Set(handedOut.map(({ day }) => day))].sort().reverse();
  if (handedOut.length === 0)
    return (
      <section className="rounded-lg border border-dashed border-line px-6 py-8 text-ink-soft">
        <h2 className="wide-type text-lg font-semibold text-ink">Nothing handed out this week</h2>
        <p>What you hand out shows up here, with who has done it and who has not yet.</p>
        <div className="mt-3 flex flex-wrap gap-2">
          <ButtonLink kind="primary" to="/sessions">
            Choose a session to hand out
          </ButtonLink>
          <ButtonLink to="/sessions/draft">Draft a new one</ButtonLink>
        </div>
      </section>
    );
  return (
    <div className="flex flex-col gap-5">
      {days.map((day) => (
        <section key={day} aria-label={`Handed out ${day}`} className="flex flex-col gap-2.5">
          <h2 className="wide-type text-lg font-semibold">
            {day === today ? (
              "Handed out today"
            ) : day === dayAfter(today, -1) ? (
              "Yesterday"
            ) : (
              <When at={handedOut.find((one) => one.day === day)!.at} as="EEEE d MMMM" />
            )}
          </h2>
          <div className="grid gap-3 2xl:grid-cols-2">
            {handedOut
              .filter((one) => one.day === day)
              .map((one) => (
                <HandedOutCard key={one.linkId} handed={one} />
              ))}
          </div>
        </section>
      ))}
    </div>
  );
}

function HalfMade({ page }: { page: TodayPage }) {
  return (
    <section aria-label="Not handed out yet" className="flex flex-col gap-2">
      <h2 className="wide-type text-lg font-semibold">Not handed out yet</h2>
      <ul className="flex flex-col rounded-lg border border-line bg-land px-2">
        {page.halfMade.map((one) => (
          <SessionLine
            key={one.id}
            session={one}
            to={`/sessions/${one.id}`}
            more={
              <>
                changed <Ago at={one.updatedAt} />
              </>
            }
          />
        ))}
      </ul>
    </section>
  );
}

/** The way to the next session, by group. */
function Begin({ page }: { page: TodayPage }) {
  return (
    <section aria-label="Next session" className="flex flex-col gap-2">
      <h2 className="wide-type text-lg font-semibold">Next session</h2>
      <ul className="flex flex-col rounded-lg border border-line bg-land">
        {page.groups.slice(0, 8).map((group) => (
          <li
            key={group.id}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-line px-3 py-2 last:border-0"
          >
            <Link
              to={`/groups/${group.id}`}
              className="min-w-32 flex-1 font-medium wrap-anywhere underline decoration-line underline-offset-4 hover:decoration-ink"
            >
              {group.name}
            </Link>
            <ButtonLink
              size="small"
              to={`/sessions/draft?group=${group.id}`}
              aria-label={`Draft a session for ${group.name}`}
            >
              <PencilRuler size={14} aria-hidden /> Draft
            </ButtonLink>
            <ButtonLink
              kind="quiet"
              size="small"
              to={`/sessions?new&group=${group.id}`}
              aria-label={`Build a session for ${group.name}`}
            >
              Build
            </ButtonLink>
          </li>
        ))}
        {page.groups.length === 0 && (
          <li className="px-3 py-2 text-ink-soft">
            <Link to="/groups" className="underline underline-offset-4">
              Add a group
            </Link>{" "}
            and sessions are checked against its people and kit.
          </li>
        )}
      </ul>
    </section>
  );
}
