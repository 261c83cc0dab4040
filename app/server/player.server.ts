import { now } from "~/core/clock/clock";
import { readMessage } from "./forms.server";
import type { z } from "zod";
import type { CheckIn, Progress } from "~/core/checkin/schema";
import { parseWith } from "~/core/faults";
import { ITEM_VERSION } from "~/core/outbox/item";
import { editionOf, findOpenLink, linkOf, type LinkFound, type OpenLink } from "~/db/links";
import { isKnownRun } from "~/db/runs";
import { secondsToWait } from "./limits.server";
import { getServices } from "./services.server";
import { opening } from "./opening.server";

const TOKEN = /^[A-Za-z0-9_-]{24}$/;

const WITHDRAWN = "This link has been withdrawn. Ask your coach for a new one.";

/** Refuses a link that opens nothing. Guessing is slowed down; whoever has a link that opens is never kept waiting by somebody else's guesses. */
async function noSuchLink(address: string): Promise<Response> {
  const wait = await secondsToWait("badLink", address);
  if (wait > 0)
    return new Response(`Too many links that do not open. Try again in ${Math.ceil(wait / 60)} minutes.`, {
      status: 429,
    });
  return new Response("There is no session behind this link. Check that all of it was copied, or ask your coach.", {
    status: 404,
  });
}

/** Finds what a link opens. The edition itself is not read: it can be long, and most who ask have it already. */
export async function findForPlayer(
  token: string | undefined,
  address: string,
  countOpening: boolean,
): Promise<LinkFound> {
  const found = token && TOKEN.test(token) ? await findOpenLink(getServices().db, token, countOpening) : undefined;
  if (found === "withdrawn") throw new Response(WITHDRAWN, { status: 410 });
  if (!found) throw await noSuchLink(address);
  return found;
}

/** Opens a link for a player, with its edition. */
export async function openForPlayer(token: string | undefined, address: string): Promise<OpenLink> {
  const found = await findForPlayer(token, address, false);
  return { ...found, edition: { ...found.edition, doc: await opening(editionOf(getServices().db, found)) } };
}

/** So long after a link was withdrawn somebody who was under way can still tell how it was. */
const STILL_TOLD_MS = 3 * 3_600_000;

/** Largest message a player may send, in characters. */
const LARGEST = 20_000;

export type Report<M> = { opened: LinkFound; message: M; fold: boolean };

/**
 * Reads what a device reports of a run. Counted by run, so that a room of phones behind one address never shares a limit;
 * what is no report at all is counted by link and address. A link that was withdrawn takes reports for three hours more; they
 * are kept under their link.
 */
export async function readReport<M extends Progress | CheckIn>(
  request: Request,
  token: string | undefined,
  address: string,
  schema: z.ZodType<M>,
  keyOf: (message: M) => string,
): Promise<Report<M>> {
  const found = token && TOKEN.test(token) ? await linkOf(getServices().db, token) : undefined;
  if (!found) throw await noSuchLink(address);
  const { opened, withdrawnAt } = found;
  if (withdrawnAt && now() - withdrawnAt.getTime() > STILL_TOLD_MS) throw new Response(WITHDRAWN, { status: 410 });
  const read = parseWith(schema, await readMessage(request, LARGEST));
  if (!read.ok) {
    // From a page that is newer than this server, as while several are being brought up to date: it waits for one that can read it.
    if (Number(request.headers.get("mapset-item")) > ITEM_VERSION)
      throw Response.json({ kind: "newer" }, { status: 409 });
    if ((await secondsToWait("badReport", `${opened.id} ${address}`)) > 0)
      throw Response.json({ kind: "wait" }, { status: 429 });
    throw Response.json({ kind: "refused", faults: read.faults }, { status: 422 });
  }
  // Counted from the second report on: keys that nobody keeps are not remembered either.
  const key = keyOf(read.value);
  if (
    (await isKnownRun(getServices().db, opened, key)) &&
    (await secondsToWait("runReport", `${opened.id} ${key}`)) > 0
  )
    throw Response.json({ kind: "wait" }, { status: 429 });
  return { opened, message: read.value, fold: withdrawnAt !== null };
}
