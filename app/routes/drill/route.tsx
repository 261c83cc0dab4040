import { Archive, ArchiveRestore, Copy, Download, Pencil, TriangleAlert } from "lucide-react";
import { useState } from "react";
import { Form, Link, redirect } from "react-router";
import type { Route } from "./+types/route";
import { fieldText, readForm } from "~/app/server/forms.server";
import { AddTo } from "./add-to";
import { addTo } from "./add-to.server";
import { AnglesChart } from "./angles-chart";
import { FigureStage } from "./figure-stage";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { cutTo } from "~/core/fit-to-keep";
import { drawnDrill } from "~/app/server/drills.server";
import { needRoom } from "~/app/server/room.server";
import { getServices } from "~/app/server/services.server";
import { Button, ButtonLink } from "~/app/ui/button";
import { Still } from "~/app/ui/figure/still";
import { When } from "~/app/ui/when";
import { motionAt } from "~/core/drills/motion";
import { ownDrillId, readOwnId } from "~/core/drills/own";
import { KIT_FACTS } from "~/core/vocabulary/kit";
import { ROW_FACTS, type Row } from "~/core/vocabulary/rows";
import type { Drill } from "~/core/drills/schema";
import { unwritten } from "~/core/drills/start";
import { courses } from "~/core/figure/course";
import { LEVELS, type LevelName } from "~/core/vocabulary/levels";
import { PLANE_WORDS } from "~/core/wording/areas";
import { stressWords } from "~/core/wording/stresses";
import { doseWords } from "~/core/dose/dose";
import { LEVEL_WORDS, METHOD_WORDS, SIDE_MODE_WORDS } from "~/core/wording/words";
import { POSTURE_WORDS } from "~/core/vocabulary/postures";
import { addOwnDrill, findOwnDrill, listRevisions, shelveOwnDrill } from "~/db/own-drills";
import { listTitles } from "~/db/sessions";
import { sessionsUsing } from "~/db/sessions-using";
import { opening } from "~/app/server/opening.server";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.drill.name ?? "Drill"} · Mapset` }];

export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const { db } = getServices();
  const drill = await drawnDrill(coach.club, params.drill);
  if (!drill) throw notHere("There is no such drill.");
  const own = readOwnId(drill.id);
  const newest = own && (await opening(findOwnDrill(db, coach.club, own.drill)));
  const revisions = newest ? (await listRevisions(db, coach.club, newest.id)).map((r) => ({ id: ownDrillId(newest.id, r.number), number: r.number, at: r.createdAt.toISOString() })) : [];
  return {
    drill,
    own: newest && { newer: newest.revision > (own?.revision ?? 0) ? ownDrillId(newest.id, newest.revision) : undefined, revision: own?.revision ?? 1, archived: newest.archivedAt !== null, revisions },
    others: (await listTitles(db, coach.club)).slice(0, 100),
    sessions: await sessionsUsing(db, coach.club, [drill.id, ...revisions.map((r) => r.id)]),
    courses: Object.fromEntries(
      LEVELS.map((level) => {
        const motion = motionAt(drill, level);
        const { main, also } = drill.levels[level];
        return [level, motion ? courses(motion, [...main, ...also]).slice(0, 6) : []];
      }),
    ),
  };
}

/** Copies the drill as one of the coach's own, to be changed; or puts an own drill aside and brings it back. */
export async function action({ request, params }: Route.ActionArgs) {
  const coach = await requireCoach(request);
  const drill = await drawnDrill(coach.club, params.drill);
  if (!drill) throw notHere("There is no such drill.");
  const form = await readForm(request);
  const what = form.get("do");
  if (what === "add") return addTo(coach.club, drill, idOf(fieldText(form, "session")));
  const own = readOwnId(drill.id);
  if (what === "aside" || what === "back") {
    if (!own || !(await shelveOwnDrill(getServices().db, coach.club, own.drill, what === "aside"))) throw notHere("There is no such drill among yours.");
    return null;
  }
  await needRoom(coach.club, "drills");
  const id = await addOwnDrill(getServices().db, coach.club, { ...drill, name: `${cutTo(drill.name, 72)}, mine` });
  return redirect(`/library/${ownDrillId(id, 1)}/edit`);
}

export default function DrillPage({ loaderData: { drill, own, sessions, others, courses: lines }, actionData }: Route.ComponentProps) {
  const { standard } = drill.levels;
  const open = unwritten(drill);
  const [level, setLevel] = useState<LevelName>("standard");
  return (
    <main id="main" className="mx-auto flex w-full max-w-7xl flex-1 flex-col gap-5 px-4 py-5">
      <header className="flex flex-wrap items-start gap-x-6 gap-y-3">
        <div className="min-w-0 flex-1 basis-80">
          <p className="text-sm">
            <Link to="/library" className="text-ink-soft underline underline-offset-4">
              Library
            </Link>
          </p>
          <h1 className="wide-type text-2xl leading-tight font-semibold">{drill.name}</h1>
          <p className="text-lg text-ink-soft">{drill.brief}</p>
          <p className="mt-1 text-sm text-ink-faint">
            {METHOD_WORDS[drill.method]} · {POSTURE_WORDS[standard.posture]} · {SIDE_MODE_WORDS[drill.sides]}
            {drill.directions === 2 && ` · two directions: ${drill.directionWords?.join(", ")}`}
            {own && ` · your own, revision ${own.revision}`}
          </p>
          {own?.archived && <p className="mt-1 text-sm font-medium text-plum">Put aside: it is no longer offered at the desk, and in the library only under “put aside”. Sessions that use it go on.</p>}
          {open.length > 0 && (
            <p className="mt-1 text-sm">
              <span className="font-medium text-plum">Still to be written:</span> {open.join(", ")}.
            </p>
          )}
          {own?.newer && (
            <p className="mt-1 text-sm font-medium">
              <Link to={`/library/${own.newer}`} className="underline underline-offset-4">
                There is a newer revision
              </Link>
            </p>
          )}
        </div>
        <div className="flex flex-wrap items-start gap-2">
          {own && !own.newer && (
            <ButtonLink kind="primary" to={`/library/${drill.id}/edit`}>
              <Pencil size={16} aria-hidden /> Change it
            </ButtonLink>
          )}
          {others.length > 0 && <AddTo sessions={others} answer={actionData} />}
          <Form method="post">
            <Button type="submit">
              <Copy size={16} aria-hidden /> Copy as my own
            </Button>
          </Form>
          {own && (
            <Form method="post">
              <input type="hidden" name="do" value={own.archived ? "back" : "aside"} />
              <Button type="submit">
                {own.archived ? <ArchiveRestore size={16} aria-hidden /> : <Archive size={16} aria-hidden />} {own.archived ? "Bring back" : "Put aside"}
              </Button>
            </Form>
          )}
          <a href={`/library/${drill.id}/export`} className="inline-flex min-h-9 items-center gap-1.5 rounded-md border border-line bg-land px-3 font-medium hover:bg-land-deep">
            <Download size={16} aria-hidden /> Export
          </a>
        </div>
      </header>
      <div className="grid gap-5 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
        <FigureStage drill={drill} level={level} onLevel={setLevel} />
        <div className="flex flex-col gap-4">
          <section className="rounded-lg border-l-4 border-plum bg-plum-wash px-4 py-3" aria-label="Cautions">
            <h2 className="flex items-center gap-1.5 font-semibold text-plum">
              <TriangleAlert size={16} aria-hidden /> Take care
            </h2>
            <ul className="mt-1 flex flex-col gap-1">
              {drill.cautions.map((text) => (
                <li key={text}>{text}</li>
              ))}
            </ul>
          </section>
          <section className="rounded-lg border border-line bg-land px-4 py-3">
            <h2 className="wide-type font-semibold">Set up</h2>
            <ul className="flex flex-col gap-0.5">
              {drill.setUp.map((text) => (
                <li key={text}>{text}</li>
              ))}
            </ul>
            <h2 className="wide-type mt-3 font-semibold">Do</h2>
            <ol className="ml-5 flex list-decimal flex-col gap-0.5">
              {drill.steps.map((text) => (
                <li key={text}>{text}</li>
              ))}
            </ol>
          </section>
          <FeelMap drill={drill} />
          <section className="rounded-lg border border-line bg-land px-4 py-3">
            <h2 className="wide-type font-semibold">See and say</h2>
            <dl className="flex flex-col gap-1.5">
              {drill.faults.map((fault) => (
                <div key={fault.see}>
                  <dt className="text-ink-soft">{fault.see}</dt>
                  <dd className="font-medium">“{fault.say}”</dd>
                </div>
              ))}
            </dl>
          </section>
        </div>
      </div>
      <Levels drill={drill} />
      <div className="grid gap-5 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
        <section className="rounded-lg border border-line bg-land p-4">
          <h2 className="wide-type text-lg font-semibold">Joint angles through a repetition, {LEVEL_WORDS[level]}</h2>
          <AnglesChart courses={lines[level] ?? []} />
        </section>
        <section className="flex flex-col gap-3 rounded-lg border border-line bg-land p-4">
          <h2 className="wide-type text-lg font-semibold">What it serves</h2>
          <RowList title="Mainly" rows={standard.main} />
          {standard.also.length > 0 && <RowList title="Also" rows={standard.also} />}
          {own && own.revisions.length > 1 && (
            <>
              <h2 className="wide-type mt-2 text-lg font-semibold">Revisions</h2>
              <ul className="text-sm">
                {own.revisions.map((revision) => (
                  <li key={revision.id}>
                    {revision.id === drill.id ? <span className="font-semibold">Revision {revision.number}</span> : <Link to={`/library/${revision.id}`} className="underline underline-offset-4">Revision {revision.number}</Link>}{" "}
                    <When at={revision.at} as="d MMM yyyy, HH:mm" className="text-ink-faint" />
                  </li>
                ))}
              </ul>
            </>
          )}
          <h2 className="wide-type mt-2 text-lg font-semibold">Sessions that use it</h2>
          {sessions.length === 0 ? (
            <p className="text-ink-soft">None of yours yet.</p>
          ) : (
            <ul>
              {sessions.map((session) => (
                <li key={session.id}>
                  <Link to={`/sessions/${session.id}`} className="underline underline-offset-4">
                    {session.title}
                  </Link>
                </li>
              ))}
            </ul>
          )}
        </section>
      </div>
    </main>
  );
}

function RowList({ title, rows }: { title: string; rows: readonly Row[] }) {
  return (
    <div>
      <h3 className="text-sm font-medium text-ink-soft">{title}</h3>
      <ul>
        {rows.map((row) => (
          <li key={row}>
            <Link to={`/library?row=${row}`} className="underline decoration-line underline-offset-4 hover:decoration-ink">
              {ROW_FACTS[row].words}
            </Link>{" "}
            <span className="text-sm text-ink-faint">{PLANE_WORDS[ROW_FACTS[row].plane]}</span>
          </li>
        ))}
      </ul>
    </div>
  );
}

/** Where it should be felt, and what to change when it is felt elsewhere. */
function FeelMap({ drill }: { drill: Drill }) {
  return (
    <section className="rounded-lg border border-line bg-land px-4 py-3">
      <h2 className="wide-type font-semibold">Feel it here</h2>
      <ul className="border-l-4 border-kelp pl-3">
        {drill.feel.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
      <h2 className="wide-type mt-3 font-semibold">Felt elsewhere?</h2>
      <dl className="flex flex-col gap-1.5">
        {drill.elsewhere.map((at) => (
          <div key={at.felt} className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-3">
            <dt className="text-ink-soft">{at.felt}</dt>
            <dd>{at.change}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-2 text-sm text-ink-faint">Pain, numbness, tingling or dizziness: stop, step down a level, or leave it out.</p>
    </section>
  );
}

function Levels({ drill }: { drill: Drill }) {
  return (
    <section aria-labelledby="levels">
      <h2 id="levels" className="wide-type mb-2 text-lg font-semibold">
        Levels side by side
      </h2>
      <div className="grid gap-3 md:grid-cols-3">
        {LEVELS.map((name) => {
          const level = drill.levels[name];
          return (
            <article key={name} className="flex flex-col gap-1 rounded-lg border border-line bg-land p-3">
              <h3 className="font-semibold first-letter:uppercase">{LEVEL_WORDS[name]}</h3>
              {drill.motions && (
                <div className="grid grid-cols-2">
                  {(["start", "end"] as const).map((at) => (
                    <Still key={at} drill={drill.id} level={name} at={at} size={170} alt={`${LEVEL_WORDS[name]}, ${at}`} className="h-auto w-full" />
                  ))}
                </div>
              )}
              <p>{level.how}</p>
              <p className="text-sm text-ink-soft">
                {doseWords(level.dose)} · {POSTURE_WORDS[level.posture]}
              </p>
              {level.kit.length > 0 && <p className="text-sm text-ink-soft">Kit: {[...new Set(level.kit)].map((k) => `${KIT_FACTS[k].words} (or ${KIT_FACTS[k].instead})`).join(", ")}</p>}
              <Stresses drill={drill} name={name} />
            </article>
          );
        })}
      </div>
    </section>
  );
}

/** What a level loads that people may protect: much of it first, then some; why, where the drawing does not show it. */
function Stresses({ drill, name }: { drill: Drill; name: LevelName }) {
  const { much, some, drawn, because } = stressWords(drill, name);
  return (
    <div className="text-sm text-ink-soft">
      {!drawn && <p className="font-medium text-plum">Not drawn: what it loads is not known, and nobody who protects an area is given it.</p>}
      {much.length > 0 && <p>Loads much: {much.join(", ")}</p>}
      {some.length > 0 && <p>Loads some: {some.join(", ")}</p>}
      {much.length + some.length === 0 && drawn && <p>Loads none of the areas people protect.</p>}
      {because.length > 0 && (
        <details>
          <summary className="underline underline-offset-4">Not all of it shows in the drawing</summary>
          <ul className="mt-1 list-disc pl-5">
            {because.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}
