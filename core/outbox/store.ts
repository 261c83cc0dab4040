import type { Item } from "./item";

/**
 * Where items are kept. A change is made whole or not at all, and looks at what is there in the same moment: several pages of a
 * browser share one.
 */
export type Store = {
  all: () => Promise<Item[]>;
  /** Lets go of everything, also of what is not known here. */
  clear: () => Promise<void>;
  /** Puts and drops what `change` says of what is there; nothing where it says nothing. */
  change: (
    change: (all: readonly Item[]) => { put?: readonly Item[]; drop?: readonly string[] } | undefined,
  ) => Promise<void>;
};

/** Keeps items for as long as the page is there. */
export function memoryStore(items = new Map<string, Item>()): Store {
  return {
    all: () => Promise.resolve([...items.values()]),
    clear: () => Promise.resolve(items.clear()),
    change: (change) => {
      const { put = [], drop = [] } = change([...items.values()]) ?? {};
      for (const key of drop) items.delete(key);
      for (const item of put) items.set(item.key, structuredClone(item));
      return Promise.resolve();
    },
  };
}
