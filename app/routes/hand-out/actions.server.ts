import { data, redirect } from "react-router";
import { z } from "zod";
import { ANYONE } from "./anyone";
import { lookOver } from "./look-over.server";
import { idOf, notHere, type Coach } from "~/app/server/coach.server";
import { drawnDrillsIn } from "~/app/server/drills.server";
import { askedIn } from "~/app/server/forms.server";
import { needRoom } from "~/app/server/room.server";
import { beginClass } from "~/app/server/start-class.server";
import { getServices } from "~/app/server/services.server";
import { makeEdition } from "~/core/edition/edition";
import { compile } from "~/core/timeline/compile";
import { handOut } from "~/db/editions";
import { withdrawLink } from "~/db/links";

/** `group`: for whom it is; empty for anyone. `whom`: for whom it was looked over; left out, for whom it is at the desk. `seen`: a hash of all that was shown. */
const asked = z.discriminatedUnion("do", [
  z.object({ do: z.literal("withdraw"), link: z.string() }),
  z.object({
    do: z.enum(["hand out", "run"]),
    group: z.string().default(""),
    whom: z.string().optional(),
    seen: z.string().default(""),
  }),
]);

const groupOf = (text: string): string | null => (text === "" ? null : idOf(text));

/** Withdraws a link, or starts a class from what was looked over, or hands the session out as it was looked over. `refused` is what is there now, where that is something else. */
export async function changeHandedOut(coach: Coach, id: string, form: FormData) {
  const { db, secret } = getServices();
  const ask = askedIn(form, asked, "hand out");
  if (ask.do === "withdraw") {
    if (!(await withdrawLink(db, coach.club, idOf(ask.link)))) throw notHere("There is no such link among yours.");
    return data({ refused: "" });
  }
  const group = groupOf(ask.group);
  const { stored, setting, groupId, bare, seen } = await lookOver(
    coach.club,
    id,
    ask.whom === undefined ? {} : { whom: groupOf(ask.whom) },
  );
  // For others than it was looked over for, it is looked over first.
  if (groupId !== group) throw redirect(`/sessions/${id}/hand-out?for=${group ?? ANYONE}`);
  if (bare.length > 0) return data({ refused: "" }, { status: 422 });
  // Looked at is looked at: whatever is otherwise now is shown again first.
  if (ask.seen !== seen) return data({ refused: seen }, { status: 409 });
  await needRoom(coach.club, "links");
  const drawn = await drawnDrillsIn(coach.club, stored.doc);
  const made = await handOut(
    db,
    coach.club,
    id,
    makeEdition(stored.doc, drawn),
    compile(stored.doc, drawn).totalSeconds,
    group,
    secret,
    { looked: { revision: stored.revision, ...setting } },
  );
  if (made === "changed") return data({ refused: seen }, { status: 409 });
  if (!made) throw notHere("There is no such group among yours.");
  if (ask.do === "run") {
    const id = await beginClass(coach.club, { editionId: made.editionId, groupId: group });
    if (!id) throw notHere("What was handed out is not there any more.");
    throw redirect(`/live/${id}`);
  }
  throw redirect(`/sessions/${id}/hand-out#editions`);
}
