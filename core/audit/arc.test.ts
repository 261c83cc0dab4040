import { describe, expect, it } from "vitest";
import { ARCS } from "~/core/arc/arcs";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import type { Item } from "~/core/session/schema";
import type { SportProfile } from "~/core/sport-profiles/schema";
import type { Area } from "~/core/vocabulary/areas";
import { itemOf } from "~/core/session/start";
import { madeDrill } from "~/fixtures/drills";
import { groupOf, itemsAfter, look, seconds, timed } from "~/fixtures/looked";

/*
 * What the rules of a session's arc say and what mends it, with made-up drills that nothing else is wrong with: to the word, on
 * both sides of each number, and what the session is afterwards.
 */

type Codes = [pulse: number, speed: number, impact: number, skill: number, effort: number];
const coded = (
  id: string,
  [pulse, speed, impact, skill, effort]: Codes,
  more: Parameters<typeof madeDrill>[1] = {},
): Drill => madeDrill(id, { pulse, speed, impact, skill, effort, ...more } as Parameters<typeof madeDrill>[1]);

/** The level of a made drill with these stresses, all of it and much. */
const stressing = (...areas: Area[]): Pick<DrillLevel, "stress"> => ({
  stress: {
    ...madeDrill("x").levels.standard.stress!,
    always: areas.map((area) => ({ area, grade: 2 as const, side: "middle" as const })),
  },
});

const jog = coded("jog", [2, 2, 1, 0, 4], { method: "travel", gait: true, main: ["hip.flex"], also: ["hip.ext"] });
const stroll = coded("stroll", [1, 1, 0, 0, 2], { method: "travel", gait: true });
const lunge = coded("lunge", [2, 1, 0, 1, 5], { main: ["hip.ext"] });
const turn = coded("turn", [1, 1, 0, 1, 4], { main: ["th.rot"] });
const ankle = coded("ankle", [1, 1, 0, 0, 4], { main: ["an.df"] });
const bound = coded("bound", [2, 3, 2, 2, 6], { method: "spring", main: ["hip.ext"] });
const throws = coded("throws", [2, 3, 0, 2, 5], { method: "flow", main: ["th.rot"], rehearses: ["throw"] });
const kneel = coded("kneel", [1, 1, 0, 1, 4], {
  posture: "half-kneeling",
  endPosture: "half-kneeling",
  sides: "each",
  main: ["hip.ext"],
  stance: "down",
});
const lie = coded("lie", [0, 1, 0, 1, 3], { posture: "supine", endPosture: "supine", main: ["th.rot"] });
const breathe = coded("breathe", [0, 0, 0, 0, 0], {
  method: "breath",
  main: ["ribs.breath"],
  posture: "supine",
  endPosture: "supine",
});
const stretch = coded("stretch", [0, 0, 0, 1, 4], { method: "hold", main: ["hip.flex"] });
const ALL = [jog, stroll, lunge, turn, ankle, bound, throws, kneel, lie, breathe, stretch];

const handball: SportProfile = {
  id: "handball",
  name: "Handball",
  about: "One arm throws.",
  held: [],
  rehearses: ["throw"],
  rows: {
    "hip.ext": { weight: 2, why: "strides" },
    "th.rot": { weight: 2, why: "throws" },
    "an.df": { weight: 1, why: "lands" },
  },
};

const GAME = ["raise", "move", "build", "rehearse"];
/** A whole game’s arc of 400 s in the four phases, with what a test changes. */
const game = (over: Partial<Record<string, (Drill | Item)[]>> = {}, by: Parameters<typeof look>[2] = {}) =>
  look(
    ALL,
    GAME.map(
      (id) =>
        over[id] ??
        {
          raise: [timed(jog, 90)],
          move: [timed(lunge, 60), timed(turn, 60), timed(ankle, 60)],
          build: [timed(bound, 60)],
          rehearse: [timed(throws, 70)],
        }[id]!,
    ),
    { purpose: "before-game", target: 400, phases: GAME, ...by },
  );
const messages = (found: { message: string }[]) => found.map(({ message }) => message);

