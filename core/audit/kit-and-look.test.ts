import { describe, expect, it } from "vitest";
import { beforePower, itemAt, itemsOf, samePlace } from "./look";
import { travelMetres } from "~/core/drills/room";
import { PURPOSES, type Item } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { madeDrill } from "~/fixtures/drills";
import { groupOf, itemsAfter, look, timed } from "~/fixtures/looked";

/*
 * What the rules about kit and floor say and what mends it, and what all rules look at, with made-up drills that nothing else is wrong with: to the word, on both sides of
 * each number, and what the session is afterwards.
 */

describe("the floor", () => {
  const walk = madeDrill("walk", { method: "travel", bounds: { least: 4, most: 20, step: 1 } });
  const steps = (count: number, tempo: { do: string; seconds: number }[] = [{ do: "step", seconds: 2 }]): Item => ({
    ...itemOf(walk),
    dose: { kind: "reps", count, tempo },
  });
  const found = (count: number, floor: number, item = steps(count)) =>
    look([walk], [[item]], { group: groupOf({ floor }) });
  it("needs a metre for the body, and 60 cm a step, by each beat that is one", () => {
    expect(travelMetres(10, [{ kind: "step" }])).toBeCloseTo(7);
    expect(travelMetres(10, [{}])).toBeCloseTo(7);
    expect(travelMetres(10, [{ kind: "step" }, {}])).toBeCloseTo(7);
    expect(travelMetres(5, [{ kind: "hop" }, { kind: "step" }])).toBeCloseTo(7);
  });
  it("is too short below that, and mended by as many repetitions as fit, where that is enough of them", () => {
    expect(found(10, 7).of("floor")).toEqual([]);
    const { of, session } = found(11, 7);
    expect(of("floor").map((one) => [one.message, one.fix!.words])).toEqual([
      ["The walk travels about 8 m; the floor is 7 m.", "10 repetitions each way"],
    ]);
    expect(itemsAfter(of("floor")[0], session)[0]![0]!.dose).toEqual({
      kind: "reps",
      count: 10,
      tempo: [{ do: "step", seconds: 2 }],
    });
    expect(found(20, 4).of("floor")[0]!.fix!.words).toBe("5 repetitions each way");
    expect(found(20, 3.4).of("floor")[0]!.fix!.words).toBe("4 repetitions each way");
    expect(found(20, 3.3).of("floor")[0]!.fix).toBeUndefined();
  });
  it("is looked at where it was said, and for what travels by repetitions", () => {
    expect(look([walk], [[steps(20)]], { group: groupOf({}) }).of("floor")).toEqual([]);
    expect(look([walk], [[steps(20)]]).of("floor")).toEqual([]);
    expect(look([walk], [[timed(walk, 60)]], { group: groupOf({ floor: 1 }) }).of("floor")).toEqual([]);
    const stays = madeDrill("stays");
    expect(look([stays], [[{ ...steps(20), drill: "stays" }]], { group: groupOf({ floor: 1 }) }).of("floor")).toEqual(
      [],
    );
  });
});

