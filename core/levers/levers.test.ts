import { describe, expect, it } from "vitest";
import { equalPlaces, leversOf, type Allowed } from "./levers";
import { roundsBetween, roundsOf, withRounds } from "./rounds";
import type { Drill } from "~/core/drills/schema";
import type { Block, Item, SessionPlan } from "~/core/session/schema";
import type { Dose } from "~/core/dose/kinds";
import { itemOf, newSession } from "~/core/session/start";
import { madeDrill } from "~/fixtures/drills";
import { compile } from "~/core/timeline/compile";

/*
 * What may be set another way when a session is fitted, by which steps, how far, and what each step adds.
 */

const plain = madeDrill("plain");
const each = madeDrill("each", { sides: "each", main: ["hip.flex"], also: ["trunk", "hip.flex"] });
const turns = madeDrill("turns", { sides: "alternating", main: ["hip.flex"] });
const reps = madeDrill("reps", {
  dose: { kind: "reps", count: 6, tempo: [{ do: "go", seconds: 2.5 }] },
  bounds: { least: 4, most: 9, step: 2 },
});
const breaths = madeDrill("breaths", { dose: { kind: "breaths", count: 4 }, bounds: { least: 2, most: 6, step: 0.4 } });
const ladder = madeDrill("ladder", {
  dose: { kind: "ladder", rungs: [40, 10, 20, 30], rung: 2 },
  bounds: { least: 15, most: 35, step: 5 },
});
const all = [plain, each, turns, reps, breaths, ladder];
const drills = (id: string) => all.find((drill) => drill.id === id);

const item = (drill: Drill, more: Partial<Item> = {}): Item => ({ ...itemOf(drill), ...more });
const seconds = (n: number): Dose => ({ kind: "time", seconds: n });
function sessionOf(...blocks: (Item[] | { items: Item[]; more: Partial<Block> })[]): SessionPlan {
  return {
    ...newSession(
      { title: "t", purpose: "off-day", target: undefined },
      blocks.map((block) => {
        const { items, more } = Array.isArray(block) ? { items: block, more: {} } : block;
        return {
          title: "b",
          rounds: 1,
          restBetweenRounds: 0,
          sideOrder: "drill-by-drill" as const,
          items: items,
          ...more,
        };
      }),
    ),
    pace: { breath: 6, switchSides: 6, turn: 2, demo: 20, kitChange: 4 },
  };
}
const USUAL: Allowed = { doses: "any", breaks: "any", doseSteps: "usual", breakSteps: "usual" };
const levers = (session: SessionPlan, allowed: Partial<Allowed> = {}, locked: string[] = []) =>
  leversOf({ session, timeline: compile(session, drills), drills, locked: new Set(locked) }, { ...USUAL, ...allowed });
const kinds = (session: SessionPlan, allowed: Partial<Allowed> = {}, locked: string[] = []) =>
  levers(session, allowed, locked).map((lever) => lever.kind);
const adds = (session: SessionPlan, kind: string, allowed: Partial<Allowed> = {}) =>
  levers(session, allowed)
    .find((lever) => lever.kind === kind)!
    .options.map((option) => option.adds);
const still = (session: SessionPlan): SessionPlan => ({ ...session, pace: { ...session.pace, demo: 0 } });

