import { data, redirect } from "react-router";
import { idOf, notHere, type Coach } from "~/app/server/coach.server";
import { drillsOf } from "~/app/server/drills.server";
import { fieldText } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { keepSession } from "~/app/server/session-docs.server";
import { keptRequestSchema } from "~/core/draft/request";
import { parseWith, type Fault } from "~/core/faults";
import { readSession } from "~/core/session/read";
import { addRequest, deleteRequest, MOST_REQUESTS, saveRequest } from "~/db/draft-requests";

/** What came of it, for the page to say. */
export type Outcome = { kept: string } | { gone: true } | { faults: Fault[] };

/** Forgets a request, keeps one, or opens a draft on the desk, which goes there. */
export async function actOnDraft(coach: Coach, form: FormData) {
  const { db } = getServices();
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
