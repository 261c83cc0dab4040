import cluster from "node:cluster";
import { RateLimiterCluster, RateLimiterMemory, RateLimiterRes } from "rate-limiter-flexible";

/**
 * How often something may be tried. Counted in memory: in this process's, or where several serve one Mapset in that of the one
 * that started them (scripts/setup/many.ts), for all of them together. MAPSET_LIMITS=off is for measurements only.
 */
const off = process.env["MAPSET_LIMITS"] === "off";
const MINUTE = 60;

type Counting = { keyPrefix: string; points: number; duration: number };
const counting = (of: Counting) =>
  cluster.isWorker ? new RateLimiterCluster({ ...of, timeoutMs: 3000 }) : new RateLimiterMemory(of);

const limiters = {
  /** Sign-in by address: 30 tries in 10 minutes. */
  signInAddress: counting({ keyPrefix: "sa", points: 30, duration: 10 * MINUTE }),
  /** Sign-in for one account: 8 tries in 10 minutes, whoever asks. Devices that have been signed in to it before are counted on their own. */
  signInAccount: counting({ keyPrefix: "si", points: 8, duration: 10 * MINUTE }),
  /** Sign-in for one account from a device that was signed in to it before: 8 tries in 10 minutes. */
  signInDevice: counting({ keyPrefix: "sd", points: 8, duration: 10 * MINUTE }),
  /** The old password, told wrong by whoever is signed in: 8 tries in 10 minutes. */
  oldPassword: counting({ keyPrefix: "op", points: 8, duration: 10 * MINUTE }),
  /** Messages asked for by address: 10 an hour; those of an account have a limit of their own in db/messages.ts. */
  forgotten: counting({ keyPrefix: "fg", points: 10, duration: 60 * MINUTE }),
  /** Addresses of messages that open nothing, by address: 20 in 10 minutes. */
  badPasswordLink: counting({ keyPrefix: "bm", points: 20, duration: 10 * MINUTE }),
  /** New accounts by address: 10 an hour. */
  signUp: counting({ keyPrefix: "su", points: 10, duration: 60 * MINUTE }),
  /** Links that open nothing, by address: 20 in 10 minutes; a whole squad behind one address with a good link is not counted. */
  badLink: counting({ keyPrefix: "bl", points: 20, duration: 10 * MINUTE }),
  /** Codes for a wall that open nothing, by address (of the long kind by network): 20 in 10 minutes. */
  wallCode: counting({ keyPrefix: "wc", points: 20, duration: 10 * MINUTE }),
  /** Classes that a member starts: 30 in 10 minutes. */
  startClass: counting({ keyPrefix: "sc", points: 30, duration: 10 * MINUTE }),
  /** Devices that join a class, by class and address: 600 in 10 minutes, twice a full hall behind one. */
  joinClass: counting({ keyPrefix: "jc", points: 600, duration: 10 * MINUTE }),
  /** A club's archive, written or read: 20 an hour. */
  archive: counting({ keyPrefix: "ar", points: 20, duration: 60 * MINUTE }),
  /** What devices report of one run: 120 in 10 minutes, three times what a device sends that is followed from start to end. */
  runReport: counting({ keyPrefix: "rr", points: 120, duration: 10 * MINUTE }),
  /** Reports that are none, by link and address: 60 in 10 minutes. */
  badReport: counting({ keyPrefix: "br", points: 60, duration: 10 * MINUTE }),
} as const;

export type Limit = keyof typeof limiters;

/** Counts one try. Returns 0 when it may go ahead, else the seconds to wait. */
export async function secondsToWait(limit: Limit, key: string): Promise<number> {
  if (off) return 0;
  try {
    await limiters[limit].consume(key.toLowerCase());
    return 0;
  } catch (error) {
    if (error instanceof RateLimiterRes) return Math.max(1, Math.ceil(error.msBeforeNext / 1000));
    throw error;
  }
}

/** Forgets the tries, after a sign-in that worked. */
export async function forget(limit: Limit, key: string): Promise<void> {
  await limiters[limit].delete(key.toLowerCase());
}

/** A time to wait, as it is said. */
export function waitText(seconds: number): string {
  if (seconds < 90) return seconds === 1 ? "a second" : `${seconds} seconds`;
  return `${Math.ceil(seconds / 60)} minutes`;
}
