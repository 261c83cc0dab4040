import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  isSaved,
  isStopped,
  opened,
  shown,
  step,
  type Copy,
  type LocalCopy,
  type Effect,
  type Event,
  type How,
  type Saving,
} from "./saving";

type Doc = { text: string };
const doc = (text: string): Doc => ({ text });
const copy = (text: string, revision: number): Copy<Doc> => ({ doc: doc(text), revision, updatedAt: `at ${revision}` });
const FIRST = copy("first", 3);

/** What comes of several events one after another, and all that was to be done. */
function after(events: Event<Doc>[], how: How = "by itself", from = opened(FIRST, how)) {
  const effects: Effect<Doc>[] = [];
  let state = from;
  for (const event of events) {
    const [next, more] = step(state, event);
    state = next;
    effects.push(...more);
  }
  return { state, effects, kinds: effects.map(({ kind }) => kind) };
}
const ready: Event<Doc> = { kind: "restored" };
const saved = (revision: number): Event<Doc> => ({
  kind: "answered",
  answer: { kind: "saved", revision, updatedAt: `at ${revision}` },
});
const [one, two] = [doc("one"), doc("two")];
const edit = (to: Doc): Event<Doc> => ({ kind: "edited", doc: to });

describe("a document that saves itself", () => {
  it("keeps an edit in the browser at once, and sends it over the revision it was made from a moment later", () => {
    const { state, effects } = after([ready, edit(one), { kind: "try" }]);
    expect(effects).toEqual([
      { kind: "keep draft", draft: { basedOn: 3, doc: one } },
      { kind: "wait" },
      { kind: "send", basedOn: 3, doc: one },
    ]);
    expect(shown(state)).toEqual({ kind: "saving" });
  });

  it("is saved once it is answered, tells the other pages and lets the draft go", () => {
    const { state, kinds } = after([ready, edit(one), { kind: "try" }, saved(4)]);
    expect(shown(state)).toEqual({ kind: "saved", at: "at 4" });
    expect(kinds.slice(-2)).toEqual(["announce", "drop draft"]);
  });

  it("saves what was edited while the first was on its way after it, over the new revision, and never two at once", () => {
    const { state, effects } = after([ready, edit(one), { kind: "try" }, edit(two), { kind: "try" }, saved(4)]);
    expect(effects.filter(({ kind }) => kind === "send")).toHaveLength(1);
    expect(effects.slice(-2)).toEqual([{ kind: "keep draft", draft: { basedOn: 4, doc: two } }, { kind: "wait" }]);
    expect(after([{ kind: "try" }], "by itself", state).effects).toEqual([{ kind: "send", basedOn: 4, doc: two }]);
  });

  it("undone, back to what is saved, has nothing to send and no draft", () => {
    const { state, kinds } = after([ready, edit(one), edit(FIRST.doc), { kind: "try" }]);
    expect([isSaved(state), kinds.at(-1), kinds.includes("send")]).toEqual([true, "drop draft", false]);
  });

  it("writes nothing and sends nothing until what an earlier visit left is known", () => {
    const { kinds, state } = after([edit(one), { kind: "try" }, { kind: "leaving" }]);
    expect(kinds).toEqual([]);
    expect(after([ready], "by itself", state).kinds).toEqual(["keep draft", "wait"]);
  });

  it("goes on from what an earlier visit left of this revision", () => {
    const { state, effects } = after([{ kind: "restored", draft: { basedOn: 3, doc: one } }]);
    expect(effects).toEqual([{ kind: "replace", doc: one, why: "restored" }, { kind: "wait" }]);
    expect(shown(state)).toEqual({ kind: "waiting" });
  });

  it("asks about what an earlier visit left of an older revision, and keeps it one of that", () => {
    const { state, effects } = after([
      { kind: "restored", draft: { basedOn: 2, doc: one } },
      { kind: "try" },
      edit(two),
      { kind: "leaving" },
    ]);
    expect(shown(state)).toEqual({ kind: "newer", stored: FIRST });
    expect(effects.map(({ kind }) => kind)).toEqual(["replace", "keep draft", "keep draft"]);
    expect(effects.at(-1)).toEqual({ kind: "keep draft", draft: { basedOn: 2, doc: two } });
  });

  it("lets go of a draft that is just what is saved", () => {
    expect(after([{ kind: "restored", draft: { basedOn: 2, doc: doc("first") } }]).kinds).toEqual(["drop draft"]);
  });

  it("waits where there is no connection, says where it is kept, and sends it again", () => {
    const { state } = after([ready, edit(one), { kind: "try" }, { kind: "lost", where: "page" }]);
    expect(shown(state)).toEqual({ kind: "offline", where: "page" });
    expect(after([{ kind: "again" }], "by itself", state).effects).toEqual([{ kind: "send", basedOn: 3, doc: one }]);
  });

  it("tries what was refused again once it is edited, and not before an edit of something gone", () => {
    const faults = [{ path: "title", message: "is empty" }];
    const refused = after([
      ready,
      edit(one),
      { kind: "try" },
      { kind: "answered", answer: { kind: "refused", faults } },
    ]);
    expect(shown(refused.state)).toEqual({ kind: "refused", faults });
    expect(after([edit(two)], "by itself", refused.state).kinds).toEqual(["keep draft", "wait"]);
    const gone = after([ready, edit(one), { kind: "try" }, { kind: "answered", answer: { kind: "gone" } }]);
    expect(after([edit(two), { kind: "try" }, { kind: "again" }], "by itself", gone.state).kinds).toEqual([
      "keep draft",
    ]);
  });

  it("does not stop for a newer copy that is just what was sent: a page that went away has saved it", () => {
    const newer = { kind: "newer", stored: copy("one", 4) } as const;
    const { state } = after([ready, edit(one), { kind: "try" }, { kind: "answered", answer: newer }]);
    expect(shown(state)).toEqual({ kind: "saved", at: "at 4" });
  });

  it("follows another page where nothing is unsaved, and otherwise stops until somebody has chosen", () => {
    const elsewhere: Event<Doc> = { kind: "elsewhere", stored: copy("theirs", 4) };
    const followed = after([ready, elsewhere]);
    expect(followed.effects).toEqual([{ kind: "replace", doc: doc("theirs"), why: "followed" }]);
    expect(isSaved(followed.state)).toBe(true);
    const stopped = after([ready, edit(one), elsewhere, { kind: "try" }]);
    expect([isStopped(stopped.state), stopped.kinds.includes("send")]).toEqual([true, false]);
    expect(after([ready, { kind: "elsewhere", stored: copy("old", 3) }]).effects).toEqual([]);
  });

  it("stays with what has to be chosen about, whatever comes of what was on its way", () => {
    const heard = after([ready, edit(one), { kind: "try" }, { kind: "elsewhere", stored: copy("theirs", 5) }]).state;
    for (const event of [saved(4), { kind: "lost", where: "browser" } as const])
      expect(shown(after([event], "by itself", heard).state)).toEqual({ kind: "newer", stored: copy("theirs", 5) });
    expect(shown(after([saved(5)], "by itself", heard).state).kind).toBe("saved");
  });

  it("undone while it is on its way is still an edit: what was sent may have got there", () => {
    const undone = after([ready, edit(one), { kind: "try" }, edit(FIRST.doc)]);
    expect(undone.effects.at(-2)).toEqual({ kind: "keep draft", draft: { basedOn: 3, doc: FIRST.doc } });
    const heard = after([{ kind: "elsewhere", stored: copy("theirs", 5) }], "by itself", undone.state);
    expect(isStopped(heard.state)).toBe(true);
  });

  it("keeps mine over the newer copy, or takes that one", () => {
    const stored = copy("theirs", 4);
    const stopped = after([ready, edit(one), { kind: "elsewhere", stored }]).state;
    expect(after([{ kind: "keep mine", stored }, { kind: "try" }], "by itself", stopped).effects).toEqual([
      { kind: "keep draft", draft: { basedOn: 4, doc: one } },
      { kind: "wait" },
      { kind: "send", basedOn: 4, doc: one },
    ]);
    const taken = after([{ kind: "take", stored }], "by itself", stopped);
    expect(taken.kinds).toEqual(["drop draft", "replace"]);
    expect(shown(taken.state)).toEqual({ kind: "saved", at: "at 4" });
  });

  it("sends what is left as the page goes away, unless that is on its way", () => {
    expect(after([ready, edit(one), { kind: "leaving" }]).kinds).toEqual([
      "keep draft",
      "wait",
      "keep draft",
      "send leaving",
    ]);
    expect(after([ready, edit(one), { kind: "try" }, { kind: "leaving" }]).kinds.at(-1)).toBe("keep draft");
    expect(after([ready, { kind: "leaving" }]).kinds).toEqual([]);
  });
});

