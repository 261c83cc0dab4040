import { data, redirect } from "react-router";
import type { Route } from "./+types/route";
import { EnterCode } from "./enter-code";
import { Wall } from "./wall";
import { askedIn, readForm } from "~/app/server/forms.server";
import { secondsToWait, waitText } from "~/app/server/limits.server";
import { byNetwork } from "~/app/server/network";
import { openWall, shutWall, wallPage } from "~/app/server/live.server";
import { getServices } from "~/app/server/services.server";
import { keyOf } from "~/db/club-cache";
import { classOfCode } from "~/db/live";
import { z } from "zod";

export const handle = { screen: "player" };

export const meta: Route.MetaFunction = () => [{ title: "Wall · Mapset" }, { name: "robots", content: "noindex" }];

export const loader = async ({ request }: Route.LoaderArgs) => (await wallPage(request)) ?? null;

const asked = z.discriminatedUnion("do", [
  z.object({ do: z.literal("open"), code: z.string().max(40) }),
  z.object({ do: z.literal("shut") }),
]);

/** Opens this screen to a class by its code, or shuts it. A right code is never counted, wrong ones by where they come from. */
export async function action({ request, context }: Route.ActionArgs) {
  const ask = askedIn(await readForm(request), asked, "open");
  if (ask.do === "shut") throw redirect("/wall", { headers: await shutWall() });
  const { db, secret } = getServices();
  const found = await classOfCode(db, codeOf(ask.code), secret);
  if (!found) {
    const wait = await secondsToWait("wallCode", byNetwork(context.address));
    const fault =
      wait > 0
        ? `That was wrong too often from here. Try again in ${waitText(wait)}.`
        : "No class is running by this code. Look at it again on the coach’s phone: a new class has a new one.";
    return data({ fault }, { status: wait > 0 ? 429 : 404 });
  }
  const wait = await secondsToWait("joinClass", `${keyOf(found.club, found.classId)} ${byNetwork(context.address)}`);
  if (wait > 0)
    return data({ fault: `Too many screens join from here. Try again in ${waitText(wait)}.` }, { status: 429 });
  throw redirect("/wall", { headers: await openWall(found.club, found.classId, found.wallCode) });
}

/** As it is typed from across a hall: small letters, spaces, and the letter for the figure. */
const codeOf = (text: string): string =>
  text
    .toUpperCase()
    .replaceAll(/[^A-Z0-9]/g, "")
    .replaceAll("O", "0");

export default function WallRoute({ loaderData, actionData }: Route.ComponentProps) {
  return loaderData ? (
    <Wall key={loaderData.classId} classId={loaderData.classId} page={loaderData.page} fold={loaderData.fold} />
  ) : (
    <EnterCode fault={actionData?.fault} />
  );
}
