import { data } from "react-router";
import { z } from "zod";
import { type Coach, idOf, notHere } from "~/app/server/coach.server";
import { askedIn } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { setNotTheirs, setRemoved, setSeen } from "~/db/runs";

const asked = z.object({
  do: z.enum(["seen", "unseen", "remove", "put back", "not theirs", "theirs"]),
  run: z.string(),
});

export type Asked = z.infer<typeof asked>["do"];

/** What a coach does with a report: has spoken to them or not yet, takes it off the list or back, says that it is not theirs or is. */
export async function changeReport(coach: Coach, form: FormData) {
  const ask = askedIn(form, asked);
  const { db } = getServices();
  const run = idOf(ask.run);
  const worked = {
    seen: () => setSeen(db, coach.club, run, true),
    unseen: () => setSeen(db, coach.club, run, false),
    remove: () => setRemoved(db, coach.club, run, true),
    "put back": () => setRemoved(db, coach.club, run, false),
    "not theirs": () => setNotTheirs(db, coach.club, run, true),
    theirs: () => setNotTheirs(db, coach.club, run, false),
  };
  if (!(await worked[ask.do]())) throw notHere("There is no such check-in among yours.");
  return data({ done: ask.do, run });
}
