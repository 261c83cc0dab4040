import { useEffect, useRef } from "react";
import { keepHistory, readHistory } from "~/core/session/kept-history";
import { sessionSchema, type SessionPlan } from "~/core/session/schema";
import { keepUndo, readUndo } from "./undo-storage";
import type { Desk } from "./use-desk";
import type { Ensure } from "~/app/ui/own-drills";

const KEEP_MS = 400;

/** What can be undone is there again after leaving the desk and coming back, in this tab, where the session is as it was. */
export function useKeptHistory(id: string, desk: Desk, ensure: Ensure): void {
  const { history, restore } = desk;
  const first = useRef(history.present);
  useEffect(() => {
    const text = readUndo(id);
    const kept = text
      ? readHistory<SessionPlan>(text, first.current, (value) => sessionSchema.safeParse(value).data)
      : undefined;
    if (!kept) return;
    const known = ensure(text);
    if (known === true) restore(kept);
    else void known.then((all) => all && restore(kept)).catch(() => undefined);
  }, [id, restore, ensure]);
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
  if (text !== undefined) keepUndo(id, text);
}
