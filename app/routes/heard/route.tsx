import { format } from "date-fns";
import { CircleCheck, TriangleAlert } from "lucide-react";
import { useEffect } from "react";
import { data, Form, Link, useRevalidator, useSearchParams, useSubmit } from "react-router";
import type { Route } from "./+types/route";
import { Ratings } from "./ratings";
import { summariseHeard } from "./summary.server";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { fieldText } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { Button } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { SelectField } from "~/app/ui/field";
import { JOINT_WORDS } from "~/core/drills/rows";
import { clockText } from "~/core/text/clock";
import { listHeard, setSeen, type HeardRow } from "~/db/runs";
import { listSessions } from "~/db/sessions";

export const meta: Route.MetaFunction = () => [{ title: "Heard back · Mapset" }];

const MOST_ROWS = 300;

export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const { db } = getServices();
  const asked = new URL(request.url).searchParams.get("session");
  const sessionId = asked ? idOf(asked) : null;
  const [rows, current, archived] = await Promise.all([listHeard(db, coach.id, sessionId, MOST_ROWS), listSessions(db, coach.id, false), listSessions(db, coach.id, true)]);
  const sessions = [...current, ...archived].map((s) => ({ id: s.id, title: s.doc.title }));
  if (sessionId && !sessions.some((s) => s.id === sessionId)) throw notHere();
  return { rows, sessions, sessionId, summary: summariseHeard(rows), more: rows.length === MOST_ROWS };
}

export async function action({ request }: Route.ActionArgs) {
  const coach = await requireCoach(request);
  const form = await request.formData();
  const seen = form.get("do") === "seen";
  if (!(await setSeen(getServices().db, coach.id, idOf(fieldText(form, "run")), seen))) throw notHere("There is no such check-in among yours.");
  return data({ done: true });
}

export default function Heard({ loaderData }: Route.ComponentProps) {
  const { rows, sessions, sessionId, summary, more } = loaderData;
  const submit = useSubmit();
  const [params] = useSearchParams();
  useFreshNews();
  const pain = rows.filter((row) => row.checkIn?.pain);
  return (
    <main id="main" className="mx-auto flex w-full max-w-6xl flex-1 flex-col gap-5 px-4 py-5">
      <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
        <h1 className="wide-type text-2xl font-semibold">Heard back</h1>
        <SelectField
          label="Session" hideLabel className="w-72" value={sessionId ?? ""} options={[{ value: "", words: "All sessions" }, ...sessions.map((s) => ({ value: s.id, words: s.title }))]}
          onChange={(session) => void submit(session ? { session } : {}, { method: "get" })} key={params.toString()}
        />
        {rows.length > 0 && (
          <dl className="ml-auto flex flex-wrap gap-x-7 text-right">
            <Figure words="followed" figure={String(summary.runs)} />
            <Figure words="to the end" figure={String(summary.finished)} />
            <Figure words="checked in" figure={String(summary.checkedIn)} />
            <Figure words="how hard, middle" figure={summary.hard === undefined ? "–" : String(summary.hard)} />
          </dl>
        )}
      </div>
      {rows.length === 0 ? (
        <div className="flex flex-col items-center gap-2 rounded-lg border border-dashed border-line bg-land px-6 py-14 text-center">
          <p className="wide-type text-lg font-semibold">Nothing heard yet</p>
          <p className="max-w-md text-ink-soft">
            When someone follows a link you handed out, they appear here while they are at it, and what they say at the end.{" "}
            <Link to={sessionId ? `/sessions/${sessionId}/hand-out` : "/sessions"} className="underline underline-offset-4">
              Hand a session out
            </Link>
          </p>
        </div>
      ) : (
        <>
          {pain.length > 0 && (
            <section className="flex flex-col gap-2.5">
              <h2 className="wide-type flex items-center gap-2 text-lg font-semibold text-plum">
                <TriangleAlert size={18} aria-hidden /> Told of pain
              </h2>
              {pain.map((row) => (
                <PainCard key={row.runId} row={row} />
              ))}
            </section>
          )}
          <section className="flex flex-col gap-2">
            <h2 className="wide-type text-lg font-semibold">Everyone</h2>
            <ul className="overflow-hidden rounded-lg border border-line bg-land">
              {rows.map((row) => (
                <RunRow key={row.runId} row={row} showSession={sessionId === null} />
              ))}
            </ul>
            {more && <p className="text-sm text-ink-faint">The newest {MOST_ROWS} are shown. Choose a session to see further back.</p>}
          </section>
        </>
      )}
    </main>
  );
}

