import { useEffect } from "react";

/** Keeps the screen on while something is followed; asks again when the page comes back into view. */
export function useStayAwake(on: boolean): void {
  useEffect(() => {
    if (!on || !("wakeLock" in navigator)) return;
    let lock: WakeLockSentinel | undefined;
    let over = false;
    const ask = async () => {
      if (document.visibilityState !== "visible" || over) return;
      try {
        lock = await navigator.wakeLock.request("screen");
        if (over) void lock.release();
      } catch {
        // Refused, as on low battery: the run goes on, the screen may darken.
      }
    };
    void ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      over = true;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release().catch(() => undefined);
    };
  }, [on]);
}
