import pg from "pg";
import { log, told } from "~/app/server/log";
import { now, steady } from "~/core/clock/clock";
import type { Sent } from "~/core/live/commands";
import type { Db } from "~/db/client";
import { keyOf } from "~/db/club-cache";
import type { Club } from "~/db/clubs";
import { listCommands, LIVE_CHANNEL } from "~/db/live";
import { peopleOfClass } from "~/db/live-people";

/** What a screen is told of a command, beside the coach’s remote: what it needs to know where the class is, and nothing on who did it. */
export const forScreens = ({ n, on, from, command }: Sent) => ({ n, on, from, command });

/** A stream that a class is told through. */
export type Watcher = {
  /** Remotes are told whose command it was. */
  remote: boolean;
  send: (event: Buffer) => void;
};

/** A class that is watched, known by its club and its id: another club can hold a class of the same id. */
type Room = {
  club: Club;
  classId: string;
  commands: Sent[];
  watchers: Set<Watcher>;
  looking: Promise<void> | undefined;
  /** When it was last looked at, by the steady clock; 0 before. */
  looked: number;
};

/** At most so many streams of one class, and of one process. */
const OF_A_CLASS = 500;
const OF_A_PROCESS = 2000;
/** A message on the way to the database can be lost: while anybody watches it is looked again this often. */
const LOOK_AGAIN_MS = 5000;
const LISTEN_AGAIN_MS = [200, 1500] as const;

/** An event as streams carry it, made once for all of them. */
export const event = (name: string, data: unknown): Buffer =>
  Buffer.from(`event: ${name}\ndata: ${JSON.stringify(data)}\n\n`);

/**
 * The classes that are watched through this process: their commands are read once for all who watch. One connection listens
 * for all of them; it needs the database itself, not a pooler that gives each transaction another connection.
 */
export class LiveHub {
  private readonly rooms = new Map<string, Room>();
  private listener: pg.Client | undefined;
  private timer: NodeJS.Timeout | undefined;
  private closed = false;
  /** Whether what is told is heard just now. */
  private listening = false;
  private streams = 0;

  constructor(
    private readonly db: Db,
    private readonly url: string,
  ) {}

  /** Watches a class; undefined where too many do. The first that is sent is all there is after a number. */
  async watch(club: Club, classId: string, after: number, watcher: Watcher): Promise<(() => void) | undefined> {
    const name = keyOf(club, classId);
    const room: Room = this.rooms.get(name) ?? {
      club,
      classId,
      commands: [],
      watchers: new Set(),
      looking: undefined,
      looked: 0,
    };
    if (room.watchers.size >= OF_A_CLASS || this.streams >= OF_A_PROCESS) return undefined;
    this.rooms.set(name, room);
    this.streams++;
    // Not told of anything before it has the whole.
    const waiting: Watcher = { ...watcher, send: () => undefined };
    room.watchers.add(waiting);
    let mine = waiting;
    const leave = () => {
      if (!room.watchers.delete(mine)) return;
      this.streams--;
      if (room.watchers.size === 0 && this.rooms.get(name) === room) this.rooms.delete(name);
      if (this.rooms.size === 0) this.rest();
    };
    try {
      this.begin();
      // A hall comes in at once: what is listened for, and was looked at just now, is not asked for by each.
      if (!this.listening || steady() - room.looked > LOOK_AGAIN_MS) await this.look(name);
    } catch (error) {
      leave();
      throw error;
    }
    watcher.send(event("whole", this.whole(room, after, watcher.remote)));
    room.watchers.delete(waiting);
    room.watchers.add((mine = watcher));
    // Not waited for: what is done to the class meanwhile has to reach it.
    if (watcher.remote) void this.tellPeople(name, [watcher]).catch(() => undefined);
    return leave;
  }

  private whole({ commands }: Room, after: number, remote: boolean) {
    const fresh = commands.filter(({ n }) => n > after);
    return { now: now(), n: commands.at(-1)?.n ?? 0, commands: remote ? fresh : fresh.map(forScreens) };
  }

  /** Reads what is new of a class and tells it to all who watch. */
  private look(name: string): Promise<void> {
    const room = this.rooms.get(name);
    if (!room) return Promise.resolve();
    // One after the other: what came in while one was reading is read by the next.
    const next = (room.looking ?? Promise.resolve())
      .catch(() => undefined)
      .then(async () => {
        const fresh = await listCommands(this.db, room.club, room.classId, room.commands.at(-1)?.n ?? 0);
        room.looked = steady();
        if (fresh.length === 0) return;
        room.commands.push(...fresh);
        const at = now();
        const remotes = event("commands", { now: at, commands: fresh });
        const screens = event("commands", { now: at, commands: fresh.map(forScreens) });
        for (const { remote, send } of room.watchers) send(remote ? remotes : screens);
      });
    room.looking = next;
    return next;
  }

  /** Tells remotes who is there and what hurt: only whoever leads a class hears of people. */
  private async tellPeople(name: string, to?: readonly Watcher[]): Promise<void> {
    const room = this.rooms.get(name);
    const remotes = to ?? [...(room?.watchers ?? [])].filter(({ remote }) => remote);
    if (!room || remotes.length === 0) return;
    const people = event("people", await peopleOfClass(this.db, room.club, room.classId));
    for (const { send } of remotes) send(people);
  }

  private begin(): void {
    if (this.closed) return;
    this.timer ??= setInterval(() => this.lookAtAll(), LOOK_AGAIN_MS);
    if (!this.listener) void this.listen();
  }

  private lookAtAll(): void {
    for (const name of this.rooms.keys())
      Promise.all([this.look(name), this.tellPeople(name)]).catch((error: unknown) =>
        log.warn(told(error), "a class could not be looked at"),
      );
  }

  private async listen(): Promise<void> {
    const client = new pg.Client({ connectionString: this.url, keepAlive: true });
    this.listener = client;
    const again = () => {
      if (this.listener !== client) return;
      this.listener = undefined;
      this.listening = false;
      void client.end().catch(() => undefined);
      if (this.closed || this.rooms.size === 0) return;
      const [least, most] = LISTEN_AGAIN_MS;
      setTimeout(
        () => !this.listener && !this.closed && void this.listen(),
        least + Math.random() * (most - least),
      ).unref();
    };
    client.on("error", again);
    client.on("end", again);
    client.on("notification", ({ payload }) => {
      const [club = "", classId = "", what] = payload?.split(":") ?? [];
      const name = keyOf({ id: club }, classId);
      if (!this.rooms.has(name)) return;
      void (what === "people" ? this.tellPeople(name) : this.look(name)).catch(() => undefined);
    });
    try {
      await client.connect();
      await client.query(`listen ${LIVE_CHANNEL}`);
      // Nobody watches any more, or another listens already.
      if (this.listener !== client) return;
      this.listening = true;
      // What was told while nobody listened is lost.
      this.lookAtAll();
    } catch {
      again();
    }
  }

  /** Nobody watches: nothing is listened for. */
  private rest(): void {
    clearInterval(this.timer);
    this.timer = undefined;
    const client = this.listener;
    this.listener = undefined;
    this.listening = false;
    void client?.end().catch(() => undefined);
  }

  close(): void {
    this.closed = true;
    this.rest();
  }
}
