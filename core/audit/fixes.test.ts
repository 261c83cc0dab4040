import { describe, expect, it } from "vitest";
import { audit, auditInput, type Found } from "./audit";
import { beforePower, itemAt, itemsOf, samePlace } from "./look";
import { travelMetres } from "./rules/floor";
import type { Drill } from "~/core/drills/schema";
import type { Group } from "~/core/group/schema";
import { PURPOSES, type Item, type Session } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { madeDrill } from "~/core/testing/drills";

/*
 * What each rule says and what mends it, with made-up drills that nothing else is wrong with: to the word, on both sides of
 * each number, and what the session is afterwards.
 */

type Blocks = (Drill | Item)[][];
type By = { group?: Group; purpose?: Session["purpose"]; target?: number; title?: string; offered?: Drill[]; rounds?: number };

const isDrill = (one: Drill | Item): one is Drill => "levels" in one;
function look(known: Drill[], blocks: Blocks, by: By = {}): { found: Found[]; session: Session; of: (rule: string) => Found[] } {
  const session: Session = {
    ...newSession({ title: by.title ?? "t", purpose: by.purpose ?? "off-day", target: by.target }, blocks.map((items) => ({
      title: "b", rounds: by.rounds ?? 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items: items.map((one) => (isDrill(one) ? itemOf(one) : one)) as [Item, ...Item[]],
    }))),
    pace: { breath: 6, switchSides: 6, turn: 2, demo: 0, kitChange: 4 },
  };
  const found = audit(auditInput(session, (id) => known.find((drill) => drill.id === id), { group: by.group, offered: by.offered ?? [] }));
  return { found, session, of: (rule) => found.filter((one) => one.rule === rule) };
}
const groupOf = (setting: Group["setting"], people = 1, more: Partial<Group> = {}): Group => ({ name: "Kestrel Sound", people: Array.from({ length: people }, (_, i) => ({ name: `P${i}`, areas: [] })), setting, ...more });
const seconds = (n: number) => ({ kind: "time" as const, seconds: n });
const timed = (drill: Drill, n: number, more: Partial<Item> = {}): Item => ({ ...itemOf(drill), dose: seconds(n), ...more });
const stress = madeDrill("x").levels.standard.stress!;
const wobbly = (grade: 1 | 2) => ({ stress: { ...stress, always: [{ area: "balance" as const, grade, side: "both" as const }] } });
const itemsAfter = (found: Found | undefined, session: Session) => found!.fix!.apply(session).blocks.map((block) => block.items);

describe("balance for a group that wants a support", () => {
  const support = groupOf({ support: true });
  const says = (drill: Drill, group = support) => look([drill], [[drill]], { group }).of("balance-support");
  it("is spoken of where nothing is held, and where a hand does not help", () => {
    expect(says(madeDrill("steady"))).toEqual([]);
    expect(says(madeDrill("wobbly", wobbly(1)))).toHaveLength(1);
    expect(says(madeDrill("held", { ...wobbly(1), kit: ["chair"] }))).toEqual([]);
    expect(says(madeDrill("padded", { ...wobbly(1), kit: ["pad"] }))).toHaveLength(1);
    expect(says(madeDrill("padded-held", { ...wobbly(1), kit: ["pad", "wall"] }))).toEqual([]);
    expect(says(madeDrill("hops", { ...wobbly(2), kit: ["support"] }))).toHaveLength(1);
    expect(says(madeDrill("knees", { stress: { ...stress, always: [{ area: "kneeling", grade: 2, side: "both" }] } }))).toEqual([]);
    expect(says(madeDrill("wobbly", wobbly(1)), groupOf({}))).toEqual([]);
  });
  it("is mended by the nearest level down that has one, where its kit is there for everyone", () => {
    const drill = madeDrill("wobbly", { levels: { harder: wobbly(2), standard: wobbly(1), easier: { kit: ["chair"], ...wobbly(1) } } });
    const at = (level: "standard" | "harder", group: Group) => {
      const { of, session } = look([drill], [[itemOf(drill, level)]], { group });
      const [found] = of("balance-support");
      return found?.fix ? [found.fix.words, itemsAfter(found, session)[0]![0]!.level] : found?.says;
    };
    expect(at("standard", support)).toEqual(["Take the easier level", "easier"]);
    expect(at("harder", support)).toEqual(["Take the easier level", "easier"]);
    expect(at("standard", groupOf({ support: true, kit: { chair: 2 } }, 2))).toEqual(["Take the easier level", "easier"]);
    expect(at("standard", groupOf({ support: true, kit: { chair: 1 } }, 2))).toBe("The wobbly is a balance drill with nothing to hold on to.");
    expect(at("standard", groupOf({ support: true, kit: { chair: 0 } }, 0))).toBe("The wobbly is a balance drill with nothing to hold on to.");
    const stays = madeDrill("stays", { levels: { harder: wobbly(1) } });
    const { of, session } = look([stays], [[itemOf(stays, "harder")]], { group: support });
    expect(itemsAfter(of("balance-support")[0], session)[0]![0]!.level).toBe("standard");
  });
});

