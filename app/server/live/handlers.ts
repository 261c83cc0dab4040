import express, { type Request, type Response, type Router } from "express";
import { event as eventOf, type LiveHub } from "./hub";
import { livePassOf } from "./pass-cookie";
import { log, told } from "~/app/server/log";
import { now } from "~/core/clock/clock";
import type { Db } from "~/db/client";
import { passOf } from "~/db/live";

/** So often something is sent, so that whoever hears nothing for longer knows that they are cut off. */
const BEAT_MS = 15_000;
/** A stream with more than this on its way is closed: its device is gone, and goes on from where it was when it comes back. */
const MOST_UNSENT = 64_000;
/** So often it is looked at whether a wall or a remote may still be open. */
const STILL_OPEN_MS = 5000;
const CLASS_ID = /^[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

/** What a class is followed by, before anything that would hold it back: its stream, and the server’s time. */
export function liveHandlers(db: Db, hub: LiveHub): Router {
  const router = express.Router();
  router.get("/live/time", (_, res) => {
    const received = now();
    res.set("cache-control", "no-store").json({ received, replied: now() });
  });
  router.get("/live/:id/stream", (req, res) => {
    // What has no body must not get one by way of the connection.
    if (req.method !== "GET") return void res.status(405).set("allow", "GET").end();
    stream(db, hub, req, res).catch((error: unknown) => {
      log.warn(told(error), "a class could not be watched");
      if (!res.headersSent)
        res.status(503).type("text").send("Mapset can’t reach its database. Try again in a moment.");
      else res.end();
    });
  });
  return router;
}

async function stream(db: Db, hub: LiveHub, req: Request, res: Response): Promise<void> {
  const { id } = req.params as { id: string };
  // Noticed from the first: whoever goes while they are looked up leaves nothing behind.
  let over = false;
  let leave: (() => void) | undefined;
  const timers: NodeJS.Timeout[] = [];
  const end = () => {
    over = true;
    for (const timer of timers) clearInterval(timer);
    leave?.();
  };
  res.once("close", end);
  const token = CLASS_ID.test(id) ? await livePassOf(req.get("cookie"), req.query["as"]) : undefined;
  const pass = token ? await passOf(db, token) : undefined;
  if (over) return;
  if (!token || !pass || pass.classId !== id) {
    res.status(403).type("text").send("This class is not open here.");
    return;
  }
  const after = Number(req.query["after"] ?? 0);
  // Without a frame of chunks around each event: what is written to the connection itself is then what is sent.
  res.useChunkedEncodingByDefault = false;
  res.set({
    "content-type": "text/event-stream",
    "cache-control": "no-cache, no-transform",
    "x-accel-buffering": "no",
  });
  const send = (event: Buffer) => {
    if (over || res.destroyed || res.writableEnded) return;
    if (res.writableLength > MOST_UNSENT) res.destroy();
    // After the first, which takes the headers along, straight to the connection: with 300 devices that is a quarter of what a command costs.
    else if (res.headersSent && res.socket) res.socket.write(event);
    else res.write(event);
  };
  timers.push(setInterval(() => send(eventOf("beat", { now: now() })), BEAT_MS));
  // A wall’s code can be replaced, and whoever leads leave the club: then what was opened is shut, too.
  const stillOpen = async () => {
    if ((await passOf(db, token)) || over) return;
    send(eventOf("shut", {}));
    res.end();
  };
  if (pass.kind !== "athlete") timers.push(setInterval(() => void stillOpen().catch(() => undefined), STILL_OPEN_MS));
  try {
    leave = await hub.watch(pass.club, pass.classId, Number.isSafeInteger(after) && after > 0 ? after : 0, {
      remote: pass.kind === "remote",
      send,
    });
  } catch (error) {
    end();
    throw error;
  }
  if (!leave) {
    end();
    res.removeHeader("content-type");
    res.status(503).type("text").send("So many devices follow this class that no more can.");
    return;
  }
  // Gone while it was being looked up.
  if (over) leave();
}
