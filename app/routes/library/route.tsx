import { Search, X } from "lucide-react";
import { useRef, useState } from "react";
import { data, Form, Link, redirect, useNavigation } from "react-router";
import { z } from "zod";
import type { Route } from "./+types/route";
import { readForm } from "~/app/server/forms.server";
import { ImportDrill } from "./import-drill";
import { NewDrill } from "./new-drill";
import { requireCoach } from "~/app/server/coach.server";
import { browsable, readyToSearch } from "~/app/server/drills.server";
import { LARGEST_IMPORT } from "~/app/server/session-docs.server";
import { needRoom } from "~/app/server/room.server";
import { getServices } from "~/app/server/services.server";
import { Button } from "~/app/ui/button";
import { cx } from "~/app/ui/classes";
import { inputLook, SelectField } from "~/app/ui/field";
import { useSearchForm } from "~/app/ui/use-search-form";
import { MayChange } from "~/app/ui/may-change";
import { MovingStill } from "~/app/ui/figure/moving-still";
import { placedFaults } from "~/core/files/places";
import { browse, browseSchema, JOINTS, PLANES, type Browse } from "~/core/browse/browse";
import { KIT, KIT_FACTS } from "~/core/vocabulary/kit";
import { piecesThere } from "~/core/group/kit";
import { ownDrillId, readOwnId } from "~/core/drills/own";
import { readDrillText } from "~/core/drills/read";
import { JOINT_WORDS, ROW_FACTS, ROWS, type Joint, type Row } from "~/core/vocabulary/rows";
import { AREAS } from "~/core/vocabulary/areas";
import { METHODS } from "~/core/vocabulary/methods";
import type { Drill } from "~/core/drills/schema";
import { newDrill } from "~/core/drills/start";
import { AREA_WORDS, PLANE_WORDS } from "~/core/wording/areas";
import { doseWords, tempoOf } from "~/core/dose/dose";
import { METHOD_WORDS } from "~/core/wording/words";
import { POSTURE_WORDS, POSTURES } from "~/core/vocabulary/postures";
import { addOwnDrill } from "~/db/own-drills";
import { listTeams } from "~/db/teams";
import { findAlike } from "~/db/session-files";
import { motionFrom } from "~/library/motions/postures";
import { UnreadableLines } from "~/app/ui/unreadable";

export const meta: Route.MetaFunction = () => [{ title: "Library · Mapset" }];

const FIRST = 60;
const STEP = 120;

export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const params = new URL(request.url).searchParams;
  const by = browseSchema.parse(Object.fromEntries([...params].filter(([, value]) => value !== "")));
  const shown = Math.min(5000, Math.max(FIRST, Number(params.get("show")) || FIRST));
  const [listed, teams] = await Promise.all([browsable(coach.club), listTeams(getServices().db, coach.club)]);
  const all = by.own === "aside" ? listed.aside : listed.drills;
  // Only groups whose kit has been said; one that is gone leaves nothing out.
  const groups = teams.filter((team) => team.setting.kit !== undefined);
  const group = groups.find((team) => team.id === by.group);
  const doable = group ? all.filter(({ doc }) => piecesThere(doc.levels.standard.kit, Math.max(1, group.athletes.length), group.setting)) : all;
  const drawn = new Set(all.filter((one) => one.drawn).map((one) => one.doc.id));
  const found = browse(doable.map((one) => one.doc), by, (drill) => readOwnId(drill.id) !== undefined, readyToSearch);
  return { unreadable: listed.unreadable, by, groups: groups.map(({ id, name }) => ({ id, name })), total: all.length, found: found.length, shown, own: listed.drills.filter((one) => readOwnId(one.doc.id)).length, aside: listed.aside.length, drills: found.slice(0, shown).map((drill) => card(drill, drawn.has(drill.id))) };
}

const newForm = z.object({ do: z.literal("new"), name: z.string().trim().min(3, "needs at least 3 characters").max(80, "has at most 80 characters"), posture: z.enum(POSTURES) });

/** Starts a drill of the coach's own, or takes one from a file. */
export async function action({ request }: Route.ActionArgs) {
  const coach = await requireCoach(request);
  const form = await readForm(request);
  if (form.get("do") === "new") {
    const read = newForm.safeParse(Object.fromEntries(form));
    if (!read.success) return data({ file: "The new drill", faults: placedFaults(read.error.issues.map((i) => ({ path: i.path.join("."), message: i.message })), undefined) }, { status: 422 });
    const { name, posture } = read.data;
    await needRoom(coach.club, "drills");
    return redirect(`/library/${ownDrillId(await addOwnDrill(getServices().db, coach.club, newDrill(name, posture, motionFrom(posture))), 1)}/edit`);
  }
  const file = form.get("file");
  if (!(file instanceof File)) return data({ file: "", faults: [{ path: "(document)", place: "the file", message: "no file was chosen" }] }, { status: 422 });
  if (file.size > LARGEST_IMPORT) return data({ file: file.name, faults: [{ path: "(file)", place: "the file", message: "is larger than 2 MB; a drill file is far smaller" }] }, { status: 422 });
  const read = readDrillText(await file.text());
  if (!read.ok) return data({ file: file.name, faults: placedFaults(read.faults.map((fault) => ({ ...fault, path: fault.path.replace(/^drill\./, "") })), undefined) }, { status: 422 });
  // A drill that says the same as one there is, is that one.
  const there = await findAlike(getServices().db, coach.club, read.value);
  if (there) return redirect(`/library/${there}`);
  await needRoom(coach.club, "drills");
  const id = await addOwnDrill(getServices().db, coach.club, read.value);
  return redirect(`/library/${ownDrillId(id, 1)}`);
}

