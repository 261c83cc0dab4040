import { data, redirect } from "react-router";
import type { Route } from "./+types/route";
import { DraftView } from "./draft-view";
import { beginning } from "./beginning.server";
import { idOf, notHere, requireCoach } from "~/app/server/coach.server";
import { drillsNamed, drillsOf } from "~/app/server/drills.server";
import { fieldText, readForm } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { keepSession } from "~/app/server/session-docs.server";
import { keptRequestSchema } from "~/core/draft/request";
import { readSession } from "~/core/session/read";
import { parseWith, type Fault } from "~/core/faults";
import { addRequest, deleteRequest, listRequests, MOST_REQUESTS, saveRequest } from "~/db/draft-requests";
import { listDemands } from "~/db/demands";
import { lastByTeam } from "~/db/sessions";
import { listGroups } from "~/db/teams";
import { demandById } from "~/library/demands";
import { listUnreadable } from "~/db/unreadable";

export const meta: Route.MetaFunction = () => [{ title: "Draft · Mapset" }];

export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const { db } = getServices();
  const [groups, ownDemands, kept, before, unreadable] = await Promise.all([listGroups(db, coach.club), listDemands(db, coach.club), listRequests(db, coach.club), lastByTeam(db, coach.club), listUnreadable(db, coach.club, "request")]);
  const known = (id: string | undefined) => id !== undefined && (demandById(id) !== undefined || ownDemands.some((d) => d.id === id));
  // A profile that was asked by last may be gone since.
  const lasts = before.map((last) => (known(last.demand) ? last : { ...last, demand: undefined }));
  const begun = await beginning(coach.club, new URL(request.url).searchParams, groups, lasts, known);
  return {
    // The coach's other drills are fetched by the page once it is there.
    ...begun, coachId: coach.id, groups, lasts, used: await drillsNamed(coach.club, begun.request), ownDemands: ownDemands.map(({ row: _, ...demand }) => demand),
    kept: kept.filter(({ id }) => !unreadable.some((one) => one.id === id)).map(({ id, title }) => ({ id, title })), unreadable,
  };
}

type Outcome = { kept: string } | { gone: true } | { faults: Fault[] };

export async function action({ request }: Route.ActionArgs) {
  const coach = await requireCoach(request);
  const { db } = getServices();
  const form = await readForm(request);
  const field = (name: string) => fieldText(form, name);
  const teamId = field("team") ? idOf(field("team")) : null;
  const answer = (outcome: Outcome, status = 200) => data(outcome, { status });
  switch (form.get("do")) {
    case "forget":
      if (!(await deleteRequest(db, coach.club, idOf(field("id"))))) throw notHere("There is no such request among yours.");
      return answer({ gone: true });
    case "keep": {
      const read = parseWith(keptRequestSchema, json(field("request")));
      if (!read.ok) return answer({ faults: read.faults }, 422);
      const title = field("title").trim().slice(0, 120) || read.value.title;
      if (field("id")) {
        const id = idOf(field("id"));
        if (!(await saveRequest(db, coach.club, id, { title, doc: read.value, teamId }))) throw notHere("There is no such request among yours.");
        return answer({ kept: id });
      }
      const id = await addRequest(db, coach.club, { title, doc: read.value, teamId });
      return id ? answer({ kept: id }) : answer({ faults: [{ path: "(request)", message: `was not kept: the group is not yours, or there are ${MOST_REQUESTS} requests already` }] }, 422);
    }
    case "open": {
      const read = readSession(json(field("session")), await drillsOf(coach.club, field("session")));
      if (!read.ok) return answer({ faults: read.faults }, 422);
      // With what stands beside it at once, or not at all.
      throw redirect(`/sessions/${await keepSession(coach.club, read.value, { teamId, demandId: field("demand").slice(0, 80) || null })}`);
    }
    default:
      return answer({ faults: [{ path: "do", message: "is nothing that can be done here" }] }, 400);
  }
}

function json(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** The page holds what is being asked; only going to another beginning fetches it anew. */
export const shouldRevalidate = ({ currentUrl, nextUrl, formMethod }: { currentUrl: URL; nextUrl: URL; formMethod?: string }) => formMethod !== undefined || currentUrl.href !== nextUrl.href;

export default function DraftRoute({ loaderData }: Route.ComponentProps) {
  return <DraftView key={loaderData.begun} {...loaderData} />;
}