describe("a document that is saved when somebody says so", () => {
  const told = (events: Event<Doc>[]) => after([ready, ...events], "when told");

  it("does nothing with edits until then", () => {
    const { kinds, state } = told([edit(one), { kind: "again" }, { kind: "leaving" }]);
    expect([kinds, shown(state)]).toEqual([[], { kind: "changed" }]);
  });

  it("is held by the browser as it is sent, and let go once it is there", () => {
    const { effects } = told([edit(one), { kind: "try" }, saved(4)]);
    expect(effects).toEqual([
      { kind: "keep draft", draft: { basedOn: 3, doc: one } },
      { kind: "send", basedOn: 3, doc: one },
      { kind: "announce", revision: 4 },
      { kind: "drop draft" },
    ]);
  });

  it("sends again what was told to be saved, not what was edited since", () => {
    const { effects, state } = told([
      edit(one),
      { kind: "try" },
      { kind: "lost", where: "browser" },
      edit(two),
      { kind: "again" },
    ]);
    expect(effects.at(-1)).toEqual({ kind: "send", basedOn: 3, doc: one });
    const then = after([saved(4)], "when told", state);
    expect([then.kinds, shown(then.state)]).toEqual([["announce", "drop draft"], { kind: "changed" }]);
  });

  it("is let go with what the browser holds of it, and not sent again", () => {
    const { kinds, state } = told([
      edit(one),
      { kind: "try" },
      { kind: "lost", where: "browser" },
      { kind: "let go" },
      { kind: "again" },
    ]);
    expect([kinds.slice(-1), state.drafted]).toEqual([["drop draft"], undefined]);
  });

  it("has nothing left to send once a newer copy was taken while it was on its way, though the way is lost", () => {
    const theirs = { doc: doc("theirs"), revision: FIRST.revision + 1, updatedAt: "later" };
    const { state } = told([
      edit(one),
      { kind: "try" },
      { kind: "elsewhere", stored: theirs },
      { kind: "take", stored: theirs },
      { kind: "lost", where: "browser" },
    ]);
    expect(shown(state)).toEqual({ kind: "saved", at: "later" });
  });
  it("says what was refused until it is tried again, also while it is being mended", () => {
    const faults = [{ path: "name", message: "is empty" }];
    const { state } = told([
      edit(one),
      { kind: "try" },
      { kind: "answered", answer: { kind: "refused", faults } },
      edit(two),
    ]);
    expect(shown(state)).toEqual({ kind: "refused", faults });
  });
});

