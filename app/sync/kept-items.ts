import { openDB, type DBSchema, type IDBPDatabase } from "idb";
import { readItem, type Item } from "~/core/outbox/item";
import { memoryStore, type Store } from "~/core/outbox/store";

interface Tables extends DBSchema {
  items: { key: string; value: unknown };
}

const NAME = "mapset";
const VERSION = 1;
/** A browser that does not open its storage in so long is taken as having none: nobody waits for it with a report in hand. */
const OPENS_WITHIN_MS = 4_000;

const inTime = <T>(work: Promise<T>): Promise<T> =>
  Promise.race([
    work,
    new Promise<never>((_, reject) => setTimeout(() => reject(new Error("The storage did not open")), OPENS_WITHIN_MS)),
  ]);

/** This browser's storage, shared by its pages. Where it is switched off or full, what is put is kept by the page, and `onlyHere` says of which keys that is so. */
export function browserStore(): { store: Store; onlyHere: () => ReadonlySet<string> } {
  const inMemory = new Map<string, Item>();
  const memory = memoryStore(inMemory);
  /** What was to go and could not be taken out: it must not be sent again and again. By its stamp. */
  const gone = new Set<string>();
  let opened: Promise<IDBPDatabase<Tables>> | undefined;
  const database = () =>
    (opened ??= inTime(
      openDB<Tables>(NAME, VERSION, {
        upgrade: (db) => void db.createObjectStore("items", { keyPath: "key" }),
        // A page of a newer Mapset waits for this one to let go; it opens again when something is next kept.
        blocking: (_, __, event) => {
          opened = undefined;
          (event.target as IDBDatabase).close();
        },
        terminated: () => {
          opened = undefined;
        },
      }),
    ));
  const known = (rows: unknown[]) => rows.flatMap((row) => readItem(row) ?? []).filter(({ stamp }) => !gone.has(stamp));
  const together = (kept: readonly Item[]) => [...kept.filter(({ key }) => !inMemory.has(key)), ...inMemory.values()];

  async function inBrowser<T>(work: (db: IDBPDatabase<Tables>) => Promise<T>): Promise<T | undefined> {
    try {
      return await work(await database());
    } catch {
      opened = undefined;
      return undefined;
    }
  }

  const store: Store = {
    all: async () => together((await inBrowser(async (db) => known(await db.getAll("items")))) ?? []),
    change: async (change) => {
      const done = await inBrowser(async (db) => {
        const tx = db.transaction("items", "readwrite");
        const { put = [], drop = [] } = change(together(known(await tx.store.getAll()))) ?? {};
        for (const key of drop) void tx.store.delete(key);
        for (const item of put) void tx.store.put(item);
        await tx.done;
        for (const key of [...drop, ...put.map((item) => item.key)]) inMemory.delete(key);
        return true;
      });
      if (done) return;
      // Nothing was written. What there is to read is still looked at, and kept here as it now is.
      const all = await store.all();
      const { put = [], drop = [] } = change(all) ?? {};
      for (const { key, stamp } of all) if (drop.includes(key)) gone.add(stamp);
      await memory.change(() => ({ put, drop }));
    },
    clear: async () => {
      for (const { stamp } of await store.all()) gone.add(stamp);
      inMemory.clear();
      await inBrowser((db) => db.clear("items"));
    },
  };
  return { store, onlyHere: () => new Set(inMemory.keys()) };
}
