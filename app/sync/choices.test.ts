import fc from "fast-check";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { openChoices } from "./choices";
import { openOutbox } from "./outbox";
import { LATER_COUNTS, type Setting, type SettingField } from "~/core/documents/setting";
import { MOST_ITEMS, settingItem, type Answer, type Item } from "~/core/outbox/item";
import { memoryStore } from "~/core/outbox/store";
import { shown, type Marked } from "~/core/saving/choosing";
import { mergeFields, revisionOf, type Changes } from "~/core/saving/fields";

const FIRST: Setting = { groupId: null, demandId: null, accepted: [], locks: [], choices: [] };
const WHOSE = { coach: "ada", club: "kestrel" };

beforeEach(() => void vi.useFakeTimers({ toFake: ["setTimeout", "clearTimeout", "Date"] }));
afterEach(() => void vi.useRealTimers());

type Gets = "there and back" | "there" | "nowhere";
type Page = ReturnType<World["page"]>;

/** A server, a browser whose pages come and go, another device, and a network that loses what is asked or answered. */
class World {
  server: Marked<Setting> = { values: FIRST, marks: {} };
  items = new Map<string, Item>();
  gets: Gets = "there and back";
  refused: string | undefined;
  pages: { hears: () => void; look: () => Promise<void>; name: string }[] = [];
  names = 0;
  locked = false;
  asked = 0;
  /** What of the other device's somebody at the browser has had before them, by field and revision. */
  seen = new Set<string>();

  write(changes: Changes<Setting>): SettingField[] {
    for (const field of Object.keys(changes) as SettingField[]) {
      const mark = this.server.marks[field];
      const over = changes[field]!;
      const takes = over.by !== mark?.by && over.basedOn === revisionOf(this.server.marks, field);
      if (takes && mark?.by === "device" && over.by !== "device")
        expect(this.seen.has(`${field} ${mark.revision}`)).toBe(true);
    }
    const merged = mergeFields(this.server.values, this.server.marks, changes, LATER_COUNTS);
    this.server = { values: { ...this.server.values, ...merged.write }, marks: merged.marks };
    return merged.newer;
  }

  /** Another device, which shows what is there. */
  device(part: Partial<Setting>): void {
    const seq = ++this.names;
    for (const field of Object.keys(part) as SettingField[])
      this.write({ [field]: { value: part[field], basedOn: revisionOf(this.server.marks, field), by: "device", seq } });
  }

  async send(item: Item): Promise<Answer> {
    await new Promise((over) => setTimeout(over, 5));
    if (this.gets === "nowhere") return { kind: "offline" };
    if (this.refused) return { kind: "refused", words: this.refused };
    const newer = this.write((item as Item<"setting">).body.fields);
    if (this.gets === "there") return { kind: "offline" };
    return newer.length > 0 ? { kind: "newer" } : { kind: "taken" };
  }

  page() {
    const name = `page ${++this.names}`;
    const outbox = openOutbox({
      store: memoryStore(this.items),
      send: (item) => this.send(item),
      now: () => Date.now(),
      alone: async (work) => {
        if (this.locked) return false;
        this.locked = true;
        await work().finally(() => (this.locked = false));
        return true;
      },
      later: (ms, work) => {
        const timer = setTimeout(work, ms);
        return () => clearTimeout(timer);
      },
      tell: () => this.pages.forEach((one) => one.name !== name && void one.look()),
    });
    const showing: Setting[] = [];
    let key = 0;
    const choices = openChoices("a", WHOSE, this.server, {
      page: name,
      here: () => ({ outbox, onlyHere: () => new Set() }),
      now: () => Date.now(),
      newKey: () => `${name} ${++key}`,
      title: () => "Before the boat",
      there: async () => {
        this.asked++;
        const now = this.server;
        await new Promise((over) => setTimeout(over, 3));
        if (this.gets !== "there and back") throw new Error("no network");
        return now;
      },
      show: (values) => showing.push(values),
      announce: () => this.pages.forEach((one) => one.name !== name && one.hears()),
      hear: (listener) => {
        const me = { hears: listener, look: outbox.look, name };
        this.pages.push(me);
        return () => this.pages.splice(this.pages.indexOf(me), 1);
      },
    });
    const see = () => {
      const { marks, conflict } = choices.state();
      for (const known of [marks, conflict?.marks ?? {}])
        for (const field of Object.keys(known) as SettingField[]) this.seen.add(`${field} ${revisionOf(known, field)}`);
    };
    choices.subscribe(see);
    see();
    const end = choices.start();
    void outbox.open();
    const choose = (part: Partial<Setting>) => choices.tell({ kind: "chosen", part });
    const close = () => {
      end();
      outbox.close();
    };
    return {
      choices,
      choose,
      close,
      showing,
      values: () => choices.state().values,
      shown: () => shown(choices.state()),
    };
  }
}