describe("kit", () => {
  const stick = madeDrill("stick", { kit: ["stick"] });
  const easy = madeDrill("easy", { levels: { standard: { kit: ["stick", "stick"] }, harder: { kit: ["stick"] } } });
  it("is said where there is none or too little, and of the drill that needs it first", () => {
    const none = look([stick], [[madeDrill("free"), stick].slice(1)], { group: groupOf({ kit: {} }, 3) });
    expect(none.of("kit").map((one) => [one.severity, one.message, one.lead, one.fix])).toEqual([
      ["stop", "There is no stick; The stick needs 3.", { to: "kit" }, undefined],
    ]);
    expect(look([stick], [[stick]], { group: groupOf({ kit: {} }, 0) }).of("kit")[0]!.message).toBe(
      "There is no stick; The stick needs one.",
    );
    expect(look([stick], [[stick]], { group: groupOf({ kit: { stick: 2 } }, 3) }).of("kit")[0]!.message).toBe(
      "3 pieces of “stick” are needed for 3 people at once; there are 2.",
    );
    expect(look([stick], [[stick]], { group: groupOf({ kit: { stick: 3 } }, 3) }).of("kit")).toEqual([]);
    expect(look([stick], [[stick]], { group: groupOf({}, 3) }).of("kit")).toEqual([]);
    const held = madeDrill("held", { kit: ["support"] });
    expect(look([held], [[held]], { group: groupOf({ kit: {} }, 2) }).of("kit")[0]!.message).toBe(
      "There is nothing to hold on to; The held needs 2.",
    );
    const wall = madeDrill("wall", { kit: ["wall"] });
    expect(look([wall], [[wall]], { group: groupOf({ kit: { wall: 1 } }, 30) }).of("kit")).toEqual([]);
    expect(look([wall], [[wall]], { group: groupOf({ kit: { stick: 1 } }, 30) }).of("kit")).toHaveLength(1);
  });
  it("is mended by levels that do without, where every drill has one", () => {
    const { of, session } = look([easy], [[easy, easy]], { group: groupOf({ kit: {} }, 2) });
    expect(of("kit").map((one) => one.fix!.words)).toEqual(["Take a level that needs none, in 2 drills"]);
    expect(itemsAfter(of("kit")[0], session)[0]!.map((item) => item.level)).toEqual(["easier", "easier"]);
    const one = look([easy], [[easy]], { group: groupOf({ kit: {} }, 2) });
    expect(one.of("kit")[0]!.fix!.words).toBe("Take the easier level of The easy, which needs none");
    // With one each, the harder level does; the easier comes first.
    expect(itemsAfter(one.of("kit")[0], one.session)[0]![0]!.level).toBe("easier");
    expect(look([easy, stick], [[easy, stick]], { group: groupOf({ kit: {} }, 2) }).of("kit")[0]!.fix).toBeUndefined();
    // Only those that need more than there is count.
    const two = look([easy, stick], [[easy, stick]], { group: groupOf({ kit: { stick: 2 } }, 2) });
    expect(two.of("kit").map((found) => [found.place, found.fix!.words])).toEqual([
      [{ block: 0, item: 0 }, "Take the easier level of The easy, which needs none"],
    ]);
  });
});

describe("what rules look at", () => {
  const drill = madeDrill("one");
  it("is every item whose drill is known, in order, found by its place", () => {
    const session = newSession(
      { title: "t", purpose: "off-day", target: undefined },
      [0, 1].map(() => ({
        title: "b",
        rounds: 1,
        restBetweenRounds: 0,
        sideOrder: "drill-by-drill" as const,
        items: [itemOf(drill), { ...itemOf(drill), drill: "gone" }, itemOf(drill)] as [Item, ...Item[]],
      })),
    );
    const input = { session, drills: (id: string) => (id === "one" ? drill : undefined) };
    expect(itemsOf(input).map((one) => one.place)).toEqual(
      [
        [0, 0],
        [0, 2],
        [1, 0],
        [1, 2],
      ].map(([block, item]) => ({ block, item })),
    );
    expect(itemsOf(input)).toBe(itemsOf(input));
    expect(
      [
        itemAt(input, { block: 1, item: 2 }),
        itemAt(input, { block: 0, item: 1 }),
        itemAt(input, { block: 0, item: 2 }),
      ].map((one) => one?.place),
    ).toEqual([{ block: 1, item: 2 }, undefined, { block: 0, item: 2 }]);
    expect([
      samePlace({ block: 1, item: 2 }, { block: 1, item: 2 }),
      samePlace({ block: 1, item: 2 }, { block: 2, item: 2 }),
      samePlace({ block: 1, item: 2 }, { block: 1, item: 1 }),
    ]).toEqual([true, false, false]);
  });
  it("knows what power follows", () => {
    expect(PURPOSES.filter(beforePower)).toEqual(["before-training", "before-lifting", "before-game"]);
  });
});
