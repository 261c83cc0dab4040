import http from "node:http";
import { advance, beginning, withCommand, type Live } from "~/core/live/fold";
import { freeze } from "~/core/live/frozen";
import type { Sent } from "~/core/live/commands";
import {
  offsetOf,
  QUICK,
  steer,
  steeredAt,
  untilNext,
  withExchange,
  type Exchange,
  type Steered,
} from "~/core/live/server-time";
import { positionAt } from "~/core/player/run";
import type { SessionPlan } from "~/core/session/schema";
import { drillById } from "~/library";

/*
 * Simulated devices of a class, in a process of their own: each with a line and a clock of its own. What a device knows of the
 * class and of the time is worked out by the very functions a page uses. Told what to do, and tells what it saw, in lines of JSON.
 */

export type Plan = {
  bases: string[];
  classId: string;
  tokens: string[];
  session: SessionPlan;
  seconds: number;
  /** Legs of a line differ by up to this much. */
  uneven: number;
  /** Each device is cut off once in so many seconds. */
  cutEvery: number;
  seed: number;
};

export type Seen = {
  /** Milliseconds off, of all that were looked at: half are within, 99 in a hundred, and how many were looked at. */
  half: number;
  most: number;
  looked: number;
  /** Of commands to devices that were connected, how many were there before they took effect. */
  inTime: number;
  commands: number;
  /** Looks at which a device was over 50 ms off, later than a second after a command or a reconnection. */
  late: number;
  /** Of the server itself, without the line: from the command’s commit until a device had it. */
  fanOut: number[];
  cpuMs: number;
  reconnects: number;
  worstUneven: number;
};