describe("the parts of a session", () => {
  it("are all there, in order, each with its share of the time", () => {
    const { found } = game();
    expect(found.filter(({ severity }) => severity !== "hint").map(({ rule, message }) => [rule, message])).toEqual([]);
  });
  it("may miss their share by five points under ten minutes, and not by more", () => {
    // The raise takes 15 to 25 of a hundred: of 400 s between 45, its least time, and 120.
    expect(game({ raise: [timed(jog, 120)] }).of("phases")).toEqual([]);
    expect(messages(game({ raise: [timed(jog, 121)] }).of("phases"))).toEqual([
      "“Raise” takes 2 min 1 s; 2 min is enough.",
    ]);
    expect(game({ raise: [timed(jog, 45)] }).of("phases")).toEqual([]);
    expect(messages(game({ raise: [timed(jog, 44)] }).of("phases"))).toEqual([
      "“Raise” takes 44 s; it wants at least 45 s.",
    ]);
    // From ten minutes on by three: of 600 s at most 28 in a hundred.
    const long = (n: number) => game({ raise: [timed(jog, n)] }, { target: 600 }).of("phases");
    expect(messages(long(168)).filter((one) => /Raise/.test(one))).toEqual([]);
    expect(messages(long(169)).filter((one) => /Raise/.test(one))).toHaveLength(1);
  });
  it("want their least work", () => {
    expect(game({ rehearse: [timed(throws, 45)] }).of("phases")).toEqual([]);
    const little = game({ rehearse: [timed(throws, 44, { demo: 10 })] });
    expect(messages(little.of("phases"))).toEqual(["“Rehearse” has 44 s of work; it wants 45 s."]);
  });
  it("are named where they are missing, and moved up where they come late", () => {
    const two = look(ALL, [[timed(jog, 60)], [timed(throws, 60)]], {
      purpose: "before-game",
      target: 400,
      phases: ["raise", "rehearse"],
    });
    expect(two.of("phases")[0]!.message).toBe("There is no part for this: move and build.");
    const late = look(ALL, [[timed(lunge, 150)], [timed(jog, 90)], [timed(bound, 60)], [timed(throws, 70)]], {
      purpose: "before-game",
      target: 400,
      phases: ["move", "raise", "build", "rehearse"],
    });
    expect(messages(late.of("phases"))).toEqual(["“Move” comes before “Raise”."]);
    expect(
      late
        .of("phases")[0]!
        .fix!.apply(late.session)
        .blocks.map(({ phase }) => phase),
    ).toEqual(GAME);
  });
  it("rise in speed, or fall, and keep people moving", () => {
    const quick = coded("quick", [2, 2, 1, 1, 4], { method: "travel", gait: true, main: ["kn.flex"] });
    const built = (...items: Item[]) =>
      look(
        [...ALL, quick],
        [[timed(jog, 90)], [timed(lunge, 60), timed(turn, 60), timed(ankle, 60)], items, [timed(throws, 70)]],
        { purpose: "before-game", target: 400, phases: GAME },
      ).of("phases");
    expect(built(timed(quick, 30), timed(bound, 30))).toEqual([]);
    expect(messages(built(timed(bound, 30), timed(quick, 30)))).toEqual([
      "The quick is slower than what comes before it in “Build”.",
    ]);
    const still = coded("still", [0, 1, 0, 1, 4], { main: ["th.rot"] });
    const moved = (n: number) =>
      look(
        [...ALL, still],
        [
          [timed(jog, 90)],
          [timed(lunge, 60), timed(still, n), timed(ankle, 60)],
          [timed(bound, 60)],
          [timed(throws, 70)],
        ],
        { purpose: "before-game", target: 400, phases: GAME },
      ).of("phases");
    expect(moved(60)).toEqual([]);
    expect(messages(moved(61))).toEqual(["“Move” keeps people still for more than 1 min in one piece."]);
    const eased = (...items: Item[]) =>
      look(ALL, [items, [timed(stretch, 60), timed(lie, 190)], [timed(breathe, 60)]], {
        purpose: "after-training",
        target: 400,
        phases: ["ease", "hold", "settle"],
      }).of("phases");
    expect(eased(timed(stroll, 80))).toEqual([]);
    const brisk = coded("brisk", [2, 1, 0, 0, 3], { method: "travel", gait: true });
    const rises = look(
      [...ALL, brisk],
      [[timed(stroll, 40), timed(brisk, 40)], [timed(lie, 250)], [timed(breathe, 60)]],
      {
        purpose: "after-training",
        target: 400,
        phases: ["ease", "hold", "settle"],
      },
    );
    expect(messages(rises.of("phases"))).toEqual(["The brisk is brisker than what comes before it in “Ease”."]);
  });
  it("go on in a block that says nothing, and leave a session alone that says nothing at all", () => {
    const on = look(
      ALL,
      [[timed(jog, 45)], [timed(jog, 45)], [timed(lunge, 180)], [timed(bound, 60)], [timed(throws, 70)]],
      {
        purpose: "before-game",
        target: 400,
        phases: ["raise", "", "move", "build", "rehearse"],
      },
    );
    expect(on.of("phases")).toEqual([]);
    const silent = look(ALL, [[timed(lie, 100), timed(kneel, 60)]], { purpose: "before-game", target: 400 });
    expect(silent.of("phases")).toEqual([]);
    expect(silent.found.filter(({ severity, rule }) => severity !== "hint" && rule !== "length")).toEqual([]);
  });
});

