import { LRUCache } from "lru-cache";
import type { Club } from "./clubs";

/** Whose a thing is: a club’s, or what ships with Mapset and is the same for everybody. */
export type Whose = Club | "shipped";

/**
 * What is remembered of clubs’ things. Two clubs can hold things of the same id, since an archive keeps ids: so nothing is
 * remembered by an id alone. Every cache of a club’s things is one of these, and asks for the club (club-cache.test.ts looks
 * for others).
 */
export class ClubCache<V extends object> {
  private readonly kept: LRUCache<string, V>;

  /** Remembers at most so many things, of all clubs together; those used last are kept. */
  constructor(most: number) {
    this.kept = new LRUCache({ max: most });
  }

  get(club: Whose, key: string): V | undefined {
    return this.kept.get(keyOf(club, key));
  }

  set(club: Whose, key: string, value: V): V {
    this.kept.set(keyOf(club, key), value);
    return value;
  }

  delete(club: Whose, key: string): void {
    this.kept.delete(keyOf(club, key));
  }
}

type Making<T> = { made: Promise<T>; waiting: number; nobodyWaits: AbortController };

/**
 * The same for what takes a while to make: whoever asks meanwhile waits for the first, and what failed is made again. The signal
 * that `make` is given says that everybody who waited has gone.
 */
export class ClubPromises<T> {
  private readonly kept: ClubCache<Making<T>>;

  constructor(most: number) {
    this.kept = new ClubCache(most);
  }

  of(club: Club, key: string, make: (nobodyWaits: AbortSignal) => Promise<T>, asks?: AbortSignal): Promise<T> {
    let one = this.kept.get(club, key);
    if (!one || one.nobodyWaits.signal.aborted) {
      const nobodyWaits = new AbortController();
      const fresh: Making<T> = { made: make(nobodyWaits.signal), waiting: 0, nobodyWaits };
      fresh.made.catch(() => {
        if (this.kept.get(club, key) === fresh) this.kept.delete(club, key);
      });
      one = this.kept.set(club, key, fresh);
    }
    const { made, nobodyWaits } = one;
    // Whoever says nothing of how long they wait waits for ever.
    one.waiting++;
    const making = one;
    const leave = () => void (--making.waiting === 0 && nobodyWaits.abort());
    asks?.addEventListener("abort", leave, { once: true });
    const done = () => asks?.removeEventListener("abort", leave);
    made.then(done, done);
    return made;
  }
}

/** A thing of a club by a name that no other club’s thing has. */
export const keyOf = (club: Pick<Club, "id"> | "shipped", key: string): string =>
  `${club === "shipped" ? club : club.id} ${key}`;
