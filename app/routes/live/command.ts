import { z } from "zod";
import type { Route } from "./+types/command";
import { idOf, requireMemberForData, type Coach } from "~/app/server/coach.server";
import { readMessage } from "~/app/server/forms.server";
import { reckon } from "~/app/server/live-reckon.server";
import { getServices } from "~/app/server/services.server";
import { dayAfter, dayOf, instantOf } from "~/core/clock/calendar";
import { now } from "~/core/clock/clock";
import { parseWith } from "~/core/faults";
import { apartSchema, MOST_COMMANDS, pressedSchema } from "~/core/live/commands";
import type { EpochMs } from "~/core/units";
import { addApart, addCommand } from "~/db/live";

const seen = z.int().min(0).max(MOST_COMMANDS);
const TIME = /^([01]\d|2[0-3]):([0-5]\d)$/;

const message = z.union([
  z.strictObject({ press: pressedSchema }),
  z.strictObject({ apart: apartSchema }),
  /** When it is to end, as a time of day where the club is; without a key it is only told what would go. */
  z.strictObject({ finish: z.strictObject({ by: z.string().regex(TIME), seen, key: z.uuid().optional() }) }),
  z.strictObject({ later: z.strictObject({ seen, key: z.uuid() }) }),
]);

/** Two hundred presses without a connection. */
const LARGEST = 60_000;

/** What is done to a class by whoever leads it: a coach, or an assistant. */
export async function action({ request, params }: Route.ActionArgs) {
  const coach = await requireMemberForData(request);
  const read = parseWith(message, await readMessage(request, LARGEST));
  if (!read.ok) return Response.json({ kind: "refused", faults: read.faults }, { status: 422 });
  const answer = await carryOut(coach, idOf(params.class), read.value);
  return Response.json(answer, { status: answer.kind === "gone" ? 404 : 200 });
}

function carryOut({ club, zone }: Coach, id: string, ask: z.infer<typeof message>) {
  const { db } = getServices();
  if ("press" in ask) return addCommand(db, club, id, ask.press);
  if ("apart" in ask) return addApart(db, club, id, ask.apart);
  if ("later" in ask) return reckon(club, id, { later: true, ...ask.later });
  const { by, ...rest } = ask.finish;
  return reckon(club, id, { finishBy: comingAt(by, zone), ...rest });
}

const HALF_DAY_MS = 12 * 3_600_000;

/** The next time the clocks of a zone show a time; one that has passed within half a day has passed. */
function comingAt(text: string, zone: string): EpochMs {
  const [, hours, minutes] = TIME.exec(text)!;
  const today = dayOf(now(), zone);
  const at = instantOf(today, Number(hours), Number(minutes), zone).getTime();
  return at >= now() - HALF_DAY_MS ? at : instantOf(dayAfter(today, 1), Number(hours), Number(minutes), zone).getTime();
}
