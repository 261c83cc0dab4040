import type { AddedTo } from "./add-to.server";
import { Archive, ArchiveRestore, Copy, Download, Pencil } from "lucide-react";
import { useState } from "react";
import { Form, Link } from "react-router";
import { AddTo } from "./add-to";
import { AnglesChart } from "./angles-chart";
import type { DrillPage } from "./data.server";
import { FigureStage } from "./figure-stage";
import { Levels } from "./levels";
import { Serves } from "./serves";
import { Texts } from "./texts";
import { HurtTogether } from "~/app/routes/feedback/hurt-together";
import { Button, ButtonLink } from "~/app/ui/button";
import { inForm } from "~/core/drills/form";
import { unwritten } from "~/core/drills/start";
import type { LevelName } from "~/core/vocabulary/levels";
import { POSTURE_WORDS } from "~/core/vocabulary/postures";
import { REHEARSAL_WORDS } from "~/core/vocabulary/rehearses";
import { PARTNER_WORDS } from "~/core/wording/scales";
import { LEVEL_WORDS, listWords, METHOD_WORDS, SIDE_MODE_WORDS } from "~/core/wording/words";

export function DrillView({ page, answer }: { page: DrillPage; answer: AddedTo | null | undefined }) {
  const { drill, own, others, courses: lines } = page;
  const { standard } = drill.levels;
  const open = unwritten(drill);
  const [level, setLevel] = useState<LevelName>("standard");
  const form = inForm(drill, level);
  const called = form.sides === "together" ? undefined : drill.working;
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
            {drill.partner && drill.partner !== "alone" && ` · ${PARTNER_WORDS[drill.partner]}`}
            {own && ` · your own, revision ${own.revision}`}
          </p>
          {(called !== undefined || (drill.rehearses ?? []).length > 0) && (
            <p className="text-sm text-ink-faint">
              {[
                ...(called !== undefined ? [`The side that is called: ${called}`] : []),
                ...((drill.rehearses ?? []).length > 0
                  ? [`Rehearses ${listWords(drill.rehearses!.map((one) => REHEARSAL_WORDS[one]))}`]
                  : []),
              ].join(" · ")}
            </p>
          )}
          <HurtTogether drills={page.together} here />
          {own?.archived && (
            <p className="mt-1 text-sm font-medium text-plum">
              Archived: it is no longer offered at the desk, and shows in the library only under “archived”. Sessions
              that use it carry on.
            </p>
          )}
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
          {others.length > 0 && <AddTo sessions={others} answer={answer} />}
          <Form method="post">
            <Button type="submit">
              <Copy size={16} aria-hidden /> Copy as my own
            </Button>
          </Form>
          {own && (
            <Form method="post">
              <input type="hidden" name="do" value={own.archived ? "back" : "aside"} />
              <Button type="submit">
                {own.archived ? <ArchiveRestore size={16} aria-hidden /> : <Archive size={16} aria-hidden />}{" "}
                {own.archived ? "Restore" : "Archive"}
              </Button>
            </Form>
          )}
          <a
            href={`/library/${drill.id}/export`}
            className="inline-flex min-h-9 items-center gap-1.5 rounded-md border border-line bg-land px-3 font-medium hover:bg-land-deep"
          >
            <Download size={16} aria-hidden /> Export
          </a>
        </div>
      </header>
      <div className="grid gap-5 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
        <FigureStage drill={drill} level={level} onLevel={setLevel} />
        <Texts drill={form} />
      </div>
      <Levels drill={drill} />
      <div className="grid gap-5 lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]">
        <section className="rounded-lg border border-line bg-land p-4">
          <h2 className="wide-type text-lg font-semibold">Joint angles through a repetition, {LEVEL_WORDS[level]}</h2>
          <AnglesChart courses={lines[level] ?? []} />
        </section>
        <Serves page={page} />
      </div>
    </main>
  );
}
