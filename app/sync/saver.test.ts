import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { openSaver, type Around } from "./saver";
import type { Answer, Copy, LocalCopy, How } from "~/core/saving/saving";

type Doc = { text: string };
const FIRST: Copy<Doc> = { doc: { text: "first" }, revision: 1, updatedAt: "at 1" };

beforeEach(() => void vi.useFakeTimers({ toFake: ["setTimeout", "clearTimeout", "performance"] }));
afterEach(() => void vi.useRealTimers());

/** A page with a browser and a server around it; what is sent is answered as it is told to. */
function page(how: How = "by itself", left?: LocalCopy<Doc>) {
  const world = {
    server: FIRST,
    draft: left,
    sent: [] as Doc[],
    replaced: [] as string[],
    held: 0,
    answer: undefined as undefined | (() => Promise<Answer<Doc>>),
    known: () => Promise.resolve(true),
    heard: (_: number) => undefined as void,
  };
  const around: Around<Doc> = {
    drafts: {
      keep: (draft) => void (world.draft = draft),
      keepNow: () => Promise.resolve("browser"),
      drop: () => void (world.draft = undefined),
      read: () => Promise.resolve(world.draft),
    },
    send: async (basedOn, doc) => {
      world.sent.push(doc);
      if (world.answer) return world.answer();
      if (basedOn !== world.server.revision) return { kind: "newer", stored: world.server };
      world.server = { doc, revision: basedOn + 1, updatedAt: `at ${basedOn + 1}` };
      return Promise.resolve({ kind: "saved", revision: basedOn + 1, updatedAt: world.server.updatedAt });
    },
    sendLeaving: () => undefined,
    known: () => world.known(),
    replace: (doc) => {
      world.replaced.push(doc.text);
      saver.tell({ kind: "edited", doc });
    },
    newest: () => Promise.resolve(world.server),
    announce: () => undefined,
    hear: (listener) => {
      world.heard = listener;
      return () => undefined;
    },
    hold: () => {
      world.held++;
      return () => void world.held--;
    },
  };
  const saver = openSaver(FIRST, how, around);
  const edit = (text: string) => saver.tell({ kind: "edited", doc: { text } });
  return { world, saver, edit, end: saver.start() };
}

const pass = (ms: number) => vi.advanceTimersByTimeAsync(ms);

describe("a page that saves by itself", () => {
  it("sends once, a moment after the last of several edits", async () => {
    const { world, saver, edit } = page();
    await pass(0);
    for (const text of ["a", "ab", "abc"]) {
      edit(text);
      await pass(300);
    }
    expect(world.sent).toEqual([]);
    await pass(400);
    expect(world.sent).toEqual([{ text: "abc" }]);
    expect([saver.state().saved.revision, world.draft]).toEqual([2, undefined]);
  });

  it("saves everything before somebody goes on, also what was edited on the way", async () => {
    const { world, saver, edit } = page();
    await pass(0);
    edit("one");
    const flushed = saver.flush();
    edit("two");
    await pass(100);
    expect([await flushed, world.server.doc]).toEqual([true, { text: "two" }]);
  });

  it("says that it is not saved, at once without a connection and after some seconds without an answer", async () => {
    const { world, saver, edit } = page();
    await pass(0);
    edit("one");
    world.answer = () => Promise.reject(new Error("no network"));
    const flushed = saver.flush();
    await pass(100);
    expect([await flushed, saver.state().trouble]).toEqual([false, { kind: "offline", where: "browser" }]);
    world.answer = () => new Promise(() => undefined);
    const waited = saver.flush();
    await pass(9_900);
    expect(saver.state().sent).toBeDefined();
    await pass(200);
    expect(await waited).toBe(false);
  });

  it("holds the document until what it sends is answered, and hands on what is not saved", async () => {
    const { world, edit, end } = page();
    await pass(0);
    edit("one");
    let answer = (_: Answer<Doc>): void => undefined;
    world.answer = () => new Promise((resolve) => (answer = resolve));
    await pass(700);
    edit("two");
    end();
    await pass(1_000);
    expect(world.held).toBe(1);
    answer({ kind: "saved", revision: 2, updatedAt: "at 2" });
    await pass(100);
    expect([world.held, world.draft]).toEqual([0, { basedOn: 2, doc: { text: "two" } }]);
    // And sends no more itself.
    await pass(5_000);
    expect(world.sent).toHaveLength(1);
  });

  it("follows another page once all that its copy names is known", async () => {
    const { world, saver } = page();
    await pass(0);
    world.server = { doc: { text: "theirs" }, revision: 2, updatedAt: "at 2" };
    world.known = () => Promise.resolve(false);
    world.heard(2);
    await pass(10);
    expect(world.replaced).toEqual([]);
    world.known = () => Promise.resolve(true);
    world.heard(2);
    await pass(10);
    expect([world.replaced, saver.state().saved.revision]).toEqual([["theirs"], 2]);
  });

  it("waits with what an earlier visit left until all it names can be had", async () => {
    let there = false;
    const { world, saver } = page("by itself", { basedOn: 1, doc: { text: "left" } });
    world.known = () => (there ? Promise.resolve(true) : Promise.reject(new Error("no network")));
    await pass(3_000);
    expect([saver.state().restoring, world.replaced]).toEqual([true, []]);
    there = true;
    await pass(4_000);
    expect([saver.state().restoring, world.replaced]).toEqual([false, ["left"]]);
    await pass(700);
    expect(world.server.doc).toEqual({ text: "left" });
  });
});

describe("a page that saves when it is told to", () => {
  it("sends again what an earlier visit told to be saved, and nothing that was not", async () => {
    const { world, edit } = page("when told", { basedOn: 1, doc: { text: "told" } });
    await pass(0);
    edit("not told");
    await pass(10_000);
    expect(world.server.doc).toEqual({ text: "told" });
  });
});