const pass = (ms = 100) => vi.advanceTimersByTimeAsync(ms);

/** One page whose choice another device has made otherwise meanwhile. */
async function both(part: Partial<Setting> = {}) {
  const world = new World();
  const one = world.page();
  await pass();
  world.device({ demandId: "handball" });
  one.choose({ demandId: "rowing", ...part });
  return { world, one };
}

describe("what is chosen beside a session", () => {
  it("gets there, and another page of the browser follows it", async () => {
    const world = new World();
    const [one, two] = [world.page(), world.page()];
    await pass();
    one.choose({ demandId: "rowing" });
    expect(one.shown()).toEqual({ kind: "saving" });
    await pass();
    expect([world.server.values.demandId, one.shown(), two.values().demandId]).toEqual(["rowing", undefined, "rowing"]);
    // Followed, it is chosen over: nothing is to be asked about.
    two.choose({ demandId: "handball" });
    await pass();
    expect([one.values().demandId, two.choices.state().conflict]).toEqual(["handball", undefined]);
    expect(two.showing.at(-1)?.demandId).toBe("rowing");
  });

  it("waits without a connection, and is sent by the next page, which shows it", async () => {
    const world = new World();
    const one = world.page();
    await pass();
    world.gets = "nowhere";
    one.choose({ locks: [{ block: 0, item: 1, drill: "calf-raise" }], demandId: "rowing" });
    await pass();
    expect(one.shown()).toEqual({ kind: "offline", where: "browser" });
    one.close();
    const two = world.page();
    await pass();
    expect([two.values().demandId, two.showing.at(-1)?.locks.length]).toEqual(["rowing", 1]);
    world.gets = "there and back";
    await pass(70_000);
    expect([world.server.values.demandId, two.shown()]).toEqual(["rowing", undefined]);
    // It is chosen over as this page's own.
    two.choose({ demandId: "handball" });
    await pass();
    expect([world.server.values.demandId, two.choices.state().conflict]).toEqual(["handball", undefined]);
  });

  it("is not written over another device's choice unseen", async () => {
    const { world, one } = await both({ groupId: "u16" });
    await pass();
    expect(one.choices.state().conflict?.fields).toEqual(["demandId"]);
    expect([world.server.values.demandId, world.server.values.groupId]).toEqual(["handball", "u16"]);
    one.choices.tell({ kind: "keep mine" });
    await pass();
    expect([world.server.values.demandId, one.shown(), one.choices.state().conflict]).toEqual([
      "rowing",
      undefined,
      undefined,
    ]);
  });

  it("is let go for the other's", async () => {
    const { world, one } = await both();
    await pass();
    one.choices.tell({ kind: "take" });
    await pass();
    expect([world.server.values.demandId, one.values().demandId, one.shown(), world.items.size]).toEqual([
      "handball",
      "handball",
      undefined,
      0,
    ]);
  });

  it("looks for what is newer until there is a connection again", async () => {
    const { world, one } = await both();
    await pass(7);
    world.gets = "there";
    await pass(10_000);
    expect([one.shown()?.kind, one.choices.state().conflict]).toEqual(["refused", undefined]);
    world.gets = "there and back";
    await pass(10_000);
    expect(one.choices.state().conflict?.values.demandId).toBe("handball");
  });

  it("looks no more once its page is left", async () => {
    const { world, one } = await both();
    await pass(7);
    world.gets = "there";
    await pass(10_000);
    one.close();
    await pass(10_000);
    const asked = world.asked;
    await pass(60_000);
    expect(world.asked).toBe(asked);
  });

  it("of another coach of this browser is neither shown nor waited for", async () => {
    const world = new World();
    const theirs = settingItem(
      "a",
      { coach: "bo", club: "kestrel" },
      { fields: { demandId: { value: "handball", basedOn: 0, by: "their page", seq: 1 } }, title: "Theirs" },
      { now: Date.now(), stamp: "theirs" },
    );
    world.items.set(theirs.key, theirs);
    world.gets = "nowhere";
    const one = world.page();
    await pass();
    expect([one.values().demandId, one.shown()]).toEqual([null, undefined]);
  });

  it("says that there is no room for it", async () => {
    const world = new World();
    const one = world.page();
    await pass();
    world.gets = "nowhere";
    for (let i = 0; i < MOST_ITEMS; i++) {
      const item = settingItem(`other ${i}`, WHOSE, { fields: {}, title: "" }, { now: Date.now(), stamp: `${i}` });
      world.items.set(item.key, item);
    }
    one.choose({ demandId: "rowing" });
    const flushed = one.choices.flush();
    await pass();
    expect([one.shown()?.kind, await flushed]).toEqual(["refused", false]);
  });

  it("says before somebody goes on whether all of it is there", async () => {
    const world = new World();
    const one = world.page();
    await pass();
    const going = async (ms: number) => {
      const flushed = one.choices.flush();
      await pass(ms);
      return Promise.race([flushed, Promise.resolve("still waiting")]);
    };
    expect(await going(40)).toBe(true);
    one.choose({ demandId: "rowing" });
    expect(await going(100)).toBe(true);
    world.gets = "nowhere";
    one.choose({ demandId: "handball" });
    expect(await going(200)).toBe(false);
    world.gets = "there and back";
    expect(await going(200)).toBe(true);
    world.refused = "Not this.";
    one.choose({ demandId: "rowing" });
    await pass();
    expect([await going(200), one.shown()]).toEqual([
      false,
      { kind: "refused", faults: [{ path: "", message: "Not this." }] },
    ]);
    // Chosen otherwise it is tried again.
    world.refused = undefined;
    one.choose({ demandId: "handball" });
    expect(await going(200)).toBe(true);
  });
});

