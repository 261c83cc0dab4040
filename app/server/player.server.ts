import { openLink, type OpenLink } from "~/db/editions";
import { alreadyWaiting, secondsToWait } from "./limits.server";
import { getServices } from "./services.server";

const TOKEN = /^[A-Za-z0-9_-]{24}$/;

/** Opens a link for a player. Guessing is slowed down; a link that opens is never counted against anyone. */
export async function openForPlayer(token: string | undefined, address: string, countOpening: boolean): Promise<OpenLink> {
  const wait = await alreadyWaiting("badLink", address);
  if (wait > 0) throw new Response(`Too many links that do not open. Try again in ${Math.ceil(wait / 60)} minutes.`, { status: 429 });
  const opened = token && TOKEN.test(token) ? await openLink(getServices().db, token, countOpening) : undefined;
  if (opened === "withdrawn") throw new Response("This link has been withdrawn. Ask your coach for a new one.", { status: 410 });
  if (!opened) {
    await secondsToWait("badLink", address);
    throw new Response("There is no session behind this link. Check that all of it was copied, or ask your coach.", { status: 404 });
  }
  return opened;
}

/** Largest message a player may send, in characters. */
const LARGEST = 20_000;

/** Reads a player's message as JSON, or undefined when it is none or far too long. */
export async function readMessage(request: Request): Promise<unknown> {
  const text = await request.text().catch(() => "");
  if (text.length > LARGEST) return undefined;
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
