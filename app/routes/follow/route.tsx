import { isRouteErrorResponse } from "react-router";
import type { Route } from "./+types/route";
import { playerData } from "./data.server";
import { Player } from "./player";
import { TroublePage } from "~/app/ui/trouble";

export const handle = { screen: "player" };

export const meta: Route.MetaFunction = ({ loaderData, params }) => [
  { title: loaderData ? loaderData.edition.session.title : "Mapset" },
  { name: "robots", content: "noindex, nofollow" },
  { name: "theme-color", content: "#0a1620" },
  // It can be put beside the other programs of a phone, and opens there by itself. A link that does not open is asked for once.
  ...(loaderData ? [{ tagName: "link", rel: "manifest", href: `/f/${params.token}/app.webmanifest` }] : []),
  { tagName: "link", rel: "apple-touch-icon", href: "/icon-192.png" },
];

export const loader = ({ request, params, context }: Route.LoaderArgs) => playerData(request, params.token, context);

/** A run must not change under someone who is following it. */
export const shouldRevalidate = () => false;

export default function Follow({ loaderData }: Route.ComponentProps) {
  return <Player {...loaderData} />;
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const text =
    isRouteErrorResponse(error) && typeof error.data === "string"
      ? error.data
      : "Load the page again. If that does not help, tell your coach.";
  return (
    <TroublePage
      title={isRouteErrorResponse(error) ? "This link does not open" : "Something went wrong"}
      text={text}
      home={false}
    />
  );
}