describe("what stands in a part", () => {
  const of = (phase: string, item: Drill | Item, by: Parameters<typeof look>[2] = {}) =>
    look([...ALL, ...("levels" in item ? [item] : [])], [[item]], { purpose: "before-game", phases: [phase], ...by })
      .of("not-in-phase")
      .map(({ message }) => message);
  it("is neither too much for it nor something else", () => {
    expect(of("raise", jog)).toEqual([]);
    expect(of("raise", bound)).toEqual(["The bound lands too hard for it in “Raise”."]);
    expect(of("raise", stretch)).toEqual(["The stretch is a hold in “Raise”."]);
    expect(of("raise", lunge)).toEqual(["The lunge asks for too much effort in “Raise”."]);
    expect(of("raise", turn)).toEqual(["The turn does something else in “Raise”."]);
    expect(of("move", coded("fast", [2, 3, 0, 1, 4]))).toEqual(["The fast is too fast in “Move”."]);
    expect(of("build", bound)).toEqual([]);
    expect(of("build", coded("leap", [3, 3, 3, 2, 7], { method: "spring" }))).toEqual([
      "The leap lands too hard for it in “Build”.",
    ]);
    expect(
      of("build", coded("leap", [3, 3, 3, 2, 7], { method: "spring" }), { demand: { ...handball, lands: true } }),
    ).toEqual([]);
    expect(of("rehearse", throws, { demand: handball })).toEqual([]);
    expect(of("rehearse", coded("kick", [2, 3, 0, 2, 5], { rehearses: ["kick"] }), { demand: handball })).toEqual([
      "The kick does something else in “Rehearse”.",
    ]);
  });
  it("holds for as long as is right there, and for the people", () => {
    const held = (n: number, by: Parameters<typeof look>[2] = {}) =>
      look(ALL, [[timed(stretch, n)]], { purpose: "after-training", phases: ["hold"], ...by })
        .of("not-in-phase")
        .map(({ message }) => message);
    expect([held(30), held(60), held(120)]).toEqual([[], [], []]);
    expect(held(29)).toEqual(["The stretch holds for 29 s, 30 s at least in “Hold”."]);
    expect(held(121)).toEqual(["The stretch holds for 2 min 1 s, 2 min at most in “Hold”."]);
    expect(held(15, { group: groupOf({ who: "older" }) })).toEqual([]);
    expect(held(46, { group: groupOf({ who: "older" }) })).toHaveLength(1);
    expect(held(20, { group: groupOf({ who: "to-12" }) })).toEqual([]);
    expect(held(21, { group: groupOf({ who: "to-12" }) })).toHaveLength(1);
    const before = (...items: Item[]) =>
      look(ALL, [items], { purpose: "before-game", phases: ["move"] })
        .of("not-in-phase")
        .map(({ message }) => message);
    expect(before(timed(stretch, 30))).toEqual([]);
    expect(before(timed(stretch, 31))).toHaveLength(1);
    expect(before(timed(stretch, 30), timed(stretch, 25))).toEqual([
      "The stretch is the second long hold of a motion, after 20 s in “Move”.",
    ]);
    expect(before(timed(stretch, 30), timed(stretch, 20))).toEqual([]);
  });
  it("takes an easier level, or another drill for the same", () => {
    const hop = coded("hop", [2, 2, 2, 1, 4], { levels: { easier: { impact: 1, method: "travel" } } });
    const { of: found, session } = look([hop], [[hop]], { purpose: "before-game", phases: ["raise"] });
    expect(found("not-in-phase")[0]!.fix!.words).toBe("Take the easier level");
    expect(itemsAfter(found("not-in-phase")[0], session)[0]![0]!.level).toBe("easier");
    const swap = look([...ALL], [[bound]], { purpose: "after-training", phases: ["ease"], offered: [stroll, jog] });
    // Only what works the same may stand in.
    expect(swap.of("not-in-phase")[0]!.offer!()).toBeUndefined();
    const easy = coded("easy", [1, 1, 0, 0, 2], { main: ["hip.ext"], method: "travel", gait: true });
    const other = look([...ALL, easy], [[bound]], { purpose: "after-training", phases: ["ease"], offered: [easy] });
    const fix = other.of("not-in-phase")[0]!.offer!()!;
    expect([fix.words, fix.apply(other.session).blocks[0]!.items[0]!.drill]).toEqual(["Take The easy instead", "easy"]);
  });
});

describe("getting warm", () => {
  it("takes a quarter of the time before a game, a fifth before training, from a pulse of two on", () => {
    const warm = (n: number, purpose: "before-game" | "before-training" | "before-lifting") =>
      look(ALL, [[timed(jog, n), timed(turn, 100)]], { purpose, target: 400 }).of("never-warm").length;
    expect([warm(100, "before-game"), warm(99, "before-game")]).toEqual([0, 1]);
    expect([warm(80, "before-training"), warm(79, "before-training")]).toEqual([0, 1]);
    expect([warm(60, "before-lifting"), warm(59, "before-lifting")]).toEqual([0, 1]);
    expect(look(ALL, [[timed(lie, 60)]], { purpose: "off-day", target: 400 }).of("never-warm")).toEqual([]);
  });
  it("begins within a minute, with half of the raise brisk", () => {
    const raise = (...items: Item[]) => game({ raise: items }).of("never-warm").length;
    expect(raise(timed(stroll, 45), timed(jog, 45))).toBe(0);
    expect(raise(timed(stroll, 46), timed(jog, 44))).toBe(1);
    expect(raise(timed(stroll, 60), timed(jog, 60))).toBe(1);
    expect(raise(timed(stroll, 59), timed(jog, 59))).toBe(0);
  });
  it("is not lost again by standing about", () => {
    const stand = (n: number) => messages(game({ build: [timed(bound, 60, { demo: n })] }).of("never-warm"));
    expect(stand(60)).toEqual([]);
    expect(stand(61)).toEqual(["Everyone stands about for more than 1 min once they are warm."]);
  });
  it("is mended by something brisk at the beginning", () => {
    const { of, session } = look(ALL, [[timed(turn, 100)]], {
      purpose: "before-game",
      target: 300,
      offered: [jog, stroll],
    });
    const fix = of("never-warm")[0]!.offer!()!;
    expect(fix.words).toBe("Begin with The jog, 30 s");
    expect(fix.apply(session).blocks[0]!.items.map(({ drill }) => drill)).toEqual(["jog", "turn"]);
  });
});

