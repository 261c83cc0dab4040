import type { Route } from "./+types/archive";
import { packArchive, throwAway, unpackArchive } from "~/app/server/archive.server";
import { requireCoachForData, requireSignedIn } from "~/app/server/coach.server";
import { fileName } from "~/core/files/file-name";
import { secondsToWait, waitText } from "~/app/server/limits.server";
import { getServices } from "~/app/server/services.server";
import { mayManage } from "~/core/club/role";
import { dayOf } from "~/core/clock/calendar";
import { now } from "~/core/clock/clock";
import { workOutOwnStresses } from "~/db/own-drills";

const OWNERS_ONLY = "Only an owner of the club can do that.";

/** Everything of the club as one file. */
export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireSignedIn(request);
  if (!mayManage(coach.role)) throw new Response(OWNERS_ONLY, { status: 403 });
  if (request.method === "HEAD") return new Response(null, { headers: { "content-type": "application/zip" } });
  const wait = await secondsToWait("archive", coach.club.id);
  if (wait > 0) throw new Response(`That is a lot of archives. Try again in ${waitText(wait)}.`, { status: 429 });
  const packed = await packArchive(coach.club);
  if (!packed)
    throw new Response("An archive is being written or read already. Try again in a minute.", { status: 429 });
  return new Response(packed.stream, {
    headers: {
      "content-type": "application/zip",
      "content-length": String(packed.bytes),
      "content-disposition": `attachment; filename="${fileName(`${coach.clubName} ${dayOf(now(), coach.zone)}`, "club")}.mapset.zip"`,
    },
  });
}

/** Reads such a file, sent as it is, into a club that has nothing in it. What is refused is taken all the same, or whoever sends it would not hear why. */
export async function action({ request }: Route.ActionArgs) {
  const answer = await take(request).catch((refused: unknown) => {
    if (refused instanceof Response) return refused;
    throw refused;
  });
  await throwAway(request.body);
  return answer;
}

async function take(request: Request): Promise<Response> {
  const coach = await requireCoachForData(request);
  if (!mayManage(coach.role)) return Response.json({ fault: OWNERS_ONLY }, { status: 403 });
  const wait = await secondsToWait("archive", coach.club.id);
  if (wait > 0)
    return Response.json({ fault: `That is a lot of archives. Try again in ${waitText(wait)}.` }, { status: 429 });
  const came = await unpackArchive(coach.club, request.body);
  if ("fault" in came) return Response.json({ fault: came.fault }, { status: came.status });
  // What its drills stress takes longer than anybody waits; until then they are nobody's answer.
  void workOutOwnStresses(getServices().db).catch(() => undefined);
  return Response.json({ counts: came.restored.counts });
}
