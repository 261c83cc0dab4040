import { createContext, useContext } from "react";
import { useRouteLoaderData } from "react-router";
import type { loader } from "~/app/routes/coach/layout";
import { NO_ZONE } from "~/core/clock/zone";

const Zone = createContext<string | undefined>(undefined);

/** Days and hours below are in this zone, where it is another than the club's. */
export const InZone = Zone.Provider;

/** The time zone of the club that is looked at, in which days and hours are shown. */
export function useZone(): string {
  const club = useRouteLoaderData<typeof loader>("routes/coach/layout")?.zone;
  return useContext(Zone) ?? club ?? NO_ZONE;
}
