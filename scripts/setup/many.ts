import cluster, { type Worker } from "node:cluster";
import { fileURLToPath } from "node:url";
import { RateLimiterClusterMaster } from "rate-limiter-flexible";
import { SERVING } from "./places";
import type { ServeSettings } from "~/app/server/serve";

/** At most so many processes: what one machine has use for. */
export const MOST_PROCESSES = 32;
/** A process that ended is started anew; one after the other so often is no accident. */
const ENDED = { often: 5, withinMs: 60_000 } as const;
const AGAIN_MS = 500;

export type Many = { end: () => void };

/**
 * Serves with several processes on one port. What limits tries is counted here for all of them; everything else they share is in
 * the database. One that ends is started anew; `onGone` is called when they end again and again. Rejects when the first cannot
 * serve.
 */
export async function serveMany(processes: number, settings: ServeSettings, onGone: () => void): Promise<Many> {
  new RateLimiterClusterMaster();
  cluster.setupPrimary({
    exec: fileURLToPath(new URL("../serve-one.ts", import.meta.url)),
    execArgv: [...SERVING, "--import", "tsx"],
  });
  let ending = false;
  const ended: number[] = [];
  const start = (): Worker => cluster.fork({ MAPSET_SERVES: JSON.stringify(settings) });
  const first = Array.from({ length: processes }, start);
  const end = () => {
    ending = true;
    for (const worker of Object.values(cluster.workers ?? {})) worker?.process.kill("SIGTERM");
  };
  try {
    await Promise.all(
      first.map(
        (worker) =>
          new Promise<void>((resolve, reject) => {
            worker.once("listening", () => resolve());
            worker.once("exit", (code) => reject(new Error(`a serving process ended with ${code}`)));
          }),
      ),
    );
  } catch (error) {
    end();
    throw error;
  }
  cluster.on("exit", () => {
    if (ending) return;
    const now = performance.now();
    ended.push(now);
    if (ended.filter((at) => now - at < ENDED.withinMs).length > ENDED.often) {
      end();
      return onGone();
    }
    setTimeout(() => !ending && start(), AGAIN_MS);
  });
  return { end };
}
