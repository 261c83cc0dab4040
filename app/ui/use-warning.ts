import { useEffect } from "react";

/** Asks before the page is closed while something would be lost with it. */
export function useWarning(on: boolean): void {
  useEffect(() => {
    if (!on) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [on]);
}
