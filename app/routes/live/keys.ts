import { useEffect, useRef } from "react";

export const KEYS = [
  { keys: "Space", does: "Hold, or go on" },
  { keys: "→ or Page Down", does: "Next" },
  { keys: "← or Page Up", does: "Back" },
  { keys: "+", does: "15 seconds more" },
  { keys: "B or .", does: "Hold, as a clicker’s black-screen key does" },
  { keys: "?", does: "These keys" },
] as const;

type Done = Record<"go" | "next" | "back" | "more" | "help", () => void>;

/** Keys of a laptop, and those of an ordinary presenter’s clicker, with which a coach can walk about. */
export function useLeadingKeys(done: Done): void {
  const latest = useRef(done);
  useEffect(() => {
    latest.current = done;
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
      const { target } = event;
      if (!(target instanceof HTMLElement) || target.closest("input, textarea, select, [role=dialog]")) return;
      const what = BY_KEY[event.key];
      if (!what) return;
      // The space bar on a button is that button’s.
      if (event.key === " " && target.closest("button, a")) return;
      event.preventDefault();
      latest.current[what]();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
}

const BY_KEY: Readonly<Record<string, keyof Done>> = {
  " ": "go",
  b: "go",
  B: "go",
  ".": "go",
  ArrowRight: "next",
  PageDown: "next",
  ArrowLeft: "back",
  PageUp: "back",
  "+": "more",
  "?": "help",
};