describe("the way in", () => {
  const found = (...items: (Drill | Item)[]) =>
    look(ALL, [items], { purpose: "before-game" })
      .of("way-in")
      .map(({ place, message }) => [place!.item, message]);
  it("is a minute of anything easier for the same joints before what is strong", () => {
    const push = coded("push", [1, 1, 0, 1, 6], { main: ["hip.ext"] });
    const after = (n: number, drill = lunge) =>
      look([...ALL, push], [[timed(stroll, 10), timed(drill, n), push]], { purpose: "off-day" }).of("way-in").length;
    expect([after(60), after(59), after(60, turn)]).toEqual([0, 1, 1]);
  });
  it("is a warm pulse, and the same motions slower, before what is fast or lands hard", () => {
    expect(found(timed(jog, 60), timed(lunge, 60), bound)).toEqual([]);
    expect(found(timed(stroll, 60), timed(turn, 60), bound)).toEqual([
      [2, "The bound comes before a minute of anything easier for the same joints."],
    ]);
    const light = coded("light", [2, 3, 0, 1, 4], { main: ["th.rot"] });
    const fast = (warm: number, slow: number) =>
      look([...ALL, light], [[timed(jog, warm), timed(turn, slow), light]], { purpose: "before-game" }).of("way-in")
        .length;
    expect([fast(60, 20), fast(59, 20), fast(60, 19)]).toEqual([0, 1, 1]);
  });
  it("begins with what may be done cold", () => {
    expect(found(timed(lunge, 30), timed(jog, 30))[0]).toEqual([0, "The lunge is nothing to begin cold with."]);
    expect(found(timed(jog, 30), timed(lunge, 30))).toEqual([]);
    const { of, session } = look(ALL, [[lunge, jog]], { purpose: "before-game" });
    expect(of("way-in")[0]!.fix!.words).toBe("Begin with The jog");
    expect(itemsAfter(of("way-in")[0], session)[0]!.map(({ drill }) => drill)).toEqual(["jog", "lunge"]);
  });
});

describe("the floor", () => {
  const find = (items: Item[], by: Parameters<typeof look>[2] = {}) =>
    look(ALL, [items], { purpose: "before-game", ...by })
      .of("floor-before")
      .map(({ message }) => message);
  const mat = groupOf({ surface: "mat" });
  it("is for a fifth of the work before a game, on mats and grass, and for none elsewhere", () => {
    expect(find([timed(lie, 20), timed(jog, 80)], { group: mat })).toEqual([]);
    expect(find([timed(lie, 21), timed(jog, 79)], { group: mat })).toEqual([
      "21 s of it of 1 min 40 s are on the floor before a game, on mats.",
    ]);
    expect(find([timed(lie, 1), timed(jog, 99)])).toEqual([
      "1 s of it are on the floor before a game, on a hall floor.",
    ]);
    expect(find([timed(lie, 41), timed(jog, 60)], { purpose: "before-training" })).toHaveLength(1);
    expect(find([timed(lie, 40), timed(jog, 60)], { purpose: "before-training" })).toEqual([]);
    expect(find([timed(lie, 100)], { purpose: "off-day" })).toEqual([]);
  });
  it("is where a sport is fought, for more of it", () => {
    const ground = { ...handball, groundSport: true };
    expect(find([timed(lie, 60), timed(jog, 40)], { group: mat, demand: ground })).toEqual([]);
    expect(find([timed(lie, 61), timed(jog, 39)], { group: mat, demand: ground })).toHaveLength(1);
  });
  it("is left for good once the last two fifths begin", () => {
    const last = (n: number) => find([timed(jog, 200), timed(kneel, 20), timed(jog, n)], { group: mat });
    // Kneeling begins at 205 s; of 451 s the last two fifths begin at 270.6.
    expect(last(200)).toEqual([]);
    expect(last(20)).toEqual(["The kneel goes back down when everyone should be up and moving."]);
  });
  it("is no part of a desk break", () =>
    expect(find([timed(jog, 60), timed(kneel, 30)], { purpose: "desk-break" })).toEqual([
      "The kneel goes down, or deep, in a desk break.",
    ]));
  it("is got up from once in ten minutes when the body is to calm down", () => {
    const up = (...items: Item[]) => find(items, { purpose: "after-training" });
    const [l, s] = [timed(lie, 30), timed(turn, 30)];
    expect(up(s, l, s, l)).toEqual([]);
    expect(up(s, l, s, l, s)).toEqual(["Everyone gets up from the floor 2 times."]);
    expect(up(timed(turn, 600), l, s, l, s)).toEqual([]);
  });
});

