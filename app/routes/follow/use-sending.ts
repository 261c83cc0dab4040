import { useCallback, useRef, useState } from "react";
import { keepRun, keepUnsent, readKept } from "./kept";
import { useAgain } from "~/app/ui/use-again";
import type { CheckIn } from "~/core/checkin/schema";

export type SendState = "open" | "sending" | "sent" | "waiting" | "refused";

/** Posts a check-in. True when the server has it, false when it will never take it; throws when it could not be reached. */
async function post(token: string, message: CheckIn): Promise<boolean> {
  const answer = await fetch(`/f/${token}/check-in`, { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(message) });
  if (answer.ok) return true;
  if (answer.status === 429 || answer.status >= 500) throw new Error("later");
  return false;
}

/**
 * Sends a check-in until it has arrived. It is kept on the device first; the run's key lets the server take it once even
 * when an answer is lost on the way and it is sent again.
 */
export function useSending(token: string) {
  const [state, setState] = useState<SendState>("open");
  const message = useRef<CheckIn>(undefined);
  const busy = useRef(false);

  const attempt = useCallback(async () => {
    if (!message.current || busy.current) return;
    busy.current = true;
    try {
      const taken = await post(token, message.current);
      message.current = undefined;
      keepUnsent(token, undefined);
      setState(taken ? "sent" : "refused");
    } catch {
      setState("waiting");
    } finally {
      busy.current = false;
    }
  }, [token]);

  const send = useCallback(
    (checkIn: CheckIn) => {
      if (message.current) return;
      message.current = checkIn;
      keepUnsent(token, checkIn);
      keepRun(token, undefined);
      setState("sending");
      void attempt();
    },
    [attempt, token],
  );

  useAgain(state === "waiting", attempt);

  return { state, send };
}

/** Sends what an earlier visit could not, when the link is opened again. */
export async function sendLeftOver(token: string): Promise<void> {
  const { unsent } = readKept(token);
  if (!unsent) return;
  try {
    await post(token, unsent);
    keepUnsent(token, undefined);
  } catch {
    // Still no connection; it stays kept.
  }
}
