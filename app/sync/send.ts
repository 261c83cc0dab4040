import { now } from "~/core/clock/clock";
import type { Answer, Item } from "~/core/outbox/item";

const LONGEST_MS = 20_000;

/** Where an item goes and what of it is sent: its body, with what the device's clock shows as it leaves. */
function sending(item: Item): { to: string; body: unknown } {
  const { whose: { link } } = item;
  switch (item.kind) {
    case "run":
      return { to: `/f/${link}/progress`, body: { ...item.body, sent: now() } };
    case "check-in":
      return { to: `/f/${link}/check-in`, body: { ...item.body, run: { ...item.body.run, sent: now() } } };
  }
}

/** Every answer of Mapset has a number of its own; the sign-in page of a hall's network, which answers everything, has none. */
const isMapsets = (answer: Response): boolean => answer.headers.has("x-request-id");

/** What an answer means for what was sent. */
export async function answerOf(answer: Response): Promise<Answer> {
  if (answer.status >= 500 || answer.status === 429 || answer.status === 408) {
    const seconds = Number(answer.headers.get("retry-after"));
    return { kind: "busy", ...(Number.isFinite(seconds) && seconds > 0 && { seconds }) };
  }
  if (!isMapsets(answer)) return { kind: "offline" };
  if (answer.ok) return { kind: "taken" };
  if (answer.status === 401) return { kind: "signed-out" };
  if (answer.status === 409) return { kind: "newer" };
  return { kind: answer.status === 410 ? "gone" : "refused", words: await wordsOf(answer) };
}

const LONGEST_WORDS = 300;

/** The sentence of a refusal: its text, or its faults one after another. */
async function wordsOf(answer: Response): Promise<string> {
  const text = await answer.text().catch(() => "");
  try {
    const { faults = [] } = JSON.parse(text) as { faults?: { path: string; message: string }[] };
    return faults.map(({ path, message }) => `${path} ${message}`.trim()).join("; ").slice(0, LONGEST_WORDS);
  } catch {
    return /^\s*</.test(text) ? "" : text.slice(0, LONGEST_WORDS);
  }
}

/** Sends an item. */
export async function send(item: Item): Promise<Answer> {
  const { to, body } = sending(item);
  const over = new AbortController();
  const timer = setTimeout(() => over.abort(), LONGEST_MS);
  try {
    return await answerOf(await fetch(to, { method: "POST", headers: { "content-type": "application/json", "mapset-item": String(item.version) }, body: JSON.stringify(body), signal: over.signal }));
  } catch {
    return { kind: "offline" };
  } finally {
    clearTimeout(timer);
  }
}

/** Sends an item as its page goes away, when nothing can be waited for: it is kept besides. */
export function sendLeaving(item: Item): void {
  const { to, body } = sending(item);
  void fetch(to, { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(body), keepalive: true }).catch(() => undefined);
}
