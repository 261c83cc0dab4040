import { useEffect } from "react";

/** Keeping, undoing and doing again by keys. In a field that is typed in, undo is the field's. */
export function useDrillKeys({ keep, undo, redo }: { keep: () => void; undo: () => void; redo: () => void }): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey)) return;
      const typing =
        event.target instanceof HTMLElement &&
        event.target.matches("input:not([type=range]):not([type=checkbox]), textarea");
      const key = event.key.toLowerCase();
      const does = key === "s" ? keep : typing ? undefined : key === "y" ? redo : key !== "z" ? undefined : undo;
      if (!does) return;
      event.preventDefault();
      if (does === undo && event.shiftKey) redo();
      else does();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, [keep, undo, redo]);
}