/** The same numbers for the same seed. */
function drawn(seed: number): () => number {
  let state = seed >>> 0 || 1;
  return () => {
    state = (state * 1664525 + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

const LATE_SHARE = 0.02;
const LATE_MS = 400;
const JITTER_MS = 150;
const COOKIE = "mapset-live-athlete";

/** When the class began to be told by this process’s own clock: all true times are by it. */
const truth = () => performance.timeOrigin + performance.now();

class Device {
  commands: Sent[] = [];
  exchanges: readonly Exchange[] = [];
  steered: Steered | undefined;
  connected = false;
  since = 0;
  lastCommand = 0;
  arrived = new Map<number, number>();
  reconnects = 0;
  private request: http.ClientRequest | undefined;
  private readonly out: number;
  private readonly back: number;
  private readonly ahead: number;
  private readonly drift: number;
  private lineFree = 0;
  private quick: number = QUICK.first;
  private made = 0;
  private within: number | undefined;

  constructor(
    private readonly base: string,
    private readonly plan: Plan,
    private readonly token: string,
    private readonly draw: () => number,
  ) {
    const each = 20 + draw() * 130;
    const uneven = plan.uneven * draw();
    this.out = each + uneven / 2;
    this.back = Math.max(5, each - uneven / 2);
    this.ahead = (draw() - 0.5) * 7_200_000;
    this.drift = (draw() - 0.5) * 100e-6;
  }

  /** The device’s own steady clock at a true moment. */
  private own = (at: number): number => at + this.ahead + (at - begun) * this.drift;

  /** The server’s time as this device takes it. */
  serverTime(at: number): number | undefined {
    const own = this.own(at);
    return this.steered && own + steeredAt(this.steered, own);
  }

  private delay(way: number): number {
    return way + this.draw() * JITTER_MS + (this.draw() < LATE_SHARE ? LATE_MS : 0);
  }

  start(): void {
    this.connect();
    this.exchange();
    const once = this.plan.cutEvery * 1000;
    setTimeout(() => this.cut(), this.draw() * once);
  }

  private cut(): void {
    this.connected = false;
    const open = this.request;
    this.request = undefined;
    open?.destroy();
    this.reconnects++;
    setTimeout(() => this.connect(), 2000 + this.draw() * 18_000 + 200 + this.draw() * 1300);
    setTimeout(() => this.cut(), this.plan.cutEvery * 1000);
  }

  private connect(): void {
    const after = this.commands.at(-1)?.n ?? 0;
    const url = `${this.base}/live/${this.plan.classId}/stream?as=athlete&after=${after}`;
    setTimeout(() => {
      const request = http.get(url, { headers: { cookie: `${COOKIE}=${this.token}` }, agent: false }, (answer) => {
        if (answer.statusCode !== 200) {
          answer.resume();
          setTimeout(() => this.connect(), 200 + this.draw() * 1300);
          return;
        }
        let text = "";
        answer.setEncoding("utf8");
        answer.on("data", (part: string) => {
          text += part;
          for (let end = text.indexOf("\n\n"); end >= 0; end = text.indexOf("\n\n")) {
            this.onLine(text.slice(0, end));
            text = text.slice(end + 2);
          }
        });
        answer.on("end", () => this.lost(request));
        answer.on("error", () => this.lost(request));
      });
      request.on("error", () => this.lost(request));
      this.request = request;
    }, this.delay(this.out));
  }

  /** Broken off, or never there: tried again, unless it was the device’s own cut. */
  private lost(request: http.ClientRequest): void {
    if (request !== this.request) return;
    this.request = undefined;
    this.connected = false;
    setTimeout(() => this.connect(), 200 + this.draw() * 1300);
  }

  /** What comes down the line comes later, and in order. */
  private onLine(event: string): void {
    const at = truth();
    const due = (this.lineFree = Math.max(this.lineFree, at + this.delay(this.back)));
    const whole = event.startsWith("event: whole");
    if (!whole && !event.startsWith("event: commands")) return;
    const data = event.slice(event.indexOf("data: ") + 6);
    const { commands } = JSON.parse(data) as { commands: Sent[] };
    if (!whole) for (const { n } of commands) arrivals.push([n, at]);
    setTimeout(
      () => {
        if (whole) {
          this.connected = true;
          this.since = truth();
        }
        for (const one of commands) {
          if (this.commands.some(({ n }) => n === one.n)) continue;
          this.commands.push(one);
          this.lastCommand = truth();
          if (!whole) this.arrived.set(one.n, truth());
        }
      },
      Math.max(0, due - at),
    );
  }

  private exchange(): void {
    const sent = this.own(truth());
    this.quick--;
    this.made++;
    setTimeout(() => this.exchange(), untilNext(this.quick, this.made, this.within));
    setTimeout(() => {
      http
        .get(`${this.base}/live/time`, { agent }, (answer) => {
          let text = "";
          answer.on("data", (part: Buffer) => (text += part.toString()));
          answer.on("end", () => {
            setTimeout(() => {
              const got = this.own(truth());
              const { received, replied } = JSON.parse(text) as Exchange;
              this.exchanges = withExchange(this.exchanges, { sent, received, replied, got });
              const offset = offsetOf(this.exchanges, got);
              this.within = offset?.within;
              if (offset) this.steered = steer(this.steered, offset.ms, got);
            }, this.delay(this.back));
          });
        })
        .on("error", () => undefined);
    }, this.delay(this.out));
  }
}

const agent = new http.Agent({ keepAlive: true, maxSockets: 64 });
const arrivals: [number, number][] = [];
const begun = truth();

const plan = JSON.parse(process.env["LIVE_PLAN"]!) as Plan;
const frozen = freeze(plan.session, drillById);
const draw = drawn(plan.seed);
const devices = plan.tokens.map(
  (token, i) => new Device(plan.bases[i % plan.bases.length]!, plan, token, drawn(plan.seed + i * 7919)),
);

/** The class after each number of commands, worked out once for all devices. */
const folded: Live[] = [beginning(frozen)];
const all: Sent[] = [];
function foldedTo(count: number): Live {
  while (folded.length <= count) folded.push(withCommand(folded.at(-1)!, all[folded.length - 1]!));
  return folded[count]!;
}

/** Where the class is for somebody who has the first so many commands and takes it to be this time. */
function placeAt(count: number, time: number): number {
  let k = count;
  while (k > 0 && all[k - 1]!.from > time) k--;
  const live = advance(foldedTo(k), time);
  return positionAt(live.run, time);
}

const offs: number[] = [];
let late = 0;

function look(): void {
  const at = truth();
  for (const device of devices) {
    if (!device.connected) continue;
    const time = device.serverTime(at);
    if (time === undefined) continue;
    const known = device.commands.length;
    const off = Math.abs(placeAt(known, time) - placeAt(all.length, at)) * 1000;
    offs.push(off);
    const lastDone = all.findLast(({ from }) => from <= at)?.from ?? 0;
    if (off > 50 && at - Math.max(lastDone, device.since) > 1000) late++;
  }
}

/** Whether a device is connected, and has all that was done to the class. */
const isWhole = ({ connected, commands }: Device): boolean => connected && commands.length === all.length;

process.stdin.setEncoding("utf8");
let held = "";
process.stdin.on("data", (part: string) => {
  held += part;
  for (let end = held.indexOf("\n"); end >= 0; end = held.indexOf("\n")) {
    const line = held.slice(0, end);
    held = held.slice(end + 1);
    if (line === "whole") process.stdout.write(`${JSON.stringify({ whole: devices.filter(isWhole).length })}\n`);
    else all.push(JSON.parse(line) as Sent);
  }
});

// A hall comes in over some seconds.
process.stdin.on("end", () => process.exit(0));
devices.forEach((device) => setTimeout(() => device.start(), draw() * 8000));
const warm = 14_000;
setTimeout(() => {
  process.stdout.write(`${JSON.stringify({ ready: devices.filter(({ connected }) => connected).length })}\n`);
  const timer = setInterval(look, 100);
  const from = process.cpuUsage();
  setTimeout(() => {
    clearInterval(timer);
    const cpu = process.cpuUsage(from);
    const sorted = Float64Array.from(offs).sort();
    const quantile = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
    let [inTime, commands] = [0, 0];
    for (const one of all)
      for (const device of devices) {
        const at = device.arrived.get(one.n);
        if (at === undefined) continue;
        commands++;
        if (at <= one.from) inTime++;
      }
    const seen: Seen = {
      half: quantile(0.5),
      most: quantile(0.99),
      looked: sorted.length,
      inTime,
      commands,
      late,
      fanOut: all.flatMap(({ n, from }) => arrivals.filter(([of]) => of === n).map(([, at]) => at - (from - 500))),
      cpuMs: (cpu.user + cpu.system) / 1000,
      reconnects: devices.reduce((sum, { reconnects }) => sum + reconnects, 0),
      worstUneven: quantile(0.999),
    };
    process.stdout.write(`${JSON.stringify({ seen })}\n`);
  }, plan.seconds * 1000);
}, warm);