describe("a group's caps", () => {
  const effort = (opposite?: number): Item["dose"] => ({ kind: "effort", rounds: 2, ramp: [{ effort: 30, seconds: 4 }, { effort: 90, seconds: 4 }], ...(opposite && { opposite: { effort: opposite, seconds: 5 } }) });
  const drill = madeDrill("push", { method: "effort" });
  const hold = madeDrill("hold", { method: "hold" });
  it("take every step of a ramp, and the pull the opposite way, down to it, and leave the rest", () => {
    const { of, session } = look([drill], [[{ ...itemOf(drill), dose: effort(80) }]], { group: groupOf({ effortCap: 60 }) });
    expect(of("caps").map((one) => [one.says, one.fix!.words])).toEqual([["The push asks for 90 % effort; this group’s cap is 60 %.", "Cap the ramp at 60 %"]]);
    expect(itemsAfter(of("caps")[0], session)[0]![0]!.dose).toEqual({ kind: "effort", rounds: 2, ramp: [{ effort: 30, seconds: 4 }, { effort: 60, seconds: 4 }], opposite: { effort: 60, seconds: 5 } });
    const without = look([drill], [[{ ...itemOf(drill), dose: effort() }]], { group: groupOf({ effortCap: 60 }) });
    expect(itemsAfter(without.of("caps")[0], without.session)[0]![0]!.dose).not.toHaveProperty("opposite");
    expect(look([drill], [[{ ...itemOf(drill), dose: effort() }]], { group: groupOf({ holdCap: 1 }) }).of("caps")).toEqual([]);
  });
  it("cap holds in seconds and on a ladder, and nothing that moves", () => {
    const group = groupOf({ holdCap: 40 });
    const { of, session } = look([hold], [[timed(hold, 90)]], { group });
    expect(of("caps").map((one) => [one.says, one.fix!.words])).toEqual([["The hold holds 1 min 30 s at a time; this group’s cap is 40 s.", "Hold 40 s"]]);
    expect(itemsAfter(of("caps")[0], session)[0]![0]!.dose).toEqual(seconds(40));
    expect(look([hold], [[{ ...itemOf(hold), dose: { kind: "ladder", rungs: [10, 41], rung: 1 } }]], { group }).of("caps")).toHaveLength(1);
    expect(look([hold], [[{ ...itemOf(hold), dose: { kind: "ladder", rungs: [10, 41], rung: 0 } }]], { group }).of("caps")).toEqual([]);
    expect(look([hold], [[{ ...itemOf(hold), dose: { kind: "breaths", count: 20 } }]], { group }).of("caps")).toEqual([]);
    const moving = madeDrill("moving");
    expect(look([moving], [[timed(moving, 90)]], { group }).of("caps")).toEqual([]);
    expect(look([hold], [[timed(hold, 90)]], { group: groupOf({ effortCap: 10 }) }).of("caps")).toEqual([]);
  });
});

describe("the floor", () => {
  const walk = madeDrill("walk", { method: "travel", bounds: { least: 4, most: 20, step: 1 } });
  const steps = (count: number, tempo: { do: string; seconds: number }[] = [{ do: "step", seconds: 2 }]): Item => ({ ...itemOf(walk), dose: { kind: "reps", count, tempo } });
  const found = (count: number, floor: number, item = steps(count)) => look([walk], [[item]], { group: groupOf({ floor }) });
  it("needs a metre for the body, and 60 cm a step, by each beat that is one", () => {
    expect(travelMetres(10, [{ do: "step" }])).toBeCloseTo(7);
    expect(travelMetres(10, [{ do: "lower" }])).toBeCloseTo(7);
    expect(travelMetres(10, [{ do: "step" }, { do: "rise" }])).toBeCloseTo(7);
    expect(travelMetres(5, [{ do: "hop left" }, { do: "walk back" }])).toBeCloseTo(7);
  });
  it("is too short below that, and mended by as many repetitions as fit, where that is enough of them", () => {
    expect(found(10, 7).of("floor")).toEqual([]);
    const { of, session } = found(11, 7);
    expect(of("floor").map((one) => [one.says, one.fix!.words])).toEqual([["The walk travels about 8 m; the floor is 7 m.", "10 repetitions each way"]]);
    expect(itemsAfter(of("floor")[0], session)[0]![0]!.dose).toEqual({ kind: "reps", count: 10, tempo: [{ do: "step", seconds: 2 }] });
    expect(found(20, 4).of("floor")[0]!.fix!.words).toBe("5 repetitions each way");
    expect(found(20, 3.4).of("floor")[0]!.fix!.words).toBe("4 repetitions each way");
    expect(found(20, 3.3).of("floor")[0]!.fix).toBeUndefined();
  });
  it("is looked at where it was said, and for what travels by repetitions", () => {
    expect(look([walk], [[steps(20)]], { group: groupOf({}) }).of("floor")).toEqual([]);
    expect(look([walk], [[steps(20)]]).of("floor")).toEqual([]);
    expect(look([walk], [[timed(walk, 60)]], { group: groupOf({ floor: 1 }) }).of("floor")).toEqual([]);
    const stays = madeDrill("stays");
    expect(look([stays], [[{ ...steps(20), drill: "stays" }]], { group: groupOf({ floor: 1 }) }).of("floor")).toEqual([]);
  });
});

