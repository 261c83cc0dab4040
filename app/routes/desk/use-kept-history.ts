import { useEffect, useRef } from "react";
import { keepHistory, readHistory } from "~/core/session/kept-history";
import { sessionSchema, type Session } from "~/core/session/schema";
import type { Desk } from "./use-desk";

const key = (id: string) => `mapset-undo-${id}`;
const KEEP_MS = 400;

/** Storage may be full or switched off; then what was done can be undone until the desk is left. */
function quietly<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch {
    return undefined;
  }
}

/** What can be undone is there again after leaving the desk and coming back, in this tab, where the session is as it was. */
export function useKeptHistory(id: string, desk: Desk): void {
  const { history, restore } = desk;
  const first = useRef(history.present);
  useEffect(() => {
    const text = quietly(() => sessionStorage.getItem(key(id)));
    const kept = text ? readHistory<Session>(text, first.current, (value) => sessionSchema.safeParse(value).data) : undefined;
    if (kept) restore(kept);
  }, [id, restore]);
  const latest = useRef(history);
  useEffect(() => {
    latest.current = history;
    const timer = setTimeout(() => keep(id, latest.current), KEEP_MS);
    return () => clearTimeout(timer);
  }, [id, history]);
  // Whoever leaves at once has it kept, too.
  useEffect(() => {
    const now = () => keep(id, latest.current);
    window.addEventListener("pagehide", now);
    return () => {
      window.removeEventListener("pagehide", now);
      now();
    };
  }, [id]);
}

function keep(id: string, history: Desk["history"]): void {
  const text = keepHistory(history);
  if (text === undefined) return;
  if (quietly(() => (sessionStorage.setItem(key(id), text), true))) return;
  // No room: what is kept of other sessions gives way.
  quietly(() => {
    for (const name of Object.keys(sessionStorage)) if (name.startsWith("mapset-undo-")) sessionStorage.removeItem(name);
    sessionStorage.setItem(key(id), text);
  });
}