describe("doses", () => {
  const dose = (drill: Drill, given?: Dose, allowed: Partial<Allowed> = {}) => {
    const [lever] = levers(still(sessionOf([item(drill, given && { dose: given })])), allowed);
    return [
      lever!.options.map((option) =>
        option.dose?.kind === "time"
          ? option.dose.seconds
          : option.dose?.kind === "ladder"
            ? option.dose.rungs[option.dose.rung]
            : option.dose && "count" in option.dose
              ? option.dose.count
              : undefined,
      ),
      lever!.now,
    ];
  };
  it("go by the drill's steps within its bounds, from what it is, which is among them", () => {
    expect(dose(plain, seconds(22))).toEqual([
      [12, 17, 22, 27, 32, 37, 42, 47, 52, 57, 62, 67, 72, 77, 82, 87, 92, 97, 102, 107, 112, 117],
      2,
    ]);
    expect(dose(reps)).toEqual([[4, 6, 8], 1]);
    expect(dose(breaths)).toEqual([[2, 3, 4, 5, 6], 2]);
    expect(dose(ladder)).toEqual([[20, 30], 0]);
    // Outside the bounds already: what is stays, and what is inside can be had.
    expect(dose(plain, seconds(7))).toEqual([
      [7, 12, 17, 22, 27, 32, 37, 42, 47, 52, 57, 62, 67, 72, 77, 82, 87, 92, 97, 102, 107, 112, 117],
      0,
    ]);
    const over = dose(plain, seconds(130)) as [number[], number];
    expect([over[0].at(-1), over[0].at(-2), over[1]]).toEqual([130, 120, over[0].length - 1]);
    expect(dose(ladder, { kind: "ladder", rungs: [40, 10, 20, 30], rung: 0 })).toEqual([[20, 30, 40], 2]);
  });
  it("of another kind than the drill's are left as they are; seconds on a ladder's drill are its own", () => {
    expect(dose(reps, seconds(30))).toEqual([[30], 0]);
    expect(dose(ladder, seconds(25))).toEqual([[15, 20, 25, 30, 35], 2]);
  });
  it("go by single seconds where they may, but only what is timed", () => {
    const fine = dose(plain, seconds(30), { doseSteps: "fine" }) as [number[], number];
    expect([fine[0].length, fine[0][0], fine[0].at(-1), fine[1]]).toEqual([111, 10, 120, 20]);
    expect(dose(reps, undefined, { doseSteps: "fine" })).toEqual([[4, 6, 8], 1]);
  });
  it("add for each time they come: both sides, sets, rounds and turns; and give to what they work", () => {
    const first = (session: SessionPlan) => {
      const [lever] = levers(still(session));
      const step = lever!.options[lever!.now + 1]!;
      return { step: step.adds, gives: lever!.gives };
    };
    expect(first(sessionOf([item(plain)]))).toEqual({ step: 5, gives: [{ row: "hip.flex", left: 1, right: 1 }] });
    expect(first(sessionOf([item(each)]))).toEqual({
      step: 10,
      gives: [
        { row: "hip.flex", left: 0.5, right: 0.5 },
        { row: "trunk", left: 0.5, right: 0.5 },
      ],
    });
    expect(first(sessionOf([item(each, { sides: "left" })])).gives).toEqual([
      { row: "hip.flex", left: 1, right: 0 },
      { row: "trunk", left: 0.5, right: 0.5 },
    ]);
    expect(first(sessionOf([item(turns)]))).toEqual({ step: 10, gives: [{ row: "hip.flex", left: 0.5, right: 0.5 }] });
    expect(first(sessionOf([item(plain, { sets: 3 })])).step).toBe(15);
    expect(first(sessionOf({ items: [item(plain)], more: { rounds: 2 } })).step).toBe(10);
    expect(first(sessionOf([item(reps)])).step).toBe(5);
  });
  it("that were equal are one, and set together", () => {
    const session = still(
      sessionOf(
        [item(each, { sides: "left" }), item(plain)],
        [item(each, { sides: "right" }), item(plain, { level: "easier" }), item(plain, { dose: seconds(31) })],
      ),
    );
    expect(equalPlaces(session)).toEqual([
      [
        { block: 0, item: 0 },
        { block: 1, item: 0 },
      ],
      [{ block: 0, item: 1 }],
      [{ block: 1, item: 1 }],
      [{ block: 1, item: 2 }],
    ]);
    const [one] = levers(session);
    const longer = one!.options[one!.now + 1]!;
    expect(longer.adds).toBe(10);
    expect(longer.set(session).blocks.map((block) => block.items[0]!.dose)).toEqual([seconds(35), seconds(35)]);
    // Locked at one place they have no lever at all.
    expect(levers(session, {}, ["1.0"]).flatMap((lever) => lever.places)).toEqual([
      { block: 0, item: 1 },
      { block: 1, item: 1 },
      { block: 1, item: 2 },
    ]);
  });
  it("of a drill that nobody knows are left alone", () => {
    const session = still(sessionOf([item(plain)]));
    expect(
      leversOf({ session, timeline: compile(session, drills), drills: () => undefined, locked: new Set() }, USUAL),
    ).toEqual([]);
  });
});