describe("the first minutes", () => {
  // Strength is 0.75, dynamic work 0.4, circles 0.2, breath 0.1; a level is 0.12.
  const [lift, move, circle] = [madeDrill("lift", { method: "strength" }), madeDrill("move"), madeDrill("circle", { method: "circles" })];
  const all = [lift, move, circle];
  it("are those before two minutes, and harder than what follows by more than an eighth", () => {
    const { of, session } = look(all, [[timed(lift, 120), timed(move, 60)], [timed(circle, 60)]]);
    expect(of("first-minutes").map((one) => [one.place, one.at, one.says, one.fix!.words])).toEqual([[{ block: 0, item: 0 }, 0, "It begins harder than it goes on: The lift comes in the first two minutes.", "Begin with The circle"]]);
    expect(itemsAfter(of("first-minutes")[0], session).map((items) => items.map((item) => item.drill))).toEqual([["circle", "lift", "move"]]);
    expect(look(all, [[timed(move, 120), timed(lift, 60)]]).of("first-minutes")).toEqual([]);
    expect(look(all, [[timed(lift, 120)]]).of("first-minutes")).toEqual([]);
  });
  it("count every drill that begins before two minutes, and none that begins at them", () => {
    expect(look(all, [[timed(lift, 119), timed(circle, 60), timed(move, 60)]]).of("first-minutes")).toHaveLength(1);
    // The lift begins with the third minute: it does not count as early.
    expect(look(all, [[timed(circle, 120), timed(lift, 60), timed(circle, 600)]]).of("first-minutes")).toEqual([]);
    // Begun a moment sooner, it outweighs the rest.
    expect(look(all, [[timed(circle, 60), timed(lift, 600), timed(circle, 600)]]).of("first-minutes")).toHaveLength(1);
  });
  it("may be easy however easy the rest is, and as hard as the rest", () => {
    const flow = madeDrill("flow", { method: "flow" });
    const hard = madeDrill("hard", { method: "strength", levels: {} });
    expect(look([flow, circle], [[timed(flow, 120), timed(circle, 60)]]).of("first-minutes")).toHaveLength(1);
    expect(look([move, circle], [[timed(move, 120), timed(circle, 60)]]).of("first-minutes")).toEqual([]);
    expect(look([lift, hard], [[timed(lift, 120), timed(hard, 60)]]).of("first-minutes")).toEqual([]);
    expect(look([lift], [[timed(lift, 120, { level: "harder" }), timed(lift, 60)]]).of("first-minutes")).toEqual([]);
    expect(look([lift], [[timed(lift, 120, { level: "harder" }), timed(lift, 60, { level: "easier" })]]).of("first-minutes")).toHaveLength(1);
  });
  it("are mended by the gentlest of what comes later, by nothing where that is no gentler", () => {
    const { of } = look(all, [[timed(lift, 120), timed(move, 60), timed(circle, 60), timed(move, 60)]]);
    expect(of("first-minutes")[0]!.fix!.words).toBe("Begin with The circle");
    const two = look(all, [[timed(circle, 10), timed(lift, 110), timed(circle, 600)]]);
    expect(two.of("first-minutes").map((one) => one.place)).toEqual([{ block: 0, item: 1 }]);
    // All that is gentle comes early already: then by hand.
    const early = look(all, [[timed(move, 1), timed(lift, 200), { ...timed(lift, 200), level: "easier" }]]);
    for (const one of early.of("first-minutes")) expect(one.fix?.words ?? "").not.toContain("The move");
  });
});

describe("the set-up in words", () => {
  const wordy = madeDrill("wordy", { setUp: ["One two three four five.", "Six  seven eight nine ten."] });
  const demo = (n: number) => look([wordy], [[timed(wordy, 30, { demo: n })]]);
  it("takes two and a half words a second, all sentences together", () => {
    expect(demo(4).of("instructions")).toEqual([]);
    const { of, session } = demo(3.9);
    expect(of("instructions").map((one) => [one.severity, one.at, one.says, one.fix!.words])).toEqual([["hint", 0, "The wordy takes 4 s to set up in words; 3.9 s are there.", "Watch first for 4 s"]]);
    expect(itemsAfter(of("instructions")[0], session)[0]![0]!.demo).toBe(4);
    expect(demo(0).of("instructions")).toEqual([]);
  });
});

describe("the end", () => {
  const [open, lunge, breath] = [madeDrill("open", { posture: "side-lying", endPosture: "side-lying" }), madeDrill("lunge", { method: "strength", endPosture: "split-stance" }), madeDrill("breath", { method: "breath", posture: "supine", endPosture: "supine" })];
  const ends = (drill: Drill, purpose: Session["purpose"], offered: Drill[] = []) => look([open, lunge, breath, ...offered, drill], [[open, drill]], { purpose, offered });
  it("is a pattern on the feet before training, and slow breath after it; otherwise as one likes", () => {
    for (const purpose of ["before-training", "before-lifting", "before-game"] as const) {
      expect(ends(open, purpose).of("closing").map((one) => [one.place, one.says])).toEqual([[{ block: 0, item: 1 }, "It ends with The open, not with a pattern on the feet."]]);
      expect(ends(lunge, purpose).of("closing")).toEqual([]);
    }
    expect(ends(lunge, "after-training").of("closing").map((one) => one.says)).toEqual(["It ends with The lunge, without slow breathing."]);
    expect(ends(breath, "after-training").of("closing")).toEqual([]);
    expect(ends(breath, "before-training").of("closing")).toHaveLength(1);
    for (const purpose of ["off-day", "desk-break"] as const) expect(ends(open, purpose).of("closing")).toEqual([]);
  });
  it("asks for a whole way of moving and a position on the feet, both", () => {
    const ended = (method: Drill["method"], endPosture: "standing" | "squat" | "plank" | "split-stance" | "tall-kneeling" | "hang") => ends(madeDrill("last", { method, endPosture }), "before-training").of("closing").length;
    expect((["strength", "flow", "travel", "dynamic"] as const).map((method) => ended(method, "standing"))).toEqual([0, 0, 0, 0]);
    expect((["hold", "circles", "breath", "effort", "release", "balance"] as const).map((method) => ended(method, "standing"))).toEqual([1, 1, 1, 1, 1, 1]);
    expect((["standing", "squat", "plank", "split-stance"] as const).map((posture) => ended("flow", posture))).toEqual([0, 0, 0, 0]);
    expect((["tall-kneeling", "hang"] as const).map((posture) => ended("flow", posture))).toEqual([1, 1]);
  });
  it("is offered a drill that would do, not another", () => {
    const offer = (purpose: Session["purpose"]) => {
      const { of, session } = ends(open, purpose, [madeDrill("hold", { method: "hold" }), lunge, breath]);
      const fix = of("closing")[0]!.offer!()!;
      return [fix.words, fix.apply(session).blocks[0]!.items.map((item) => item.drill)];
    };
    expect(offer("before-game")).toEqual(["Close with The lunge", ["open", "open", "lunge"]]);
    expect(offer("after-training")).toEqual(["Close with The breath", ["open", "open", "breath"]]);
  });
});