/** What the list shows of a drill. */
function card(drill: Drill, drawn: boolean) {
  const { posture, kit, dose, main } = drill.levels.standard;
  return {
    id: drill.id, name: drill.name, own: readOwnId(drill.id) !== undefined, drawn, alternating: drill.sides === "alternating",
    line: `${METHOD_WORDS[drill.method]} · ${POSTURE_WORDS[posture]}`, dose: doseWords(dose), kit: [...new Set(kit)].map((k) => KIT_FACTS[k].words).join(", "),
    works: main.map((row) => ROW_FACTS[row].words).join(", "), tempo: tempoOf(dose),
  };
}

type Card = ReturnType<typeof card>;

export default function Library({ loaderData, actionData }: Route.ComponentProps) {
  const { by, drills, found, total, shown } = loaderData;
  const busy = useNavigation().state === "loading";
  return (
    <main id="main" className="mx-auto flex w-full max-w-[110rem] flex-1 flex-col gap-4 px-4 py-5">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="wide-type text-2xl font-semibold">Library</h1>
        <p className="text-ink-soft" role="status">
          {found === total ? `${total} drills` : `${found} of ${total} drills`}
        </p>
        <Link to="/library/sheet" className="text-sm text-ink-soft underline underline-offset-4 hover:text-ink">
          Contact sheet
        </Link>
        <div className="ml-auto flex flex-wrap gap-2">
          <MayChange>
            <ImportDrill outcome={actionData} />
            <NewDrill />
          </MayChange>
        </div>
      </div>
      <div className="grid gap-5 lg:grid-cols-[15.5rem_minmax(0,1fr)]">
        <Filters by={by} groups={loaderData.groups} own={loaderData.own} aside={loaderData.aside} />
        <section aria-label="Drills" className={cx("flex flex-col gap-4 transition-opacity", busy && "opacity-70")}>
          <UnreadableLines rows={loaderData.unreadable} />
          {drills.length === 0 ? (
            <Nothing />
          ) : (
            <ul className="grid grid-cols-[repeat(auto-fill,minmax(10.5rem,1fr))] gap-3">
              {drills.map((drill) => (
                <DrillCard key={drill.id} drill={drill} />
              ))}
            </ul>
          )}
          {found > shown && (
            <Form method="get" className="self-center">
              {Object.entries(by).filter(([, value]) => value !== undefined && value !== "").map(([name, value]) => <input key={name} type="hidden" name={name} value={String(value)} />)}
              <input type="hidden" name="show" value={shown + STEP} />
              <Button type="submit">Show {Math.min(STEP, found - shown)} more</Button>
            </Form>
          )}
        </section>
      </div>
    </main>
  );
}

const any = { value: "" as const, words: "any" };

