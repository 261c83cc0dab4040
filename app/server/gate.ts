import { Readable } from "node:stream";
import type { NextFunction, Request, Response } from "express";

/*
 * What a request must be before anything looks at it closely. Everything here costs the same for whoever asks, and refuses
 * before it reads.
 */

/** Longest path, without its search. The longest of ours has some 120. */
const LONGEST_PATH = 300;
const LONGEST_SEARCH = 4_000;

const KB = 1_000;
/** Largest body of pages that anybody may send to, and of forms. */
const SMALL = 64 * KB;
const FORM = 256 * KB;
/** A club's archive: 50 MB of it are some hundreds of thousands of reports. It is never held in memory, but taken by what reads it. */
export const LARGEST_ARCHIVE = 50_000 * KB;
export const ARCHIVE_PATH = "/club/archive";
/** Largest body of all others: a session or a drill as a file, several times over. */
const LARGE = 2_500 * KB;

/** What is left of a refused body is taken and thrown away for so long and so much, so that whoever sends it can read the answer. */
const DRAIN_MS = 2_000;
const DRAIN_MOST = 4 * LARGE;

const METHODS = new Set(["GET", "HEAD", "POST"]);
const HOST = /^(?:[a-z0-9._-]{1,253}|\[[0-9a-f:.]{2,45}\])(?::\d{1,5})?$/i;

/** Refuses what is no request of ours: other methods, hosts that are none, addresses without end or with what no text may hold. */
export function refuseOdd(req: Request, res: Response, next: NextFunction): void {
  const [path = "", search = ""] = splitOnce(req.originalUrl, "?");
  if (!METHODS.has(req.method)) refuse(req, res, 405, "This is not done here.");
  else if (!isHost(req.get("host") ?? "")) refuse(req, res, 400, "The host asked for is none.");
  else if (path.length > LONGEST_PATH || search.length > LONGEST_SEARCH)
    refuse(req, res, 414, "This address is too long to be one of Mapset.");
  else if (/%00/.test(req.originalUrl) || !isDecodable(path))
    refuse(req, res, 400, "This address holds what no address may.");
  else next();
}

const isHost = (host: string): boolean => HOST.test(host) && URL.canParse(`http://${host}`);

function splitOnce(text: string, by: string): [string, string] {
  const at = text.indexOf(by);
  return at < 0 ? [text, ""] : [text.slice(0, at), text.slice(at + 1)];
}

function isDecodable(path: string): boolean {
  try {
    decodeURIComponent(path);
    return true;
  } catch {
    return false;
  }
}

/** The largest body a request may have, in bytes. Whoever is not signed in may send a form to sign in with, or a report of a run. */
export function largestBody(path: string, type: string, signedIn: boolean): number {
  if (!signedIn || /^\/(?:sign-in|sign-up|forgotten|password|f)(?:[/.]|$)/.test(path)) return SMALL;
  return type.startsWith("application/x-www-form-urlencoded") ? FORM : LARGE;
}

const wordsOf = (most: number) =>
  `This is too large: at most ${most >= 1_000_000 ? `${most / 1_000_000} MB` : `${most / KB} kB`} can be sent here.`;

/**
 * Takes the whole body, up to its limit, before anything is done with it; more is refused as soon as it is known, from the
 * length that is said or from what has arrived. What follows gets a request whose body has been read.
 */
export function takeBody(isSignedIn: (req: Request) => boolean) {
  return (req: Request, res: Response, next: NextFunction): void => {
    if (req.method === "GET" || req.method === "HEAD") {
      req.resume();
      next();
      return;
    }
    const archive = req.path === ARCHIVE_PATH && isSignedIn(req);
    const most = archive ? LARGEST_ARCHIVE : largestBody(req.path, req.get("content-type") ?? "", isSignedIn(req));
    if (Number(req.get("content-length") ?? 0) > most) {
      refuse(req, res, 413, wordsOf(most));
      return;
    }
    if (archive) {
      next();
      return;
    }
    const chunks: Buffer[] = [];
    let seen = 0;
    const onData = (chunk: Buffer) => {
      seen += chunk.length;
      if (seen <= most) {
        chunks.push(chunk);
        return;
      }
      req.off("data", onData);
      req.off("end", onEnd);
      refuse(req, res, 413, wordsOf(most));
    };
    const onEnd = () => {
      (res.locals as { body?: Buffer }).body = Buffer.concat(chunks);
      next();
    };
    req.on("data", onData);
    req.once("end", onEnd);
    req.once("error", () => res.destroy());
  };
}

/** The request with the body that was taken, for what reads it as a stream. */
export function withTakenBody(req: Request, res: Response): Request {
  const { body } = res.locals as { body?: Buffer };
  if (!body) return req;
  const whole = Readable.from(body.length > 0 ? [body] : []);
  return Object.assign(whole, {
    method: req.method,
    url: req.url,
    originalUrl: req.originalUrl,
    headers: req.headers,
    protocol: req.protocol,
    hostname: req.hostname,
    host: req.host,
    app: req.app,
    ip: req.ip,
    get: req.get.bind(req),
    socket: req.socket,
  }) as unknown as Request;
}

/**
 * Answers in words and closes the connection, since what else is on it is not known. It stays open until what is still coming
 * has been thrown away, within reason: closed at once, whoever sends would lose the answer.
 */
function refuse(req: Request, res: Response, status: number, text: string): void {
  res
    .set({ connection: "close", "content-length": String(Buffer.byteLength(text)) })
    .status(status)
    .type("text");
  if (req.method !== "HEAD") res.write(text);
  let drained = 0;
  const over = () => {
    clearTimeout(timer);
    if (!res.writableEnded) res.end();
  };
  const timer = setTimeout(over, DRAIN_MS);
  timer.unref();
  req.on("data", (chunk: Buffer) => {
    drained += chunk.length;
    if (drained > DRAIN_MOST) over();
  });
  req.once("end", over);
  req.once("close", over);
  req.resume();
}