describe("kit", () => {
  const stick = madeDrill("stick", { kit: ["stick"] });
  const easy = madeDrill("easy", { levels: { standard: { kit: ["stick", "stick"] }, harder: { kit: ["stick"] } } });
  it("is said where there is none or too little, and of the drill that needs it first", () => {
    const none = look([stick], [[madeDrill("free"), stick].slice(1)], { group: groupOf({ kit: {} }, 3) });
    expect(none.of("kit").map((one) => [one.severity, one.says, one.lead, one.fix])).toEqual([["stop", "There is no stick; The stick needs 3.", { to: "kit" }, undefined]]);
    expect(look([stick], [[stick]], { group: groupOf({ kit: {} }, 0) }).of("kit")[0]!.says).toBe("There is no stick; The stick needs one.");
    expect(look([stick], [[stick]], { group: groupOf({ kit: { stick: 2 } }, 3) }).of("kit")[0]!.says).toBe("3 pieces of “stick” are needed for 3 people at once; there are 2.");
    expect(look([stick], [[stick]], { group: groupOf({ kit: { stick: 3 } }, 3) }).of("kit")).toEqual([]);
    expect(look([stick], [[stick]], { group: groupOf({}, 3) }).of("kit")).toEqual([]);
    const held = madeDrill("held", { kit: ["support"] });
    expect(look([held], [[held]], { group: groupOf({ kit: {} }, 2) }).of("kit")[0]!.says).toBe("There is nothing to hold on to; The held needs 2.");
    const wall = madeDrill("wall", { kit: ["wall"] });
    expect(look([wall], [[wall]], { group: groupOf({ kit: { wall: 1 } }, 30) }).of("kit")).toEqual([]);
    expect(look([wall], [[wall]], { group: groupOf({ kit: { stick: 1 } }, 30) }).of("kit")).toHaveLength(1);
  });
  it("is mended by levels that do without, where every drill has one", () => {
    const { of, session } = look([easy], [[easy, easy]], { group: groupOf({ kit: {} }, 2) });
    expect(of("kit").map((one) => one.fix!.words)).toEqual(["Take a level that does without, in 2 drills"]);
    expect(itemsAfter(of("kit")[0], session)[0]!.map((item) => item.level)).toEqual(["easier", "easier"]);
    const one = look([easy], [[easy]], { group: groupOf({ kit: {} }, 2) });
    expect(one.of("kit")[0]!.fix!.words).toBe("Take the easier level of The easy, which does without");
    // With one each, the harder level does; the easier comes first.
    expect(itemsAfter(one.of("kit")[0], one.session)[0]![0]!.level).toBe("easier");
    expect(look([easy, stick], [[easy, stick]], { group: groupOf({ kit: {} }, 2) }).of("kit")[0]!.fix).toBeUndefined();
    // Only those that need more than there is count.
    const two = look([easy, stick], [[easy, stick]], { group: groupOf({ kit: { stick: 2 } }, 2) });
    expect(two.of("kit").map((found) => [found.place, found.fix!.words])).toEqual([[{ block: 0, item: 0 }, "Take the easier level of The easy, which does without"]]);
  });
});

describe("the length", () => {
  const drill = madeDrill("move");
  const found = (target: number | undefined, n = 100) => look([drill], [[timed(drill, n)]], { target });
  it("may not be a second over what was promised, nor more than a minute under", () => {
    expect(found(undefined).of("length")).toEqual([]);
    expect(found(100).of("length")).toEqual([]);
    expect(found(160).of("length")).toEqual([]);
    expect(found(99).of("length").map((one) => [one.severity, one.says, one.fix!.words, one.lead])).toEqual([["warn", "It runs 1 s over the 1:39 promised.", "Promise 2:00 instead", { to: "fit" }]]);
    expect(found(161).of("length").map((one) => [one.severity, one.says, one.fix!.words, one.lead])).toEqual([["hint", "It ends 1 min 1 s before the 2:41 promised.", "Promise 2:00 instead", { to: "fit" }]]);
    for (const target of [99, 161]) {
      const { of, session } = found(target);
      expect(of("length")[0]!.fix!.apply(session).target).toBe(120);
    }
    expect(found(200, 120).of("length")[0]!.fix!.words).toBe("Promise 2:00 instead");
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
    for (const title of ["10 drills", "Top 10", "minutes", "10 minor moves", "1000 minutes"]) expect(says(title, 60).of("title"), title).toEqual([]);
  });
  it("is mended by the minutes there are, where they are near enough", () => {
    const { of, session } = says("10 minutes before the boat", 300);
    expect(of("title").map((one) => [one.severity, one.says, one.fix!.words])).toEqual([["hint", "The title says 10 minutes; it lasts 5:00.", "Write 5 in the title"]]);
    expect(of("title")[0]!.fix!.apply(session).title).toBe("5 minutes before the boat");
    expect(says("10 minutes", 330).of("title")[0]!.fix!.words).toBe("Write 6 in the title");
  });
});

describe("a long hold before power", () => {
  const hold = madeDrill("hold", { method: "hold", main: ["hip.flex"] });
  const find = (items: Item[], purpose: Session["purpose"] = "before-game") => look([hold], [items], { purpose });
  it("is shortened to a minute in all, and taken out where less than ten seconds are left", () => {
    const { of, session } = find([timed(hold, 90)]);
    expect(of("long-holds").map((one) => [one.severity, one.says, one.fix!.words])).toEqual([["warn", "The hold holds one side for 1 min 30 s shortly before power work.", "Hold 1 min"]]);
    expect(itemsAfter(of("long-holds")[0], session)[0]![0]!.dose).toEqual(seconds(60));
    expect(find([timed(hold, 40, { sets: 2 })]).of("long-holds")[0]!.fix!.words).toBe("Hold 30 s at a time");
    const left = (first: number) => find([timed(hold, first), timed(hold, 60)]).of("long-holds")[0]!.fix!.words;
    expect([left(50), left(51)]).toEqual(["Hold 10 s", "Take The hold out"]);
    const out = find([timed(hold, 51), timed(hold, 60)]);
    expect(itemsAfter(out.of("long-holds")[0], out.session)[0]).toEqual([timed(hold, 51)]);
    expect(out.of("long-holds")[0]!.says).toBe("With The hold, hip folding is held for 1 min 51 s a side shortly before power work.");
  });
  it("is none on an off day, in what moves, by breaths, or of another motion", () => {
    expect(find([timed(hold, 90)], "off-day").of("long-holds")).toEqual([]);
    expect(find([{ ...itemOf(hold), dose: { kind: "breaths", count: 30 } }]).of("long-holds")).toEqual([]);
    expect(find([{ ...itemOf(hold), dose: { kind: "ladder", rungs: [30, 90], rung: 1 } }]).of("long-holds")).toHaveLength(1);
    const moving = madeDrill("moving");
    expect(look([moving], [[timed(moving, 90)]], { purpose: "before-game" }).of("long-holds")).toEqual([]);
    const other = madeDrill("other", { method: "hold", main: ["kn.flex"] });
    expect(look([hold, other], [[timed(hold, 50), timed(other, 50)]], { purpose: "before-game" }).of("long-holds")).toEqual([]);
    const both = madeDrill("both", { method: "hold", main: ["kn.flex", "hip.flex"] });
    expect(look([hold, both], [[timed(hold, 50), timed(both, 20)]], { purpose: "before-game" }).of("long-holds")[0]!.says).toMatch(/^With The both, hip folding is held for 1 min 10 s/);
  });
});

