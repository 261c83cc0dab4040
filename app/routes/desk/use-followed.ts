import { useEffect, useRef } from "react";
import type { Setting } from "~/core/documents/setting";
import { followChoices, type Choice } from "~/core/group/choices";
import { sameJson } from "~/core/same-json";
import type { Place } from "~/core/session/edits";
import { locksOf } from "~/core/session/locks";
import type { Item, Session } from "~/core/session/schema";

/** Keeps what is locked, whenever that is something else than what is kept. */
export function useLocksKept(
  session: Session,
  locked: readonly Place[],
  first: Setting["locks"],
  onSetting: (part: Partial<Setting>) => void,
): void {
  const kept = useRef(JSON.stringify(first));
  useEffect(() => {
    const locks = locksOf(session, locked);
    const text = JSON.stringify(locks);
    if (text === kept.current) return;
    kept.current = text;
    onSetting({ locks });
  }, [session, locked, onSetting]);
}

/** Keeps what is chosen for single people with their drills, wherever those go; what went with a drill comes back with it. */
export function useChoicesFollowed(
  session: Session,
  choices: readonly Choice[],
  onSetting: (part: Partial<Setting>) => void,
): void {
  const before = useRef(session);
  const gone = useRef(new WeakMap<Item, Choice[]>());
  useEffect(() => {
    const was = before.current;
    before.current = session;
    if (was === session) return;
    const now = followChoices(was, session, choices, gone.current);
    if (!sameJson(now, choices)) onSetting({ choices: now });
  }, [session, choices, onSetting]);
}
