import { useCallback, useEffect, useState } from "react";
import type { Running } from "./class";

/** So often a phone that is not in a class asks whether there is one. */
const ASK_EVERY_MS = 20_000;

/** Whether the class of a link is running, and joining it. `prepare` fetches what a class takes: as soon as there is one, and before it is joined. */
export function useRunning(token: string, asks: boolean, prepare: () => Promise<unknown>) {
  const [id, setId] = useState<string>();
  const [answered, setAnswered] = useState(false);
  const [joined, setJoined] = useState<Running>();
  const [fault, setFault] = useState<string>();

  useEffect(() => {
    if (!asks) return;
    let over = false;
    const ask = async () => {
      if (document.visibilityState !== "visible") return;
      try {
        const answer = await fetch(`/f/${token}/class`);
        if (!answer.ok || over) return;
        setId(((await answer.json()) as { running: { id: string } | null }).running?.id);
        setAnswered(true);
      } catch {
        // Without a connection there is no class to join.
      }
    };
    void ask();
    const timer = setInterval(() => void ask(), ASK_EVERY_MS);
    document.addEventListener("visibilitychange", ask);
    return () => {
      over = true;
      clearInterval(timer);
      document.removeEventListener("visibilitychange", ask);
    };
  }, [token, asks]);

  const there = id !== undefined;
  useEffect(() => {
    if (there) prepare().catch(() => undefined);
  }, [there, prepare]);

  const join = useCallback(
    async (athlete: string | null) => {
      setFault(undefined);
      try {
        const answer = await fetch(`/f/${token}/class`, {
          method: "POST",
          headers: { "content-type": "application/json" },
          body: JSON.stringify({ class: id, athlete }),
        });
        if (answer.ok) {
          const found = (await answer.json()) as Running;
          await prepare();
          setJoined(found);
        } else if (answer.status === 429) setFault("Too many join from here at once. Try again in a moment.");
        else {
          setId(undefined);
          setFault("The class has ended meanwhile.");
        }
      } catch {
        setFault("The class can’t be reached just now. Try again, or follow on your own.");
      }
    },
    [id, token, prepare],
  );
  const leave = useCallback(() => {
    setJoined(undefined);
    setAnswered(false);
  }, []);
  return { running: id, /** Whether it is known which class runs, if any. */ answered, joined, fault, join, leave };
}
