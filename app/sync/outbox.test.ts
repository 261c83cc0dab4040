import { describe, expect, it } from "vitest";
import { openOutbox, type Around } from "./outbox";
import { checkInItem, isOf, isSettled, runItem, sessionItem, type Answer, type Item } from "~/core/outbox/item";
import { memoryStore, type Store } from "~/core/outbox/store";

const T = 1_790_000_000_000;
const progress = (key: string, shareDone = 0.5) => ({
  key,
  person: { athleteId: null, name: "Tern" },
  shareDone,
  finished: false,
  begun: T,
  sent: undefined,
});
let stamps = 0;
const checkIn = (key: string, pain = false, now = T) =>
  checkInItem(
    "link",
    { run: progress(key), hard: 4, tightness: [], pain, painWhere: "", note: "", said: T },
    { now, stamp: `s${stamps++}` },
  );
const run = (key: string, share: number) => runItem("link", progress(key, share), { now: T, stamp: `s${stamps++}` });

/** A network that answers as it is told to, and otherwise takes everything; and a clock that goes only when it is turned. */
function world() {
  const state = {
    now: T,
    sent: [] as string[],
    script: [] as (Answer | (() => Answer | Promise<Answer>))[],
    locked: false,
    taken: new Map<string, number>(),
  };
  const timers: { at: number; work: () => void }[] = [];
  const send = async (item: Item): Promise<Answer> => {
    state.sent.push(item.key);
    const next = state.script.shift() ?? { kind: "taken" as const };
    const answer = typeof next === "function" ? await next() : next;
    if (answer.kind === "taken") state.taken.set(item.key, (state.taken.get(item.key) ?? 0) + 1);
    return answer;
  };
  const pages: { look: () => Promise<void> }[] = [];
  const page = (
    store: Store,
    alone = async (work: () => Promise<void>) => {
      if (state.locked) return false;
      state.locked = true;
      try {
        await work();
      } finally {
        state.locked = false;
      }
      return true;
    },
    may?: Around["may"],
  ) => {
    const outbox = openOutbox({
      store,
      send,
      alone,
      ...(may && { may }),
      now: () => state.now,
      later: (ms, work) => {
        const timer = { at: state.now + ms, work };
        timers.push(timer);
        return () => void (timers.includes(timer) && timers.splice(timers.indexOf(timer), 1));
      },
      tell: () => pages.filter((one) => one !== outbox).forEach((one) => void one.look()),
    });
    pages.push(outbox);
    return outbox;
  };
  const settle = async () => {
    for (let i = 0; i < 200; i++) await Promise.resolve();
  };
  const turn = async (ms: number) => {
    const until = state.now + ms;
    for (;;) {
      await settle();
      const due = timers.filter((timer) => timer.at <= until).sort((a, b) => a.at - b.at)[0];
      if (!due) break;
      timers.splice(timers.indexOf(due), 1);
      state.now = Math.max(state.now, due.at);
      due.work();
    }
    state.now = until;
    await settle();
  };
  return { state, page, settle, turn };
}

const offline: Answer = { kind: "offline" };