describe("rests and the time to watch", () => {
  it("are levers of their own, one for each kind and length", () => {
    const session = sessionOf({
      items: [
        item(plain, { restAfter: 20 }),
        item(each, { sets: 2, restBetweenSets: 20, restAfter: 20 }),
        item(plain, { restAfter: 10 }),
      ],
      more: { rounds: 2, restBetweenRounds: 30 },
    });
    const all = levers(session);
    expect(all.map((lever) => lever.kind)).toEqual(["dose", "dose", "rest", "rest", "rest", "rest", "showing"]);
    const by = (kind: string, n: number) => all.filter((lever) => lever.kind === kind)[n]!;
    // Twenty seconds after two drills, in two rounds: four times five seconds.
    const after = by("rest", 0);
    expect(after.options.map((option) => option.adds)).toEqual([-40, -20, 0, 20, 40]);
    expect(after.now).toBe(2);
    expect(after.options[0]!.set(session).blocks[0]!.items.map((one) => one.restAfter)).toEqual([10, 10, 10]);
    expect(by("rest", 1).options.map((option) => option.set(session).blocks[0]!.items[1]!.restBetweenSets)).toEqual([
      10, 15, 20, 25, 30,
    ]);
    const rounds = all.find(
      (lever) =>
        lever.kind === "rest" &&
        lever.options.some((option) => option.set(session).blocks[0]!.restBetweenRounds !== 30),
    )!;
    expect(rounds.options.map((option) => [option.adds, option.set(session).blocks[0]!.restBetweenRounds])).toEqual([
      [-15, 15],
      [-10, 20],
      [-5, 25],
      [0, 30],
      [5, 35],
      [10, 40],
      [15, 45],
    ]);
  });
  it("stay at least half, and five seconds; the time to watch between ten and thirty", () => {
    const rest = (n: number, allowed: Partial<Allowed> = {}) => {
      const session = still(sessionOf([item(plain, { restAfter: n }), item(plain)]));
      return levers(session, { doses: "no", ...allowed })[0]!.options.map(
        (option) => option.set(session).blocks[0]!.items[0]!.restAfter,
      );
    };
    expect(rest(12)).toEqual([7, 12, 17, 22]);
    expect(rest(6)).toEqual([6, 11, 16]);
    expect(rest(3)).toEqual([3, 8, 13]);
    expect(rest(60)).toEqual([30, 35, 40, 45, 50, 55, 60, 65, 70, 75, 80, 85, 90]);
    expect(rest(8, { breakSteps: "fine" })).toEqual([5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18]);
    const showing = (demo: number) => {
      const session = { ...sessionOf([item(plain), item(each)]), pace: { ...sessionOf([item(plain)]).pace, demo } };
      return levers(session, { doses: "no" })[0]!.options.map((option) => [option.set(session).pace.demo, option.adds]);
    };
    expect(showing(20)).toEqual([
      [10, -20],
      [15, -10],
      [20, 0],
      [25, 10],
      [30, 20],
    ]);
    expect(showing(8)).toEqual([
      [8, 0],
      [13, 10],
      [18, 20],
      [23, 30],
      [28, 40],
    ]);
    expect(showing(40)).toEqual([
      [10, -60],
      [15, -50],
      [20, -40],
      [25, -30],
      [30, -20],
      [35, -10],
      [40, 0],
    ]);
  });
  it("are left alone where something locked has them, where they are a drill's own, or where there are none", () => {
    const session = sessionOf([item(plain, { restAfter: 20 }), item(each)]);
    expect(kinds(session)).toEqual(["dose", "dose", "rest", "showing"]);
    expect(kinds(session, {}, ["0.0"])).toEqual(["dose"]);
    expect(kinds(session, {}, ["0.1"])).toEqual(["dose", "rest"]);
    expect(kinds(sessionOf([item(plain, { demo: 15 }), item(each, { demo: 15 })]))).toEqual(["dose", "dose"]);
    expect(kinds(sessionOf([item(plain, { demo: 15 }), item(each)]), {}, ["0.0"])).toEqual(["dose", "showing"]);
    expect(kinds(still(session))).toEqual(["dose", "dose", "rest"]);
    // The rest between rounds belongs to the block, whatever is locked in it.
    expect(
      kinds(still(sessionOf({ items: [item(plain)], more: { rounds: 2, restBetweenRounds: 20 } })), {}, ["0.0"]),
    ).toEqual(["rest"]);
  });
});

