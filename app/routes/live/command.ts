import { z } from "zod";
import type { Route } from "./+types/command";
import { idOf, requireMemberForData } from "~/app/server/coach.server";
import { readMessage } from "~/app/server/forms.server";
import { getServices } from "~/app/server/services.server";
import { apartSchema, pressedSchema } from "~/core/live/commands";
import { parseWith } from "~/core/faults";
import { addApart, addCommand } from "~/db/live";

const message = z.union([z.strictObject({ press: pressedSchema }), z.strictObject({ apart: apartSchema })]);

/** Two hundred presses without a connection. */
const LARGEST = 60_000;

/** What is done to a class by whoever leads it: a coach, or an assistant. */
export async function action({ request, params }: Route.ActionArgs) {
  const coach = await requireMemberForData(request);
  const read = parseWith(message, await readMessage(request, LARGEST));
  if (!read.ok) return Response.json({ kind: "refused", faults: read.faults }, { status: 422 });
  const { db } = getServices();
  const id = idOf(params.class);
  const added =
    "press" in read.value
      ? await addCommand(db, coach.club, id, read.value.press)
      : await addApart(db, coach.club, id, read.value.apart);
  return Response.json(added, { status: added.kind === "gone" ? 404 : 200 });
}
