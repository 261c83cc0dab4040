import { Save, Trash2, Undo2 } from "lucide-react";
import { useEffect, useMemo, useState } from "react";
import { data, Form, Link, redirect, useBlocker, useFetcher } from "react-router";
import type { Route } from "./+types/route";
import { requireCoach } from "~/app/server/coach.server";
import { drillsOf } from "~/app/server/drills.server";
import { fieldText, readForm } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { Button } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { Confirm } from "~/app/ui/dialog";
import { Faults } from "~/app/ui/faults";
import { Field, inputLook } from "~/app/ui/field";
import { coverageOf, type Coverage } from "~/core/coverage/coverage";
import { HELD_POSITIONS, withHeld, withReason, withWeight } from "~/core/demands/edit";
import { fitOf, targetsOf } from "~/core/demands/fit";
import { demandSchema, type Demand } from "~/core/demands/schema";
import { JOINT_WORDS, ROW_FACTS, ROWS, type Joint, type Row } from "~/core/vocabulary/rows";
import { parseWith } from "~/core/faults";
import { clockText } from "~/core/lengths";
import { compile } from "~/core/timeline/compile";
import { deleteDemand, findDemand, saveDemand } from "~/db/demands";
import { newestSessions } from "~/db/sessions";
import { demandById } from "~/library/demands";
import { missingDrill } from "~/core/session/missing";
import { opening } from "~/app/server/opening.server";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.demand.name ?? "What is asked"} · Mapset` }];

const ownIdOf = (text: string | undefined): string | undefined => /^own-([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$/.exec(text ?? "")?.[1];
const notThere = () => new Response("There is no such profile among yours.", { status: 404 });

export async function loader({ request, params }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const { db } = getServices();
  const own = ownIdOf(params.demand);
  const demand = own ? await opening(findDemand(db, coach.club, own)) : demandById(params.demand);
  if (!demand) throw notThere();
  const newest = await newestSessions(db, coach.club, 30);
  const drills = await drillsOf(coach.club, newest);
  const sessions = [];
  for (const { id, doc } of newest) {
    if (missingDrill(doc, drills) !== undefined) continue;
    const timeline = compile(doc, drills);
    sessions.push({ id, title: doc.title, target: doc.target ?? timeline.totalSeconds, coverage: coverageOf(doc, timeline, drills) });
    // Others are served between one and the next.
    await new Promise((resolve) => setImmediate(resolve));
  }
  return { demand, own: own !== undefined, sessions };
}

export async function action({ request, params }: Route.ActionArgs) {
  const coach = await requireCoach(request);
  const { db } = getServices();
  const own = ownIdOf(params.demand);
  if (!own) throw notThere();
  const form = await readForm(request);
  if (form.get("do") === "delete") {
    if (!(await deleteDemand(db, coach.club, own))) throw notThere();
    throw redirect("/demands");
  }
  let given: unknown;
  try {
    given = JSON.parse(fieldText(form, "doc"));
  } catch {
    return data({ faults: [{ path: "(document)", message: "is not JSON" }] }, { status: 400 });
  }
  const read = parseWith(demandSchema, given);
  if (!read.ok) return data({ faults: read.faults }, { status: 422 });
  if (!(await saveDemand(db, coach.club, own, { ...read.value, id: "own" }))) throw notThere();
  return data({ kept: true });
}

const JOINTS = Object.keys(JOINT_WORDS) as Joint[];

export default function DemandPage({ loaderData }: Route.ComponentProps) {
  return <DemandEditor key={loaderData.demand.id} {...loaderData} />;
}

function DemandEditor({ demand: first, own, sessions }: Route.ComponentProps["loaderData"]) {
  const [kept, setKept] = useState(first);
  const [past, setPast] = useState<Demand[]>([]);
  const [demand, setDemand] = useState(first);
  const [against, setAgainst] = useState(sessions[0]?.id ?? "");
  const [asking, setAsking] = useState(false);
  const fetcher = useFetcher<typeof action>();
  const dirty = demand !== kept;
  const blocker = useBlocker(dirty && fetcher.state === "idle");
  const answer = fetcher.data;
  useEffect(() => {
    if (fetcher.state === "idle" && answer && "kept" in answer) setKept(demand);
    // Only when an answer comes: what was sent is what is shown, the fields are locked while it is sent.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [fetcher.state, answer]);
  useEffect(() => {
    if (!dirty) return;
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [dirty]);
  const change = (next: Demand) => {
    if (next === demand) return;
    setPast([...past.slice(-200), demand]);
    setDemand(next);
  };
  const session = sessions.find((s) => s.id === against);
  const faults = answer && "faults" in answer ? answer.faults : [];
  return (
    <main id="main" className="mx-auto flex w-full max-w-6xl flex-1 flex-col gap-4 px-4 py-5">
      <div className="flex flex-wrap items-start gap-3">
        <div className="min-w-0 flex-1 basis-80">
          <p className="text-sm">
            <Link to="/demands" className="text-ink-soft underline underline-offset-4">
              What is asked
            </Link>
          </p>
          <h1 className="wide-type text-2xl font-semibold">{demand.name}</h1>
          {!own && <p className="text-ink-soft">{demand.about}</p>}
        </div>
        {own ? (
          <div className="flex flex-wrap items-center gap-2">
            <span className="text-sm text-ink-faint" role="status">
              {fetcher.state !== "idle" ? "Keeping…" : dirty ? "Not kept yet" : answer && "kept" in answer ? "Kept" : ""}
            </span>
            <Button disabled={past.length === 0} onClick={() => { setDemand(past.at(-1)!); setPast(past.slice(0, -1)); }}>
              <Undo2 size={16} aria-hidden /> Undo
            </Button>
            <Button kind="primary" disabled={!dirty || fetcher.state !== "idle"} onClick={() => void fetcher.submit({ doc: JSON.stringify(demand) }, { method: "post" })}>
              <Save size={16} aria-hidden /> Keep
            </Button>
            <Button onClick={() => setAsking(true)}>
              <Trash2 size={16} aria-hidden /> Delete
            </Button>
          </div>
        ) : (
          <Form method="post" action="/demands">
            <input type="hidden" name="demand" value={demand.id} />
            <Button kind="primary" type="submit">
              Copy as my own to change it
            </Button>
          </Form>
        )}
      </div>
      <Faults faults={faults} />
      {own && (
        <div className="grid gap-3 md:grid-cols-2">
          <Field label="Name" value={demand.name} maxLength={80} onChange={(e) => change({ ...demand, name: e.target.value })} />
          <Field label="About, in a line" value={demand.about} maxLength={300} onChange={(e) => change({ ...demand, about: e.target.value })} />
        </div>
      )}
      <section className="flex flex-col gap-1.5">
        <h2 className="font-semibold">Held all week</h2>
        {own ? (
          <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
            <legend className="mb-1 text-sm text-ink-faint">The opposites of a position people are held in weigh one more.</legend>
            {[...new Set([...HELD_POSITIONS.map((h) => h.words), ...demand.held])].map((words) => (
              <label key={words} className="inline-flex min-h-8 items-center gap-1.5">
                <input type="checkbox" className="size-4 accent-(--depth-5)" checked={demand.held.includes(words)} onChange={(e) => change(withHeld(demand, words, e.target.checked))} /> {words}
              </label>
            ))}
          </fieldset>
        ) : (
          <p className="text-ink-soft">{demand.held.join(", ") || "nothing in particular"}</p>
        )}
      </section>
      <Effect sessions={sessions} against={against} onAgainst={setAgainst} before={kept} after={demand} />
      <div className="overflow-x-auto rounded-lg border border-line bg-land" tabIndex={0} role="group" aria-label="Motions and their weights">
        <table className="w-full text-sm">
          <thead>
            <tr className="bg-land-deep text-left">
              <th className="px-3 py-1.5 font-semibold" scope="col">Motion</th>
              <th className="px-3 py-1.5 font-semibold" scope="col">Weight</th>
              <th className="px-3 py-1.5 font-semibold" scope="col">Why</th>
              {session && <th className="px-3 py-1.5 text-right font-semibold" scope="col">In {session.title}</th>}
            </tr>
          </thead>
          {JOINTS.map((joint) => (
            <JointRows key={joint} joint={joint} demand={demand} own={own} session={session} onChange={change} />
          ))}
        </table>
      </div>
      <Confirm
        open={asking} onOpenChange={setAsking} title={`Delete ${demand.name}?`} action="Delete the profile" text="Sessions that are measured against it are measured against nothing then."
        onConfirm={() => { setKept(demand); void fetcher.submit({ do: "delete" }, { method: "post" }); }}
      />
      <Confirm
        open={blocker.state === "blocked"} onOpenChange={(open) => !open && blocker.reset?.()} title="Leave without keeping?" action="Leave without keeping" keep="Stay here" text="What you changed would be lost."
        onConfirm={() => blocker.proceed?.()}
      />
    </main>
  );
}

type Measured = { id: string; title: string; target: number; coverage: Coverage };

/** The fit of an open session, before and after the change, as the weights are moved. */
function Effect({ sessions, against, onAgainst, before, after }: { sessions: readonly Measured[]; against: string; onAgainst: (id: string) => void; before: Demand; after: Demand }) {
  const session = sessions.find((s) => s.id === against);
  const [old, now] = useMemo(() => (session ? [fitOf(session.coverage, before, session.target), fitOf(session.coverage, after, session.target)] : [0, 0]), [session, before, after]);
  if (sessions.length === 0) return null;
  return (
    <section className="flex flex-wrap items-end gap-x-5 gap-y-2 rounded-lg border border-line bg-land px-4 py-3">
      <div className="flex min-w-60 flex-col gap-1">
        <label htmlFor="against" className="text-sm font-medium text-ink-soft">
          How far this session answers it
        </label>
        <select id="against" className={inputLook} value={against} onChange={(e) => onAgainst(e.target.value)}>
          {sessions.map((s) => (
            <option key={s.id} value={s.id}>
              {s.title}
            </option>
          ))}
        </select>
      </div>
      <p role="status" aria-label="Fit">
        <span className="clock-type text-3xl">{Math.round(now * 100)} %</span>
        {Math.abs(now - old) > 0.004 && <span className="ml-2 text-sm text-ink-soft">was {Math.round(old * 100)} %</span>}
      </p>
    </section>
  );
}

function JointRows({ joint, demand, own, session, onChange }: { joint: Joint; demand: Demand; own: boolean; session: Measured | undefined; onChange: (next: Demand) => void }) {
  const rows = ROWS.filter((row) => ROW_FACTS[row].joint === joint).filter((row) => own || demand.rows[row]);
  const targets = useMemo(() => session && targetsOf(demand, session.target), [demand, session]);
  if (rows.length === 0) return null;
  return (
    <tbody>
      <tr>
        <th colSpan={4} scope="rowgroup" className="border-t border-line bg-paper px-3 py-1 text-left text-ink-soft first-letter:uppercase">
          {JOINT_WORDS[joint]}
        </th>
      </tr>
      {rows.map((row) => {
        const asked = demand.rows[row];
        return (
          <tr key={row} className="border-t border-line/60 align-middle">
            <th scope="row" className="w-56 px-3 py-1 text-left font-normal">{ROW_FACTS[row].words}</th>
            <td className="w-44 px-3 py-1">{own ? <WeightChoice row={row} weight={asked?.weight ?? 0} onChoose={(weight) => onChange(withWeight(demand, row, weight, "asked for by this group"))} /> : <Dots weight={asked?.weight ?? 0} />}</td>
            <td className="px-3 py-1">
              {own && asked ? (
                <input className={cx(inputLook, "min-h-8 py-0.5")} aria-label={`Why ${ROW_FACTS[row].words}`} value={asked.why} maxLength={200} onChange={(e) => onChange(withReason(demand, row, e.target.value))} />
              ) : (
                <span className="text-ink-soft">{asked?.why}</span>
              )}
            </td>
            {session && (
              <td className="px-3 py-1 text-right whitespace-nowrap">
                {asked ? `${clockText(session.coverage[row].counts)} of ${clockText(targets?.[row] ?? 0)}` : clockText(session.coverage[row].counts)}
              </td>
            )}
          </tr>
        );
      })}
    </tbody>
  );
}

const Dots = ({ weight }: { weight: number }) => (
  <span>
    <span aria-hidden className="inline-flex gap-0.5">
      {[1, 2, 3].map((n) => (
        <span key={n} className={cx("size-2.5 rounded-full border border-depth-5", weight >= n && "bg-depth-5")} />
      ))}
    </span>
    <span className="ml-1.5 text-ink-soft">{weight}</span>
  </span>
);

function WeightChoice({ row, weight, onChoose }: { row: Row; weight: number; onChoose: (weight: number) => void }) {
  return (
    <fieldset className="inline-flex overflow-hidden rounded-md border border-line">
      <legend className="sr-only">Weight of {ROW_FACTS[row].words}</legend>
      {[0, 1, 2, 3].map((n) => (
        <label key={n} className={cx("flex min-h-8 w-9 cursor-pointer items-center justify-center has-focus-visible:outline-2 has-focus-visible:-outline-offset-2 has-focus-visible:outline-ink", weight === n ? "bg-depth-5 font-semibold text-paper" : "bg-paper hover:bg-land-deep")}>
          <input type="radio" name={`weight ${row}`} className="sr-only" checked={weight === n} onChange={() => onChoose(n)} />
          {n}
        </label>
      ))}
    </fieldset>
  );
}