type Act = { what: (world: World, pages: Page[]) => void };
let values = 0;
/** The latest choice of each field, in the browser and on the other device; none once somebody took the other's. */
let latest: Partial<Record<SettingField, { ours?: string; theirs?: string }>>;
let isTaken: Set<SettingField>;
const chooses = (who: "ours" | "theirs", one: SettingField) => {
  const value = `${who} ${++values}`;
  latest[one] = { ...latest[one], [who]: value };
  return { [one]: value };
};
const field = fc.constantFrom<SettingField>("groupId", "demandId");
const act: fc.Arbitrary<Act> = fc.oneof(
  fc.tuple(field, fc.nat(1)).map(([one, at]) => ({
    what: (_: World, pages: Page[]) => pages[at]!.choose(chooses("ours", one)),
  })),
  field.map((one) => ({ what: (world: World) => world.device(chooses("theirs", one)) })),
  fc.constantFrom<Gets>("there and back", "there", "nowhere").map((gets) => ({
    what: (world: World) => void (world.gets = gets),
  })),
  fc.nat(1).map((at) => ({
    what: (world: World, pages: Page[]) => {
      pages[at]!.close();
      pages[at] = world.page();
    },
  })),
  fc.tuple(fc.nat(1), fc.constantFrom<"take" | "keep mine">("take", "keep mine")).map(([at, kind]) => ({
    what: (_: World, pages: Page[]) => {
      const { choices } = pages[at]!;
      if (kind === "take") choices.state().conflict?.fields.forEach((one) => isTaken.add(one));
      choices.tell({ kind });
    },
  })),
);

describe("whatever happens", () => {
  it("no choice is lost or written over unseen, and at last every page shows what is there", async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(fc.tuple(act, fc.constantFrom(0, 4, 20, 1_500)), { maxLength: 25 }), async (acts) => {
        [latest, isTaken] = [{}, new Set()];
        const world = new World();
        const pages = [world.page(), world.page()];
        await pass(20);
        for (const [{ what }, ms] of acts) {
          what(world, pages);
          await pass(ms);
        }
        world.gets = "there and back";
        await pass(130_000);
        for (let i = 0; i < 4; i++) {
          pages.forEach(({ choices }) => choices.tell({ kind: "keep mine" }));
          await pass(70_000);
        }
        pages.forEach(({ choices }) => choices.tell({ kind: "elsewhere" }));
        await pass(100);
        expect([...world.items.values()]).toEqual([]);
        for (const page of pages) {
          expect(page.shown()).toBeUndefined();
          expect(page.values()).toEqual(world.server.values);
        }
        for (const [one, { ours, theirs }] of Object.entries(latest))
          if (!isTaken.has(one as SettingField))
            expect([ours, theirs]).toContain(world.server.values[one as SettingField]);
        pages.forEach((page) => page.close());
      }),
      { numRuns: 400 },
    );
  });
});
