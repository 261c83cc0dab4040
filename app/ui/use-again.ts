import { useEffect } from "react";

/** How long after a failed try the next one is made. */
export const AGAIN_MS = 4_000;

/** While something waits for a connection it is tried again now and then, and at once when the connection is back. */
export function useAgain(waiting: boolean, again: () => unknown): void {
  useEffect(() => {
    if (!waiting) return;
    const timer = setInterval(again, AGAIN_MS);
    window.addEventListener("online", again);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", again);
    };
  }, [waiting, again]);
}
