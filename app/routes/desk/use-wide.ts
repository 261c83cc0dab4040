import { useSyncExternalStore } from "react";

/** Wide enough to keep the ranges in sight between the list and the rest. */
const WIDE = "(min-width: 1700px)";
const watchWide = (tell: () => void) => {
  const query = window.matchMedia(WIDE);
  query.addEventListener("change", tell);
  return () => query.removeEventListener("change", tell);
};
export const useWide = () =>
  useSyncExternalStore(
    watchWide,
    () => window.matchMedia(WIDE).matches,
    () => false,
  );