describe("the outbox", () => {
  it("keeps a check-in before it sends it, and lets it go once it has been taken", async () => {
    const { state, page, settle } = world();
    const items = new Map<string, Item>();
    const outbox = page(memoryStore(items));
    let keptAsItWasSent = false;
    state.script = [() => ((keptAsItWasSent = items.has("check-in:a")), { kind: "taken" })];
    expect(await outbox.add(checkIn("a", true))).toBeUndefined();
    await settle();
    expect(keptAsItWasSent).toBe(true);
    expect(outbox.items()).toEqual([]);
    expect(items.size).toBe(0);
  });

  it("looks no more for what another page has sent without its hearing of it", async () => {
    const { state, page, turn } = world();
    const items = new Map<string, Item>();
    const store = memoryStore(items);
    let looks = 0;
    const outbox = page({ ...store, all: () => (looks++, store.all()) });
    state.script = [offline];
    await outbox.add(checkIn("a"));
    await turn(0);
    items.clear();
    await turn(60_000);
    expect(outbox.items()).toEqual([]);
    const before = looks;
    await turn(600_000);
    expect(looks).toBe(before);
  });

  it("tries again after 1, 2 and 4 seconds, and at once when the connection is back", async () => {
    const { state, page, turn } = world();
    const outbox = page(memoryStore());
    state.script = Array<Answer>(9).fill(offline);
    await outbox.add(checkIn("a"));
    await turn(0);
    expect(state.sent).toHaveLength(1);
    await turn(999);
    expect(state.sent).toHaveLength(1);
    await turn(1);
    expect(state.sent).toHaveLength(2);
    await turn(2_000);
    expect(state.sent).toHaveLength(3);
    await turn(3_900);
    expect(state.sent).toHaveLength(3);
    state.script = [];
    await outbox.wake();
    expect(outbox.items()).toEqual([]);
  });

  it("asks a thin connection for one thing at a time, and a dead one for one thing only", async () => {
    const { state, page, turn } = world();
    const outbox = page(memoryStore());
    state.script = [offline];
    await Promise.all(["a", "b", "c"].map((key) => outbox.add(checkIn(key))));
    await turn(0);
    expect(state.sent).toEqual(["check-in:a"]);
    await turn(1_100);
    expect(state.sent).toEqual(["check-in:a", "check-in:a", "check-in:b", "check-in:c"]);
    expect(outbox.items()).toEqual([]);
  });

  it("lets nothing that the server is too busy for hold up what it is not", async () => {
    const { state, page, turn } = world();
    const outbox = page(memoryStore());
    state.script = [{ kind: "busy", seconds: 20 }];
    await outbox.add(checkIn("a"));
    await outbox.add(checkIn("b"));
    await turn(100);
    expect(outbox.items().map(({ key }) => key)).toEqual(["check-in:a"]);
    await turn(20_000);
    expect(outbox.items()).toEqual([]);
  });

  it("keeps what was refused, with why, until somebody has told it", async () => {
    const { state, page, turn } = world();
    const outbox = page(memoryStore());
    state.script = [{ kind: "refused", words: "Too long." }];
    await outbox.add(checkIn("a", true));
    await turn(3_600_000);
    expect(state.sent).toHaveLength(1);
    expect(outbox.items()).toMatchObject([{ state: "refused", words: "Too long.", body: { pain: true } }]);
    expect(outbox.items().filter((item) => !isSettled(item))).toEqual([]);
    await outbox.drop("check-in:a");
    expect(outbox.items()).toEqual([]);
  });

  it("sends what was changed while it was on its way", async () => {
    const { state, page, turn } = world();
    const outbox = page(memoryStore());
    state.script = [async () => (await outbox.add(run("a", 0.9)), { kind: "taken" })];
    await outbox.add(run("a", 0.4));
    await turn(100);
    expect(state.sent).toEqual(["run:a", "run:a"]);
    expect(outbox.items()).toEqual([]);
  });

  it("never takes what was said of edits before for an answer to those made since", async () => {
    const { state, page, turn } = world();
    const outbox = page(memoryStore());
    const edits = (words: string) =>
      sessionItem(
        "a",
        { coach: "ana", club: "kestrel" },
        { basedOn: 1, doc: { words }, title: "Gigs" },
        { now: T, stamp: `s${stamps++}` },
      );
    state.script = [async () => (await outbox.add(edits("mended")), { kind: "refused", words: "Too long." })];
    await outbox.add(edits("too long"));
    await turn(100);
    expect(state.sent).toEqual(["session:a:ana", "session:a:ana"]);
    expect(outbox.items()).toEqual([]);
  });

  it("goes on after it was closed in the middle, and sends what may not have arrived", async () => {
    const { state, page, settle, turn } = world();
    const store = memoryStore();
    const before = page(store, async (work) => (await work(), true));
    state.script = [() => new Promise<Answer>(() => undefined)];
    void before.add(checkIn("a", true));
    await settle();
    const after = page(store, async (work) => (await work(), true));
    await after.open();
    await turn(0);
    expect(state.sent).toEqual(["check-in:a", "check-in:a"]);
    expect(after.items()).toEqual([]);
  });

  it("of two pages one sends; what the other has is not left behind", async () => {
    const { state, page, settle, turn } = world();
    const store = memoryStore();
    const [one, two] = [page(store), page(store)];
    let let1: (answer: Answer) => void = () => undefined;
    state.script = [() => new Promise<Answer>((resolve) => (let1 = resolve))];
    await one.add(checkIn("a"));
    await settle();
    await two.add(checkIn("b"));
    await settle();
    expect(state.sent).toEqual(["check-in:a"]);
    let1({ kind: "taken" });
    await turn(2_000);
    expect([...state.taken]).toEqual([
      ["check-in:a", 1],
      ["check-in:b", 1],
    ]);
    expect([one.items(), two.items()]).toEqual([[], []]);
  });

  it("waits for the server to be brought up to date, and for whoever is signed out", async () => {
    const { state, page, turn } = world();
    const outbox = page(memoryStore());
    state.script = [{ kind: "newer" }, { kind: "signed-out" }];
    await outbox.add(checkIn("a"));
    await turn(60_000);
    expect(outbox.items()).toMatchObject([{ state: "signed-out" }]);
    await turn(60_000);
    expect(outbox.items()).toEqual([]);
  });

  it("has no room for more of a run than a device keeps, and always for a check-in", async () => {
    const { state, page, turn } = world();
    const outbox = page(memoryStore());
    state.script = Array<Answer>(999).fill(offline);
    for (let i = 0; i < 200; i++) await outbox.add(run(`${i}`, 0.1));
    expect(await outbox.add(run("x", 0.1))).toMatch(/too much/);
    expect(await outbox.add(checkIn("y", true))).toBeUndefined();
    await turn(0);
    expect(outbox.items()).toHaveLength(201);
  });

  it("forgets everything, and sends nothing of it any more", async () => {
    const { state, page, turn } = world();
    const outbox = page(memoryStore());
    state.script = Array<Answer>(99).fill(offline);
    await outbox.add(checkIn("a"));
    await outbox.add(run("b", 0.2));
    await turn(0);
    await outbox.forget();
    expect(outbox.items()).toEqual([]);
    const sent = state.sent.length;
    await turn(600_000);
    expect(state.sent).toHaveLength(sent);
  });
});

