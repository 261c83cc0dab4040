import { steady, now as wallNow } from "~/core/clock/clock";
import {
  offsetOf,
  QUICK,
  SLEPT_MS,
  steer,
  steeredAt,
  untilNext,
  withExchange,
  type Exchange,
  type Offset,
  type Steered,
} from "~/core/live/server-time";
import type { EpochMs } from "~/core/units";

/** An exchange that takes longer than this tells nothing worth having. */
const TOO_LONG_MS = 4000;

/** The server’s time on this device: asked for quickly at first and after sleep, then now and then. */
export class ServerClock {
  private exchanges: readonly Exchange[] = [];
  private steered: Steered | undefined;
  private offset: Offset | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private quick: number = QUICK.first;
  private made = 0;
  private apart = steady() - wallNow();
  private running = false;

  /** `onKnown` is called with each exchange, the first time as soon as the time is known. */
  constructor(private readonly onKnown: () => void) {}

  start(): void {
    if (this.running) return;
    this.running = true;
    this.quick = Math.max(this.quick, this.exchanges.length > 0 ? QUICK.afterSleep : QUICK.first);
    this.next(0);
  }

  stop(): void {
    this.running = false;
    clearTimeout(this.timer);
  }

  private next(inMs: number): void {
    clearTimeout(this.timer);
    if (this.running) this.timer = setTimeout(() => void this.ask(), inMs);
  }

  private async ask(): Promise<void> {
    this.noticeSleep();
    // By the clock, whether or not there was an answer: a slow line takes no longer to measure.
    this.quick = Math.max(0, this.quick - 1);
    this.made++;
    this.next(untilNext(this.quick, this.made, this.offset?.within));
    try {
      const sent = steady();
      const answer = await fetch("/live/time", { cache: "no-store", signal: AbortSignal.timeout(TOO_LONG_MS) });
      const { received, replied } = (await answer.json()) as Pick<Exchange, "received" | "replied">;
      const got = steady();
      this.exchanges = withExchange(this.exchanges, { sent, received, replied, got });
      this.offset = offsetOf(this.exchanges, got);
      if (this.offset) this.steered = steer(this.steered, this.offset.ms, got);
      this.onKnown();
    } catch {
      // Without a connection it goes on by what it knows.
    }
  }

  /** Where the steady clock and the device’s own part, it slept or somebody set it: measured anew. */
  private noticeSleep(): void {
    const apart = steady() - wallNow();
    if (Math.abs(apart - this.apart) > SLEPT_MS) {
      this.exchanges = [];
      this.made = 0;
      this.quick = QUICK.afterSleep;
    }
    this.apart = apart;
  }

  /** This moment by the server’s clock; undefined until it is known. */
  now(): EpochMs | undefined {
    if (!this.steered) return undefined;
    const at = steady();
    return at + steeredAt(this.steered, at);
  }

  /** How far off that is at most, in milliseconds. */
  get within(): number | undefined {
    return this.offset?.within;
  }
}
