import type { ReactNode } from "react";
import { Link } from "react-router";
import { MiniProfilePicture } from "./mini-profile";
import { clockText } from "~/core/lengths";
import type { MiniProfile } from "~/core/profile/mini";
import type { Purpose } from "~/core/session/schema";
import type { Seconds } from "~/core/units";
import { PURPOSE_WORDS } from "~/core/wording/words";

type Shown = { title: string; purpose: Purpose; totalSeconds: Seconds; profile: MiniProfile | undefined };

/** A session on one line of a short list: its profile, its name as a way to somewhere, and its length. */
export function SessionLine({ session, to, more }: { session: Shown; to: string; more?: ReactNode }) {
  const { title, purpose, totalSeconds, profile } = session;
  return (
    <li className="relative grid grid-cols-[6rem_minmax(0,1fr)_auto] items-center gap-x-3 border-b border-line/60 px-1 py-2 last:border-0 hover:bg-land-deep">
      {profile ? <MiniProfilePicture profile={profile} className="h-9 w-full" /> : <span aria-hidden />}
      <div className="min-w-0">
        <Link to={to} className="font-medium wrap-anywhere after:absolute after:inset-0 hover:underline">
          {title}
        </Link>
        <p className="text-sm text-ink-soft">
          {PURPOSE_WORDS[purpose]}
          {more && <> · {more}</>}
        </p>
      </div>
      <span className="clock-type text-xl">{clockText(totalSeconds)}</span>
    </li>
  );
}