describe("a mixed group", () => {
  const drill = madeDrill("lunge", { levels: { easier: { kit: ["chair"], how: "With a chair." }, standard: { kit: ["box"] } } });
  const find = (level: "easier" | "standard" | "harder", kit: Group["setting"]["kit"], mixed = true) => look([drill], [[itemOf(drill, level)]], { group: groupOf({ mixed, ...(kit && { kit }) }, 3) });
  it("needs a level down that one person has the kit for", () => {
    expect(find("standard", {}).of("mixed-group").map((one) => [one.severity, one.says, one.fix])).toEqual([["warn", "The lunge has no easier form with the kit there is (with a chair).", undefined]]);
    expect(find("standard", { chair: 1 }).of("mixed-group")).toEqual([]);
    expect(find("standard", undefined).of("mixed-group")).toEqual([]);
    expect(find("easier", {}).of("mixed-group")).toEqual([]);
    expect(find("standard", {}, false).of("mixed-group")).toEqual([]);
    expect(find("harder", { box: 1 }).of("mixed-group")).toEqual([]);
    const hard = find("harder", {});
    expect(hard.of("mixed-group")[0]!.fix!.words).toBe("Take the standard level");
    expect(itemsAfter(hard.of("mixed-group")[0], hard.session)[0]![0]!.level).toBe("standard");
  });
});

describe("a drill that is new to a group", () => {
  const [one, two] = [madeDrill("one"), madeDrill("two")];
  const find = (shown: string[] | undefined, items: (Drill | Item)[]) => look([one, two], [items], { group: groupOf({}, 1, shown && { shown }) });
  it("is shown the first time it comes", () => {
    expect(find([], [one, one, two]).of("new-drill").map((found) => [found.place, found.says, found.fix!.words])).toEqual([
      [{ block: 0, item: 0 }, "The one is new to Kestrel Sound, and there is no time to watch it first.", "Watch first for 20 s"], [{ block: 0, item: 2 }, "The two is new to Kestrel Sound, and there is no time to watch it first.", "Watch first for 20 s"],
    ]);
    expect(find(["one"], [one, two]).of("new-drill").map((found) => found.place)).toEqual([{ block: 0, item: 1 }]);
    expect(find(["one", "two"], [one, two]).of("new-drill")).toEqual([]);
    expect(find(undefined, [one]).of("new-drill")).toEqual([]);
    expect(find([], [timed(one, 30, { demo: 5 })]).of("new-drill")).toEqual([]);
    const { of, session } = find([], [one]);
    expect(itemsAfter(of("new-drill")[0], session)[0]![0]!.demo).toBe(20);
  });
});