describe("a lever", () => {
  const session = sessionOf([item(plain, { restAfter: 20 }), item(plain)]);
  it("goes only the way it may", () => {
    expect(adds(session, "rest", { breaks: "down" })).toEqual([-10, -5, 0]);
    expect(adds(session, "rest", { breaks: "up" })).toEqual([0, 5, 10]);
    expect(levers(session, { breaks: "down" }).find((lever) => lever.kind === "rest")!.now).toBe(2);
    expect(levers(session, { breaks: "up" }).find((lever) => lever.kind === "rest")!.now).toBe(0);
    expect(adds(session, "dose", { doses: "down" }).every((n) => n <= 0)).toBe(true);
    expect(adds(session, "dose", { doses: "up" })[0]).toBe(0);
    expect(kinds(session, { doses: "no" })).toEqual(["rest", "showing"]);
    expect(kinds(session, { breaks: "no" })).toEqual(["dose"]);
  });
  it("adds what it says, whichever way it is set", () => {
    const whole = sessionOf(
      {
        items: [item(each, { restAfter: 20, sets: 2, restBetweenSets: 15 }), item(turns)],
        more: { rounds: 2, restBetweenRounds: 30 },
      },
      [item(reps), item(breaths)],
    );
    const before = compile(whole, drills).totalSeconds;
    for (const lever of levers(whole))
      for (const option of lever.options)
        expect(compile(option.set(whole), drills).totalSeconds - before).toBeCloseTo(option.adds, 6);
  });
});

describe("rounds", () => {
  const block = (rounds: number, ...items: Item[]) => ({ items, more: { rounds } });
  const session = sessionOf(block(3, item(plain)), block(1, item(each)), block(2, item(each)));
  const none = new Set<string>();
  it("are as they are, fewer from the fewest on, or more from as many as there are", () => {
    expect(roundsOf(session)).toEqual([3, 1, 2]);
    expect(roundsBetween(session, "same", none)).toEqual([[3, 1, 2]]);
    const fewer = roundsBetween(session, "fewer", none);
    expect(fewer).toHaveLength(6);
    expect([fewer[0], fewer.at(-1)]).toEqual([
      [1, 1, 1],
      [3, 1, 2],
    ]);
    const more = roundsBetween(session, "more", none);
    expect([more.length, more[0], more.at(-1)]).toEqual([9, [3, 1, 2], [5, 1, 4]]);
    expect(roundsBetween(sessionOf(block(19, item(plain))), "more", none)).toEqual([[19], [20]]);
    expect(roundsBetween(sessionOf(block(1, item(plain))), "more", none)).toEqual([[1]]);
  });
  it("stay where something is locked, and the same where blocks are the same", () => {
    expect(roundsBetween(session, "fewer", new Set(["0.0"]))).toEqual([
      [3, 1, 1],
      [3, 1, 2],
    ]);
    const twice = sessionOf(block(2, item(plain)), block(2, item(plain)), block(2, item(plain, { level: "easier" })));
    expect(roundsBetween(twice, "fewer", none).every(([a, b]) => a === b)).toBe(true);
    expect(roundsBetween(twice, "fewer", none)).toHaveLength(4);
    expect(roundsBetween(twice, "fewer", new Set(["0.0"])).every(([a, b]) => a === 2 && b! <= 2)).toBe(true);
  });
  it("are looked at in so many ways at most, the fewest among them", () => {
    const many = sessionOf(...[4, 5, 6, 7].map((rounds, i) => block(rounds, item(plain, { dose: seconds(20 + i) }))));
    const ways = roundsBetween(many, "fewer", none);
    expect(ways).toHaveLength(24);
    expect([ways[0], ways.at(-1)]).toEqual([expect.arrayContaining([1]), [4, 5, 6, 7]]);
  });
  it("are set where they differ, the rest of the session as it was", () => {
    const after = withRounds(session, [2, 1, 2]);
    expect(roundsOf(after)).toEqual([2, 1, 2]);
    expect(after.blocks[1]).toBe(session.blocks[1]);
    expect(withRounds(session, [3, 1, 2])).toBe(session);
  });
});

it("what both sides do side by side for a time gives each half of it", () => {
  const shared = still(sessionOf([item(each, { sides: "together", dose: seconds(40) })]));
  expect(levers(shared)[0]!.gives.find((one) => one.row === "hip.flex")).toMatchObject({ left: 0.5, right: 0.5 });
  expect(levers({ ...shared, version: 1 })[0]!.gives.find((one) => one.row === "hip.flex")).toMatchObject({
    left: 1,
    right: 1,
  });
});

