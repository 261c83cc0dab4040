import { CircleCheck, TriangleAlert } from "lucide-react";
import { useEffect, useState } from "react";
import { data, Form, Link, redirect, useFetcher, useRevalidator, useSearchParams, useSubmit } from "react-router";
import type { Route } from "./+types/route";
import { Ratings } from "./ratings";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { fieldText, readForm } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { Button, IconButton } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { Dots } from "~/app/ui/dots";
import { Confirm } from "~/app/ui/dialog";
import { SelectField } from "~/app/ui/field";
import { MayChange } from "~/app/ui/may-change";
import { Menu } from "~/app/ui/menu";
import { When } from "~/app/ui/when";
import { daysBefore } from "~/core/clock/calendar";
import { now } from "~/core/clock/clock";
import { isLate } from "~/core/checkin/moments";
import { JOINT_WORDS } from "~/core/vocabulary/rows";
import { clockText } from "~/core/lengths";
import { countUnseen, lastHandedOut, listEachHeard, listFolded, setNotTheirs, setRemoved, setSeen, summariseHeard, type FoldedLink, type HeardRow } from "~/db/runs";
import { findPerson } from "~/db/people";

export const meta: Route.MetaFunction = () => [{ title: "Heard back · Mapset" }];

/** Rows on a page, and reports of pain that nobody has looked at yet. */
const ROWS = 20;
const PAINS = 10;
/** Sessions to choose from; others are come to from their own page. */
const SESSIONS = 20;
/** Of everything what is summed up is of so many days. */
const DAYS = 28;

/** Which page is asked for, from 0. */
const pageAsked = (text: string | null): number => Math.min(10_000, Math.max(0, Math.floor(Number(text) || 0)));

export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const { db } = getServices();
  const asked = new URL(request.url).searchParams;
  const sessionId = asked.get("session") ? idOf(asked.get("session") ?? "") : null;
  const foldedOf = asked.get("link") ? idOf(asked.get("link") ?? "") : undefined;
  const personId = asked.get("person") ? idOf(asked.get("person") ?? "") : undefined;
  const onlyPain = asked.get("only") === "pain";
  const [page, painPage] = [pageAsked(asked.get("page")), pageAsked(asked.get("pain"))];
  const of = { ...(foldedOf && { foldedOf }), ...(personId && { person: personId }) };
  const [[pain, rows], summary, folded, sessions, person] = await Promise.all([
    // Pain that nobody has looked at has pages of its own, so that nothing else comes before it.
    listEachHeard(db, coach.club, sessionId, [{ only: "unseen pain", ...of, most: PAINS + 1, skip: painPage * PAINS }, { ...(onlyPain && { only: "pain" as const }), ...of, most: ROWS + 1, skip: page * ROWS }]),
    summariseHeard(db, coach.club, sessionId, personId ? { person: personId } : sessionId ? {} : { since: daysBefore(now(), DAYS, 0, 0, coach.zone) }), personId ? [] : listFolded(db, coach.club, sessionId),
    lastHandedOut(db, coach.club, SESSIONS, sessionId), personId ? findPerson(db, coach.club, personId) : undefined,
  ]);
  if (personId && !person) throw notHere("There is nobody of that kind among your people.");
  if (sessionId && !sessions.some((s) => s.id === sessionId)) throw notHere();
  const under = folded.find((one) => one.linkId === foldedOf);
  const morePain = pain.length > PAINS;
  // Only where they are not all on the page.
  const pains = morePain || painPage > 0 ? await countUnseen(db, coach.club, sessionId, of) : pain.length;
  // Once the last of them has been taken off there is nothing to go back to.
  if (foldedOf && !under) throw redirect("/heard");
  return { pain: pain.slice(0, PAINS), morePain, painPage, rows: rows.slice(0, ROWS), more: rows.length > ROWS, page, sessions, sessionId, summary, pains, folded, under, onlyPain, person: person && { id: person.id, name: person.name } };
}

export async function action({ request }: Route.ActionArgs) {
  const coach = await requireCoach(request);
  const form = await readForm(request);
  const { db } = getServices();
  const run = idOf(fieldText(form, "run"));
  const asked = fieldText(form, "do");
  const todo: Record<string, () => Promise<boolean>> = {
    seen: () => setSeen(db, coach.club, run, true), unseen: () => setSeen(db, coach.club, run, false),
    remove: () => setRemoved(db, coach.club, run, true), "put back": () => setRemoved(db, coach.club, run, false),
    "not theirs": () => setNotTheirs(db, coach.club, run, true), theirs: () => setNotTheirs(db, coach.club, run, false),
  };
  const act = Object.hasOwn(todo, asked) ? todo[asked] : undefined;
  if (!act) throw new Response("Nothing to do was said.", { status: 400 });
  if (!(await act())) throw notHere("There is no such check-in among yours.");
  return data({ done: asked, run });
}

