import { z } from "zod";
import type { Coach } from "~/app/server/coach.server";
import { askedIn } from "~/app/server/forms.server";
import { needRoom } from "~/app/server/room.server";
import { getServices } from "~/app/server/services.server";
import { loadExample, removeExample } from "~/db/example";
import { drillById } from "~/library";

const asked = z.object({ do: z.enum(["load example", "remove example"]) });

/** Puts the example into the club, or takes it away again. Asked twice it changes nothing. */
export async function changeToday({ club }: Coach, form: FormData) {
  const { db, secret } = getServices();
  if (askedIn(form, asked).do === "remove example") await removeExample(db, club);
  else {
    await needRoom(club, "groups");
    await needRoom(club, "people", 20);
    await needRoom(club, "sessions");
    await needRoom(club, "links");
    await loadExample(db, club, { secret, drills: drillById });
  }
  return { done: true };
}
