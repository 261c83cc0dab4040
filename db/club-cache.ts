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

/** The same for what takes a while to make: whoever asks meanwhile waits for the first, and what failed is made again. */
export class ClubPromises<T> {
  private readonly kept: ClubCache<Promise<T>>;

  constructor(most: number) {
    this.kept = new ClubCache(most);
  }

  of(club: Club, key: string, make: () => Promise<T>): Promise<T> {
    const before = this.kept.get(club, key);
    if (before) return before;
    const work = this.kept.set(club, key, make());
    work.catch(() => {
      if (this.kept.get(club, key) === work) this.kept.delete(club, key);
    });
    return work;
  }
}

/** A thing of a club by a name that no other club’s thing has. */
export const keyOf = (club: Pick<Club, "id"> | "shipped", key: string): string =>
  `${club === "shipped" ? club : club.id} ${key}`;
