import { data, redirect } from "react-router";
import { z } from "zod";
import { idOf, notHere, type Coach } from "~/app/server/coach.server";
import { drillsOf } from "~/app/server/drills.server";
import { askedIn, jsonIn } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { keepSession } from "~/app/server/session-docs.server";
import { keptRequestSchema } from "~/core/draft/request";
import { parseWith, type ValidationError } from "~/core/faults";
import { readSession } from "~/core/session/read";
import { addRequest, deleteRequest, MOST_REQUESTS, saveRequest } from "~/db/draft-requests";

/** What came of it, for the page to say. */
export type Outcome = { kept: string } | { gone: true } | { faults: ValidationError[] };

const text = z.string().default("");

const asked = z.discriminatedUnion("do", [
  z.object({ do: z.literal("forget"), id: text }),
  z.object({ do: z.literal("keep"), id: text, title: text, request: text, group: text }),
  z.object({ do: z.literal("open"), session: text, group: text, demand: text }),
]);

/** Forgets a request, keeps one, or opens a draft on the desk, which goes there. */
export async function actOnDraft(coach: Coach, form: FormData) {
  const { db } = getServices();
  const ask = askedIn(form, asked);
  const groupId = ask.do !== "forget" && ask.group ? idOf(ask.group) : null;
  const answer = (outcome: Outcome, status = 200) => data(outcome, { status });
  switch (ask.do) {
    case "forget":
      if (!(await deleteRequest(db, coach.club, idOf(ask.id)))) throw notHere("There is no such request among yours.");
      return answer({ gone: true });
    case "keep": {
      const read = parseWith(keptRequestSchema, jsonIn(ask.request));
      if (!read.ok) return answer({ faults: read.faults }, 422);
      const title = ask.title.trim().slice(0, 120) || read.value.title;
      if (ask.id) {
        const id = idOf(ask.id);
        if (!(await saveRequest(db, coach.club, id, { title, doc: read.value, groupId })))
          throw notHere("There is no such request among yours.");
        return answer({ kept: id });
      }
      const id = await addRequest(db, coach.club, { title, doc: read.value, groupId });
      return id
        ? answer({ kept: id })
        : answer(
            {
              faults: [
                {
                  path: "(request)",
                  message: `was not saved: the group is not yours, or there are ${MOST_REQUESTS} requests already`,
                },
              ],
            },
            422,
          );
    }
    case "open": {
      const read = readSession(jsonIn(ask.session), await drillsOf(coach.club, ask.session));
      if (!read.ok) return answer({ faults: read.faults }, 422);
      // With what stands beside it at once, or not at all.
      throw redirect(
        `/sessions/${await keepSession(coach.club, read.value, { groupId, demandId: ask.demand.slice(0, 80) || null })}`,
      );
    }
  }
}
