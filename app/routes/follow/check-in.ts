import type { Route } from "./+types/check-in";
import { readReport } from "~/app/server/player.server";
import { drawnDrill } from "~/app/server/drills.server";
import { getServices } from "~/app/server/services.server";
import { checkInSchema, type CheckIn } from "~/core/checkin/schema";
import { painPlaceIn, type PainPlace } from "~/core/checkin/pain-place";
import { editionOf, type LinkFound } from "~/db/links";
import { findClass } from "~/db/live";
import { tellPeople } from "~/db/live-people";
import { keepCheckIn } from "~/db/runs";
import { drillById } from "~/library";

/** A check-in. Sent again after a dropped connection it is recognised by its run's key and kept once. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const { opened, message, fold } = await readReport(
    request,
    params.token,
    context.address,
    checkInSchema,
    (checkIn) => checkIn.run.key,
  );
  const painPlaces = message.pain ? await placesOf(opened, message) : new Map<string, PainPlace>();
  const first = await keepCheckIn(getServices().db, opened, message, { fold, painPlaces });
  if (message.pain && message.run.inClass) await tellPeople(getServices().db, opened.club, message.run.inClass);
  // Far beyond what a link brings, what tells of no pain has no room: the device keeps it and says so.
  return first === undefined
    ? Response.json({ kind: "wait" }, { status: 429 })
    : Response.json({ kind: "kept", first });
}

/** Of each thing that hurt the drill it hurt in, as what was followed has it. Whatever goes wrong with that, the report counts. */
async function placesOf(opened: LinkFound, { pains, painAt, run }: CheckIn): Promise<Map<string, PainPlace>> {
  const { db } = getServices();
  const { club } = opened;
  // Pages of before told of one, without a key.
  const told = pains?.length ? pains : [{ key: "", at: painAt ?? null }];
  const { inClass } = run;
  const places = new Map<string, PainPlace>();
  if (!told.some(({ at }) => at)) return places;
  try {
    // A class may be run from another edition than the link’s.
    const running = inClass ? await findClass(db, club, inClass) : undefined;
    const edition = await editionOf(db, running ? { club, edition: { id: running.editionId } } : opened);
    const drills = new Map(edition.drills.map((drill) => [drill.id, drill]));
    for (const { key, at } of told) {
      if (!at) continue;
      // What was done instead, or swapped in, may be the club’s own and in no edition.
      const own = drills.has(at.drill) || drillById(at.drill) ? undefined : await drawnDrill(club, at.drill);
      const place = painPlaceIn(
        at,
        edition.session,
        (id) => drills.get(id),
        (id) => (drills.get(id) ?? drillById(id) ?? (own?.id === id ? own : undefined))?.name,
      );
      if (place) places.set(key, place);
    }
  } catch {
    // What is known of them by now is kept.
  }
  return places;
}
