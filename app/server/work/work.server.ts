import { inTurns } from "./in-turns";
import { JOBS, type JobName, type Jobs } from "./jobs";
import { signalOfRequest } from "../per-request";
import { getServices } from "../services.server";
import type { Drill } from "~/core/drills/schema";
import type { Club } from "~/db/clubs";

/**
 * Has something worked out away from the thread that answers requests, for as long as whoever asked is there; `signal` says how
 * long that is where several may wait for it. What can’t be worked out is answered with 503 and why.
 */
export async function work<N extends JobName>(
  club: Club,
  name: N,
  given: Jobs[N]["given"],
  signal: AbortSignal | undefined = signalOfRequest(),
): Promise<Jobs[N]["answer"]> {
  const { work: pool } = getServices();
  // Outside of a server there is nobody else to be kept waiting.
  if (!pool) return inTurns(JOBS[name](given, () => false));
  try {
    return await pool.do(name, given, { club, signal });
  } catch (error) {
    // Of two programs in one process: by its name, not by its class.
    const { name: kind, message } = error as Error;
    if (kind === "NotWorkedOut") throw new Response(message, { status: 503 });
    if (kind === "NobodyWaits") throw new Response("Nobody waits for it.", { status: 499 });
    throw error;
  }
}

/** A drill as it is sent to a thread: what is worked out needs no motion. */
export const still = ({ motions: _, ...drill }: Drill): Drill => drill;