describe("blocks by the clock", () => {
  const clock = (items: Item[], interval: { work: number; rest: number }, more: Partial<Block> = {}) =>
    sessionOf({ items, more: { interval, ...more } });
  const found = (session: SessionPlan, allowed: Partial<Allowed> = {}, locked: string[] = []) =>
    levers(session, allowed, locked).map(
      ({ kind, options, now }) =>
        `${kind} ${options.map(({ adds: more, set }) => `${set(session).blocks[0]!.interval![kind === "dose" ? "work" : "rest"]}:${more}`).join(" ")} @${now}`,
    );

  it("have a work and a rest, and no doses of their own", () => {
    const session = still(clock([item(plain), item(each)], { work: 40, rest: 20 }));
    // Three passes of work, two changes between them.
    expect(found(session)).toEqual([
      "dose 20:-60 25:-45 30:-30 35:-15 40:0 45:15 50:30 55:45 60:60 65:75 70:90 75:105 80:120 @4",
      "rest 10:-20 15:-10 20:0 25:10 30:20 @2",
    ]);
    for (const lever of levers(session))
      for (const { adds: more, set } of lever.options)
        expect(compile(set(session), drills).totalSeconds - compile(session, drills).totalSeconds).toBeCloseTo(more, 6);
  });
  it("can be set both at once", () => {
    const session = still(clock([item(plain), item(plain)], { work: 40, rest: 20 }));
    const [work, rest] = levers(session);
    expect(rest!.options[0]!.set(work!.options[0]!.set(session)).blocks[0]!.interval).toEqual({ work: 20, rest: 10 });
  });
  it("keep a rest that what happens in it fits into", () => {
    const session = still(clock([item(plain), item(each)], { work: 40, rest: 20 }, {}));
    const slow = { ...session, pace: { ...session.pace, switchSides: 13 } };
    expect(found(slow)[1]).toBe("rest 15:-10 20:0 25:10 30:20 @1");
    // Where it does not fit anyway, a shorter one is as long.
    const over = { ...session, pace: { ...session.pace, switchSides: 22 } };
    expect(found(over)[1]).toBe("rest 10:-10 15:-5 20:0 25:8 30:18 @2");
    for (const { adds: more, set } of levers(over)[1]!.options)
      expect(compile(set(over), drills).totalSeconds - compile(over, drills).totalSeconds).toBeCloseTo(more, 6);
  });
  it("stay inside the bounds of every drill, or no further outside", () => {
    // Six repetitions of 2.5 s are 15 s; nine at most are 22.5 s.
    expect(found(still(clock([item(reps)], { work: 20, rest: 0 })))[0]).toBe("dose 10:-10 15:-5 20:0 @2");
    expect(found(still(clock([item(plain)], { work: 130, rest: 0 })))[0]).toMatch(
      /^dose 65:-65 .*120:-10 125:-5 130:0 @13$/,
    );
  });
  it("are one where they go by the same clock, and stay as they are where a drill is locked", () => {
    const twice = still(
      sessionOf(
        { items: [item(plain)], more: { interval: { work: 30, rest: 15 } } },
        { items: [item(plain)], more: { interval: { work: 30, rest: 15 } } },
      ),
    );
    const [work] = levers(twice);
    expect(
      work!.options
        .at(-1)!
        .set(twice)
        .blocks.map((block) => block.interval!.work),
    ).toEqual([60, 60]);
    expect(levers(twice, {}, ["1.0"])).toEqual([]);
    const other = still(sessionOf({ items: [item(plain)], more: { interval: { work: 30, rest: 15 } } }, [item(plain)]));
    expect(kinds(other)).toEqual(["dose", "dose"]);
    expect(levers(other)[0]!.places).toEqual([{ block: 1, item: 0 }]);
  });
  it("give what their passes give, by side", () => {
    const [work] = levers(still(clock([item(each), item(plain)], { work: 40, rest: 20 })));
    const share = (row: string) => work!.gives.find((one) => one.row === row);
    expect(share("hip.flex")).toMatchObject({
      left: expect.closeTo(2 / 3, 6) as number,
      right: expect.closeTo(2 / 3, 6) as number,
    });
    expect(share("trunk")?.left).toBeCloseTo(1 / 3, 6);
  });
  it("are shown in their rest, which no time to watch is taken from", () => {
    expect(kinds(clock([item(plain), item(each)], { work: 40, rest: 20 }))).toEqual(["dose", "rest"]);
    expect(kinds(clock([item(plain)], { work: 40, rest: 20 }))).toEqual(["dose", "showing"]);
  });
});