describe("too long in one piece", () => {
  const place = (posture: "plank" | "squat" | "long-sit" | "chair-sit" | "prone" | "standing", more = {}) =>
    coded("stay", [1, 1, 0, 1, 4], { posture, endPosture: posture, ...more });
  const find = (drill: Drill, items: Item[], by: Parameters<typeof look>[2] = {}) =>
    look([...ALL, drill], [items], { purpose: "off-day", ...by }).of("one-piece").length;
  it.each([
    ["on the hands", place("plank"), 90, "off-day"],
    ["in the deep squat before power", place("squat"), 60, "before-game"],
    ["in the deep squat otherwise", place("squat"), 90, "off-day"],
    ["in one sit", place("long-sit"), 180, "off-day"],
    ["on a chair", place("chair-sit"), 360, "off-day"],
    ["on the front", place("prone"), 120, "off-day"],
    ["head down", place("standing", stressing("head-low")), 45, "off-day"],
    ["on one leg", place("standing", stressing("balance")), 45, "off-day"],
  ] as const)("%s", (_, drill, most, purpose) => {
    expect(find(drill, [timed(drill, most)], { purpose })).toBe(0);
    expect(find(drill, [timed(drill, most + 1)], { purpose })).toBe(1);
    // Twenty seconds of something else break it, nineteen do not.
    expect(find(drill, [timed(drill, most), timed(turn, 20), timed(drill, most)], { purpose })).toBe(0);
    expect(find(drill, [timed(drill, most), timed(turn, 19), timed(drill, 10)], { purpose })).toBe(1);
  });
  it("on one knee, on a soft place or a hard one, until the other is down", () => {
    const knee = (n: number, group = groupOf({ surface: "mat" }), more: Partial<Item> = { sides: "left" }) =>
      find(kneel, [timed(kneel, n, more)], { group });
    expect([knee(120), knee(121)]).toEqual([0, 1]);
    const hall = groupOf({ surface: "hall floor" });
    expect([knee(60, hall), knee(61, hall)]).toEqual([0, 1]);
    // Left and then right is one knee and then the other.
    expect(knee(110, undefined, {})).toBe(0);
    expect(
      find(kneel, [timed(kneel, 70, { sides: "left" }), timed(kneel, 70, { sides: "left" })], {
        group: groupOf({ surface: "mat" }),
      }),
    ).toBe(1);
  });
  it("is shorter for children and older people", () => {
    const plank = place("plank");
    const hands = (n: number, who: "to-12" | "13-17" | "older") =>
      find(plank, [timed(plank, n)], { group: groupOf({ who, gettingUp: true }) });
    expect([hands(45, "to-12"), hands(46, "to-12")]).toEqual([0, 1]);
    expect([hands(60, "13-17"), hands(61, "13-17")]).toEqual([0, 1]);
    expect([hands(30, "older"), hands(31, "older")]).toEqual([0, 1]);
  });
});

describe("in a row", () => {
  const hips = ["hip.ext", "hip.flex", "hip.er", "hip.abd"].map((row, i) =>
    coded(`hip${i}`, [1, 1, 0, 1, 4], { main: [row as "hip.ext"] }),
  );
  const find = (purpose: "before-game" | "before-lifting" | "off-day", ...items: Drill[]) =>
    look([...ALL, ...hips], [items], { purpose }).of("same-joint");
  it("no three for one joint before sport, no four before lifting", () => {
    expect(find("before-game", hips[0]!, hips[1]!)).toEqual([]);
    expect(messages(find("before-game", hips[0]!, hips[1]!, hips[2]!))).toEqual([
      "The hip2 is the third drill in a row for the hip.",
    ]);
    expect(find("before-game", hips[0]!, hips[1]!, turn, hips[2]!)).toEqual([]);
    expect(find("before-lifting", hips[0]!, hips[1]!, hips[2]!)).toEqual([]);
    expect(find("before-lifting", ...hips)).toHaveLength(1);
  });
  it("no three of one motion where things are held; other motions of the joint may follow", () => {
    expect(find("off-day", hips[0]!, hips[1]!, hips[2]!)).toEqual([]);
    const same = ["a", "b", "c"].map((id) => coded(id, [0, 0, 0, 1, 4], { main: ["hip.flex"], method: "hold" }));
    const found = look(same, [same], { purpose: "off-day" }).of("same-joint");
    expect(messages(found)).toEqual(["The c is the third drill in a row for hip flexion."]);
  });
  it("counts the second round, and is mended by what comes next", () => {
    const round = look([...ALL, ...hips], [[hips[0]!, hips[1]!]], { purpose: "before-game", rounds: 2 });
    expect(round.of("same-joint")).toHaveLength(1);
    const { of, session } = look([...ALL, ...hips], [[hips[0]!, hips[1]!, hips[2]!, turn]], { purpose: "before-game" });
    expect(of("same-joint")[0]!.fix!.words).toBe("Do The turn before it");
    expect(itemsAfter(of("same-joint")[0], session)[0]!.map(({ drill }) => drill)).toEqual([
      "hip0",
      "hip1",
      "turn",
      "hip2",
    ]);
  });
});

