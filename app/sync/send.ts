import { now } from "~/core/clock/clock";
import { sameJson } from "~/core/same-json";
import { ownDrillId } from "~/core/drills/own";
import { sessionOf, type Answer, type Item } from "~/core/outbox/item";

const LONGEST_MS = 20_000;

/** Where an item goes and what of it is sent: its body, with what the device's clock shows as it leaves. */
function sending(item: Item): { to: string; body: unknown } {
  switch (item.kind) {
    case "run":
      return { to: `/f/${item.whose.link}/progress`, body: { ...item.body, sent: now() } };
    case "check-in":
      return { to: `/f/${item.whose.link}/check-in`, body: { ...item.body, run: { ...item.body.run, sent: now() } } };
    case "session":
      return { to: `/sessions/${item.thing}/save`, body: { basedOn: item.body.basedOn, doc: item.body.doc } };
    case "drill":
      return {
        to: `/library/${ownDrillId(item.thing, item.body.basedOn)}/keep`,
        body: { basedOn: item.body.basedOn, doc: item.body.doc },
      };
    case "setting":
      return { to: `/sessions/${sessionOf(item)}/setting`, body: { fields: item.body.fields } };
  }
}

/** Every answer of Mapset has a number of its own; the sign-in page of a hall's network, which answers everything, has none. */
const isMapsets = (answer: Response): boolean => answer.headers.has("x-request-id");

/** What an answer means for what was sent. */
export async function answerOf(answer: Response, body?: unknown): Promise<Answer> {
  if (answer.status >= 500 || answer.status === 429 || answer.status === 408) {
    const seconds = Number(answer.headers.get("retry-after"));
    return { kind: "busy", ...(Number.isFinite(seconds) && seconds > 0 && { seconds }) };
  }
  if (!isMapsets(answer)) return { kind: "offline" };
  if (answer.ok) {
    // Read to its end, or its connection would be held.
    await answer.text().catch(() => "");
    return { kind: "taken" };
  }
  if (answer.status === 401) return { kind: "signed-out" };
  if (answer.status === 409) return { kind: (await isThere(answer, body)) ? "taken" : "newer" };
  return { kind: answer.status === 410 ? "gone" : "refused", words: await wordsOf(answer) };
}

/** Whether what is newer there is just what was sent: a page that went away has sent it before. */
async function isThere(answer: Response, body: unknown): Promise<boolean> {
  const { stored } = (await answer.json().catch(() => ({}))) as { stored?: { doc: unknown } };
  return stored !== undefined && sameJson(stored.doc, (body as { doc?: unknown }).doc);
}

const LONGEST_WORDS = 300;

/** The sentence of a refusal: its text, or its faults one after another. */
async function wordsOf(answer: Response): Promise<string> {
  const text = await answer.text().catch(() => "");
  try {
    const { faults = [] } = JSON.parse(text) as { faults?: { path: string; message: string }[] };
    return asSentence(faults.map(({ path, message }) => `${path} ${message}`.trim()).join("; "));
  } catch {
    return /^\s*</.test(text) ? "" : asSentence(text);
  }
}

function asSentence(text: string): string {
  const short = text.trim().slice(0, LONGEST_WORDS);
  return short === "" ? "" : `${short[0]!.toUpperCase()}${short.slice(1)}${/[.!?…]$/.test(short) ? "" : "."}`;
}

/** Sends an item. */
export async function send(item: Item): Promise<Answer> {
  const { to, body } = sending(item);
  const over = new AbortController();
  const timer = setTimeout(() => over.abort(new Error("No answer in time.")), LONGEST_MS);
  try {
    return await answerOf(
      await fetch(to, {
        method: "POST",
        headers: { "content-type": "application/json", "mapset-item": String(item.version) },
        body: JSON.stringify(body),
        signal: over.signal,
      }),
      body,
    );
  } catch {
    return { kind: "offline" };
  } finally {
    clearTimeout(timer);
  }
}

/** Sends an item as its page goes away, when nothing can be waited for: it is kept besides. */
export function sendLeaving(item: Item): void {
  const { to, body } = sending(item);
  void fetch(to, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
    keepalive: true,
  }).catch(() => undefined);
}
