import { steady } from "~/core/clock/clock";
import { setTimeout as wait } from "node:timers/promises";
import pg from "pg";

/*
 * A database that ends comes back within seconds. Until then what only asks waits for it and asks again, and what was never
 * sent is sent once it is there; what was under way and may have been carried out fails, and whoever sent it decides.
 */

/** How long is waited for a database that is away. */
const LONGEST_AWAY_MS = 20_000;
const FIRST_PAUSE_MS = 50;
const LONGEST_PAUSE_MS = 1_000;

/** Nothing was carried out: nobody was there to take it, or the database was only just starting or ending. */
const NEVER_SENT = new Set(["ECONNREFUSED", "NEVER_SENT", "57P03", "57P01"]);
/** Whether it was carried out is not known. */
const UNDER_WAY = new Set(["CONNECTION_CLOSED", "ECONNRESET", "EPIPE", "57P02"]);

/** The driver says some of this in words only. */
const IN_WORDS: Record<string, string> = {
  "Connection terminated unexpectedly": "CONNECTION_CLOSED",
  "Connection terminated": "CONNECTION_CLOSED",
  "Client has encountered a connection error and is not queryable": "NEVER_SENT",
  "Client was closed and is not queryable": "NEVER_SENT",
  "Connection terminated due to connection timeout": "NEVER_SENT",
};

function codeOf(error: unknown): string {
  if (!(error instanceof Error)) return "";
  const { code } = error as { code?: unknown };
  return typeof code === "string" ? code : (IN_WORDS[error.message] ?? "");
}

/** Whether a statement may be asked again although it may have been carried out: it changes nothing. */
export const onlyAsks = (query: string): boolean =>
  /^\s*select\b/i.test(query) && !/\bfor\s+(?:no\s+key\s+)?update\b|\binto\b|\bnextval\b/i.test(query);

/** Does something, again and again while the database is away. `again` says whether what was under way may be done twice. */
export async function persevere<T>(
  work: () => PromiseLike<T>,
  again: boolean,
  { longest = LONGEST_AWAY_MS, pause = wait }: { longest?: number; pause?: (ms: number) => Promise<unknown> } = {},
): Promise<T> {
  const begun = steady();
  for (let next = FIRST_PAUSE_MS; ; next = Math.min(LONGEST_PAUSE_MS, next * 2)) {
    try {
      return await work();
    } catch (error) {
      const code = codeOf(error);
      const away = NEVER_SENT.has(code) || (again && UNDER_WAY.has(code));
      if (!away || steady() - begun + next > longest) throw error;
      await pause(next);
    }
  }
}

type Asked = pg.QueryConfig | string;
type Query = (asked: Asked, values?: unknown[]) => Promise<pg.QueryResult>;
const textOf = (asked: Asked): string => (typeof asked === "string" ? asked : asked.text);

/** So many different statements are kept ready on each connection. */
const MOST_READY = 500;
/** A list of ids makes a statement of its own for each length there is. */
const VARIES = /\bin \(\$\d+, /;

/** Names for what is asked for again and again, by which each connection keeps it read and planned: that costs the database more than most answers do. */
export function readyNames(most = MOST_READY): (text: string) => string | undefined {
  const names = new Map<string, string>();
  return (text) => {
    const known = names.get(text);
    if (known || names.size >= most || !onlyAsks(text) || VARIES.test(text)) return known;
    const name = `ready-${names.size}`;
    names.set(text, name);
    return name;
  };
}

/** Connections that wait for a database that is away. The query builder asks it by promises only. */
export class PerseveringPool extends pg.Pool {
  readonly #nameOf = readyNames();

  constructor(settings: pg.PoolConfig) {
    super(settings);
    // While somebody uses one that ends, their next question fails; the pool itself replaces it.
    this.on("connect", (client) => client.on("error", () => undefined));
  }

  // eslint-disable-next-line @typescript-eslint/unbound-method -- called with this pool just below
  readonly #ask = pg.Pool.prototype.query as (
    this: pg.Pool,
    asked: Asked,
    values?: unknown[],
  ) => Promise<pg.QueryResult>;

  override query = ((asked: Asked, values?: unknown[]) =>
    persevere(() => this.#ask(this.#ready(asked), values), onlyAsks(textOf(asked)))) as pg.Pool["query"];

  #ready(asked: Asked): Asked {
    const name = typeof asked === "string" ? undefined : this.#nameOf(asked.text);
    return name === undefined ? asked : { ...(asked as pg.QueryConfig), name };
  }

  override connect = (async (
    withIt?: (error: Error | undefined, client?: pg.PoolClient, release?: (error?: Error) => void) => void,
  ) => {
    // eslint-disable-next-line @typescript-eslint/unbound-method -- called with this pool just below
    const plain = pg.Pool.prototype.connect as unknown as (this: pg.Pool, ...args: unknown[]) => Promise<pg.PoolClient>;
    // Its own queries take a connection by a callback, and are tried again as a whole.
    if (withIt) return plain.call(this, withIt);
    return checkedOut(() => persevere(() => plain.call(this), true));
  }) as pg.Pool["connect"];
}

/** A connection for a transaction. One that turns out to have ended before anything was done in it gives way to another. */
async function checkedOut(take: () => Promise<pg.PoolClient>): Promise<Pick<pg.PoolClient, "query" | "release">> {
  let client = await take();
  const query: Query = async (asked, values) => {
    const ask = () => (client.query as unknown as Query).call(client, asked, values);
    if (!/^begin\b/i.test(textOf(asked))) return ask();
    let first = true;
    return persevere(async () => {
      if (!first) client = await take();
      first = false;
      return ask().catch((error: unknown) => {
        client.release(true);
        throw error;
      });
    }, true);
  };
  return { query: query as unknown as pg.PoolClient["query"], release: (error) => client.release(error) };
}
