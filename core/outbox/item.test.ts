import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  after,
  allDue,
  allWaiting,
  beside,
  checkInItem,
  coveredBy,
  MOST_BYTES,
  MOST_ITEMS,
  nextToSend,
  noRoom,
  pastShowing,
  readItem,
  runItem,
  sessionItem,
  sessionOf,
  heldOf,
  isFor,
  settingItem,
  untilNext,
  waitAfter,
  type Answer,
  type Item,
} from "./item";
import { fullerRun, withLater } from "~/core/checkin/later";
import type { CheckIn, Progress } from "~/core/checkin/schema";

const T = 1_790_000_000_000;
const DAY = 24 * 3_600_000;
const progress = (key: string, shareDone = 0.5, finished = false): Progress => ({
  key,
  person: { athleteId: null, name: "Tern" },
  shareDone,
  finished,
  begun: T,
  sent: undefined,
});
const said = (key: string, pain = false): CheckIn => ({
  run: progress(key),
  hard: 4,
  tightness: [],
  pain,
  painWhere: "",
  note: "",
  said: T,
});
const run = (key: string, now = T, share = 0.5, finished = false) =>
  runItem("link", progress(key, share, finished), { now, stamp: `${now}` });
const checkIn = (key: string, now = T, pain = false) => checkInItem("link", said(key, pain), { now, stamp: `${now}` });
const later = (item: Item, ms: number): Item => ({ ...item, next: T + ms });

describe("what is tried next", () => {
  it("waits 1, 2, 4 and on to 60 seconds", () => {
    expect([1, 2, 3, 4, 5, 6, 7, 8, 50].map(waitAfter)).toEqual([1, 2, 4, 8, 16, 32, 60, 60, 60]);
  });
  it("is the oldest that is due", () => {
    expect(nextToSend([checkIn("b", T - 1), checkIn("a", T)], T)?.key).toBe("check-in:b");
    expect(nextToSend([later(checkIn("b", T - 1), 1), checkIn("a", T)], T)?.key).toBe("check-in:a");
    expect(nextToSend([later(checkIn("a"), 1)], T)).toBeUndefined();
    expect(nextToSend([later(checkIn("a"), 1)], T + 1)?.key).toBe("check-in:a");
  });
  it("never overtakes what came before it of the same thing", () => {
    const [first, second] = [later(run("a", T - 10), 5_000), checkIn("a", T)];
    expect(nextToSend([second, first], T)).toBeUndefined();
    expect(untilNext([second, first], T)).toBe(5_000);
    expect(nextToSend([second, first], T + 5_000)).toEqual(first);
  });
  it("passes over what is settled", () => {
    const refused = after(checkIn("a", T - 10), { kind: "refused", words: "no" }, T)!;
    expect(nextToSend([refused, checkIn("a", T)], T + DAY)?.made).toBe(T);
    expect(untilNext([refused], T)).toBeUndefined();
  });
  it("waits no longer than a minute for a clock that was set back", () => {
    expect(untilNext([later(checkIn("a"), 60_000)], T)).toBe(60_000);
    expect(nextToSend([later(checkIn("a"), 60_001)], T)?.key).toBe("check-in:a");
  });
  it("is everything once there is a connection, and nothing where there is none", () => {
    const list = [later(checkIn("a"), 30_000), checkIn("b")];
    expect(allDue(list, T).map(({ next }) => next)).toEqual([T, T]);
    const waiting = allWaiting(list, T + 4_000);
    expect(waiting.map(({ next }) => next)).toEqual([T + 30_000, T + 4_000]);
    expect(waiting[0]).toBe(list[0]);
  });
});

