import { data, Link, redirect, useSubmit, useNavigation } from "react-router";
import type { Route } from "./+types/route";
import { aboutSchema } from "./about";
import { AddDrill } from "../desk/add-drill";
import { requireCoach } from "~/app/server/coach.server";
import { drillsOf } from "~/app/server/drills.server";
import { fieldText, readForm } from "~/app/server/forms.server";
import { keepSession } from "~/app/server/session-docs.server";
import { getServices } from "~/app/server/services.server";
import { useOwnDrills } from "~/app/ui/own-drills";
import type { Drill } from "~/core/drills/schema";
import { newSession, itemOf } from "~/core/session/start";
import { clockText } from "~/core/lengths";
import { PURPOSE_WORDS } from "~/core/wording/words";
import { listGroups } from "~/db/groups";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.title ?? "New session"} · Mapset` },
];

/** A session that has no drills yet is in its address only: the first drill makes it. */
export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const asked = new URL(request.url).searchParams;
  const read = aboutSchema.safeParse({
    title: asked.get("title") ?? "",
    purpose: asked.get("purpose") ?? "before-training",
    target: asked.get("target") ?? "",
    groupId: asked.get("group") ?? "",
  });
  if (!read.success) throw redirect("/sessions?new");
  const { db } = getServices();
  const groups = await listGroups(db, coach.club);
  return { ...read.data, group: groups.find((one) => one.id === read.data.groupId)?.group };
}

export async function action({ request }: Route.ActionArgs) {
  const coach = await requireCoach(request);
  const form = await readForm(request);
  const field = (name: string) => fieldText(form, name);
  const read = aboutSchema.safeParse({
    title: field("title"),
    purpose: field("purpose"),
    target: field("target"),
    groupId: field("groupId"),
  });
  if (!read.success) throw redirect("/sessions?new");
  const id = field("drill").slice(0, 80);
  const drill = (await drillsOf(coach.club, id))(id);
  if (!drill) return data({ fault: "That drill is not there any more. Choose another." }, { status: 422 });
  const { groupId, ...about } = read.data;
  const doc = newSession(about, [
    { title: "", rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items: [itemOf(drill)] },
  ]);
  throw redirect(`/sessions/${await keepSession(coach.club, doc, { groupId: groupId || null })}#add`);
}

const NONE: readonly Drill[] = [];

/** Looks like the desk, with its list of drills to add open: the session is there with the first of them. */
export default function NewSession({ loaderData, actionData }: Route.ComponentProps) {
  const { title, purpose, target, group, groupId } = loaderData;
  const own = useOwnDrills(NONE);
  const submit = useSubmit();
  const busy = useNavigation().state !== "idle";
  const about = { title, purpose, target: target === undefined ? "" : clockText(target), groupId };
  return (
    <main id="main" className="flex flex-1 flex-col">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1 border-b border-line-water bg-paper px-4 py-2">
        <div className="min-w-52 flex-1">
          <h1 className="wide-type px-1 leading-snug wrap-anywhere text-xl font-semibold">{title}</h1>
          <p className="px-1 text-sm text-ink-soft">
            {PURPOSE_WORDS[purpose]} · {group ? group.name : "for anyone"} ·{" "}
            <Link to="/sessions" className="underline underline-offset-2">
              cancel
            </Link>
          </p>
        </div>
        <p className="flex items-baseline gap-2.5">
          <span className="clock-type text-4xl leading-none">0:00</span>
          <span className="text-sm text-ink-soft">
            {target === undefined ? "no target length" : `of ${clockText(target)}`}
          </span>
        </p>
      </div>
      <section aria-label="Drills" className="mx-auto w-full max-w-4xl flex-1 px-4 py-5">
        <p className="mb-3 text-ink-soft">
          Search for the first drill by what you call it: a muscle, a joint, a shape, kit. Enter adds it and makes the
          session.
        </p>
        {actionData?.fault && (
          <p role="alert" className="mb-3 font-medium text-plum">
            {actionData.fault}
          </p>
        )}
        <div className="overflow-hidden rounded-lg border border-line">
          <AddDrill
            own={own.offered}
            ownState={own.state}
            after={undefined}
            group={group}
            items={0}
            blocks={0}
            opened
            tall
            onAdd={(drill) => !busy && void submit({ ...about, drill: drill.id }, { method: "post" })}
          />
        </div>
      </section>
    </main>
  );
}
