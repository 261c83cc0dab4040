import { TriangleAlert } from "lucide-react";
import { Link, useSearchParams, useSubmit } from "react-router";
import type { FeedbackPage } from "./data.server";
import { Folded } from "./folded";
import { Pages, withoutPages, withParam } from "./pages";
import { HandedOutCard } from "~/app/routes/today/handed-out-card";
import { PainReports, Removed, useReportChanges } from "./pain-reports";
import { RunRow } from "./rows";
import { useFreshNews } from "./use-fresh-news";
import { SelectField } from "~/app/ui/field";

export function FeedbackView({ report }: { report: FeedbackPage }) {
  const {
    pain,
    morePain,
    together,
    painPage,
    rows,
    sessions,
    sessionId,
    summary,
    pains,
    more,
    page,
    folded,
    under,
    onlyPain,
    person,
    groups,
    groupId,
    handedOut,
  } = report;
  const submit = useSubmit();
  const narrow = ({ session = sessionId ?? "", group = groupId ?? "" }: { session?: string; group?: string }) =>
    void submit(
      {
        ...(session && { session }),
        ...(group && !person && { group }),
        ...(person && { person: person.id }),
        ...(onlyPain && { only: "pain" }),
      },
      { method: "get" },
    );
  const [params] = useSearchParams();
  useFreshNews();
  const { change, removed } = useReportChanges();
  const nothing = rows.length === 0 && folded.length === 0 && !onlyPain && page === 0;
  return (
    <main id="main" className="mx-auto flex w-full max-w-[100rem] flex-1 flex-col gap-5 px-4 py-5">
      <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
        <h1 className="wide-type text-2xl font-semibold">{person ? `Feedback from ${person.name}` : "Feedback"}</h1>
        <SelectField
          label="Session"
          hideLabel
          className="w-72"
          value={sessionId ?? ""}
          options={[{ value: "", words: "All sessions" }, ...sessions.map((s) => ({ value: s.id, words: s.title }))]}
          onChange={(session) => narrow({ session })}
          key={params.toString()}
        />
        {groups.length > 0 && !person && (
          <SelectField
            label="Group"
            hideLabel
            className="w-56"
            value={groupId ?? ""}
            options={[{ value: "", words: "Every group" }, ...groups.map((g) => ({ value: g.id, words: g.name }))]}
            onChange={(group) => narrow({ group })}
            key={`group ${params.toString()}`}
          />
        )}
        {summary.runs > 0 && !under && (
          <div className="ml-auto flex flex-wrap items-end gap-x-7">
            {!sessionId && !person && <p className="text-sm text-ink-faint">In four weeks:</p>}
            <dl className="flex flex-wrap gap-x-7 text-right">
              <Figure words="followed" figure={String(summary.runs)} />
              <Figure words="to the end" figure={String(summary.finished)} />
              <Figure words="checked in" figure={String(summary.checkedIn)} />
              <Figure words="median effort" figure={summary.effort === null ? "–" : String(summary.effort)} />
            </dl>
          </div>
        )}
      </div>
      {removed && <Removed run={removed} onChange={change} />}
      {nothing ? (
        <div className="flex flex-col items-center gap-2 rounded-lg border border-dashed border-line bg-land px-6 py-14 text-center">
          <p className="wide-type text-lg font-semibold">No feedback yet</p>
          <p className="max-w-md text-ink-soft">
            When someone follows a link you handed out, you see them here as they go, and what they report at the end.{" "}
            <Link
              to={sessionId ? `/sessions/${sessionId}/hand-out` : "/sessions"}
              className="underline underline-offset-4"
            >
              Hand a session out
            </Link>
          </p>
        </div>
      ) : (
        <>
          {person && (
            <p className="flex flex-wrap gap-x-5 gap-y-1">
              <Link to={`/groups/people/${person.id}`} className="underline underline-offset-4">
                {person.name}’s page
              </Link>
              <Link to={sessionId ? `?session=${sessionId}` : "/feedback"} className="underline underline-offset-4">
                Show everyone
              </Link>
            </p>
          )}
          {under && (
            <p className="rounded-lg border-l-4 border-depth-5 bg-land px-4 py-3">
              What “{under.sessionTitle}”{under.groupName && ` for ${under.groupName}`} brought beyond what a link
              usually brings.{" "}
              <Link to={sessionId ? `?session=${sessionId}` : "/feedback"} className="underline underline-offset-4">
                Back to everyone
              </Link>
            </p>
          )}
          {(pain.length > 0 || painPage > 0) && (
            <section className="flex flex-col gap-2.5">
              <h2 className="wide-type flex items-center gap-2 text-lg font-semibold text-plum">
                <TriangleAlert size={18} aria-hidden /> Pain reported{" "}
              </h2>
              <PainReports rows={pain} together={together} onChange={change} />
              <Pages params={params} name="pain" page={painPage} more={morePain} of={pains} />
            </section>
          )}
          {handedOut.length > 0 && !onlyPain && (
            <section aria-label="Who has done it" className="flex flex-col gap-2">
              <h2 className="wide-type text-lg font-semibold">Who has done it, and who not yet</h2>
              <div className="grid gap-3 lg:grid-cols-2 2xl:grid-cols-3">
                {handedOut.map((one) => (
                  <HandedOutCard key={one.linkId} handed={one} />
                ))}
              </div>
            </section>
          )}
          {!under && folded.length > 0 && <Folded links={folded} sessionId={sessionId} />}
          <section className="flex flex-col gap-2">
            <div className="flex flex-wrap items-baseline justify-between gap-3">
              <h2 className="wide-type text-lg font-semibold">
                {onlyPain ? "All reports of pain" : under ? "Under this link" : person ? "All of it" : "Everyone"}
              </h2>
              {rows.length > 0 && (
                <a
                  href={`/feedback/table?${withoutPages(params).toString()}`}
                  download
                  className="ml-auto min-h-8 content-center underline underline-offset-4"
                >
                  Download as a table
                </a>
              )}
              {(rows.length > 0 || onlyPain) && (
                <Link
                  to={withParam(withoutPages(params), "only", onlyPain ? null : "pain")}
                  className="min-h-8 content-center underline underline-offset-4"
                >
                  {onlyPain ? "Show everyone" : "Only reports of pain"}
                </Link>
              )}
            </div>
            {rows.length === 0 ? (
              <p className="text-ink-soft">{onlyPain ? "No pain reported." : "Nothing here."}</p>
            ) : (
              <ul className="rounded-lg border border-line bg-land *:grid *:grid-cols-[minmax(12rem,1.9fr)_7rem_4.5rem_minmax(13rem,1.2fr)_minmax(8rem,1fr)_2.25rem] *:items-center *:gap-x-5 *:border-b *:border-line *:px-4 *:py-2.5 *:last:border-0 *:max-lg:grid-cols-[1fr_auto_2.25rem] *:max-lg:gap-y-1.5">
                {rows.map((row) => (
                  <RunRow key={row.runId} row={row} showSession={sessionId === null} onChange={change} />
                ))}
              </ul>
            )}
            <Pages params={params} name="page" page={page} more={more} />
          </section>
        </>
      )}
    </main>
  );
}

function Figure({ words, figure }: { words: string; figure: string }) {
  return (
    <div className="flex flex-col-reverse">
      <dt className="text-sm text-ink-faint">{words}</dt>
      <dd className="clock-type text-3xl leading-none">{figure}</dd>
    </div>
  );
}
