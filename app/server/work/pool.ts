import { availableParallelism } from "node:os";
import pLimit, { type LimitFunction } from "p-limit";
import { Piscina } from "piscina";
import type { Sent } from "./in-thread";
import type { JobName, Jobs } from "./jobs";
import { ClubCache } from "~/db/club-cache";
import type { Club } from "~/db/clubs";

/** A club has so many jobs worked on at a time, and so many that wait: what is more is refused, so that no club takes it all. */
const AT_A_TIME = 3;
const WAITING = 400;
/** So many clubs are told apart. */
const CLUBS = 2000;
/** So many of one thread go on side by side, each a little at a time, so that a short one doesn’t wait for a long one. */
const SIDE_BY_SIDE = 12;
/** A job that nobody could wait for any more is ended, whatever it does. */
const LONGEST_MS = 30_000;
/** A job that answers with what it has so far does so after this. A page waits for eight seconds. */
const LATE_MS = 4_000;
/** A thread that was not needed for so long is let go. */
const IDLE_MS = 120_000;

/** It could not be worked out: too much is asked for at once, or it takes longer than anybody waits. */
export class NotWorkedOut extends Error {
  override readonly name = "NotWorkedOut";
}

/** Whoever asked has gone. */
export class NobodyWaits extends Error {
  override readonly name = "NobodyWaits";
}

type Options = { club: Club; signal?: AbortSignal | undefined };

/** Threads that work out what takes long, so that whoever answers requests doesn’t. */
export class WorkPool {
  private readonly threads: Piscina<Sent, unknown>;
  private readonly clubs = new ClubCache<LimitFunction>(CLUBS);

  constructor(file: string) {
    this.threads = new Piscina<Sent, unknown>({
      filename: file,
      minThreads: 0,
      // One core is left for whoever answers; where there is but one or two, one thread has to do.
      maxThreads: Math.max(1, Math.min(4, availableParallelism() - 1)),
      concurrentTasksPerWorker: SIDE_BY_SIDE,
      idleTimeout: IDLE_MS,
      maxQueue: 5_000,
      // The library is in each: half of it is what it works with.
      resourceLimits: { maxOldGenerationSizeMb: 512 },
    });
  }

  /** Does a job; fails with what is above where it can’t, or as soon as whoever asked has gone. */
  async do<N extends JobName>(name: N, given: Jobs[N]["given"], { club, signal }: Options): Promise<Jobs[N]["answer"]> {
    const limit = this.clubs.get(club, "") ?? this.clubs.set(club, "", pLimit(AT_A_TIME));
    if (limit.pendingCount >= WAITING)
      throw new NotWorkedOut("Mapset has more to work out for your club than it can just now. Try again in a moment.");
    return limit(() => this.now(name, given, signal));
  }

  private async now<N extends JobName>(
    name: N,
    given: Jobs[N]["given"],
    signal: AbortSignal | undefined,
  ): Promise<Jobs[N]["answer"]> {
    if (signal?.aborted) throw new NobodyWaits();
    const left = new SharedArrayBuffer(4);
    const leave = () => void Atomics.store(new Int32Array(left), 0, 1);
    signal?.addEventListener("abort", leave, { once: true });
    // A job looks at every step whether anybody waits; one that has got stuck in a step goes with its thread.
    const ended = new AbortController();
    const late = setTimeout(leave, LONGEST_MS);
    const stuck = setTimeout(() => ended.abort(), LONGEST_MS + 5_000);
    try {
      return (await this.threads.run(
        { name, given, lateAfterMs: LATE_MS, left },
        { signal: ended.signal },
      )) as Jobs[N]["answer"];
    } catch (error) {
      if (signal?.aborted) throw new NobodyWaits();
      const isTooLarge = (error as { code?: string }).code === "ERR_WORKER_OUT_OF_MEMORY";
      if (isTooLarge || Atomics.load(new Int32Array(left), 0) === 1 || ended.signal.aborted)
        throw new NotWorkedOut("This takes longer to work out than anybody should wait. Make the session shorter.");
      throw error;
    } finally {
      clearTimeout(late);
      clearTimeout(stuck);
      signal?.removeEventListener("abort", leave);
    }
  }

  close(): Promise<void> {
    return this.threads.close({ force: true });
  }
}
