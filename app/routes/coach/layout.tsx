import { useEffect } from "react";
import { CircleUser, SunMoon } from "lucide-react";
import { Link, NavLink, Outlet, useFetcher } from "react-router";
import type { Route } from "./+types/layout";
import { SignOut } from "./sign-out";
import { Unsaved } from "./unsaved";
import { requireCoach } from "~/app/server/coach.server";
import { getServices } from "~/app/server/services.server";
import { cx } from "~/app/ui/classes";
import { IconButton } from "~/app/ui/button";
import { sendAs } from "~/app/sync/browser";
import { switchTheme } from "~/app/ui/theme";
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
    <div className="flex min-h-dvh flex-col">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-50 focus:bg-land focus:p-2">
        Go to the main part
      </a>
      <header className="flex print:hidden flex-wrap items-center gap-5 gap-y-1 border-b border-line-water bg-paper px-4 py-1.5 max-md:gap-2 max-md:px-3">
        <p className="wide-type flex items-center gap-2 font-semibold">
          <img src="/mark.svg" alt="" width={24} height={24} />
          <span>Mapset</span>
        </p>
        <nav
          aria-label="Main"
          className="flex gap-1 max-sm:gap-0 max-sm:order-last max-sm:-mx-1 max-sm:w-full max-sm:justify-between"
        >
          <NavEntry to="/sessions">Sessions</NavEntry>
          <NavEntry to="/sessions/draft">Draft</NavEntry>
          <NavEntry to="/library">Library</NavEntry>
          <NavEntry to="/library/profiles">Demands</NavEntry>
          <NavEntry to="/feedback">
            Heard back
            {loaderData.pain > 0 && (
              <span
                className="ml-1.5 rounded-full bg-plum px-1.5 text-xs font-semibold text-land"
                title={`${loaderData.pain} told of pain`}
              >
                {loaderData.pain}
                <span className="sr-only"> told of pain</span>
              </span>
            )}
          </NavEntry>
          <NavEntry to="/groups">Groups</NavEntry>
        </nav>
        <Link
          to="/account"
          title="Your account"
          className="ml-auto inline-flex min-h-8 min-w-8 items-center justify-center gap-1.5 truncate rounded-md px-2 text-sm text-ink-soft hover:bg-land-deep hover:text-ink"
        >
          <CircleUser size={17} aria-hidden className="shrink-0" />
          <span className="max-w-48 truncate max-md:sr-only">{loaderData.name}</span>
          <span className="sr-only">, your account</span>
        </Link>
        <div className="flex gap-1">
          <IconButton label="Light or dark" onClick={() => switchTheme("desk")}>
            <SunMoon size={17} aria-hidden />
          </IconButton>
          <SignOut me={loaderData.me} />
        </div>
      </header>
      {loaderData.role === "assistant" && (
        <p className="border-b border-line-water bg-land px-4 py-1.5 text-sm text-ink-soft print:hidden">
          You are an assistant at <span className="font-medium text-ink">{loaderData.clubName}</span>: you can look at
          everything and run it. Changes are for its coaches.
        </p>
      )}
      <Unsaved me={loaderData.me} />
      <Outlet />
    </div>
  );
}

/** Until a club has a time zone an owner’s browser says its own, once. */
function useZoneSaid(asked: boolean): void {
  const { submit } = useFetcher();
  useEffect(() => {
    if (asked) void submit({ do: "zone here", zone: zoneHere() }, { method: "post", action: "/club" });
  }, [asked, submit]);
}

function NavEntry({ to, children }: { to: string; children: React.ReactNode }) {
  return (
    <NavLink
      to={to}
      className={({ isActive }) =>
        cx(
          "inline-flex items-center rounded-md px-2.5 py-1.5 font-medium whitespace-nowrap max-sm:px-1 max-sm:text-[0.82rem]",
          isActive
            ? "bg-land text-ink shadow-[inset_0_-2px_0_var(--depth-5)]"
            : "text-ink-soft hover:bg-land-deep hover:text-ink",
        )
      }
    >
      {children}
    </NavLink>
  );
}