describe("what people protect", () => {
  const neck = { stress: { ...stress, always: [{ area: "neck" as const, grade: 2 as const, side: "middle" as const }] } };
  const own = madeDrill("own", { levels: { standard: neck, harder: neck } });
  const other = madeDrill("other", { bounds: { least: 20, most: 60, step: 5 }, dose: seconds(25) });
  const bad = madeDrill("bad", neck);
  const people = (...areas: Group["people"][number]["areas"][]): Group["people"] => areas.map((one, i) => ({ name: `P${i}`, areas: one }));
  const find = (item: Item, by: { group: Group["people"]; setting?: Group["setting"]; offered?: Drill[]; rounds?: number }) => {
    const { of, session } = look([own, other, bad], [[item]], { group: { name: "g", people: by.group, setting: by.setting ?? {} }, offered: by.offered ?? [other], ...(by.rounds && { rounds: by.rounds }) });
    return { found: of("protected-areas"), session };
  };
  const swapped = (item: Item, by: Parameters<typeof find>[1]) => {
    const { found, session } = find(item, by);
    const fix = found[0]!.offer!();
    const after = fix?.apply(session).blocks[0]!.items[0];
    return fix && [fix.words, after!.drill, after!.level, after!.dose];
  };
  it("is met by the easier level for one or several of them, in words that name who and what", () => {
    const { found } = find(itemOf(own), { group: people(["neck"], [], ["neck", "grip"]) });
    expect(found.map((one) => [one.severity, one.place, one.says, one.areas])).toEqual([["hint", { block: 0, item: 0 }, "The own loads the neck, which P0 and P2 protect. In the same time, P0: the easier level; P2: the easier level.", ["neck"]]]);
    expect(find(itemOf(own), { group: people(["neck"]) }).found[0]!.says).toMatch(/which P0 protects\. In the same time, P0: the easier level\.$/);
    expect(find(itemOf(own), { group: people([], []) }).found).toEqual([]);
    expect(find(itemOf(own), { group: people(["grip"]) }).found).toEqual([]);
    expect(find(itemOf(own, "easier"), { group: people(["neck"]) }).found).toEqual([]);
  });
  it("stops the session where somebody would rest, and where the whole group protects it", () => {
    const none = find(itemOf(bad), { group: people(["neck"], ["neck"]), offered: [] }).found[0]!;
    expect([none.severity, none.says, none.areas]).toEqual(["stop", "The bad loads the neck, which P0 and P1 protect, and there is nothing else in that time for P0 and P1: they would rest here.", ["neck"]]);
    expect(find(itemOf(bad), { group: people(["neck"]) }).found[0]!.says).toBe("The bad loads the neck, which P0 protects. In the same time, P0: The other.");
    const everyone = find(itemOf(own), { group: people([]), setting: { areas: ["neck"] } }).found[0]!;
    expect([everyone.severity, everyone.says, everyone.areas]).toEqual(["stop", "The own loads the neck, which the whole group protects.", ["neck"]]);
    const undrawn = madeDrill("undrawn", { stress: undefined });
    expect(look([undrawn], [[undrawn]], { group: { name: "g", people: people(["neck"]), setting: {} } }).of("protected-areas")[0]!.says).toBe("The undrawn is not drawn, so nobody knows what it loads; P0 protects the neck, and there is nothing else in that time for P0: they would rest here.");
  });
  it("is mended for everyone by the level, or the drill, that loads nothing anybody protects, in the same time where that is right for it", () => {
    expect(swapped(itemOf(own), { group: people(["neck"]) })).toEqual(["Take the easier level for everyone", "own", "easier", seconds(30)]);
    expect(swapped(timed(own, 100), { group: people(["neck"]) })).toEqual(["Take the easier level for everyone", "own", "easier", seconds(100)]);
    const to = (n: number) => swapped(timed(bad, n), { group: people(["neck"]) });
    expect(to(40)).toEqual(["Take The other for everyone", "other", "standard", seconds(40)]);
    expect([to(20), to(60)].map((one) => one![3])).toEqual([seconds(20), seconds(60)]);
    expect(to(61)).toBeUndefined();
    // What all of them protect together counts, also where each alone would have an answer.
    const grip = { stress: { ...stress, always: [{ area: "grip" as const, grade: 2 as const, side: "both" as const }] } };
    const both = madeDrill("both", { levels: { standard: neck, easier: grip } });
    const found = look([both], [[both]], { group: { name: "g", people: people(["neck"], ["grip"]), setting: {} }, offered: [] }).of("protected-areas")[0]!;
    expect([found.says, found.offer!()]).toEqual(["The both loads the neck, which P0 protects. In the same time, P0: the easier level.", undefined]);
    const reps = madeDrill("reps", { dose: { kind: "reps", count: 5, tempo: [{ do: "go", seconds: 6 }] }, bounds: { least: 1, most: 20, step: 1 } });
    const change = look([bad, reps], [[timed(bad, 30)]], { group: { name: "g", people: people(["neck"]), setting: {} }, offered: [reps] });
    expect(change.of("protected-areas")[0]!.offer!()!.apply(change.session).blocks[0]!.items[0]!.dose).toEqual(reps.levels.standard.dose);
    const ramp = (effort: number) => ({ dose: { kind: "effort" as const, rounds: 1, ramp: [{ effort, seconds: 6 }] }, bounds: { least: 1, most: 3, step: 1 } });
    const push = madeDrill("push", { method: "effort", levels: { standard: { ...ramp(50), ...neck }, easier: ramp(30) } });
    const eased = look([push], [[push]], { group: { name: "g", people: people(["neck"]), setting: {} } });
    expect(eased.of("protected-areas")[0]!.offer!()!.apply(eased.session).blocks[0]!.items[0]!.dose).toEqual(ramp(30).dose);
  });
  it("counts all rounds of a block", () => {
    const long = madeDrill("long", { stress: { ...stress, timed: [{ area: "neck", grade: 2, side: "middle", from: 60 }] } });
    const rounds = (n: number) => look([long], [[long]], { group: { name: "g", people: people(["neck"]), setting: {} }, rounds: n }).of("protected-areas").length;
    expect([rounds(1), rounds(2)]).toEqual([0, 1]);
  });
  it("names forty and counts the rest", () => {
    const says = (n: number, offered: Drill[]) => find(itemOf(bad), { group: people(...Array.from({ length: n }, () => ["neck" as const])), offered }).found[0]!.says;
    expect(says(40, [])).toContain("P38 and P39 protect, and there is nothing else in that time for P0, P1");
    expect(says(41, [])).toContain("P38, P39 and 1 more protect");
    expect(says(42, [])).toContain("for P0, P1, P2");
    expect(says(40, [other])).toMatch(/P39: The other\.$/);
    expect(says(42, [other])).toMatch(/P39: The other; and 2 more\.$/);
  });
});

describe("a motion that is asked for most", () => {
  const [bend, turn] = [madeDrill("bend"), madeDrill("turn", { main: ["th.rot"], dose: seconds(20), bounds: { least: 10, most: 200, step: 10 } })];
  const demand = (weight: number, why?: string) => ({ id: "d", name: "Rowing", about: "Rowing.", held: [], rows: { "hip.flex": { weight: 3, why: "It folds." }, "th.rot": { weight, ...(why !== undefined && { why }) } } }) as never;
  const find = (n: number, target: number | undefined, weight = 3) => {
    const session: Session = { ...newSession({ title: "t", purpose: "off-day", target }, [{ title: "b", rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items: [timed(bend, 60), timed(turn, n), timed(bend, 60)] }]), pace: { breath: 6, switchSides: 6, turn: 2, demo: 0, kitChange: 4 } };
    return audit(auditInput(session, (id) => [bend, turn].find((drill) => drill.id === id), { demand: demand(weight, "The catch turns."), offered: [] })).filter((one) => one.rule === "top-demand");
  };
  it("is said where it gets less than half of what it should, and what for", () => {
    const [found] = find(5, 300);
    expect([found!.severity, found!.about, found!.why, found!.lead]).toEqual(["warn", "th.rot", "Rowing: The catch turns.", { to: "drills", row: "th.rot" }]);
    expect(found!.says).toMatch(/gets 5 s of \d/);
    expect(find(5, 300, 2)).toEqual([]);
    expect(find(200, 300)).toEqual([]);
  });
  it("wants its share of the promised length, or of how long it lasts", () => {
    const wants = (target: number | undefined) => /of (.*)\.$/.exec(find(5, target)[0]!.says)![1];
    expect(wants(600)).not.toBe(wants(300));
    expect(find(5, undefined)).toHaveLength(1);
  });
});

