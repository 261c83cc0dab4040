import { useEffect, useRef } from "react";
import type { Desk } from "./use-desk";
import type { Setting } from "~/core/documents/setting";
import { followChoices, type Choice } from "~/core/group/choices";
import { sameJson } from "~/core/same-json";
import { locksOf } from "~/core/session/locks";
import type { Item } from "~/core/session/schema";

/** Sends what is locked whenever it changes here. What came from elsewhere was sent from there. */
export function useLocksKept(
  { session, locked, came }: Pick<Desk, "session" | "locked" | "came">,
  kept: Setting["locks"],
  onSetting: (part: Partial<Setting>) => void,
): void {
  const last = useRef<{ came: number; text: string }>(undefined);
  useEffect(() => {
    const locks = locksOf(session, locked);
    const text = JSON.stringify(locks);
    const before = last.current;
    last.current = { came, text };
    if (before?.came === came && before.text !== text && !sameJson(locks, kept)) onSetting({ locks });
  }, [session, locked, came, kept, onSetting]);
}

/**
 * Keeps what is chosen for single people with their drills, wherever those go; what went with a drill comes back with it. What is
 * chosen already goes with a copy from elsewhere: whoever changed that has sent both.
 */
export function useChoicesFollowed(
  { session, came }: Pick<Desk, "session" | "came">,
  choices: readonly Choice[],
  onSetting: (part: Partial<Setting>) => void,
): void {
  const before = useRef({ session, came });
  const gone = useRef(new WeakMap<Item, Choice[]>());
  useEffect(() => {
    const was = before.current;
    before.current = { session, came };
    if (was.session === session || was.came !== came) return;
    const now = followChoices(was.session, session, choices, gone.current);
    if (!sameJson(now, choices)) onSetting({ choices: now });
  }, [session, came, choices, onSetting]);
}
