import { useRouteLoaderData } from "react-router";
import type { loader } from "~/app/routes/coach/layout";
import { NO_ZONE } from "~/core/clock/zone";

/** The time zone of the club that is looked at, in which days and hours are shown. */
export const useZone = (): string => useRouteLoaderData<typeof loader>("routes/coach/layout")?.zone ?? NO_ZONE;
