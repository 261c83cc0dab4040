import type { Route } from "./+types/app-manifest";
import { openForPlayer } from "~/app/server/player.server";

/** What a phone puts beside its other programs: the session of this link, under its name. */
export async function loader({ params, context }: Route.LoaderArgs) {
  const { edition } = await openForPlayer(params.token, context.address);
  const { title } = edition.doc.session;
  const address = `/f/${params.token}`;
  const manifest = {
    id: address,
    start_url: address,
    scope: "/f/",
    name: title,
    short_name: title.slice(0, 12).trim(),
    display: "standalone",
    background_color: "#0a1620",
    theme_color: "#0a1620",
    icons: [
      { src: "/icon-192.png", sizes: "192x192", type: "image/png" },
      { src: "/icon-512.png", sizes: "512x512", type: "image/png" },
      { src: "/icon-full-512.png", sizes: "512x512", type: "image/png", purpose: "maskable" },
    ],
  };
  return new Response(JSON.stringify(manifest), {
    headers: { "content-type": "application/manifest+json", "cache-control": "no-store" },
  });
}