describe("what a drill is there for", () => {
  it("is at least one in a hundred of what the sport asks for, where the part does not need it", () => {
    // Of 400 s before a game 244 s serve; hip extension wants 68 s of it.
    const find = (n: number) =>
      look(ALL, [[timed(jog, 60), timed(lunge, 120), timed(turn, n), timed(throws, 60)]], {
        purpose: "before-game",
        target: 400,
        demand: { ...handball, rows: { "hip.ext": { weight: 1, why: "x" }, "th.rot": { weight: 1, why: "x" } } },
      });
    expect(find(60).of("filler")).toEqual([]);
    const twice = look(
      ALL,
      [[timed(jog, 60), timed(lunge, 400), timed(turn, 60), timed(kneel, 30), timed(throws, 60)]],
      {
        purpose: "before-game",
        target: 400,
        demand: handball,
      },
    );
    expect(messages(twice.of("filler"))).toContain("The kneel adds next to nothing for handball.");
    // Where all that is asked for is met there is nothing better to spend the time on.
    const grave = (...rows: ("hip.ext" | "nk.rot")[]) =>
      look(ALL, [[timed(jog, 60)], [timed(lunge, 400), timed(kneel, 30)], [timed(bound, 30)], [timed(throws, 60)]], {
        purpose: "before-game",
        target: 400,
        phases: GAME,
        demand: { ...handball, rows: Object.fromEntries(rows.map((row) => [row, { weight: 1, why: "x" }])) },
      })
        .of("filler")
        .find(({ message }) => message.startsWith("The kneel"))?.severity;
    expect(grave("hip.ext", "nk.rot")).toBe("warn");
    expect(grave("hip.ext")).toBeUndefined();
    expect(
      itemsAfter(
        twice.of("filler").find(({ place }) => place?.item === 3),
        twice.session,
      )[0]!.map(({ drill }) => drill),
    ).toEqual(["jog", "lunge", "turn", "throws"]);
  });
  it("is at a desk what the desk leaves out, whatever the sport asks for", () => {
    // Handball asks for none of these; nobody leans or looks round at a desk, and wrists bend there all day.
    const doing = (row: "th.side" | "nk.rot" | "nk.side" | "wr.ext", purpose: "desk-break" | "off-day") => {
      const one = coded("one", [1, 1, 0, 1, 3], { main: [row] });
      return look([...ALL, one], [[timed(turn, 60), timed(one, 60), timed(jog, 60)]], { purpose, demand: handball })
        .of("filler")
        .filter(({ message }) => message.startsWith("The one"))
        .map(({ severity }) => severity);
    };
    expect((["th.side", "nk.rot", "nk.side"] as const).map((row) => doing(row, "desk-break"))).toEqual([[], [], []]);
    expect(doing("wr.ext", "desk-break")).toEqual(["hint"]);
    expect(doing("nk.rot", "off-day")).toHaveLength(1);
  });
});

