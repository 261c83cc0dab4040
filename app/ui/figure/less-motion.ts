import { useSyncExternalStore } from "react";

const QUERY = "(prefers-reduced-motion: reduce)";

/** Whether this person asked for less motion. */
export function useLessMotion(): boolean {
  return useSyncExternalStore(
    (tell) => {
      const query = window.matchMedia(QUERY);
      query.addEventListener("change", tell);
      return () => query.removeEventListener("change", tell);
    },
    () => window.matchMedia(QUERY).matches,
    () => false,
  );
}
