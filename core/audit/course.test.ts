import { describe, expect, it } from "vitest";
import { audit, auditInput } from "./audit";
import type { Drill } from "~/core/drills/schema";
import type { Item, SessionPlan } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { madeDrill } from "~/fixtures/drills";
import { groupOf, itemsAfter, look, seconds, timed } from "~/fixtures/looked";

/*
 * What the rules about how a session runs say and what mends it, with made-up drills that nothing else is wrong with: to the word, on both sides of
 * each number, and what the session is afterwards.
 */

describe("the set-up in words", () => {
  const wordy = madeDrill("wordy", { setUp: ["One two three four five.", "Six  seven eight nine ten."] });
  const demo = (n: number) => look([wordy], [[timed(wordy, 30, { demo: n })]]);
  it("takes two and a half words a second, all sentences together, at most as long as it is worth", () => {
    expect(demo(4).of("instructions")).toEqual([]);
    const { of, session } = demo(3.9);
    expect(of("instructions").map((one) => [one.severity, one.at, one.message, one.fix!.words])).toEqual([
      ["hint", 0, "The wordy takes 4 s to show; there are 3.9 s for it.", "Watch first for 4 s"],
    ]);
    expect(itemsAfter(of("instructions")[0], session)[0]![0]!.demo).toBe(4);
    expect(demo(0).of("instructions")).toEqual([]);
  });
});

describe("the length", () => {
  const drill = madeDrill("move");
  const found = (target: number | undefined, n = 100) => look([drill], [[timed(drill, n)]], { target });
  it("may not be a second over what was promised, nor more than a minute under", () => {
    expect(found(undefined).of("length")).toEqual([]);
    expect(found(100).of("length")).toEqual([]);
    expect(found(160).of("length")).toEqual([]);
    expect(
      found(99)
        .of("length")
        .map((one) => [one.severity, one.message, one.fix!.words, one.lead]),
    ).toEqual([["warn", "It runs 1 s over its target of 1:39.", "Make the target 2:00", { to: "fit" }]]);
    expect(
      found(161)
        .of("length")
        .map((one) => [one.severity, one.message, one.fix!.words, one.lead]),
    ).toEqual([["hint", "It ends 1 min 1 s short of its target of 2:41.", "Make the target 2:00", { to: "fit" }]]);
    for (const target of [99, 161]) {
      const { of, session } = found(target);
      expect(of("length")[0]!.fix!.apply(session).target).toBe(120);
    }
    expect(found(200, 120).of("length")[0]!.fix!.words).toBe("Make the target 2:00");
  });
});

describe("a title with minutes in it", () => {
  const drill = madeDrill("move");
  const says = (title: string, n: number) => look([drill], [[timed(drill, n)]], { title });
  it("is right to half a minute", () => {
    for (const title of ["10 minutes", "10 min", "10-minute primer", "10min", "Primer, 10′ long", "10 MINUTES"]) {
      expect(says(title, 570).of("title"), title).toEqual([]);
      expect(says(title, 630).of("title"), title).toEqual([]);
      expect(says(title, 631).of("title"), title).toHaveLength(1);
      expect(says(title, 569).of("title"), title).toHaveLength(1);
    }
    for (const title of ["10 drills", "Top 10", "minutes", "10 minor moves", "1000 minutes"])
      expect(says(title, 60).of("title"), title).toEqual([]);
  });
  it("is mended by the minutes there are, where they are near enough", () => {
    const { of, session } = says("10 minutes before the boat", 300);
    expect(of("title").map((one) => [one.severity, one.message, one.fix!.words])).toEqual([
      ["hint", "The title says 10 minutes; it lasts 5:00.", "Put 5 in the title"],
    ]);
    expect(of("title")[0]!.fix!.apply(session).title).toBe("5 minutes before the boat");
    expect(says("10 minutes", 330).of("title")[0]!.fix!.words).toBe("Put 6 in the title");
  });
});