describe("one knee", () => {
  const kneel = madeDrill("kneel", { posture: "half-kneeling", endPosture: "half-kneeling", sides: "each" });
  const padded = madeDrill("padded", { posture: "half-kneeling", endPosture: "half-kneeling", sides: "each", kit: ["pad"] });
  const stand = madeDrill("stand");
  const find = (...items: Item[]) => look([kneel, padded, stand], [items]).of("one-knee").map((one) => [one.place?.item, one.severity]);
  const left = (n: number) => timed(kneel, n, { sides: "left" });
  it("takes three minutes in one go without a pad, not more", () => {
    expect(find(left(180))).toEqual([]);
    expect(find(left(180.1))).toEqual([[0, "warn"]]);
    expect(find(left(100), left(80))).toEqual([]);
    expect(find(left(100), left(81))).toEqual([[1, "warn"]]);
    expect(find(left(100), left(81), left(200))).toEqual([[1, "warn"]]);
    expect(find(timed(padded, 300, { sides: "left" }))).toEqual([]);
  });
  it("counts getting down onto it, once it is that knee's", () => {
    // Five seconds from the feet onto a knee.
    expect(find(timed(stand, 10), left(175))).toEqual([]);
    expect(find(timed(stand, 10), left(175.5))).toEqual([[1, "warn"]]);
    expect(find(timed(stand, 10), timed(padded, 300, { sides: "left" }), left(180))).toEqual([]);
    expect(find(timed(kneel, 60, { sets: 3, restBetweenSets: 10, sides: "left" }))).toEqual([[0, "warn"]]);
    expect(find(timed(kneel, 60, { sets: 3, sides: "alternating" }))).toEqual([]);
  });
  it("begins anew with the other knee, on the feet, and with a pad between", () => {
    expect(find(left(100), timed(kneel, 100, { sides: "right" }))).toEqual([]);
    expect(find(timed(kneel, 170))).toEqual([]);
    expect(find(left(100), timed(stand, 10), left(100))).toEqual([]);
    expect(find(left(100), timed(padded, 10, { sides: "left" }), left(100))).toEqual([]);
    expect(find(left(100), timed(stand, 10), left(181))).toEqual([[2, "warn"]]);
  });
});

describe("a tempo", () => {
  const drill = madeDrill("swing", { bounds: { least: 1, most: 20, step: 1, leastRep: 3 } });
  const find = (...tempo: number[]) => look([drill], [[{ ...itemOf(drill), dose: { kind: "reps", count: 5, tempo: tempo.map((n) => ({ do: "go", seconds: n })) } }]]);
  it("is no faster than the drill is safe at, and is slowed in proportion", () => {
    expect(find(1.5, 1.5).of("tempo")).toEqual([]);
    expect(find(2, 2).of("tempo")).toEqual([]);
    const { of, session } = find(1, 1.4);
    expect(of("tempo").map((one) => [one.severity, one.says, one.fix!.words])).toEqual([["warn", "The swing takes 2.4 s a repetition; it needs at least 3 s.", "Slow it to 3.1 s"]]);
    expect(itemsAfter(of("tempo")[0], session)[0]![0]!.dose).toEqual({ kind: "reps", count: 5, tempo: [{ do: "go", seconds: 1.3 }, { do: "go", seconds: 1.8 }] });
    expect(look([drill], [[timed(drill, 1)]]).of("tempo")).toEqual([]);
    const any = madeDrill("any");
    expect(look([any], [[{ ...itemOf(any), dose: { kind: "reps", count: 5, tempo: [{ do: "go", seconds: 0.5 }] } }]]).of("tempo")).toEqual([]);
  });
});

describe("left and right", () => {
  const each = madeDrill("each", { sides: "each" });
  const find = (...items: Item[]) => look([each, madeDrill("both")], [items]);
  it("are said with the difference, which side, and what makes them equal", () => {
    const { of, session } = find(timed(each, 30), timed(each, 20, { sides: "left" }));
    expect(of("unequal-sides").map((one) => [one.severity, one.place, one.says, one.fix!.words])).toEqual([["warn", { block: 0, item: 1 }, "The left side works 20 s longer than the right: 50 s left, 30 s right.", "The each: each side in turn"]]);
    expect(itemsAfter(of("unequal-sides")[0], session)[0]![1]!.sides).toBe("each");
    expect(find(timed(each, 20, { sides: "right" })).of("unequal-sides")[0]!.says).toBe("The right side works 20 s longer than the left: 0 s left, 20 s right.");
    expect(find(timed(each, 20, { sides: "left" }), timed(each, 20, { sides: "right" })).of("unequal-sides")).toEqual([]);
    const mostly = find(timed(each, 10, { sides: "left" }), timed(each, 30, { sides: "right" }));
    expect(mostly.of("unequal-sides")[0]!.place).toEqual({ block: 0, item: 1 });
    const other = find(timed(madeDrill("both"), 10, { sides: "left", drill: "both" }));
    expect(other.of("unequal-sides").map((one) => [one.place, one.fix])).toEqual([[undefined, undefined]]);
  });
});

