import { useCallback, useSyncExternalStore } from "react";
import { browserOutbox } from "./browser";
import type { Item } from "~/core/outbox/item";

const NONE: readonly Item[] = [];
const subscribe = (listener: () => void) => browserOutbox().outbox.subscribe(listener);

/** Everything this browser has to send, and has been told it cannot; nothing while the page is still on its way. */
export const useItems = (): readonly Item[] =>
  useSyncExternalStore(
    subscribe,
    useCallback(() => browserOutbox().outbox.items(), []),
    () => NONE,
  );

/** The key of what is on its way. */
export const useSending = (): string | undefined =>
  useSyncExternalStore(
    subscribe,
    useCallback(() => browserOutbox().outbox.sending(), []),
    () => undefined,
  );
