import { isRouteErrorResponse } from "react-router";
import type { Route } from "./+types/route";
import { Player } from "./player";
import { openForPlayer } from "~/app/server/player.server";
import { TO_KEEP } from "~/app/sync/kept-pages";
import { TroublePage } from "~/app/ui/trouble";
import { kitList } from "~/core/coverage/kit-list";
import { mainJoints } from "~/core/coverage/joints";
import { cautionsOf, editionDrills, withoutNotes } from "~/core/edition/edition";
import { miniProfile } from "~/core/profile/mini";
import { profileOf } from "~/core/profile/profile";
import { compile } from "~/core/timeline/compile";

export const handle = { screen: "player" };

export const meta: Route.MetaFunction = ({ loaderData, params }) => [
  { title: loaderData ? loaderData.edition.session.title : "Mapset" },
  { name: "robots", content: "noindex, nofollow" },
  { name: "theme-color", content: "#0a1620" },
  // It can be put beside the other programs of a phone, and opens there by itself. A link that does not open is asked for once.
  ...(loaderData ? [{ tagName: "link", rel: "manifest", href: `/f/${params.token}/app.webmanifest` }] : []),
  { tagName: "link", rel: "apple-touch-icon", href: "/icon-192.png" },
];

export async function loader({ request, params, context }: Route.LoaderArgs) {
  const opened = await openForPlayer(params.token, context.address, !request.url.includes(".data") && !request.headers.has(TO_KEEP));
  const { session } = opened.edition.doc;
  const drills = editionDrills(opened.edition.doc);
  const timeline = compile(session, drills);
  return {
    token: params.token,
    // Editions handed out before their notes stayed behind never change.
    edition: { ...opened.edition.doc, session: withoutNotes(session) },
    number: opened.edition.number,
    team: opened.coachLabel,
    people: opened.athletes,
    totalSeconds: timeline.totalSeconds,
    kit: kitList(session, drills),
    cautions: cautionsOf(opened.edition.doc),
    joints: mainJoints(session, timeline, drills, 2),
    profile: miniProfile(profileOf(session, timeline), 360, 48),
  };
}

/** A run must not change under someone who is following it. */
export const shouldRevalidate = () => false;

export default function Follow({ loaderData }: Route.ComponentProps) {
  return <Player {...loaderData} />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const text = isRouteErrorResponse(error) && typeof error.data === "string" ? error.data : "Load the page again. If that does not help, tell your coach.";
  return <TroublePage title={isRouteErrorResponse(error) ? "This link does not open" : "Something went wrong"} text={text} home={false} />;
}
