import { redirect } from "react-router";
import { z } from "zod";
import { addTo } from "./add-to.server";
import { type Coach, idOf, notHere } from "~/app/server/coach.server";
import { drawnDrill } from "~/app/server/drills.server";
import { askedIn } from "~/app/server/forms.server";
import { needRoom } from "~/app/server/room.server";
import { getServices } from "~/app/server/services.server";
import { ownDrillId, readOwnId } from "~/core/drills/own";
import { cutTo } from "~/core/fit-to-keep";
import { addOwnDrill, shelveOwnDrill } from "~/db/own-drills";

const asked = z.discriminatedUnion("do", [
  z.object({ do: z.literal("copy") }),
  z.object({ do: z.literal("aside") }),
  z.object({ do: z.literal("back") }),
  z.object({ do: z.literal("add"), session: z.string().default("") }),
]);

/** Copies a drill as one of the coach's own, to be changed; archives an own drill or offers it again; or adds it to a session. */
export async function changeDrill({ club }: Coach, id: string, form: FormData) {
  const { db } = getServices();
  const drill = await drawnDrill(club, id);
  if (!drill) throw notHere("There is no such drill.");
  const ask = askedIn(form, asked, "copy");
  switch (ask.do) {
    case "add":
      return addTo(club, drill, idOf(ask.session));
    case "aside":
    case "back": {
      const own = readOwnId(drill.id);
      if (!own || !(await shelveOwnDrill(db, club, own.drill, ask.do === "aside")))
        throw notHere("There is no such drill among yours.");
      return null;
    }
    case "copy": {
      await needRoom(club, "drills");
      const copy = await addOwnDrill(db, club, { ...drill, name: `${cutTo(drill.name, 72)}, mine` });
      return redirect(`/library/${ownDrillId(copy, 1)}/edit`);
    }
  }
}
