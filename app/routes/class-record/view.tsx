import { TriangleAlert } from "lucide-react";
import { useId } from "react";
import { Link, useFetcher } from "react-router";
import type { recordPage, SaidOutcome } from "./data.server";
import { Button } from "~/app/ui/button";
import { inputLook } from "~/app/ui/field";
import { MayChange } from "~/app/ui/may-change";
import { Part } from "~/app/ui/part";
import { When } from "~/app/ui/when";
import { clockText, secondsText } from "~/core/lengths";

type Page = Awaited<ReturnType<typeof recordPage>>;

/** What became of a class: how it went against the plan, who was there and how it was for them, drill by drill what was run. */
export function RecordView({ page }: { page: Page }) {
  const late = page.ran - page.promised;
  return (
    <main id="main" className="mx-auto flex w-full max-w-[100rem] flex-1 flex-col gap-5 px-4 py-5">
      <header className="flex flex-col gap-1">
        <p className="text-sm text-ink-soft">
          {page.group ? (
            <Link to={`/groups/${page.group.id}`} className="underline underline-offset-4">
              {page.group.name}
            </Link>
          ) : (
            "Anyone"
          )}
        </p>
        <h1 className="wide-type text-2xl font-semibold wrap-anywhere">{page.title}</h1>
        <p className="text-ink-soft">
          {page.begun === null ? (
            "It has not begun."
          ) : (
            <>
              <When at={new Date(page.begun)} as="EEEE d MMMM, HH:mm:ss" />
              {page.ended !== null && (
                <>
                  {" to "}
                  <When at={new Date(page.ended)} as="HH:mm:ss" />
                </>
              )}
              {" · "}
              <span className="text-ink">
                {clockText(Math.round(page.ran))} of {clockText(page.promised)} planned
              </span>
              {page.ended !== null && Math.abs(late) >= 3 && (
                <>
                  {" "}
                  ({secondsText(Math.abs(Math.round(late)))} {late > 0 ? "longer" : "shorter"})
                </>
              )}
            </>
          )}
          {page.running && (
            <>
              {" · "}
              <Link to={`/live/${page.id}`} className="underline underline-offset-4">
                It is running: lead it
              </Link>
            </>
          )}
        </p>
      </header>
      <div className="grid items-start gap-5 lg:grid-cols-2">
        <div className="flex flex-col gap-5">
          <People page={page} />
          <Pace page={page} />
        </div>
        <Ran page={page} />
      </div>
    </main>
  );
}

function People({ page }: { page: Page }) {
  const { runs, ticked, others } = page;
  const there = runs.length + ticked.length + others;
  return (
    <Part title="Who was there" note="By phone, or ticked by whoever led. Pain comes first.">
      {there === 0 ? (
        <p className="text-ink-soft">Nobody was ticked, and no phone joined.</p>
      ) : (
        <p>
          {there} there{others > 0 && `, ${others} of them on no list`}.
        </p>
      )}
      {runs.length > 0 && (
        <ul className="flex flex-col">
          {runs.map((run) => (
            <li key={run.id} className="flex flex-col gap-1 border-t border-line py-2">
              <p className="flex flex-wrap items-baseline gap-x-3">
                <span className="font-semibold">
                  {run.personId ? (
                    <Link to={`/groups/people/${run.personId}`} className="underline underline-offset-4">
                      {run.name}
                    </Link>
                  ) : (
                    run.name
                  )}
                </span>
                <span className="text-ink-soft">{Math.round(run.shareDone * 100)} % of the work</span>
                {run.effort !== null && <span className="text-ink-soft">effort {run.effort} of 10</span>}
              </p>
              {run.pains.map(({ where, drill }, i) => (
                <p key={i} className="flex items-baseline gap-2 font-semibold text-plum">
                  <TriangleAlert size={15} className="shrink-0 translate-y-0.5" aria-hidden />
                  Something hurt
                  {drill && ` in ${drill}`}
                  {where && `: ${where}`}
                </p>
              ))}
              {run.pain === null && (
                <MayChange>
                  <SayFor run={run} />
                </MayChange>
              )}
            </li>
          ))}
        </ul>
      )}
      {ticked.length > 0 && (
        <p className="text-ink-soft">
          Ticked: {ticked.join(", ")}.
          {!page.closed &&
            (page.running
              ? " What they did is written down when the class is over."
              : " What they did is written down in a moment: load the page again.")}
        </p>
      )}
    </Part>
  );
}

