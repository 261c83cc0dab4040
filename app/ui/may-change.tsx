import type { ReactNode } from "react";
import { useRouteLoaderData } from "react-router";
import type { loader } from "~/app/routes/coach/layout";
import { mayChange } from "~/core/club/role";

/** Shows what changes something to those who may; an assistant of the club sees the page without it. The server refuses them, too. */
export function MayChange({ children }: { children: ReactNode }) {
  const role = useRouteLoaderData<typeof loader>("routes/coach/layout")?.role;
  return role === undefined || mayChange(role) ? children : null;
}
