import { useEffect, useRef } from "react";
import { chosenOf, copyChosen, pasteInto, removeChosen, stepChosen } from "./commands";
import type { Tab } from "./tabs";
import { readRow, rowId } from "./row-ids";
import type { DrillLookup } from "~/library";
import { placesOf, type Desk } from "./use-desk";
import { isTyping } from "~/app/ui/palette";
import { clipText, itemsAt } from "~/core/session/several";

type More = { onTrouble: (text: string) => void; onTab: (tab: Tab) => void; onKeys: () => void };

/**
 * Keys of the desk, as its list of keys says them: choosing, moving, copying, longer and shorter, undo, and the tabs; G is every page’s. While typing only the undo keys of the field itself count.
 */
export function useDeskKeys(desk: Desk, drills: DrillLookup, more: More): void {
  const latest = useRef({ desk, drills, more });
  useEffect(() => {
    latest.current = { desk, drills, more };
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      // From a field of a drill's panel back to its row.
      if (
        event.key === "Escape" &&
        !event.defaultPrevented &&
        event.target instanceof HTMLElement &&
        event.target.matches("input, select") &&
        event.target.closest("aside")
      ) {
        const at = latest.current.desk.selection;
        if (at) document.querySelector<HTMLElement>(`[data-row="${rowId(at)}"]`)?.focus();
        return;
      }
      if (
        event.defaultPrevented ||
        isTyping(event.target) ||
        document.querySelector('[role="dialog"], [role="alertdialog"], [role="menu"]')
      )
        return;
      const { desk: d, drills: l, more: m } = latest.current;
      if (handle(event, d, l, m)) event.preventDefault();
    };
    // Copied, cut and pasted with the browser's own keys and menus; words that are chosen on the page stay the browser's.
    const clip = (event: ClipboardEvent) => {
      if (
        isTyping(event.target) ||
        document.querySelector('[role="dialog"], [role="alertdialog"]') ||
        (event.type !== "paste" && (document.getSelection()?.toString() ?? "") !== "")
      )
        return;
      const { desk: d, drills: l, more: m } = latest.current;
      if (event.type === "paste") {
        if (pasteInto(d, l, m.onTrouble, event.clipboardData?.getData("text/plain"))) event.preventDefault();
        return;
      }
      const items = itemsAt(d.session, chosenOf(d));
      if (items.length === 0) return;
      event.clipboardData?.setData("text/plain", clipText(items));
      copyChosen(d);
      if (event.type === "cut") removeChosen(d);
      event.preventDefault();
    };
    window.addEventListener("keydown", press);
    for (const type of ["copy", "cut", "paste"] as const) document.addEventListener(type, clip);
    return () => {
      window.removeEventListener("keydown", press);
      for (const type of ["copy", "cut", "paste"] as const) document.removeEventListener(type, clip);
    };
  }, []);
}

function handle(event: KeyboardEvent, desk: Desk, drills: DrillLookup, { onTab, onKeys }: More): boolean {
  const key = event.key.toLowerCase();
  if (event.ctrlKey || event.metaKey) {
    if (key === "z") return event.shiftKey ? (desk.redo(), true) : (desk.undo(), true);
    if (key === "y") return (desk.redo(), true);
    return false;
  }
  const place = desk.selection;
  switch (key) {
    case "/":
      document.querySelector<HTMLInputElement>("[data-add-drill]")?.focus();
      return true;
    case "arrowdown":
    case "arrowup": {
      const by = key === "arrowdown" ? 1 : -1;
      if (isOnDragHandle(event)) return false;
      if (event.altKey && place) return (desk.nudge(place, by), true);
      if (!event.altKey && isInList(event)) return (choose(desk, by), true);
      return false;
    }
    case "enter": {
      const row = event.target instanceof HTMLElement ? event.target.closest<HTMLElement>("[data-row]") : null;
      const at = row ? readRow(row.dataset["row"]!) : undefined;
      return at ? (desk.select(at), onTab("item"), enterDose(), true) : false;
    }
    case "d":
      return place ? (desk.copy(place), true) : false;
    case "delete":
    case "backspace":
      return chosenOf(desk).length > 0 ? (removeChosen(desk), true) : false;
    case "escape":
      return chosenOf(desk).length > 0 ? (desk.select(undefined), true) : false;
    case ".":
    case ",":
      return chosenOf(desk).length > 0 ? (stepChosen(desk, drills, key === "." ? 1 : -1), true) : false;
    case "l":
      return chosenOf(desk).length > 0 ? (desk.lock(chosenOf(desk)), true) : false;
    case "a":
      return (desk.mark(placesOf(desk.session)), true);
    case "1":
      return (desk.select(undefined), onTab("item"), true);
    case "2":
    case "3":
    case "4":
      return (onTab((["findings", "ranges", "fit"] as const)[Number(key) - 2]!), true);
    case "?":
      return (onKeys(), true);
    default:
      return false;
  }
}

/** While a row is being dragged by keyboard the arrow keys are the drag's. */
function isOnDragHandle(event: KeyboardEvent): boolean {
  return (
    event.target instanceof HTMLElement &&
    event.target.matches('[aria-roledescription="sortable"][aria-pressed="true"]')
  );
}

function isInList(event: KeyboardEvent): boolean {
  return (
    event.target === document.body ||
    (event.target instanceof HTMLElement && event.target.closest("[data-row]") !== null)
  );
}

/** Goes to the number of the drill's dose, once its panel is there. */
function enterDose(): void {
  requestAnimationFrame(() =>
    requestAnimationFrame(() => {
      const field = document.querySelector<HTMLElement>(
        "aside [data-dose] input, aside [data-dose] > :last-child select",
      );
      field?.focus();
      if (field instanceof HTMLInputElement) field.select();
    }),
  );
}

function choose(desk: Desk, by: 1 | -1): void {
  const places = placesOf(desk.session);
  const now = places.findIndex((p) => p.block === desk.selection?.block && p.item === desk.selection.item);
  const next = places[now < 0 ? (by > 0 ? 0 : places.length - 1) : Math.min(Math.max(now + by, 0), places.length - 1)];
  if (!next) return;
  desk.select(next);
  requestAnimationFrame(() =>
    document.querySelector<HTMLElement>(`[data-row="drill ${next.block}.${next.item}"]`)?.focus(),
  );
}