/** For somebody without a phone: what they said, in one line. */
function SayFor({ run }: { run: Page["runs"][number] }) {
  const fetcher = useFetcher<SaidOutcome>();
  const [hard, where] = [useId(), useId()];
  return (
    <details>
      <summary className="text-sm text-ink-soft">Nothing said yet: write down what they told you</summary>
      <fetcher.Form method="post" className="flex flex-wrap items-end gap-3 pt-2">
        <input type="hidden" name="run" value={run.id} />
        <label htmlFor={hard} className="flex flex-col gap-1 text-sm">
          How hard, 0–10
          <input id={hard} name="hard" inputMode="numeric" className={`${inputLook} w-20`} />
        </label>
        <label className="flex min-h-10 items-center gap-2">
          <input type="checkbox" name="pain" value="yes" className="size-5 accent-(--plum)" /> Something hurt
        </label>
        <label htmlFor={where} className="flex min-w-40 flex-1 flex-col gap-1 text-sm">
          Where
          <input id={where} name="where" maxLength={120} className={inputLook} />
        </label>
        <Button type="submit">Write it down</Button>
        {fetcher.data?.fault && (
          <p role="alert" className="w-full font-semibold text-buoy">
            {fetcher.data.fault}
          </p>
        )}
      </fetcher.Form>
    </details>
  );
}

function Pace({ page }: { page: Page }) {
  const { kinds, left } = page.paces;
  if (kinds.length === 0) return null;
  return (
    <Part title="Pace" note="How long the things between the work really took, against the usual.">
      <ul className="flex flex-col gap-1">
        {kinds.map((one) => (
          <li key={one.kind}>
            <span className="font-semibold">{one.words}</span>: {Math.round(one.real)} s, usually{" "}
            {Math.round(one.usual)} s ({one.times} {one.times === 1 ? "time" : "times"},{" "}
            {one.byHand ? "started by hand" : "by the clock: the plan was enough"}).
          </li>
        ))}
      </ul>
      {left > 0 && (
        <p className="text-sm text-ink-soft">
          {left} left out: the first of a class, what was gone back to or skipped, what was led without a connection,
          and what took so long that something else happened.
        </p>
      )}
    </Part>
  );
}

function Ran({ page }: { page: Page }) {
  const { lines, skipped, changes } = page;
  return (
    <Part title="What was run" note="Each drill with what comes before it: moving, showing, changing sides.">
      {lines.length === 0 ? (
        <p className="text-ink-soft">Nothing yet.</p>
      ) : (
        <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="What was run, drill by drill">
          <table className="w-full text-left">
            <thead className="text-sm text-ink-soft">
              <tr>
                <th className="py-1 pr-3 font-normal">Began</th>
                <th className="py-1 pr-3 font-normal">Drill</th>
                <th className="py-1 pr-3 text-right font-normal">Planned</th>
                <th className="py-1 text-right font-normal">Took</th>
              </tr>
            </thead>
            <tbody>
              {lines.map((line) => (
                <tr key={line.began} className="border-t border-line align-baseline">
                  <td className="py-1.5 pr-3 tabular-nums">
                    <When at={new Date(line.began)} as="HH:mm:ss" />
                  </td>
                  <td className="py-1.5 pr-3">
                    {line.name}
                    {line.round > 1 && <span className="text-ink-soft"> · round {line.round}</span>}
                    {line.left && <span className="text-ink-soft"> · left early</span>}
                    {line.held >= 1 && (
                      <span className="text-ink-soft"> · held {secondsText(Math.round(line.held))}</span>
                    )}
                  </td>
                  <td className="py-1.5 pr-3 text-right whitespace-nowrap text-ink-soft tabular-nums">
                    {clockText(Math.round(line.planned))}
                  </td>
                  <td className="py-1.5 text-right whitespace-nowrap tabular-nums">
                    {clockText(Math.round(line.ran + line.held))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {changes.length > 0 && (
        <ul className="text-ink-soft">
          {changes.map((words) => (
            <li key={words}>{words}.</li>
          ))}
        </ul>
      )}
      {page.begun !== null && skipped.length > 0 && (
        <p className="text-ink-soft">
          {page.running ? "Not done yet" : "Not done"}: {skipped.join(", ")}.
        </p>
      )}
    </Part>
  );
}