const NEWS_EVERY_MS = 15_000;

/** While the page is in view it asks for news: a class checks in within a few minutes. */
function useFreshNews(): void {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    const ask = () => document.visibilityState === "visible" && void revalidate();
    const timer = setInterval(ask, NEWS_EVERY_MS);
    document.addEventListener("visibilitychange", ask);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", ask);
    };
  }, [revalidate]);
}

function Figure({ words, figure }: { words: string; figure: string }) {
  return (
    <div className="flex flex-col-reverse">
      <dt className="text-sm text-ink-faint">{words}</dt>
      <dd className="clock-type text-3xl leading-none">{figure}</dd>
    </div>
  );
}

function PainCard({ row }: { row: HeardRow }) {
  const seen = row.checkIn?.seenAt !== null;
  return (
    <article className={cx("flex flex-wrap items-center gap-x-6 gap-y-2 rounded-lg border border-plum/50 px-4 py-3", seen ? "bg-land" : "border-l-4 border-l-plum bg-plum-wash")}>
      <div className="min-w-60 flex-1">
        <p>
          <span className="text-lg font-semibold">{row.name}</span>
          <span className="text-ink-soft">
            {" "}
            · {row.sessionTitle}, {when(row.startedAt)}
          </span>
        </p>
        <p className="text-lg">{row.checkIn?.painWhere ?? "Did not say where."}</p>
        {row.checkIn?.note && <p className="text-ink-soft">“{row.checkIn.note}”</p>}
        {!seen && <p className="mt-1 text-sm text-ink-soft">Speak to them before the next session. Leave the movement out until it is clear; pain that stays is for a licensed practitioner, not for a coach.</p>}
      </div>
      <Form method="post">
        <input type="hidden" name="run" value={row.runId} />
        <input type="hidden" name="do" value={seen ? "unseen" : "seen"} />
        {seen ? (
          <Button kind="quiet" type="submit">
            <CircleCheck size={16} className="text-kelp" aria-hidden /> Dealt with
          </Button>
        ) : (
          <Button type="submit">I have spoken to them</Button>
        )}
      </Form>
    </article>
  );
}

function RunRow({ row, showSession }: { row: HeardRow; showSession: boolean }) {
  const { checkIn } = row;
  return (
    <li className="grid grid-cols-[minmax(12rem,1.9fr)_7rem_4.5rem_minmax(13rem,1.2fr)_minmax(8rem,1fr)] items-center gap-x-5 border-b border-line px-4 py-2.5 last:border-0 max-lg:grid-cols-[1fr_auto] max-lg:gap-y-1.5">
      <div className="min-w-0">
        <p className="truncate font-semibold">
          {row.name}
          {checkIn?.pain && <TriangleAlert size={14} className="ml-1.5 inline text-plum" aria-label="told of pain" />}
        </p>
        <p className="truncate text-sm text-ink-faint">
          {when(row.startedAt)}
          {showSession && ` · ${row.sessionTitle}`} · edition {row.editionNumber}
        </p>
      </div>
      <Done row={row} />
      <p className="text-center max-lg:text-left">
        {checkIn?.hard == null ? <span className="text-sm text-ink-faint">no rating</span> : <><span className="clock-type text-2xl">{checkIn.hard}</span><span className="text-sm text-ink-faint"> hard</span></>}
      </p>
      <Ratings tightness={checkIn?.tightness ?? []} words={JOINT_WORDS} pain={checkIn?.pain ?? false} />
      <p className="min-w-0 text-sm break-words text-ink-soft max-lg:col-span-2">{checkIn ? (checkIn.note ?? "") : "has not checked in"}</p>
    </li>
  );
}

function Done({ row }: { row: HeardRow }) {
  const per = Math.round(row.shareDone * 100);
  return (
    <div className="flex items-center gap-2">
      <svg viewBox="0 0 60 8" className="h-2 w-15" aria-hidden>
        <rect width="60" height="8" rx="2" fill="var(--depth-1)" />
        <rect width={0.6 * per} height="8" rx="2" fill={row.finishedAt ? "var(--kelp)" : "var(--depth-4)"} />
      </svg>
      <span className="text-sm whitespace-nowrap">
        {per} %<span className="sr-only"> of {clockText(row.totalSeconds)}{row.finishedAt ? ", to the end" : ""}</span>
      </span>
    </div>
  );
}

function when(at: Date): string {
  return format(at, "EEE d MMM, HH:mm");
}
