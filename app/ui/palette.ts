import { createContext, useContext, useEffect } from "react";

/** Something that can be done here: found by its words, and by its key where it has one. */
export type Command = { id: string; words: string; key?: string; group: string; run: () => void; off?: boolean };

/** How a page opens the palette and says what can be done on it. */
export type PaletteHold = {
  open: () => void;
  /** What can be done on the page that is shown. Returns how to leave off. */
  offer: (commands: () => readonly Command[]) => () => void;
};

export const PaletteContext = createContext<PaletteHold>({ open: () => undefined, offer: () => () => undefined });

export const usePalette = (): PaletteHold => useContext(PaletteContext);

/** Puts what can be done on this page into the palette, as it is when somebody opens it. `commands` must be stable. */
export function useOffered(commands: () => readonly Command[]): void {
  const { offer } = usePalette();
  useEffect(() => offer(commands), [offer, commands]);
}

/** Whether a key belongs to what is being written. */
export const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  (target.matches("input:not([type=radio]):not([type=checkbox]), textarea, select") || target.isContentEditable);