describe("a motion that is asked for most", () => {
  const [bend, turn] = [
    madeDrill("bend"),
    madeDrill("turn", { main: ["th.rot"], dose: seconds(20), bounds: { least: 10, most: 200, step: 10 } }),
  ];
  const demand = (weight: number, why?: string) =>
    ({
      id: "d",
      name: "Rowing",
      about: "Rowing.",
      held: [],
      rows: { "hip.flex": { weight: 3, why: "It folds." }, "th.rot": { weight, ...(why !== undefined && { why }) } },
    }) as never;
  const find = (n: number, target: number | undefined, weight = 3) => {
    const session: SessionPlan = {
      ...newSession({ title: "t", purpose: "off-day", target }, [
        {
          title: "b",
          rounds: 1,
          restBetweenRounds: 0,
          sideOrder: "drill-by-drill",
          items: [timed(bend, 60), timed(turn, n), timed(bend, 60)],
        },
      ]),
      pace: { breath: 6, switchSides: 6, turn: 2, demo: 0, kitChange: 4 },
    };
    return audit(
      auditInput(session, (id) => [bend, turn].find((drill) => drill.id === id), {
        demand: demand(weight, "The catch turns."),
        offered: [],
      }),
    ).filter((one) => one.rule === "top-demand");
  };
  it("is said where it gets less than half of what it should, and what for", () => {
    const [found] = find(5, 300);
    expect([found!.severity, found!.about, found!.why, found!.lead]).toEqual([
      "hint",
      "th.rot",
      "Rowing: The catch turns.",
      { to: "drills", row: "th.rot" },
    ]);
    expect(found!.message).toMatch(/gets 5 s of \d/);
    expect(find(5, 300, 2)).toEqual([]);
    expect(find(200, 300)).toEqual([]);
  });
  it("wants its share of the target length, or of how long it lasts", () => {
    const wants = (target: number | undefined) => /of (.*)\.$/.exec(find(5, target)[0]!.message)![1];
    expect(wants(600)).not.toBe(wants(300));
    expect(find(5, undefined)).toHaveLength(1);
  });
});

describe("a tempo", () => {
  const drill = madeDrill("swing", { bounds: { least: 1, most: 20, step: 1, leastRep: 3 } });
  const find = (...tempo: number[]) =>
    look(
      [drill],
      [[{ ...itemOf(drill), dose: { kind: "reps", count: 5, tempo: tempo.map((n) => ({ do: "go", seconds: n })) } }]],
    );
  it("is no faster than the drill is safe at, and is slowed in proportion", () => {
    expect(find(1.5, 1.5).of("tempo")).toEqual([]);
    expect(find(2, 2).of("tempo")).toEqual([]);
    const { of, session } = find(1, 1.4);
    expect(of("tempo").map((one) => [one.severity, one.message, one.fix!.words])).toEqual([
      ["warn", "The swing takes 2.4 s a repetition; it needs at least 3 s.", "Slow it to 3.1 s"],
    ]);
    expect(itemsAfter(of("tempo")[0], session)[0]![0]!.dose).toEqual({
      kind: "reps",
      count: 5,
      tempo: [
        { do: "go", seconds: 1.3 },
        { do: "go", seconds: 1.8 },
      ],
    });
    expect(look([drill], [[timed(drill, 1)]]).of("tempo")).toEqual([]);
    const any = madeDrill("any");
    expect(
      look([any], [[{ ...itemOf(any), dose: { kind: "reps", count: 5, tempo: [{ do: "go", seconds: 0.5 }] } }]]).of(
        "tempo",
      ),
    ).toEqual([]);
  });
});