describe("a cold effort", () => {
  const ramp = (effort: number): Item["dose"] => ({ kind: "effort", rounds: 1, ramp: [{ effort, seconds: 10 }] });
  const push = madeDrill("push", { method: "effort", main: ["hip.flex", "kn.flex"], also: ["an.df"] });
  const [hips, knees, also] = [madeDrill("hips"), madeDrill("knees", { main: ["kn.flex"] }), madeDrill("also", { main: ["trunk"], also: ["kn.flex"] })];
  const all = [push, hips, knees, also];
  const strong: Item = { ...itemOf(push), dose: ramp(90) };
  const find = (...items: Item[]) => look(all, [items]);
  it("wants a minute of every motion it is for; the one that has had least is named", () => {
    expect(find(timed(hips, 60), timed(knees, 60), strong).of("cold-effort")).toEqual([]);
    expect(find(timed(hips, 60), timed(also, 60), strong).of("cold-effort")).toEqual([]);
    const { of, session } = find(timed(hips, 60), timed(knees, 20), strong);
    expect(of("cold-effort").map((one) => [one.severity, one.place, one.at, one.says, one.fix!.words])).toEqual([
      ["stop", { block: 0, item: 2 }, 80, "The push asks for strong effort after only 20 s of easier knee bending.", "Put its easier level in front"],
    ]);
    expect(itemsAfter(of("cold-effort")[0], session)[0]!.map((item) => [item.drill, item.level, item.dose])).toEqual([["hips", "standard", seconds(60)], ["knees", "standard", seconds(20)], ["push", "easier", seconds(60)], ["push", "standard", ramp(90)]]);
    expect(find(timed(hips, 20), timed(knees, 60), strong).of("cold-effort")[0]!.says).toMatch(/only 20 s of easier hip folding/);
    expect(find(timed(hips, 10), timed(knees, 20), strong).of("cold-effort")[0]!.says).toMatch(/only 10 s of easier hip folding/);
    expect(find(timed(hips, 20), timed(knees, 10), strong).of("cold-effort")[0]!.says).toMatch(/only 10 s of easier knee bending/);
  });
  it("is not warmed by a weaker effort, nor by what comes with or after it", () => {
    expect(find(timed(hips, 60), timed(knees, 30), { ...strong, dose: ramp(40), sets: 6 }, strong).of("cold-effort")).toHaveLength(1);
    expect(find(strong, timed(hips, 60), timed(knees, 60), strong).of("cold-effort").map((one) => one.place!.item)).toEqual([0]);
    expect(find(timed(hips, 60), timed(knees, 60), timed(push, 10)).of("cold-effort")).toEqual([]);
  });
});

describe("a direction that nothing moves in", () => {
  it("is named, one after the other, with a drill that moves so", () => {
    const forward = madeDrill("forward");
    const turn = madeDrill("turn", { main: ["th.rot"] });
    const { of, session } = look([forward, turn], [[forward, forward]], { offered: [forward, turn] });
    expect(of("planes").map((one) => [one.severity, one.about])).toEqual([["hint", "side"], ["hint", "rotation"]]);
    for (const one of of("planes")) expect(one.says).toMatch(/^Nothing moves in one direction: [a-z ]+\.$/);
    const [side, rotation] = of("planes");
    expect(side!.offer!()).toBeUndefined();
    expect(rotation!.offer!()!.apply(session).blocks[0]!.items.map((item) => item.drill)).toEqual(["forward", "turn", "forward"]);
  });
});

describe("the order of positions", () => {
  const [low, high, mid] = [madeDrill("low", { posture: "supine", endPosture: "supine" }), madeDrill("high"), madeDrill("mid", { posture: "tall-kneeling", endPosture: "tall-kneeling" })];
  const find = (blocks: Drill[][], rounds = 1) => look([low, high, mid], blocks, { rounds });
  it("is said where the same drills can do with fewer changes and less time, the last staying last", () => {
    const { of, session } = find([[low, high, low, high]]);
    expect(of("posture-order").map((one) => [one.severity, one.place, one.says, one.fix!.words])).toEqual([["hint", { block: 0, item: 1 }, "People change posture 3 times; the same drills can do with 1. That saves 22 s in moving.", "Put them in the order with 1 changes"]]);
    expect(itemsAfter(of("posture-order")[0], session)[0]!.map((item) => item.drill)).toEqual(["low", "low", "high", "high"]);
    expect(find([[low, low, high, high]]).of("posture-order")).toEqual([]);
    expect(find([[low, high]]).of("posture-order")).toEqual([]);
    // Four seconds saved, and as many changes, are not worth it.
    expect(find([[high, low, mid]]).of("posture-order")).toEqual([]);
  });
});

describe("what is found", () => {
  it("stands with the most serious first, and of equals in the order of the rules, then of the session", () => {
    const [push, hold] = [madeDrill("push", { method: "effort" }), madeDrill("hold", { method: "hold" })];
    const { found } = look([push, hold], [[{ ...itemOf(push), dose: { kind: "effort", rounds: 1, ramp: [{ effort: 90, seconds: 5 }] } }, timed(hold, 90), timed(hold, 90)]], { group: groupOf({ holdCap: 40 }), target: 60, title: "30 minutes" });
    const order = found.map((one) => `${one.severity} ${one.rule} ${one.place?.item ?? ""}`.trim());
    expect(order.slice(0, 4)).toEqual(["stop cold-effort 0", "warn length", "warn caps 1", "warn caps 2"]);
    expect(order.at(-1)).toBe("hint title");
  });
});

describe("what rules look at", () => {
  const drill = madeDrill("one");
  it("is every item whose drill is known, in order, found by its place", () => {
    const session = newSession({ title: "t", purpose: "off-day", target: undefined }, [0, 1].map(() => ({ title: "b", rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill" as const, items: [itemOf(drill), { ...itemOf(drill), drill: "gone" }, itemOf(drill)] as [Item, ...Item[]] })));
    const input = { session, drills: (id: string) => (id === "one" ? drill : undefined) };
    expect(itemsOf(input).map((one) => one.place)).toEqual([[0, 0], [0, 2], [1, 0], [1, 2]].map(([block, item]) => ({ block, item })));
    expect(itemsOf(input)).toBe(itemsOf(input));
    expect([itemAt(input, { block: 1, item: 2 }), itemAt(input, { block: 0, item: 1 }), itemAt(input, { block: 0, item: 2 })].map((one) => one?.place)).toEqual([{ block: 1, item: 2 }, undefined, { block: 0, item: 2 }]);
    expect([samePlace({ block: 1, item: 2 }, { block: 1, item: 2 }), samePlace({ block: 1, item: 2 }, { block: 2, item: 2 }), samePlace({ block: 1, item: 2 }, { block: 1, item: 1 })]).toEqual([true, false, false]);
  });
  it("knows what power follows", () => {
    expect(PURPOSES.filter(beforePower)).toEqual(["before-training", "before-lifting", "before-game"]);
  });
});
