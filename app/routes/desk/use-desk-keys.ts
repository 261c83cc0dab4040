import { useEffect, useRef } from "react";
import type { Desk, Place } from "./use-desk";

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.matches("input:not([type=radio]):not([type=checkbox]), textarea, select") || target.isContentEditable);

/**
 * Keys of the desk: / find a drill to add · up and down choose · Alt with them moves · D copies · Delete takes out ·
 * Escape lets go · Ctrl Z and Ctrl Shift Z or Ctrl Y. While typing only the undo keys of the field itself count.
 */
export function useDeskKeys(desk: Desk): void {
  const latest = useRef(desk);
  useEffect(() => {
    latest.current = desk;
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.defaultPrevented || isTyping(event.target) || document.querySelector('[role="dialog"], [role="alertdialog"], [role="menu"]')) return;
      if (handle(event, latest.current)) event.preventDefault();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
}

function handle(event: KeyboardEvent, desk: Desk): boolean {
  const key = event.key.toLowerCase();
  if (event.ctrlKey || event.metaKey) {
    if (key === "z") return event.shiftKey ? (desk.redo(), true) : (desk.undo(), true);
    if (key === "y") return desk.redo(), true;
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
      if (event.altKey && place) return desk.nudge(place, by), true;
      if (!event.altKey && isInList(event)) return choose(desk, by), true;
      return false;
    }
    case "d":
      return place ? (desk.copy(place), true) : false;
    case "delete":
    case "backspace":
      return place ? (desk.remove(place), true) : false;
    case "escape":
      return place ? (desk.select(undefined), true) : false;
    default:
      return false;
  }
}

/** While a row is being dragged by keyboard the arrow keys are the drag's. */
function isOnDragHandle(event: KeyboardEvent): boolean {
  return event.target instanceof HTMLElement && event.target.matches('[aria-roledescription="sortable"][aria-pressed="true"]');
}

function isInList(event: KeyboardEvent): boolean {
  return event.target === document.body || (event.target instanceof HTMLElement && event.target.closest("[data-row]") !== null);
}

function choose(desk: Desk, by: 1 | -1): void {
  const places: Place[] = desk.session.blocks.flatMap((block, b) => block.items.map((_, i) => ({ block: b, item: i })));
  const now = places.findIndex((p) => p.block === desk.selection?.block && p.item === desk.selection.item);
  const next = places[now < 0 ? (by > 0 ? 0 : places.length - 1) : Math.min(Math.max(now + by, 0), places.length - 1)];
  if (!next) return;
  desk.select(next);
  requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-row="drill ${next.block}.${next.item}"]`)?.focus());
}