describe("few drills, well used", () => {
  const many = Array.from({ length: 8 }, (_, i) => coded(`d${i}`, [1, 1, 0, 1, 4], { main: ["th.rot"] }));
  it("teaches one for each two minutes up to ten, then one for each two and a half", () => {
    const taught = (n: number, target: number) =>
      look(many, [many.slice(0, n).map((one) => timed(one, 30))], { target }).of("too-many").length;
    expect([taught(3, 300), taught(4, 300)]).toEqual([0, 1]);
    expect([taught(5, 600), taught(6, 600)]).toEqual([0, 1]);
    expect([taught(7, 900), taught(8, 900)]).toEqual([0, 1]);
  });
  it("has one that is new, two in a quarter of an hour", () => {
    const fresh = (n: number, target: number) =>
      look(many, [many.slice(0, 4).map((one) => timed(one, 60))], {
        target,
        group: groupOf({}, 1, { shown: many.slice(n, 4).map(({ id }) => id) }),
      })
        .of("too-many")
        .filter(({ about }) => about === "new").length;
    expect([fresh(1, 600), fresh(2, 600), fresh(2, 900), fresh(3, 900)]).toEqual([0, 1, 0, 1]);
  });
  it("shows by skill and by whether they know it", () => {
    const shown = (drill: Drill, demo: number, by: Parameters<typeof look>[2] = {}) =>
      look([drill], [[timed(drill, 30, { demo })]], by).of("showing").length;
    const by = (skill: number) => coded("s", [1, 1, 0, skill, 4]);
    expect([0, 1, 2, 3].map((skill) => [5, 10, 20, 20].map((n) => shown(by(skill), n)).filter(Boolean).length)).toEqual(
      [3, 2, 0, 0],
    );
    const known = groupOf({}, 1, { shown: ["s"] });
    expect([shown(by(1), 5, { group: known }), shown(by(1), 6, { group: known })]).toEqual([0, 1]);
    expect([shown(by(2), 10, { group: known }), shown(by(2), 11, { group: known })]).toEqual([0, 1]);
    const older = groupOf({ who: "older" }, 1, { shown: ["s"] });
    expect([shown(by(1), 10, { group: older }), shown(by(1), 11, { group: older })]).toEqual([0, 1]);
    expect(shown(jog, 1)).toBe(1);
    // What comes again is not shown again.
    const again = look([lunge], [[timed(lunge, 30, { demo: 10 }), timed(lunge, 30, { demo: 5 })]]);
    expect(again.of("showing")).toHaveLength(1);
    expect(itemsAfter(again.of("showing")[0], again.session)[0]!.map(({ demo }) => demo)).toEqual([10, 0]);
  });
  it("works three quarters of it, two thirds of a short one", () => {
    const dead = (demo: number, target: number) =>
      look(ALL, [[timed(lunge, 75, { demo })]], { target }).of("dead-time").length;
    expect([dead(25, 600), dead(26, 600)]).toEqual([0, 1]);
    expect([dead(40, 300), dead(41, 300)]).toEqual([0, 1]);
  });
  it("says its doses in round numbers", () => {
    const said = (dose: Item["dose"], drill = lunge) => look(ALL, [[{ ...itemOf(drill), dose }]]).of("spoken").length;
    const reps = (count: number, rep: number): Item["dose"] => ({
      kind: "reps",
      count,
      tempo: [{ do: "go", seconds: rep }],
    });
    expect([8, 10, 12, 16, 20, 9, 14].map((n) => said(reps(n, 1.9)))).toEqual([0, 0, 0, 0, 0, 1, 1]);
    expect([4, 5, 6, 8, 10, 12, 7, 9, 16].map((n) => said(reps(n, 2)))).toEqual([0, 0, 0, 0, 0, 0, 1, 1, 1]);
    expect([2, 3, 4, 5, 6].map((n) => said(reps(n, 8)))).toEqual([0, 0, 0, 0, 1]);
    expect([10, 15, 20, 30, 40, 45, 60, 25, 35].map((n) => said(seconds(n), stretch))).toEqual([
      0, 0, 0, 0, 0, 0, 0, 1, 1,
    ]);
    expect([20, 30, 40, 45, 60, 90, 25, 120].map((n) => said(seconds(n)))).toEqual([0, 0, 0, 0, 0, 0, 1, 1]);
    expect([120, 180].map((n) => said(seconds(n), stroll))).toEqual([0, 0]);
    expect([3, 4, 5, 6, 8, 10, 12, 7].map((count) => said({ kind: "breaths", count }, breathe))).toEqual([
      0, 0, 0, 0, 0, 0, 0, 1,
    ]);
    const { of, session } = look(ALL, [[{ ...itemOf(lunge), dose: reps(11, 3) }]]);
    expect(itemsAfter(of("spoken")[0], session)[0]![0]!.dose).toMatchObject({ count: 12 });
  });
  it("moves at once what was let go", () => {
    const roll = coded("roll", [0, 1, 0, 1, 4], { method: "release", main: ["an.df"] });
    const find = (...items: Drill[]) => look([...ALL, roll], [items]);
    expect(find(roll, ankle).of("after-release")).toEqual([]);
    const { of, session } = find(roll, turn, ankle);
    expect(messages(of("after-release"))).toEqual(["After The roll ankle dorsiflexion is not moved next."]);
    expect(itemsAfter(of("after-release")[0], session)[0]!.map(({ drill }) => drill)).toEqual([
      "roll",
      "ankle",
      "turn",
    ]);
  });
  it("has one idea once, but for what is rehearsed or tested", () => {
    const [a, b] = ["a", "b"].map((id) => coded(id, [1, 1, 0, 1, 4], { family: "idea" }));
    expect(messages(look([a!, b!], [[a!, b!]]).of("family-twice"))).toEqual(["The b is The a in another form."]);
    expect(look([a!, b!], [[a!, { ...itemOf(b!), test: "after" }]]).of("family-twice")).toEqual([]);
    const phased = (phase: string) =>
      look([a!, b!], [[a!], [b!]], { purpose: "before-game", phases: ["move", phase] }).of("family-twice").length;
    expect([phased("move"), phased("rehearse")]).toEqual([1, 0]);
  });
});

describe("the end", () => {
  const ends = (purpose: "before-game" | "after-training" | "off-day" | "desk-break", ...items: Item[]) =>
    look(ALL, [items], { purpose, demand: handball, offered: [throws, breathe, jog] }).of("closing");
  it("is what the sport begins with, for three quarters of a minute", () => {
    expect(ends("before-game", timed(turn, 60), timed(throws, 45))).toEqual([]);
    expect(messages(ends("before-game", timed(turn, 60), timed(throws, 44)))).toEqual([
      "There are 44 s of what the sport begins with at the end.",
    ]);
    const [wrong] = ends("before-game", timed(lunge, 60), timed(turn, 60));
    expect(wrong!.message).toBe("It ends with The turn, which is nothing handball begins with.");
    expect(wrong!.offer!()!.words).toBe("Close with The throws");
  });
  it("is the lift before lifting", () => {
    const squat = coded("squat", [2, 1, 0, 1, 6], { rehearses: ["squat"], method: "strength" });
    const find = (last: Drill) => look([...ALL, squat], [[turn, last]], { purpose: "before-lifting" }).of("closing");
    expect(find(squat)).toEqual([]);
    expect(messages(find(throws))).toEqual(["It ends with The throws, not with the lift."]);
  });
  it("is a minute of slow breath when nothing follows", () => {
    for (const purpose of ["after-training", "off-day"] as const) {
      expect(ends(purpose, timed(lie, 60), timed(breathe, 60))).toEqual([]);
      expect(messages(ends(purpose, timed(lie, 60), timed(breathe, 59)))).toEqual([
        "There are 59 s of slow breath at the end.",
      ]);
      expect(ends(purpose, timed(breathe, 60), timed(lie, 60))).toHaveLength(1);
    }
    // A stretch that is breathed in is none.
    const stretched = coded("stretched", [0, 0, 0, 1, 4], { method: "breath", main: ["th.side"] });
    expect(look([...ALL, stretched], [[lie, stretched]], { purpose: "after-training" }).of("closing")).toHaveLength(1);
  });
  it("is brisk and standing beside a desk", () => {
    expect(ends("desk-break", timed(turn, 60), timed(jog, 60))).toEqual([]);
    expect(messages(ends("desk-break", timed(turn, 60), timed(stroll, 60)))).toEqual([
      "It ends with The stroll; nobody goes back to work awake from that.",
    ]);
    expect(messages(ends("desk-break", timed(stroll, 60), timed(lie, 60)))).toEqual([
      "It ends with The lie; nobody goes back to work awake from that.",
    ]);
  });
});

