import type { Coach } from "./coach.server";
import { getServices } from "./services.server";
import { dayOf, type Day } from "~/core/clock/calendar";
import { listHandedOut, type HandedOut } from "~/db/handed-out";
import { tokensOfLinks } from "~/db/links";

/** What was handed out, with its day by the club's calendar, and the address to open it as an athlete does, here in the hall. */
export type ShownHandedOut = HandedOut & { day: Day; token: string | undefined };

export async function handedOutFor(
  { club, zone }: Coach,
  asked: Parameters<typeof listHandedOut>[2],
): Promise<ShownHandedOut[]> {
  const { db, secret } = getServices();
  const all = await listHandedOut(db, club, asked);
  const tokens = await tokensOfLinks(
    db,
    club,
    all.map(({ linkId }) => linkId),
    secret,
  );
  return all.map((one) => ({ ...one, day: dayOf(one.at, zone), token: tokens.get(one.linkId) }));
}