/** A browser whose page may go at any time, a server, another device, and a network that loses what is asked or answered. */
class World {
  server: Copy<Doc> = FIRST;
  /** By whom each revision was made, or seen before it was written over. */
  seen = new Set([FIRST.revision]);
  draft: LocalCopy<Doc> | undefined;
  onTheWay: { basedOn: number; doc: Doc } | undefined;
  page: Saving<Doc>;
  waits = false;

  constructor() {
    this.page = opened(this.server, "by itself");
    this.tell({ kind: "restored" });
  }

  tell(event: Event<Doc>): void {
    const [next, effects] = step(this.page, event);
    this.page = next;
    for (const effect of effects) {
      if (effect.kind === "keep draft") this.draft = effect.draft;
      if (effect.kind === "drop draft") this.draft = undefined;
      if (effect.kind === "wait") this.waits = true;
      if (effect.kind === "send") this.onTheWay = effect;
      if (effect.kind === "send leaving") this.write(effect);
    }
  }

  /** What the server does with it. */
  write({ basedOn, doc: sent }: { basedOn: number; doc: Doc }) {
    if (basedOn !== this.server.revision) return { kind: "newer", stored: this.server } as const;
    // Whoever writes over a revision has seen it.
    expect(this.seen.has(basedOn)).toBe(true);
    const revision = basedOn + 1;
    this.server = { doc: sent, revision, updatedAt: `at ${revision}` };
    this.seen.add(revision);
    return { kind: "saved", revision, updatedAt: this.server.updatedAt } as const;
  }

