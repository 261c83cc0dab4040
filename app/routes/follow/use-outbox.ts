import { useCallback, useEffect, useRef, useState } from "react";
import { now } from "~/core/clock/clock";
import { isOnlyInMemory, keep, keptOf } from "./kept";
import { useAgain } from "~/app/ui/use-again";
import type { CheckIn } from "~/core/checkin/schema";
import { withFate, withUnsent, type Unsent } from "~/core/player/kept";

/** Where a check-in is: under way, waiting for a connection or for Mapset itself, arrived, or refused for good. */
export type SendState = "sending" | "offline" | "busy" | "sent" | "refused";

/** Posts a check-in and says what became of it. */
async function post(token: string, message: CheckIn): Promise<SendState> {
  try {
    const answer = await fetch(`/f/${token}/check-in`, { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify({ ...message, run: { ...message.run, sent: now() } } satisfies CheckIn) });
    if (answer.ok) return "sent";
    return answer.status === 429 || answer.status === 408 || answer.status >= 500 ? "busy" : "refused";
  } catch {
    return "offline";
  }
}

/**
 * Check-ins on their way, of everybody on this device. Each is kept first and tried again until it has arrived; its run's
 * key lets the server take it once even when an answer is lost on the way and it is sent again.
 */
export function useOutbox(token: string) {
  const [unsent, setUnsent] = useState<Unsent[]>([]);
  const [states, setStates] = useState<Readonly<Record<string, SendState>>>({});
  const [atRisk, setAtRisk] = useState(false);
  const busy = useRef(false);

  const look = useCallback(() => {
    setUnsent(keptOf(token).unsent);
    setAtRisk(isOnlyInMemory(token));
  }, [token]);

  const attempt = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      // One after another: a room's phones share a thin connection.
      for (const { message, refused } of keptOf(token).unsent) {
        const { key } = message.run;
        if (refused) continue;
        const state = await post(token, message);
        setStates((all) => ({ ...all, [key]: state }));
        if (state === "sent") keep(token, (kept) => withFate(kept, key, "arrived"));
        else if (state === "refused") keep(token, (kept) => withFate(kept, key, "refused"));
        if (state === "offline") break;
      }
    } finally {
      busy.current = false;
      look();
    }
  }, [look, token]);

  const send = useCallback((message: CheckIn) => {
    const { key } = message.run;
    if (keptOf(token).unsent.some((one) => one.message.run.key === key)) return;
    keep(token, (kept) => withUnsent(kept, message));
    setStates((all) => ({ ...all, [key]: "sending" }));
    look();
    void attempt();
  }, [attempt, look, token]);

  const told = useCallback((key: string) => {
    keep(token, (kept) => withFate(kept, key, "told"));
    look();
  }, [look, token]);

  // What an earlier visit could not send; what this device remembers is known only in the browser.
  useEffect(() => {
    look();
    void attempt();
  }, [attempt, look]);
  const waiting = unsent.some((one) => !one.refused);
  useAgain(waiting, attempt);
  useWarning(waiting && atRisk);

  return { unsent, states, atRisk, send, told };
}

/** Asks before the page is closed while something would be lost with it. */
function useWarning(on: boolean): void {
  useEffect(() => {
    if (!on) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [on]);
}