export default function Heard({ loaderData }: Route.ComponentProps) {
  const { pain, morePain, painPage, rows, sessions, sessionId, summary, pains, more, page, folded, under, onlyPain, person } = loaderData;
  const submit = useSubmit();
  const [params] = useSearchParams();
  useFreshNews();
  const changes = useFetcher<typeof action>();
  const change = (run: string, what: string) => void changes.submit({ run, do: what }, { method: "post" });
  const removed = changes.data?.done === "remove" ? changes.data.run : undefined;
  const nothing = rows.length === 0 && folded.length === 0 && !onlyPain && page === 0;
  return (
    <main id="main" className="mx-auto flex w-full max-w-6xl flex-1 flex-col gap-5 px-4 py-5">
      <div className="flex flex-wrap items-end gap-x-5 gap-y-3">
        <h1 className="wide-type text-2xl font-semibold">{person ? `Feedback from ${person.name}` : "Heard back"}</h1>
        <SelectField
          label="Session" hideLabel className="w-72" value={sessionId ?? ""} options={[{ value: "", words: "All sessions" }, ...sessions.map((s) => ({ value: s.id, words: s.title }))]}
          onChange={(session) => void submit({ ...(session && { session }), ...(person && { person: person.id }) }, { method: "get" })} key={params.toString()}
        />
        {summary.runs > 0 && !under && (
          <div className="ml-auto flex flex-wrap items-end gap-x-7">
          {!sessionId && !person && <p className="text-sm text-ink-faint">In four weeks:</p>}
          <dl className="flex flex-wrap gap-x-7 text-right">
            <Figure words="followed" figure={String(summary.runs)} />
            <Figure words="to the end" figure={String(summary.finished)} />
            <Figure words="checked in" figure={String(summary.checkedIn)} />
            <Figure words="how hard, middle" figure={summary.hard === null ? "–" : String(summary.hard)} />
          </dl>
          </div>
        )}
      </div>
      {removed && (
        <p role="status" className="flex flex-wrap items-center gap-3 rounded-lg border border-line bg-land px-4 py-2">
          Taken off the list.
          <Button kind="quiet" onClick={() => change(removed, "put back")}>Put it back</Button>
        </p>
      )}
      {nothing ? (
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
          {person && (
            <p className="flex flex-wrap gap-x-5 gap-y-1">
              <Link to={`/people/${person.id}`} className="underline underline-offset-4">{person.name}’s page</Link>
              <Link to={sessionId ? `?session=${sessionId}` : "/heard"} className="underline underline-offset-4">Show everyone</Link>
            </p>
          )}
          {under && (
            <p className="rounded-lg border-l-4 border-depth-5 bg-land px-4 py-3">
              What “{under.sessionTitle}”{under.teamName && ` for ${under.teamName}`} brought beyond what a link usually brings.{" "}
              <Link to={sessionId ? `?session=${sessionId}` : "/heard"} className="underline underline-offset-4">
                Back to everyone
              </Link>
            </p>
          )}
          {(pain.length > 0 || painPage > 0) && (
            <section className="flex flex-col gap-2.5">
              <h2 className="wide-type flex items-center gap-2 text-lg font-semibold text-plum">
                <TriangleAlert size={18} aria-hidden /> Told of pain
              </h2>
              <p className="-mt-1.5 text-ink-soft">Speak to them before the next session. Leave the movement out until it is clear; pain that stays is for a licensed practitioner, not for a coach.</p>
              {pain.map((row) => (
                <PainCard key={row.runId} row={row} onChange={change} />
              ))}
              <Pages params={params} name="pain" page={painPage} more={morePain} of={pains} />
            </section>
          )}
          {!under && folded.length > 0 && <Folded links={folded} sessionId={sessionId} />}
          <section className="flex flex-col gap-2">
            <div className="flex flex-wrap items-baseline justify-between gap-3">
              <h2 className="wide-type text-lg font-semibold">{onlyPain ? "All that told of pain" : under ? "Under this link" : person ? "All of it" : "Everyone"}</h2>
              {(rows.length > 0 || onlyPain) && (
                <Link to={withParam(withoutPages(params), "only", onlyPain ? null : "pain")} className="min-h-8 content-center underline underline-offset-4">
                  {onlyPain ? "Show everyone" : "Only what told of pain"}
                </Link>
              )}
            </div>
            {rows.length === 0 ? (
              <p className="text-ink-soft">{onlyPain ? "Nobody has told of pain." : "Nothing here."}</p>
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

/** The same list from its beginning. */
function withoutPages(params: URLSearchParams): URLSearchParams {
  const next = new URLSearchParams(params);
  next.delete("page");
  next.delete("pain");
  return next;
}

function withParam(params: URLSearchParams, name: string, value: string | null): string {
  const next = new URLSearchParams(params);
  if (value === null) next.delete(name);
  else next.set(name, value);
  return `?${next.toString()}`;
}

/** Ways to the pages before and after, where there are any. */
function Pages({ params, name, page, more, of }: { params: URLSearchParams; name: string; page: number; more: boolean; of?: number | undefined }) {
  if (page === 0 && !more) return null;
  const look = "min-h-11 content-center rounded-md border border-line bg-land px-4 font-medium hover:bg-land-deep";
  return (
    <nav aria-label={name === "pain" ? "Pages of reports of pain" : "Pages"} className="flex flex-wrap items-center justify-center gap-3">
      {page > 0 && (
        <Link to={withParam(params, name, page > 1 ? String(page - 1) : null)} className={look}>
          Newer
        </Link>
      )}
      {of !== undefined && <span className="text-ink-soft">{of} in all</span>}
      {more && (
        <Link to={withParam(params, name, String(page + 1))} className={look}>
          Older
        </Link>
      )}
    </nav>
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

/** Links that brought more in an hour than a class does: kept, out of the way of everyone else's, pain first. */
function Folded({ links, sessionId }: { links: FoldedLink[]; sessionId: string | null }) {
  return (
    <section className="flex flex-col gap-2">
      <h2 className="wide-type text-lg font-semibold">Kept under their link</h2>
      <ul className="flex flex-col gap-2">
        {links.map((one) => (
          <li key={one.linkId} className={cx("flex flex-wrap items-center justify-between gap-3 rounded-lg border-l-4 bg-land px-4 py-3", one.unseenPain > 0 ? "border-plum" : "border-depth-4")}>
            <div className="min-w-60 flex-1">
              <p className="font-semibold">
                {one.sessionTitle}
                {one.teamName && <span className="font-normal text-ink-soft">, {one.teamName}</span>}
              </p>
              <p className="text-ink-soft">
                {one.runs + one.uncounted} more than a link usually brings in an hour, or after it was withdrawn; the newest <When at={one.newest} as={MOMENT} />.
                {one.unseenPain > 0 && <span className="font-semibold text-plum"> {one.unseenPain} told of pain.</span>} If nobody you know is behind it, withdraw the link.
              </p>
            </div>
            <Link to={`?${new URLSearchParams({ link: one.linkId, ...(sessionId && { session: sessionId }) }).toString()}`} className="min-h-11 content-center rounded-md border border-line px-4 font-medium hover:bg-land-deep">
              Look through them
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

type Change = (run: string, what: string) => void;

function PainCard({ row, onChange }: { row: HeardRow; onChange: Change }) {
  return (
    <article className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-lg border border-l-4 border-plum/50 border-l-plum bg-plum-wash px-4 py-3">
      <div className="min-w-60 flex-1">
        <p className="break-words">
          <span className="text-lg font-semibold">{row.name}</span>
          <NotTheirs row={row} />
          <span className="text-ink-soft">
            {" "}
            · {row.sessionTitle}, <Moment row={row} />
          </span>
        </p>
        <p className="text-lg break-words">{row.checkIn?.painWhere ?? "Did not say where."}</p>
        {row.checkIn?.note && <p className="break-words text-ink-soft">“{row.checkIn.note}”</p>}
      </div>
      <MayChange>
        <Form method="post" preventScrollReset>
          <input type="hidden" name="run" value={row.runId} />
          <input type="hidden" name="do" value="seen" />
          <Button type="submit">I have spoken to them</Button>
        </Form>
        <RowMenu row={row} onChange={onChange} />
      </MayChange>
    </article>
  );
}

const NotTheirs = ({ row }: { row: HeardRow }) => (row.notTheirs === null ? null : <span className="font-normal text-ink-soft"> (not {row.notTheirs}’s)</span>);

/** What can be done with a report; taking one off that tells of pain is asked about first. */
function RowMenu({ row, onChange }: { row: HeardRow; onChange: Change }) {
  const [asking, setAsking] = useState(false);
  const pain = row.checkIn?.pain === true;
  return (
    <>
      <Menu
        trigger={
          <IconButton label={`More about ${row.name}’s report`} className="size-9">
            <Dots />
          </IconButton>
        }
        entries={() => [
          ...(pain && row.checkIn?.seenAt ? [{ words: "I have yet to speak to them", onSelect: () => onChange(row.runId, "unseen") }] : []),
          row.notTheirs === null ? { words: `Not ${row.name}’s`, onSelect: () => onChange(row.runId, "not theirs") } : { words: `It is ${row.notTheirs}’s`, onSelect: () => onChange(row.runId, "theirs") },
          "line" as const,
          { words: "Take it off the list", danger: true, onSelect: () => (pain ? setAsking(true) : onChange(row.runId, "remove")) },
        ]}
      />
      {asking && <Confirm
        open onOpenChange={setAsking} title="Take a report of pain off the list?" text={`${row.name}: ${row.checkIn?.painWhere ?? "did not say where"}. Only if you know that it is none, such as one made as a joke.`} action="Take it off"
        onConfirm={() => onChange(row.runId, "remove")}
      />}
    </>
  );
}

function RunRow({ row, showSession, onChange }: { row: HeardRow; showSession: boolean; onChange: Change }) {
  const { checkIn } = row;
  return (
    <li>
      <div className="min-w-0">
        <p className="font-semibold wrap-anywhere">
          {row.name}
          <NotTheirs row={row} />
          {checkIn?.pain && <TriangleAlert size={14} className="ml-1.5 inline text-plum" aria-label="told of pain" />}
          {checkIn?.pain && checkIn.seenAt && <CircleCheck size={14} className="ml-1 inline text-kelp" aria-label="dealt with" />}
        </p>
        <p className="text-sm text-ink-faint wrap-anywhere">
          <Moment row={row} />
          {`${showSession ? ` · ${row.sessionTitle}` : ""} · edition ${row.editionNumber}`}
        </p>
      </div>
      <Done row={row} />
      <p className="text-center max-lg:order-2 max-lg:text-left">
        {checkIn?.hard == null ? <span className="text-sm text-ink-faint">no rating</span> : <><span className="clock-type text-2xl">{checkIn.hard}</span><span className="text-sm text-ink-faint"> hard</span></>}
      </p>
      <div className="max-lg:order-2 max-lg:col-span-3">
        <Ratings tightness={checkIn?.tightness ?? []} words={JOINT_WORDS} pain={checkIn?.pain ?? false} />
      </div>
      <p className="min-w-0 text-sm break-words text-ink-soft max-lg:order-2 max-lg:col-span-3">{checkIn ? [checkIn.pain ? (checkIn.painWhere ?? "pain, did not say where") : "", checkIn.note ?? ""].filter(Boolean).join(" · ") : "has not checked in"}</p>
      <MayChange>
        <RowMenu row={row} onChange={onChange} />
      </MayChange>
    </li>
  );
}

function Done({ row }: { row: HeardRow }) {
  const per = Math.round(row.shareDone * 100);
  return (
    <div className="flex items-center gap-2">
      <span className="flex h-2 w-15 overflow-hidden rounded-xs bg-depth-1" aria-hidden>
        <span className={row.finishedAt ? "bg-kelp" : "bg-depth-4"} style={{ width: `${per}%` }} />
      </span>
      <span className="text-sm whitespace-nowrap">
        {`${per} %`}<span className="sr-only">{` of ${clockText(row.totalSeconds)}${row.finishedAt ? ", to the end" : ""}`}</span>
      </span>
    </div>
  );
}

const MOMENT = "EEE d MMM, HH:mm";

/** When it was done; and when it arrived, where a phone had no connection until later. */
function Moment({ row }: { row: HeardRow }) {
  const zone = row.zone ?? undefined;
  const { sentAt: said, arrivedAt: arrived } = row.checkIn ?? { sentAt: row.finishedAt ?? row.startedAt, arrivedAt: row.arrivedAt };
  return (
    <>
      <When at={row.startedAt} as={MOMENT} zone={zone} />
      {isLate(said, arrived) && <>, arrived <When at={arrived} as="d MMM, HH:mm" zone={zone} /></>}
    </>
  );
}