describe("left and right", () => {
  const each = madeDrill("each", { sides: "each" });
  const find = (...items: Item[]) => look([each, madeDrill("both")], [items]);
  it("are said with the difference, which side, and what makes them equal", () => {
    const { of, session } = find(timed(each, 30), timed(each, 20, { sides: "left" }));
    expect(of("unequal-sides").map((one) => [one.severity, one.place, one.message, one.fix!.words])).toEqual([
      [
        "warn",
        { block: 0, item: 1 },
        "The left side works 20 s longer than the right: 50 s left, 30 s right.",
        "The each: one side, then the other",
      ],
    ]);
    expect(itemsAfter(of("unequal-sides")[0], session)[0]![1]!.sides).toBe("each");
    expect(find(timed(each, 20, { sides: "right" })).of("unequal-sides")[0]!.message).toBe(
      "The right side works 20 s longer than the left: 0 s left, 20 s right.",
    );
    expect(find(timed(each, 20, { sides: "left" }), timed(each, 20, { sides: "right" })).of("unequal-sides")).toEqual(
      [],
    );
    const mostly = find(timed(each, 10, { sides: "left" }), timed(each, 30, { sides: "right" }));
    expect(mostly.of("unequal-sides")[0]!.place).toEqual({ block: 0, item: 1 });
    const other = find(timed(madeDrill("both"), 10, { sides: "left", drill: "both" }));
    expect(other.of("unequal-sides").map((one) => [one.place, one.fix])).toEqual([[undefined, undefined]]);
  });
});

describe("a direction that nothing moves in", () => {
  it("is named, one after the other, with a drill that moves so", () => {
    const forward = madeDrill("forward");
    const turn = madeDrill("turn", { main: ["th.rot"] });
    const { of, session } = look([forward, turn], [[forward, forward]], { offered: [forward, turn], target: 600 });
    expect(of("planes").map((one) => [one.severity, one.about])).toEqual([
      ["hint", "side"],
      ["hint", "rotation"],
    ]);
    for (const one of of("planes")) expect(one.message).toMatch(/^Nothing moves in one direction: [a-z ]+\.$/);
    const [side, rotation] = of("planes");
    expect(side!.offer!()).toBeUndefined();
    expect(
      rotation!.offer!()!
        .apply(session)
        .blocks[0]!.items.map((item) => item.drill),
    ).toEqual(["forward", "turn", "forward"]);
  });
});

describe("the order of positions", () => {
  const [low, high, mid] = [
    madeDrill("low", { posture: "supine", endPosture: "supine" }),
    madeDrill("high"),
    madeDrill("mid", { posture: "tall-kneeling", endPosture: "tall-kneeling" }),
  ];
  const find = (blocks: Drill[][], rounds = 1) => look([low, high, mid], blocks, { rounds });
  it("is said where the same drills can do with fewer changes and less time, the last staying last", () => {
    const { of, session } = find([[low, high, low, high]]);
    expect(of("posture-order").map((one) => [one.severity, one.place, one.message, one.fix!.words])).toEqual([
      [
        "hint",
        { block: 0, item: 1 },
        "People change posture 3 times; the same drills need only 1. That saves 22 s in moving.",
        "Reorder them: 1 change",
      ],
    ]);
    expect(itemsAfter(of("posture-order")[0], session)[0]!.map((item) => item.drill)).toEqual([
      "low",
      "low",
      "high",
      "high",
    ]);
    expect(find([[low, low, high, high]]).of("posture-order")).toEqual([]);
    expect(find([[low, high]]).of("posture-order")).toEqual([]);
    // Four seconds saved, and as many changes, are not worth it.
    expect(find([[high, low, mid]]).of("posture-order")).toEqual([]);
  });
});

describe("what is found", () => {
  it("stands with the most serious first, and of equals in the order of the rules, then of the session", () => {
    const [push, hold] = [madeDrill("push", { method: "effort" }), madeDrill("hold", { method: "hold" })];
    const { found } = look(
      [push, hold],
      [
        [
          { ...itemOf(push), dose: { kind: "effort", rounds: 1, ramp: [{ effort: 90, seconds: 5 }] } },
          timed(hold, 90),
          timed(hold, 90),
        ],
      ],
      { group: groupOf({ holdCap: 40 }), target: 60, title: "30 minutes" },
    );
    const order = found.map((one) => `${one.severity} ${one.rule} ${one.place?.item ?? ""}`.trim());
    expect(order.slice(0, 4)).toEqual(["stop cold-effort 0", "warn length", "warn caps 1", "warn caps 2"]);
    expect(order.at(-1)).toBe("hint title");
  });
});