describe("for whom", () => {
  const find = (drill: Drill, who: "to-12" | "13-17" | "older", n = 30, setting = {}) =>
    look([...ALL, drill], [[timed(drill, n)]], { purpose: "after-training", group: groupOf({ who, ...setting }) })
      .of("for-whom")
      .map(({ message }) => message);
  it("stops nobody who is grown up", () =>
    expect(look([bound], [[timed(bound, 300)]], { group: groupOf({}) }).of("for-whom")).toEqual([]));
  it("caps effort, holds and landings by age", () => {
    const hard = (effort: number) => coded("hard", [1, 1, 0, 1, effort]);
    expect([find(hard(6), "to-12"), find(hard(7), "13-17"), find(hard(5), "older")]).toEqual([[], [], []]);
    for (const [effort, who] of [
      [7, "to-12"],
      [8, "13-17"],
      [6, "older"],
    ] as const)
      expect(find(hard(effort), who)).toEqual(["The hard asks for more effort than is right for them."]);
    expect([find(stretch, "to-12", 20), find(stretch, "13-17", 30), find(stretch, "older", 45)]).toEqual([[], [], []]);
    expect(find(stretch, "to-12", 21)).toEqual(["The stretch holds for 21 s; 20 s is enough."]);
    expect(find(stretch, "older", 46)).toHaveLength(1);
    const leap = coded("leap", [2, 3, 2, 1, 6], {
      dose: { kind: "reps", count: 40, tempo: [{ do: "leap", seconds: 2 }] },
      method: "spring",
    });
    const jumps = (count: number, who: "to-12" | "13-17") =>
      look([leap], [[{ ...itemOf(leap), dose: { kind: "reps", count, tempo: [{ do: "leap", seconds: 2 }] } }]], {
        purpose: "before-game",
        group: groupOf({ who }),
      }).of("for-whom").length;
    expect([jumps(40, "to-12"), jumps(41, "to-12"), jumps(80, "13-17"), jumps(81, "13-17")]).toEqual([0, 1, 0, 1]);
  });
  it("keeps older people off the floor, off one leg, from jumping, from head down, unless it is said", () => {
    expect(find(lie, "older")).toEqual(["The lie goes down to the floor."]);
    expect(find(lie, "older", 30, { gettingUp: true })).toEqual([]);
    expect(find(jog, "older")).toEqual(["The jog lands too hard for them."]);
    expect(find(jog, "older", 30, { impact: true })).toEqual([]);
    const leg = coded("leg", [1, 1, 0, 1, 3], stressing("balance"));
    expect(find(leg, "older")).toEqual(["The leg is on one leg with no hand on anything."]);
    expect(find(coded("leg", [1, 1, 0, 1, 3], { ...stressing("balance"), kit: ["support"] }), "older")).toEqual([]);
    expect(find(coded("down", [1, 1, 0, 1, 3], stressing("head-low")), "older")).toEqual([
      "The down takes the head below the hips.",
    ]);
    expect(find(coded("down", [1, 1, 0, 1, 3], stressing("head-low")), "13-17")).toEqual([]);
  });
  it("takes the easier level, or a shorter hold", () => {
    const hop = coded("hop", [2, 2, 2, 1, 4], { levels: { easier: { impact: 0 } } });
    const { of, session } = look([hop], [[hop]], { purpose: "before-game", group: groupOf({ who: "older" }) });
    expect(itemsAfter(of("for-whom")[0], session)[0]![0]!.level).toBe("easier");
    const long = look([stretch], [[timed(stretch, 60)]], {
      purpose: "after-training",
      group: groupOf({ who: "older" }),
    });
    expect(itemsAfter(long.of("for-whom")[0], long.session)[0]![0]!.dose).toEqual(seconds(45));
  });
});

describe("the arcs", () => {
  it("serve motions in the middle shares of the phases that say so", () => {
    const share = (purpose: keyof typeof ARCS) =>
      ARCS[purpose].phases.reduce((sum, { serves, share: s }) => sum + (serves ? (s.least + s.most) / 2 : 0), 0);
    expect(
      (["before-training", "before-game", "before-lifting", "after-training", "off-day", "desk-break"] as const).map(
        share,
      ),
    ).toEqual([61, 61, 56.5, 60, 85, 65]);
  });
  it("leave room for one another: the least of all come to less than the whole, the most to more", () => {
    for (const { phases } of Object.values(ARCS)) {
      expect(phases.reduce((sum, { share }) => sum + share.least, 0)).toBeLessThanOrEqual(100);
      expect(phases.reduce((sum, { share }) => sum + share.most, 0)).toBeGreaterThanOrEqual(100);
    }
  });
});
