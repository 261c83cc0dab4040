import { useEffect } from "react";
import { Search } from "lucide-react";
import { Link, Outlet, useFetcher } from "react-router";
import type { Route } from "./+types/layout";
import { WithPalette } from "./find-anything";
import { MeMenu } from "./me-menu";
import { Places } from "./places";
import { Unsaved } from "./unsaved";
import { requireCoach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { sendAs } from "~/app/sync/browser";
import { IconButton } from "~/app/ui/button";
import { usePalette } from "~/app/ui/palette";
import { zoneHere } from "~/core/clock/zone";
import { mayManage } from "~/core/club/role";
import { countUnseenPain } from "~/db/feedback";

export async function loader({ request }: Route.LoaderArgs) {
  const coach = await requireCoach(request);
  const { name, clubName, role, zone, zoneSaid } = coach;
  return {
    me: { coach: coach.id, club: coach.club.id },
    name,
    clubName,
    role,
    zone,
    asksZone: !zoneSaid && mayManage(role),
    pain: await countUnseenPain(getServices().db, coach.club),
  };
}

export default function CoachLayout({ loaderData }: Route.ComponentProps) {
  useZoneSaid(loaderData.asksZone);
  const { coach, club } = loaderData.me;
  useEffect(() => sendAs({ coach, club }), [coach, club]);
  return (
    <WithPalette>
      <div className="flex min-h-dvh flex-col max-sm:pb-(--bar)">
        <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-land focus:p-2">
          Skip to content
        </a>
        <header className="flex flex-wrap items-center gap-5 gap-y-1 border-b border-line-water bg-paper px-4 py-1.5 max-md:gap-2 max-md:px-3 print:hidden">
          <Link to="/today" className="wide-type flex items-center gap-2 font-semibold">
            <img src="/mark.svg" alt="" width={24} height={24} />
            <span>Mapset</span>
          </Link>
          <Places pain={loaderData.pain} />
          <div className="ml-auto flex items-center gap-1">
            <FindButton />
            <MeMenu me={loaderData.me} name={loaderData.name} clubName={loaderData.clubName} />
          </div>
        </header>
        {loaderData.role === "assistant" && (
          <aside
            aria-label="What you may do here"
            className="border-b border-line-water bg-land px-4 py-1.5 text-sm text-ink-soft print:hidden"
          >
            You are an assistant at <span className="font-medium text-ink">{loaderData.clubName}</span>: you can look at
            everything and run it. Changes are for its coaches.
          </aside>
        )}
        <Unsaved me={loaderData.me} />
        <Outlet />
      </div>
    </WithPalette>
  );
}

function FindButton() {
  const { open } = usePalette();
  return (
    <IconButton label="Find anything (G)" onClick={open}>
      <Search size={17} aria-hidden />
    </IconButton>
  );
}

/** Until a club has a time zone an owner’s browser says its own, once. */
function useZoneSaid(asked: boolean): void {
  const { submit } = useFetcher();
  useEffect(() => {
    if (asked) void submit({ do: "zone here", zone: zoneHere() }, { method: "post", action: "/club" });
  }, [asked, submit]);
}
