import { Dumbbell, ListChecks, Sun, UsersRound } from "lucide-react";
import type { ReactNode } from "react";
import { Link, useLocation } from "react-router";
import { cx } from "~/app/ui/classes";

/** The four places, and which addresses are inside each. */
const PLACES = [
  { to: "/today", words: "Today", icon: Sun, inside: /^\/(today|feedback)(\/|$)/ },
  { to: "/sessions", words: "Sessions", icon: ListChecks, inside: /^\/sessions(\/|$)/ },
  { to: "/library", words: "Library", icon: Dumbbell, inside: /^\/library(\/|$)/ },
  { to: "/groups", words: "Groups", icon: UsersRound, inside: /^\/groups(\/|$)/ },
] as const;

/** The way to the four places: beside the name on a wide screen, a bar at the bottom of a phone. */
export function Places({ pain }: { pain: number }) {
  const { pathname } = useLocation();
  return (
    <nav
      aria-label="Main"
      className="flex gap-1 max-sm:fixed max-sm:inset-x-0 max-sm:bottom-0 max-sm:z-30 max-sm:h-(--bar) max-sm:gap-0 max-sm:border-t max-sm:border-line-water max-sm:bg-paper max-sm:pb-[env(safe-area-inset-bottom)]"
    >
      {PLACES.map(({ to, words, icon: Icon, inside }) => (
        <Link
          key={to}
          to={to}
          aria-current={pathname === to ? "page" : inside.test(pathname) ? "true" : undefined}
          className={cx(
            "inline-flex items-center gap-1.5 rounded-md px-2.5 py-1.5 font-medium whitespace-nowrap max-sm:flex-1 max-sm:flex-col max-sm:justify-center max-sm:gap-0 max-sm:rounded-none max-sm:px-1 max-sm:py-0 max-sm:text-xs",
            inside.test(pathname)
              ? "bg-land text-ink shadow-[inset_0_-2px_0_var(--depth-5)] max-sm:shadow-[inset_0_2px_0_var(--depth-5)]"
              : "text-ink-soft hover:bg-land-deep hover:text-ink",
          )}
        >
          <Icon size={19} aria-hidden className="sm:hidden" />
          <span className="inline-flex items-center">
            {words}
            {to === "/today" && pain > 0 && <Pain count={pain} />}
          </span>
        </Link>
      ))}
    </nav>
  );
}

function Pain({ count }: { count: number }): ReactNode {
  return (
    <span
      className="ml-1.5 rounded-full bg-plum px-1.5 text-xs font-semibold text-land"
      title={count === 1 ? "1 report of pain" : `${count} reports of pain`}
    >
      {count}
      <span className="sr-only"> {count === 1 ? "report of pain" : "reports of pain"}</span>
    </span>
  );
}
