import { CircleHelp } from "lucide-react";
import { Popover } from "radix-ui";
import type { ReactNode } from "react";

/** A small question mark beside a word that a person may hesitate at, with a few sentences behind it. */
export function Explain({ what, children }: { what: string; children: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={`What is ${what}?`}
        title={`What is ${what}?`}
        className="inline-flex size-6 items-center justify-center rounded-full align-middle text-ink-faint hover:bg-land-deep hover:text-ink print:hidden"
      >
        <CircleHelp size={15} aria-hidden />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          collisionPadding={12}
          aria-label={`What is ${what}?`}
          className="z-50 flex w-[min(24rem,calc(100vw-2rem))] flex-col gap-2 rounded-lg border border-line bg-land p-4 text-base leading-snug font-normal tracking-normal text-ink shadow-xl"
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** How far a session meets its sport profile. */
export const NeedsMet = () => (
  <Explain what="“needs met”">
    <p>
      A sport profile says how much of each motion a sport needs. For a session of this length, each motion has a share
      of the time coming to it.
    </p>
    <p>
      Needs met is how much of that the drills give. 100 % would be every motion in full, which few short sessions
      reach: two thirds is a good warm-up.
    </p>
  </Explain>
);

/** Why a session is longer than what is held and counted in it. */
export const WhyLonger = () => (
  <Explain what="in the length">
    <p>
      A session lasts longer than its holds and repetitions. Between them people watch, move, fetch kit and change
      sides.
    </p>
    <p>
      Mapset counts all of it, at the pace your group takes. Set that pace, and how long people watch first, under the
      session’s panel.
    </p>
  </Explain>
);
