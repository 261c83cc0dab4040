import { useLayoutEffect } from "react";
import {
  isRouteErrorResponse,
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  useMatches,
  useRouteLoaderData,
} from "react-router";
import type { Route } from "./+types/root";
import { useNonce } from "./ui/nonce";
import { FOLLOW_SYSTEM, followSystem, readTheme, type Theme } from "./ui/theme";
import { TroublePage } from "./ui/trouble";
import "./app.css";

export function loader({ request }: Route.LoaderArgs) {
  return { themes: readTheme(request.headers.get("cookie")) };
}

export const meta: Route.MetaFunction = () => [{ title: "Mapset" }, { name: "robots", content: "noindex" }];

/** Screens say in their handle which look they start with; the player is dark by default, everything else light. */
export type ScreenHandle = { screen?: "player" };

export function Layout({ children }: { children: React.ReactNode }) {
  const nonce = useNonce();
  const data = useRouteLoaderData<typeof loader>("root");
  const isPlayer = useMatches().some((match) => (match.handle as ScreenHandle | undefined)?.screen === "player");
  const theme: Theme = isPlayer ? (data?.themes.player ?? "dark") : (data?.themes.desk ?? "light");
  useLayoutEffect(() => (isPlayer ? undefined : followSystem()), [isPlayer]);
  return (
    <html lang="en" data-theme={theme} data-screen={isPlayer ? "player" : "desk"} suppressHydrationWarning>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover" />
        {!isPlayer && data?.themes.desk === undefined && (
          <script nonce={nonce} suppressHydrationWarning dangerouslySetInnerHTML={{ __html: FOLLOW_SYSTEM }} />
        )}
        <link rel="icon" href="/mark.svg" type="image/svg+xml" />
        <Meta />
        <Links />
      </head>
      <body className="antialiased">
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function Root() {
  return <Outlet />;
}

/** A page that could not be fetched: browsers say it in words of their own, as a fault of types. */
const isUnreachable = (error: unknown): boolean =>
  error instanceof TypeError &&
  (/fetch|network|load failed/i.test(error.message) || (typeof navigator !== "undefined" && !navigator.onLine));

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  if (isRouteErrorResponse(error)) {
    const text = typeof error.data === "string" && error.data ? error.data : undefined;
    return error.status === 404 ? (
      <TroublePage
        title="There is nothing here"
        text={text ?? "The address may be mistyped, or what was here has been removed."}
      />
    ) : (
      <TroublePage
        title={error.status === 429 ? "A moment, please" : "That did not work"}
        text={text ?? "Go back and try again."}
      />
    );
  }
  if (isUnreachable(error))
    return (
      <TroublePage
        title="There is no connection"
        text="This page couldn’t be fetched. What you saved is safe, and unsaved changes are held in this browser. Try again once you’re back online."
        again
      />
    );
  return (
    <TroublePage
      title="Something went wrong"
      text="This is Mapset’s fault, not yours. What you saved is safe. Load the page again; if it happens again, tell whoever runs this Mapset."
      again
    />
  );
}
