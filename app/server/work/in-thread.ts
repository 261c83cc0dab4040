import { inTurns } from "./in-turns";
import { JOBS, type JobName } from "./jobs";

/** What a thread is sent: a job by its name, when it is late, and where it is said that nobody waits for it any more. */
export type Sent = { name: JobName; given: unknown; lateAfterMs: number; left: SharedArrayBuffer };

/** Does a job beside others of the same thread, until it is done or nobody waits for it. */
export default async function inThread({ name, given, lateAfterMs, left }: Sent): Promise<unknown> {
  const from = performance.now();
  const flag = new Int32Array(left);
  const job = JOBS[name] as (given: unknown, late: () => boolean) => ReturnType<(typeof JOBS)[JobName]>;
  const late = () => performance.now() - from > lateAfterMs;
  return inTurns(job(given, late) as Generator<undefined, unknown, undefined>, () =>
    Atomics.load(flag, 0) === 0 ? undefined : new Error("Nobody waits for it."),
  );
}
