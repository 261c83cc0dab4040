import { z } from "zod";
import type { Route } from "./+types/command";
import { idOf, requireMemberForData, type Coach } from "~/app/server/coach.server";
import { readMessage } from "~/app/server/forms.server";
import { reckon } from "~/app/server/live-reckon.server";
import { log, told } from "~/app/server/log";
import { getServices } from "~/app/server/services.server";
import { now } from "~/core/clock/clock";
import { comingAt, TIME_OF_DAY } from "~/core/clock/coming";
import { parseWith } from "~/core/faults";
import { apartSchema, MOST_COMMANDS, pressedSchema } from "~/core/live/commands";
import { LEVELS } from "~/core/vocabulary/levels";
import type { Club } from "~/db/clubs";
import { addApart, addCommand } from "~/db/live";
import { closeClass, noticePain, setHere, setOthers } from "~/db/live-people";

const place = z.int().min(0).max(1000);
const seen = z.int().min(0).max(MOST_COMMANDS);

const message = z.union([
  z.strictObject({ press: pressedSchema }),
  z.strictObject({ apart: apartSchema }),
  /** When it is to end, as a time of day where the club is; without a key it is only told what would go. */
  z.strictObject({
    finish: z.strictObject({
      by: z.string().regex(TIME_OF_DAY),
      use: z.boolean().optional(),
      seen,
      key: z.uuid().optional(),
    }),
  }),
  z.strictObject({
    swap: z.strictObject({
      to: z
        .strictObject({
          drill: z.string().min(1).max(80),
          level: z.enum(LEVELS),
          /** The place it was offered for: where another drill comes next by now, it is not that one that is swapped. */
          at: z.strictObject({ block: place, item: place }).optional(),
        })
        .optional(),
      seen,
      key: z.uuid().optional(),
    }),
  }),
  z.strictObject({ later: z.strictObject({ seen, key: z.uuid() }) }),
  /** Who is there: ticked from the list, or so many besides. */
  z.strictObject({ here: z.strictObject({ person: z.uuid(), here: z.boolean() }) }),
  /** That whoever leads has seen a report of pain. */
  z.strictObject({ noticed: z.strictObject({ run: z.uuid(), id: z.uuid() }) }),
  z.strictObject({ others: z.int().min(0).max(200) }),
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

/** Longer than the end of a class can be taken back. */
const CLOSE_AFTER_MS = 21_000;

async function carryOut({ club, zone }: Coach, id: string, ask: z.infer<typeof message>) {
  const { db } = getServices();
  const kept = (is: boolean) => ({ kind: is ? ("kept" as const) : ("gone" as const) });
  if ("here" in ask) return kept(await setHere(db, club, id, ask.here.person, ask.here.here));
  if ("noticed" in ask) return kept(await noticePain(db, club, id, ask.noticed.run, ask.noticed.id));
  if ("others" in ask) return kept(await setOthers(db, club, id, ask.others));
  if ("press" in ask && ask.press.command.do === "end")
    setTimeout(() => void closing(club, id), CLOSE_AFTER_MS).unref();
  if ("press" in ask) return addCommand(db, club, id, ask.press);
  if ("apart" in ask) return addApart(db, club, id, ask.apart);
  if ("later" in ask) return reckon(club, id, { ask: "later" }, ask.later);
  if ("swap" in ask) {
    const { to, ...rest } = ask.swap;
    // Without what it is to be, it is only asked what could be.
    return to ? reckon(club, id, { ask: "swap", ...to }, rest) : reckon(club, id, { ask: "ways" }, { seen: rest.seen });
  }
  const { by, use = false, ...rest } = ask.finish;
  return reckon(club, id, { ask: "finish", by: comingAt(by, zone, now()), use }, rest);
}

/** Writes down what became of a class; what is missed here, as when the server is stopped, is done by the next sweep. */
const closing = (club: Club, id: string): Promise<void> =>
  closeClass(getServices().db, club, id).then(
    () => undefined,
    (error: unknown) => log.warn(told(error), "a class could not be closed"),
  );
