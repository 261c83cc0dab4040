import { useEffect } from "react";
import { useRevalidator } from "react-router";

const NEWS_EVERY_MS = 15_000;

/** While the page is in view it asks for news: a class checks in within a few minutes. */
export function useFreshNews(): void {
  const { revalidate } = useRevalidator();
  useEffect(() => {
    const ask = () => document.visibilityState === "visible" && void revalidate();
    const timer = setInterval(ask, NEWS_EVERY_MS);
    document.addEventListener("visibilitychange", ask);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", ask);
    };
  }, [revalidate]);
}
