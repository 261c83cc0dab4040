import type { Sent } from "~/core/live/commands";
import type { ClassPeople } from "~/db/live-people";

/** Cut off when nothing came for so long: something is sent every 15 s. */
const SILENT_MS = 35_000;
/** A stream that won’t open so often may be shut to this device: a browser does not say why. */
const ASK_AFTER = 3;
/** After being cut off it tries again after so long, at random, so that not a whole hall does at once. */
const AGAIN_MS = [200, 1500] as const;

export type FeedState = "connecting" | "connected" | "cut off";

type Told = { commands: Sent[] };

/** The stream of a class: what was done to it, as it is done. Begins anew by itself whenever it is cut off. */
export class Feed {
  private source: EventSource | undefined;
  private silent: ReturnType<typeof setTimeout> | undefined;
  private again: ReturnType<typeof setTimeout> | undefined;
  private running = false;
  /** How often it was cut off since it last heard anything. */
  private failed = 0;

  constructor(
    private readonly classId: string,
    private readonly as: "remote" | "wall" | "athlete",
    /** The newest command that is known without a gap. */
    private readonly known: () => number,
    private readonly onCommands: (commands: readonly Sent[]) => void,
    /** Who is there, and what hurt: told to remotes alone. */
    private readonly onPeople: (people: ClassPeople) => void,
    private readonly onState: (state: FeedState) => void,
    /** Shut from there: another code counts now, or it is long over. */
    private readonly onShut: () => void,
  ) {}

  start(): void {
    if (this.running) return;
    this.running = true;
    this.open();
  }

  stop(): void {
    this.running = false;
    this.close();
  }

  /** On coming back into view, or online: a stream that may be dead is made anew. */
  renew(): void {
    if (this.running) this.open();
  }

  private close(): void {
    clearTimeout(this.silent);
    clearTimeout(this.again);
    this.source?.close();
    this.source = undefined;
  }

  private open(): void {
    this.close();
    this.onState("connecting");
    const source = new EventSource(`/live/${this.classId}/stream?as=${this.as}&after=${this.known()}`);
    this.source = source;
    const heard = (): void => {
      this.failed = 0;
      clearTimeout(this.silent);
      this.silent = setTimeout(() => this.cutOff(), SILENT_MS);
    };
    this.silent = setTimeout(() => this.cutOff(), SILENT_MS);
    const take = ({ data }: MessageEvent<string>): void => {
      heard();
      this.onState("connected");
      this.onCommands((JSON.parse(data) as Told).commands);
    };
    source.addEventListener("whole", take);
    source.addEventListener("commands", take);
    source.addEventListener("beat", heard);
    source.addEventListener("people", ({ data }: MessageEvent<string>) => {
      heard();
      this.onPeople(JSON.parse(data) as ClassPeople);
    });
    source.addEventListener("shut", () => {
      this.stop();
      this.onShut();
    });
    // One bad answer makes a browser give up for good; and when it tries itself, it asks for what is known already.
    source.addEventListener("error", () => this.cutOff());
  }

  private cutOff(): void {
    this.close();
    this.onState("cut off");
    this.failed++;
    if (this.failed % ASK_AFTER === 0) void this.askWhy();
    const [least, most] = AGAIN_MS;
    if (this.running) this.again = setTimeout(() => this.open(), least + Math.random() * (most - least));
  }

  /** Asks once whether the class is still open to this device; without a connection nothing comes of it. */
  private async askWhy(): Promise<void> {
    const asking = new AbortController();
    try {
      const answer = await fetch(`/live/${this.classId}/stream?as=${this.as}`, { signal: asking.signal });
      if (answer.status === 403 && this.running) {
        this.stop();
        this.onShut();
      }
    } catch {
      // Nobody there: the class goes on here by itself.
    } finally {
      asking.abort();
    }
  }
}