describe("an answer", () => {
  const item = checkIn("a", T, true);
  it("takes it, or leaves it waiting longer each time", () => {
    expect(after(item, { kind: "taken" }, T)).toBeUndefined();
    const once = after(item, { kind: "offline" }, T)!;
    expect(once).toMatchObject({ state: "waiting", last: "offline", tries: 1, next: T + 1000 });
    expect(after(once, { kind: "busy" }, T)).toMatchObject({ last: "busy", tries: 2, next: T + 2000 });
    expect(after(once, { kind: "busy", seconds: 30 }, T)?.next).toBe(T + 30_000);
    expect(after(once, { kind: "busy", seconds: 900 }, T)?.next).toBe(T + 60_000);
  });
  it("that settles it keeps it, with what was said, for thirty days", () => {
    const gone = after(item, { kind: "gone", words: "This link has been withdrawn." }, T)!;
    expect(gone).toMatchObject({
      state: "gone",
      words: "This link has been withdrawn.",
      settled: T,
      body: { pain: true },
    });
    expect(pastShowing([gone], T + 30 * DAY)).toEqual([]);
    expect(pastShowing([gone], T + 30 * DAY + 1)).toEqual([gone]);
  });
  it("that may change keeps it for the next minute's try", () => {
    for (const kind of ["signed-out", "newer"] as const)
      expect(after(item, { kind }, T)).toMatchObject({ state: kind, next: T + 60_000 });
  });
  it("of no kind but taken ever loses a check-in", () => {
    const answers: fc.Arbitrary<Answer> = fc.oneof(
      fc.constantFrom<Answer>({ kind: "offline" }, { kind: "signed-out" }, { kind: "newer" }),
      fc.record({ kind: fc.constant("busy" as const), seconds: fc.nat(10_000) }),
      fc.record({ kind: fc.constantFrom("gone" as const, "refused" as const), words: fc.string() }),
    );
    fc.assert(
      fc.property(fc.array(answers, { maxLength: 30 }), (all) => {
        const left = all.reduce<Item>((one, answer) => after(one, answer, T)!, item);
        expect(left.body).toEqual(item.body);
      }),
    );
  });
});

describe("beside what is kept", () => {
  it("a run told again is the fuller of both, and stays in its place", () => {
    const kept = { ...later(run("a", T, 0.7, true), 9_000), tries: 3 };
    expect(beside(run("a", T + 5, 0.6), [kept])).toMatchObject({
      made: T,
      tries: 3,
      next: T + 9_000,
      stamp: `${T + 5}`,
      body: { shareDone: 0.7, finished: true },
    });
    expect(fullerRun(progress("a", 0.2), progress("a", 0.4, true))).toMatchObject({ shareDone: 0.4, finished: true });
  });
  it("a check-in is given once, takes its run's tellings with it, and ends them", () => {
    const kept = checkIn("a", T, true);
    expect(beside(checkIn("a", T + 1), [kept])).toBeUndefined();
    expect(coveredBy(kept, [run("a"), run("b"), checkIn("b")]).map(({ key }) => key)).toEqual(["run:a"]);
    expect(coveredBy(run("a"), [run("a")])).toEqual([]);
    expect(beside(run("a"), [kept])).toBeUndefined();
    expect(beside(run("b"), [kept])).toBeDefined();
  });
  it("a check-in that says more adds to the one that waits, and takes nothing back: least of all pain", () => {
    const early = checkIn("a", T, true);
    const bare = { ...early, body: { ...early.body, hard: null, painWhere: "", note: "" } };
    const later = checkIn("a", T + 9);
    const fuller = { ...later, body: { ...later.body, hard: 6, pain: false, note: "tired", painWhere: "left knee" } };
    const both = beside(fuller, [{ ...bare, tries: 2, next: T + 5 }]) as Item<"check-in">;
    expect(both).toMatchObject({ key: bare.key, made: T, tries: 2, next: T + 5, stamp: later.stamp });
    expect(both.body).toMatchObject({ pain: true, hard: 6, note: "tired", painWhere: "left knee" });
    // What was said first stays as it was said.
    const again = { ...fuller, body: { ...fuller.body, hard: 2, note: "fine" } };
    expect(beside(again, [both])).toBeUndefined();
    fc.assert(
      fc.property(fc.boolean(), fc.boolean(), (one, other) => {
        const [a, b] = [checkIn("a", T, one).body, checkIn("a", T, other).body];
        expect(withLater(a, b).pain).toBe(one || other);
      }),
    );
  });
  it("has room up to the limits, and a check-in beyond them", () => {
    const full = Array.from({ length: MOST_ITEMS }, (_, i) => run(`${i}`));
    expect(noRoom(run("x"), full.slice(1))).toBeUndefined();
    expect(noRoom(run("x"), full)).toMatch(/too much waiting/);
    expect(noRoom(run("0"), full)).toBeUndefined();
    expect(noRoom(checkIn("x"), full)).toBeUndefined();
    const heavy = { ...run("h"), words: "x".repeat(MOST_BYTES) };
    expect(noRoom(run("x"), [heavy])).toMatch(/too much waiting/);
  });
});