  network(gets: "there and back" | "there" | "nowhere"): void {
    const sent = this.onTheWay;
    this.onTheWay = undefined;
    if (!sent) return;
    const answer = gets === "nowhere" ? undefined : this.write(sent);
    this.tell(answer && gets === "there and back" ? { kind: "answered", answer } : { kind: "lost", where: "browser" });
  }

  otherDevice(text: string): void {
    this.server = copy(text, this.server.revision + 1);
  }

  reload(): void {
    this.tell({ kind: "leaving" });
    // What was on its way may have got there without an answer.
    if (this.onTheWay) this.write(this.onTheWay);
    this.onTheWay = undefined;
    this.page = opened(this.server, "by itself");
    this.seen.add(this.server.revision);
    this.tell({ kind: "restored", draft: this.draft });
  }

  choose(mine: boolean): void {
    const { trouble } = this.page;
    if (trouble?.kind !== "newer") return;
    this.seen.add(trouble.stored.revision);
    this.tell({ kind: mine ? "keep mine" : "take", stored: trouble.stored });
  }
}

type Act = (world: World) => void;
let texts = 0;
const act: fc.Arbitrary<Act> = fc.oneof(
  { weight: 4, arbitrary: fc.constant<Act>((w) => w.tell({ kind: "edited", doc: doc(`edit ${++texts}`) })) },
  { weight: 3, arbitrary: fc.constant<Act>((w) => w.tell({ kind: "try" })) },
  {
    weight: 3,
    arbitrary: fc.constantFrom("there and back", "there", "nowhere").map(
      (gets): Act =>
        (w) =>
          w.network(gets),
    ),
  },
  fc.constant<Act>((w) => w.tell({ kind: "again" })),
  fc.constant<Act>((w) => w.otherDevice(`theirs ${++texts}`)),
  fc.constant<Act>((w) => w.tell({ kind: "elsewhere", stored: w.server })),
  fc.constant<Act>((w) => w.reload()),
  fc.boolean().map(
    (mine): Act =>
      (w) =>
        w.choose(mine),
  ),
);

const FOUND: Act[] = [
  (w) => w.otherDevice("theirs"),
  (w) => w.tell({ kind: "edited", doc: doc("edit") }),
  (w) => w.tell({ kind: "try" }),
  (w) => w.tell({ kind: "elsewhere", stored: w.server }),
  (w) => w.choose(false),
  (w) => w.network("nowhere"),
];

describe("whatever happens", () => {
  it("no edit is lost, nothing is written over unseen, and all is saved once there is a connection", () => {
    fc.assert(
      fc.property(fc.array(act, { maxLength: 60 }), (acts) => {
        const world = new World();
        for (const one of acts) {
          one(world);
          // A followed copy has been shown.
          if (isSaved(world.page)) world.seen.add(world.page.saved.revision);
          // What is on the page is on the server, or in the browser for the next visit.
          if (!isSaved(world.page)) expect(world.draft?.doc).toBe(world.page.doc);
        }
        for (let i = 0; i < 6; i++) {
          world.choose(true);
          world.tell({ kind: "try" });
          world.network("there and back");
        }
        expect(shown(world.page).kind).toBe("saved");
        // One without edits of its own hears what another device has saved.
        world.tell({ kind: "elsewhere", stored: world.server });
        expect(world.server.doc).toEqual(world.page.doc);
        expect(world.draft).toBeUndefined();
      }),
      // What was once found: theirs is taken while an edit is on its way, and the way is lost.
      { numRuns: 2000, examples: [[FOUND]] },
    );
  });
});