describe("what a coach edited", () => {
  const me = { coach: "ana", club: "kestrel" };
  const edits = (session: string, words: string, whose = me) =>
    sessionItem(session, whose, { basedOn: 1, doc: { words }, title: "Gigs" }, { now: T, stamp: `s${stamps++}` });

  it("is sent once its desk is closed, as whoever made it", async () => {
    const { state, page, turn } = world();
    let may: (item: Item) => boolean = () => false;
    const outbox = page(memoryStore(), undefined, () => Promise.resolve((item: Item) => may(item)));
    await outbox.add(edits("a", "one"));
    await outbox.add(edits("b", "two", { coach: "ben", club: "kestrel" }));
    await turn(600_000);
    expect(state.sent).toEqual([]);
    may = (item) => isOf(item, me);
    await outbox.wake();
    expect(state.sent).toEqual(["session:a:ana"]);
    expect(outbox.items().map(({ key }) => key)).toEqual(["session:b:ben"]);
    for (const other of [
      { coach: "ana", club: "other" },
      { coach: "ben", club: "kestrel" },
    ])
      expect(isOf(edits("a", ""), other)).toBe(false);
    expect(isOf(checkIn("x"), me)).toBe(false);
  });

  it("is the last of it only, and waits for its coach where it is newer elsewhere", async () => {
    const { state, page, turn } = world();
    const outbox = page(memoryStore());
    state.script = [offline, { kind: "newer" }];
    await outbox.add(edits("a", "one"));
    await turn(0);
    await outbox.add(edits("a", "two"));
    await turn(3_600_000);
    expect(state.sent).toHaveLength(2);
    expect(outbox.items()).toMatchObject([{ state: "newer", body: { doc: { words: "two" } } }]);
    // Not even after a year does it go by itself.
    await turn(365 * 24 * 3_600_000);
    await outbox.wake();
    expect(state.sent).toHaveLength(2);
    expect(outbox.items()).toHaveLength(1);
    // Edited on, it is tried again.
    await outbox.add(edits("a", "three"));
    await turn(100);
    expect(outbox.items()).toEqual([]);
  });
});