describe("what a device kept", () => {
  it("is read as it was written", () => {
    for (const item of [run("a"), checkIn("a", T, true)])
      expect(readItem(JSON.parse(JSON.stringify(item)))).toEqual(JSON.parse(JSON.stringify(item)));
  });
  it("names a session's group as today where an earlier page kept it", () => {
    const chosen = settingItem(
      "s",
      { coach: "ana", club: "kestrel" },
      { fields: { teamId: { value: "u16", basedOn: 0, by: "page", seq: 1 } }, title: "s" },
      { now: T, stamp: "x" },
    );
    const read = readItem(JSON.parse(JSON.stringify(chosen))) as Item<"setting">;
    expect(Object.entries(read.body.fields)).toEqual([["groupId", { value: "u16", basedOn: 0, by: "page", seq: 1 }]]);
  });
  it("of a newer page, or of no page at all, is left alone", () => {
    for (const odd of [
      null,
      3,
      "x",
      {},
      { ...run("a"), version: 2 },
      { ...run("a"), kind: "film" },
      { ...run("a"), next: "soon" },
      { ...run("a"), body: undefined },
    ])
      expect(readItem(odd)).toBeUndefined();
  });
});

describe("what is chosen beside a session", () => {
  const whose = { coach: "ana", club: "kestrel" };
  const choose = (field: string, value: unknown, seq: number) =>
    settingItem(
      "a session",
      whose,
      { fields: { [field]: { value, basedOn: 0, by: "a page", seq } }, title: "Rowers" },
      { now: T + seq, stamp: `s${seq}` },
    );

  it("goes together with what waits already, the later of each part, and keeps its turn", () => {
    const first = { ...choose("groupId", "u16", 1), tries: 3, next: T + 9_000, last: "offline" as const };
    const second = beside(choose("demandId", "rowing", 2), [first]);
    const third = beside(choose("groupId", "u18", 3), [second!]) as Item<"setting">;
    expect(Object.entries(third.body.fields).map(([field, { value, seq }]) => [field, value, seq])).toEqual([
      ["groupId", "u18", 3],
      ["demandId", "rowing", 2],
    ]);
    expect([third.made, third.tries, third.next, third.stamp]).toEqual([first.made, 3, T + 9_000, "s3"]);
  });

  it("waits for its coach where it was changed elsewhere, too, for as long as they take", () => {
    const newer = after(choose("groupId", "u16", 1), { kind: "newer" }, T)!;
    expect(nextToSend([newer], T + DAY)).toBeUndefined();
    expect(pastShowing([newer], T + 90 * DAY)).toEqual([]);
    // Chosen about, it is sent at once.
    expect(nextToSend([beside(choose("groupId", "u18", 2), [newer])!], T + 2)).toBeDefined();
  });

  it("does not wait for the session, and is known by it", () => {
    const item = choose("groupId", "u16", 1);
    expect([item.thing === "a session", sessionOf(item)]).toEqual([false, "a session"]);
  });
});

describe("two coaches at one browser", () => {
  const edits = (coach: string, words: string) =>
    sessionItem(
      "a session",
      { coach, club: "kestrel" },
      { basedOn: 1, doc: { words }, title: "A" },
      { now: T, stamp: words },
    );

  it("each keep their own edits of the same session", () => {
    const [ada, bo] = [edits("ada", "hers"), edits("bo", "his")];
    const all = [ada, beside(bo, [ada])!];
    expect(new Set(all.map(({ key }) => key)).size).toBe(2);
    expect(heldOf(all, "session", "a session", { coach: "ada", club: "kestrel" })?.body.doc).toEqual({ words: "hers" });
    expect(heldOf(all, "session", "another", { coach: "ada", club: "kestrel" })).toBeUndefined();
    expect(all.filter(isFor("session", "a session", { coach: "bo", club: "kestrel" }))).toEqual([bo]);
  });

  it("go on with what an earlier page kept of theirs under another key", () => {
    const earlier = { ...edits("ada", "hers"), key: "session:a session" };
    const later = beside(edits("ada", "hers, later"), [earlier])!;
    expect([later.key, later.body]).toMatchObject([earlier.key, { doc: { words: "hers, later" } }]);
    expect(beside(edits("bo", "his"), [earlier])!.key).not.toBe(earlier.key);
    expect(sessionOf(earlier)).toBe("a session");
  });
});