function Filters({ by, groups, own, aside }: { by: Browse; groups: readonly { id: string; name: string }[]; own: number; aside: number }) {
  const form = useRef<HTMLFormElement>(null);
  const { send, typed } = useSearchForm(form, by);
  const changed = () => {
    // A motion of another joint than the one chosen now would leave nothing.
    const { joint, row } = Object.fromEntries(new FormData(form.current!)) as { joint: Joint | ""; row: Row | "" };
    if (joint !== "" && row !== "" && ROW_FACTS[row].joint !== joint) (form.current!.elements.namedItem("row") as HTMLSelectElement).value = "";
    send();
  };
  const rows = ROWS.filter((row) => !by.joint || ROW_FACTS[row].joint === by.joint);
  const count = Object.entries(by).filter(([name, value]) => name !== "q" && value !== undefined).length;
  const isSet = count > 0 || by.q !== "";
  const [open, setOpen] = useState(false);
  return (
    <Form ref={form} method="get" role="search" aria-label="Find drills" className="flex h-fit flex-col gap-3 rounded-lg border border-line bg-land p-3 max-lg:grid max-lg:grid-cols-2 max-sm:grid-cols-1 lg:sticky lg:top-3" onChange={changed}>
      <div className="relative max-lg:col-span-full">
        <label htmlFor="find" className="sr-only">
          Find a drill
        </label>
        <Search size={15} className="absolute top-2.5 left-2.5 text-ink-faint" aria-hidden />
        <input
          id="find" name="q" defaultValue={by.q} placeholder="Name, joint, kit, posture" className={cx(inputLook, "pl-8")} type="search" autoComplete="off"
          onChange={(event) => {
            event.stopPropagation();
            typed();
          }}
        />
      </div>
      {/* On a small screen the choices stay folded, so that the drills are in sight. */}
      <button type="button" aria-expanded={open} className="col-span-full inline-flex min-h-9 items-center gap-1.5 self-start text-sm font-medium underline underline-offset-4 lg:hidden" onClick={() => setOpen(!open)}>
        {open ? "Fewer choices" : `Narrow it down${count > 0 ? ` (${count} chosen)` : ""}`}
      </button>
      <div className={cx("contents", !open && "max-lg:*:hidden")}>
      <SelectField label="Joint" name="joint" defaultValue={by.joint ?? ""} options={[any, ...JOINTS.map((value) => ({ value, words: JOINT_WORDS[value] }))]} />
      <SelectField label="Motion" name="row" defaultValue={by.row ?? ""} options={[any, ...rows.map((value) => ({ value, words: ROW_FACTS[value].words }))]} />
      <SelectField label="Direction" name="plane" defaultValue={by.plane ?? ""} options={[any, ...PLANES.map((value) => ({ value, words: PLANE_WORDS[value] }))]} />
      <SelectField label="Method" name="method" defaultValue={by.method ?? ""} options={[any, ...METHODS.map((value) => ({ value, words: METHOD_WORDS[value] }))]} />
      <SelectField label="Posture" name="posture" defaultValue={by.posture ?? ""} options={[any, ...POSTURES.map((value) => ({ value, words: POSTURE_WORDS[value] }))]} />
      <SelectField label="Kit" name="kit" defaultValue={by.kit ?? ""} options={[any, { value: "none", words: "no kit" }, ...KIT.map((value) => ({ value, words: KIT_FACTS[value].words }))]} />
      {groups.length > 0 && <SelectField label="For the group" name="group" defaultValue={by.group ?? ""} options={[any, ...groups.map((one) => ({ value: one.id, words: one.name }))]} />}
      <SelectField label="Spare this area" name="spare" defaultValue={by.spare ?? ""} options={[{ value: "", words: "nothing to spare" }, ...AREAS.map((value) => ({ value, words: AREA_WORDS[value] }))]} />
      <SelectField
        label="A side takes at most" name="most" defaultValue={by.most === undefined ? "" : String(by.most)}
        options={[{ value: "", words: "any length" }, ...["20", "30", "45", "60", "90"].map((value) => ({ value, words: `${value} s` }))]}
      />
      {(own > 0 || aside > 0) && (
        <SelectField
          label="Whose" name="own" defaultValue={by.own ?? ""}
          options={[{ value: "", words: "mine and Mapset’s" }, { value: "own", words: `only mine (${own})` }, { value: "aside", words: `mine, put aside (${aside})` }]}
        />
      )}
      </div>
      <div className="flex items-center gap-3">
        <noscript>
          <Button type="submit">Find</Button>
        </noscript>
        {isSet && (
          <Link to="/library" className="inline-flex items-center gap-1 text-sm text-ink-soft underline underline-offset-4 hover:text-ink">
            <X size={14} aria-hidden /> Clear all
          </Link>
        )}
      </div>
    </Form>
  );
}

function DrillCard({ drill }: { drill: Card }) {
  const [looked, setLooked] = useState(false);
  return (
    <li
      className="relative flex flex-col rounded-lg border border-line bg-land hover:border-ink-faint" onPointerEnter={() => setLooked(true)} onPointerLeave={() => setLooked(false)}
      onFocus={() => setLooked(true)} onBlur={() => setLooked(false)}
    >
      {drill.drawn ? (
        <MovingStill drill={drill.id} name={drill.name} tempo={drill.tempo} alternating={drill.alternating} looked={looked} className="m-1 rounded-md" />
      ) : (
        <p className="m-1 grid aspect-square place-items-center px-4 text-center text-sm text-ink-faint">Not drawn yet</p>
      )}
      <div className="flex flex-1 flex-col gap-0.5 border-t border-line px-2.5 py-2">
        <h2 className="leading-tight font-semibold">
          <Link to={`/library/${drill.id}`} className="after:absolute after:inset-0 hover:underline">
            {drill.name}
          </Link>
        </h2>
        <p className="text-sm text-ink-soft">{drill.works}</p>
        <p className="mt-auto pt-1 text-xs text-ink-faint">
          {drill.own && <span className="font-semibold text-kelp">yours · </span>}
          {drill.line} · {drill.dose}
          {drill.kit && ` · ${drill.kit}`}
        </p>
      </div>
    </li>
  );
}

function Nothing() {
  return (
    <div className="flex flex-col items-center gap-2 rounded-lg border border-dashed border-line bg-land px-6 py-14 text-center">
      <p className="wide-type text-lg font-semibold">No drill is all of that</p>
      <p className="max-w-md text-ink-soft">Take one of the choices back, or try another word: a joint, a posture, a piece of kit.</p>
      <Link to="/library" className="font-medium underline underline-offset-4">
        Clear all
      </Link>
    </div>
  );
}
