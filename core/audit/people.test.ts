import { describe, expect, it } from "vitest";
import type { Drill } from "~/core/drills/schema";
import type { Group } from "~/core/group/schema";
import type { Item, SessionPlan } from "~/core/session/schema";
import { itemOf } from "~/core/session/start";
import { madeDrill } from "~/fixtures/drills";
import { groupOf, itemsAfter, look, seconds, timed } from "~/fixtures/looked";

/*
 * What the rules about people say and what mends it, with made-up drills that nothing else is wrong with: to the word, on both sides of
 * each number, and what the session is afterwards.
 */

const stress = madeDrill("x").levels.standard.stress!;
const wobbly = (grade: 1 | 2) => ({
  stress: { ...stress, always: [{ area: "balance" as const, grade, side: "both" as const }] },
});

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
    expect(
      says(madeDrill("knees", { stress: { ...stress, always: [{ area: "kneeling", grade: 2, side: "both" }] } })),
    ).toEqual([]);
    expect(says(madeDrill("wobbly", wobbly(1)), groupOf({}))).toEqual([]);
  });
  it("is mended by the nearest level down that has one, where its kit is there for everyone", () => {
    const drill = madeDrill("wobbly", {
      levels: { harder: wobbly(2), standard: wobbly(1), easier: { kit: ["chair"], ...wobbly(1) } },
    });
    const at = (level: "standard" | "harder", group: Group) => {
      const { of, session } = look([drill], [[itemOf(drill, level)]], { group });
      const [found] = of("balance-support");
      return found?.fix ? [found.fix.words, itemsAfter(found, session)[0]![0]!.level] : found?.message;
    };
    expect(at("standard", support)).toEqual(["Take the easier level", "easier"]);
    expect(at("harder", support)).toEqual(["Take the easier level", "easier"]);
    expect(at("standard", groupOf({ support: true, kit: { chair: 2 } }, 2))).toEqual([
      "Take the easier level",
      "easier",
    ]);
    expect(at("standard", groupOf({ support: true, kit: { chair: 1 } }, 2))).toBe(
      "The wobbly is a balance drill with nothing to hold on to.",
    );
    expect(at("standard", groupOf({ support: true, kit: { chair: 0 } }, 0))).toBe(
      "The wobbly is a balance drill with nothing to hold on to.",
    );
    const stays = madeDrill("stays", { levels: { harder: wobbly(1) } });
    const { of, session } = look([stays], [[itemOf(stays, "harder")]], { group: support });
    expect(itemsAfter(of("balance-support")[0], session)[0]![0]!.level).toBe("standard");
  });
});

describe("a group's caps", () => {
  const effort = (opposite?: number): Item["dose"] => ({
    kind: "effort",
    rounds: 2,
    ramp: [
      { effort: 30, seconds: 4 },
      { effort: 90, seconds: 4 },
    ],
    ...(opposite && { opposite: { effort: opposite, seconds: 5 } }),
  });
  const drill = madeDrill("push", { method: "effort" });
  const hold = madeDrill("hold", { method: "hold" });
  it("take every step of a ramp, and the pull the opposite way, down to it, and leave the rest", () => {
    const { of, session } = look([drill], [[{ ...itemOf(drill), dose: effort(80) }]], {
      group: groupOf({ effortCap: 60 }),
    });
    expect(of("caps").map((one) => [one.message, one.fix!.words])).toEqual([
      ["The push needs 90 % effort; this group’s cap is 60 %.", "Cap the ramp at 60 %"],
    ]);
    expect(itemsAfter(of("caps")[0], session)[0]![0]!.dose).toEqual({
      kind: "effort",
      rounds: 2,
      ramp: [
        { effort: 30, seconds: 4 },
        { effort: 60, seconds: 4 },
      ],
      opposite: { effort: 60, seconds: 5 },
    });
    const without = look([drill], [[{ ...itemOf(drill), dose: effort() }]], { group: groupOf({ effortCap: 60 }) });
    expect(itemsAfter(without.of("caps")[0], without.session)[0]![0]!.dose).not.toHaveProperty("opposite");
    expect(
      look([drill], [[{ ...itemOf(drill), dose: effort() }]], { group: groupOf({ holdCap: 1 }) }).of("caps"),
    ).toEqual([]);
  });
  it("cap holds in seconds, by breaths and on a ladder, and nothing that moves", () => {
    const group = groupOf({ holdCap: 40 });
    const { of, session } = look([hold], [[timed(hold, 90)]], { group });
    expect(of("caps").map((one) => [one.message, one.fix!.words])).toEqual([
      ["The hold holds 1 min 30 s at a time; this group’s cap is 40 s.", "Hold 40 s"],
    ]);
    expect(itemsAfter(of("caps")[0], session)[0]![0]!.dose).toEqual(seconds(40));
    expect(
      look([hold], [[{ ...itemOf(hold), dose: { kind: "ladder", rungs: [10, 41], rung: 1 } }]], { group }).of("caps"),
    ).toHaveLength(1);
    expect(
      look([hold], [[{ ...itemOf(hold), dose: { kind: "ladder", rungs: [10, 41], rung: 0 } }]], { group }).of("caps"),
    ).toEqual([]);
    expect(
      look([hold], [[{ ...itemOf(hold), dose: { kind: "breaths", count: 20 } }]], { group }).of("caps"),
    ).toHaveLength(1);
    const moving = madeDrill("moving");
    expect(look([moving], [[timed(moving, 90)]], { group }).of("caps")).toEqual([]);
    expect(look([hold], [[timed(hold, 90)]], { group: groupOf({ effortCap: 10 }) }).of("caps")).toEqual([]);
  });
});

describe("a long hold before power", () => {
  const hold = madeDrill("hold", { method: "hold", main: ["hip.flex"] });
  const find = (items: Item[], purpose: SessionPlan["purpose"] = "before-game") => look([hold], [items], { purpose });
  it("is shortened to a minute in all, and taken out where less than ten seconds are left", () => {
    const { of, session } = find([timed(hold, 90)]);
    expect(of("long-holds").map((one) => [one.severity, one.message, one.fix!.words])).toEqual([
      ["warn", "The hold holds one side for 1 min 30 s shortly before power work.", "Hold 1 min"],
    ]);
    expect(itemsAfter(of("long-holds")[0], session)[0]![0]!.dose).toEqual(seconds(60));
    expect(find([timed(hold, 40, { sets: 2 })]).of("long-holds")[0]!.fix!.words).toBe("Hold 30 s at a time");
    const left = (first: number) => find([timed(hold, first), timed(hold, 60)]).of("long-holds")[0]!.fix!.words;
    expect([left(50), left(51)]).toEqual(["Hold 10 s", "Remove The hold"]);
    const out = find([timed(hold, 51), timed(hold, 60)]);
    expect(itemsAfter(out.of("long-holds")[0], out.session)[0]).toEqual([timed(hold, 51)]);
    expect(out.of("long-holds")[0]!.message).toBe(
      "With The hold, hip flexion is held for 1 min 51 s a side shortly before power work.",
    );
  });
  it("is none on an off day, in what moves, or of another motion; by breaths it is one", () => {
    expect(find([timed(hold, 90)], "off-day").of("long-holds")).toEqual([]);
    expect(find([{ ...itemOf(hold), dose: { kind: "breaths", count: 30 } }]).of("long-holds")).toHaveLength(1);
    expect(find([{ ...itemOf(hold), dose: { kind: "breaths", count: 10 } }]).of("long-holds")).toEqual([]);
    expect(
      find([{ ...itemOf(hold), dose: { kind: "ladder", rungs: [30, 90], rung: 1 } }]).of("long-holds"),
    ).toHaveLength(1);
    const moving = madeDrill("moving");
    expect(look([moving], [[timed(moving, 90)]], { purpose: "before-game" }).of("long-holds")).toEqual([]);
    const other = madeDrill("other", { method: "hold", main: ["kn.flex"] });
    expect(
      look([hold, other], [[timed(hold, 50), timed(other, 50)]], { purpose: "before-game" }).of("long-holds"),
    ).toEqual([]);
    const both = madeDrill("both", { method: "hold", main: ["kn.flex", "hip.flex"] });
    expect(
      look([hold, both], [[timed(hold, 50), timed(both, 20)]], { purpose: "before-game" }).of("long-holds")[0]!.message,
    ).toMatch(/^With The both, hip flexion is held for 1 min 10 s/);
  });
});

describe("a mixed group", () => {
  const drill = madeDrill("lunge", {
    levels: { easier: { kit: ["chair"], how: "With a chair." }, standard: { kit: ["box"] } },
  });
  const find = (level: "easier" | "standard" | "harder", kit: Group["setting"]["kit"], mixed = true) =>
    look([drill], [[itemOf(drill, level)]], { group: groupOf({ mixed, ...(kit && { kit }) }, 3) });
  it("needs a level down that one person has the kit for", () => {
    expect(
      find("standard", {})
        .of("mixed-group")
        .map((one) => [one.severity, one.message, one.fix]),
    ).toEqual([["warn", "The lunge has no easier form with the kit you have (with a chair).", undefined]]);
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
  const find = (shown: string[] | undefined, items: (Drill | Item)[]) =>
    look([one, two], [items], { group: groupOf({}, 1, shown && { shown }) });
  it("is shown the first time it comes", () => {
    expect(
      find([], [one, one, two])
        .of("new-drill")
        .map((found) => [found.place, found.message, found.fix!.words]),
    ).toEqual([
      [
        { block: 0, item: 0 },
        "The one is new to Kestrel Sound, and there is no time to watch it first.",
        "Watch first for 10 s",
      ],
      [
        { block: 0, item: 2 },
        "The two is new to Kestrel Sound, and there is no time to watch it first.",
        "Watch first for 10 s",
      ],
    ]);
    expect(
      find(["one"], [one, two])
        .of("new-drill")
        .map((found) => found.place),
    ).toEqual([{ block: 0, item: 1 }]);
    expect(find(["one", "two"], [one, two]).of("new-drill")).toEqual([]);
    expect(find(undefined, [one]).of("new-drill")).toEqual([]);
    expect(find([], [timed(one, 30, { demo: 5 })]).of("new-drill")).toEqual([]);
    const { of, session } = find([], [one]);
    expect(itemsAfter(of("new-drill")[0], session)[0]![0]!.demo).toBe(10);
  });
});

describe("what people protect", () => {
  const neck = {
    stress: { ...stress, always: [{ area: "neck" as const, grade: 2 as const, side: "middle" as const }] },
  };
  const own = madeDrill("own", { levels: { standard: neck, harder: neck } });
  const other = madeDrill("other", { bounds: { least: 20, most: 60, step: 5 }, dose: seconds(25) });
  const bad = madeDrill("bad", neck);
  const people = (...areas: Group["people"][number]["areas"][]): Group["people"] =>
    areas.map((one, i) => ({ name: `P${i}`, areas: one }));
  const find = (
    item: Item,
    by: { group: Group["people"]; setting?: Group["setting"]; offered?: Drill[]; rounds?: number },
  ) => {
    const { of, session } = look([own, other, bad], [[item]], {
      group: { name: "g", people: by.group, setting: by.setting ?? {} },
      offered: by.offered ?? [other],
      ...(by.rounds && { rounds: by.rounds }),
    });
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
    expect(found.map((one) => [one.severity, one.place, one.message, one.areas])).toEqual([
      [
        "hint",
        { block: 0, item: 0 },
        "The own loads the neck, which P0 and P2 protect. In the same time, P0: the easier level; P2: the easier level.",
        ["neck"],
      ],
    ]);
    expect(find(itemOf(own), { group: people(["neck"]) }).found[0]!.message).toMatch(
      /which P0 protects\. In the same time, P0: the easier level\.$/,
    );
    expect(find(itemOf(own), { group: people([], []) }).found).toEqual([]);
    expect(find(itemOf(own), { group: people(["grip"]) }).found).toEqual([]);
    expect(find(itemOf(own, "easier"), { group: people(["neck"]) }).found).toEqual([]);
  });
  it("stops the session where somebody would rest, and where the whole group protects it", () => {
    const none = find(itemOf(bad), { group: people(["neck"], ["neck"]), offered: [] }).found[0]!;
    expect([none.severity, none.message, none.areas]).toEqual([
      "stop",
      "The bad loads the neck, which P0 and P1 protect, and there is nothing else in that time for P0 and P1: they would rest here.",
      ["neck"],
    ]);
    expect(find(itemOf(bad), { group: people(["neck"]) }).found[0]!.message).toBe(
      "The bad loads the neck, which P0 protects. In the same time, P0: The other.",
    );
    const everyone = find(itemOf(own), { group: people([]), setting: { areas: ["neck"] } }).found[0]!;
    expect([everyone.severity, everyone.message, everyone.areas]).toEqual([
      "stop",
      "The own loads the neck, which the whole group protects.",
      ["neck"],
    ]);
    const undrawn = madeDrill("undrawn", { stress: undefined });
    expect(
      look([undrawn], [[undrawn]], { group: { name: "g", people: people(["neck"]), setting: {} } }).of(
        "protected-areas",
      )[0]!.message,
    ).toBe(
      "The undrawn is not drawn, so nobody knows what it loads; P0 protects the neck, and there is nothing else in that time for P0: they would rest here.",
    );
  });
  it("is mended for everyone by the level, or the drill, that loads nothing anybody protects, in the same time where that is right for it", () => {
    expect(swapped(itemOf(own), { group: people(["neck"]) })).toEqual([
      "Take the easier level for everyone",
      "own",
      "easier",
      seconds(30),
    ]);
    expect(swapped(timed(own, 100), { group: people(["neck"]) })).toEqual([
      "Take the easier level for everyone",
      "own",
      "easier",
      seconds(100),
    ]);
    const to = (n: number) => swapped(timed(bad, n), { group: people(["neck"]) });
    expect(to(40)).toEqual(["Take The other for everyone", "other", "standard", seconds(40)]);
    expect([to(20), to(60)].map((one) => one![3])).toEqual([seconds(20), seconds(60)]);
    expect(to(61)).toBeUndefined();
    // What all of them protect together counts, also where each alone would have an answer.
    const grip = {
      stress: { ...stress, always: [{ area: "grip" as const, grade: 2 as const, side: "both" as const }] },
    };
    const both = madeDrill("both", { levels: { standard: neck, easier: grip } });
    const found = look([both], [[both]], {
      group: { name: "g", people: people(["neck"], ["grip"]), setting: {} },
      offered: [],
    }).of("protected-areas")[0]!;
    expect([found.message, found.offer!()]).toEqual([
      "The both loads the neck, which P0 protects. In the same time, P0: the easier level.",
      undefined,
    ]);
    const reps = madeDrill("reps", {
      dose: { kind: "reps", count: 5, tempo: [{ do: "go", seconds: 6 }] },
      bounds: { least: 1, most: 20, step: 1 },
    });
    const change = look([bad, reps], [[timed(bad, 30)]], {
      group: { name: "g", people: people(["neck"]), setting: {} },
      offered: [reps],
    });
    expect(change.of("protected-areas")[0]!.offer!()!.apply(change.session).blocks[0]!.items[0]!.dose).toEqual(
      reps.levels.standard.dose,
    );
    const ramp = (effort: number) => ({
      dose: { kind: "effort" as const, rounds: 1, ramp: [{ effort, seconds: 6 }] },
      bounds: { least: 1, most: 3, step: 1 },
    });
    const push = madeDrill("push", {
      method: "effort",
      levels: { standard: { ...ramp(50), ...neck }, easier: ramp(30) },
    });
    const eased = look([push], [[push]], { group: { name: "g", people: people(["neck"]), setting: {} } });
    expect(eased.of("protected-areas")[0]!.offer!()!.apply(eased.session).blocks[0]!.items[0]!.dose).toEqual(
      ramp(30).dose,
    );
  });
  it("counts all rounds of a block", () => {
    const long = madeDrill("long", {
      stress: { ...stress, timed: [{ area: "neck", grade: 2, side: "middle", from: 60 }] },
    });
    const rounds = (n: number) =>
      look([long], [[long]], { group: { name: "g", people: people(["neck"]), setting: {} }, rounds: n }).of(
        "protected-areas",
      ).length;
    expect([rounds(1), rounds(2)]).toEqual([0, 1]);
  });
  it("names forty and counts the rest", () => {
    const says = (n: number, offered: Drill[]) =>
      find(itemOf(bad), { group: people(...Array.from({ length: n }, () => ["neck" as const])), offered }).found[0]!
        .message;
    expect(says(40, [])).toContain("P38 and P39 protect, and there is nothing else in that time for P0, P1");
    expect(says(41, [])).toContain("P38, P39 and 1 more protect");
    expect(says(42, [])).toContain("for P0, P1, P2");
    expect(says(40, [other])).toMatch(/P39: The other\.$/);
    expect(says(42, [other])).toMatch(/P39: The other; and 2 more\.$/);
  });
});

describe("a cold effort", () => {
  const ramp = (effort: number): Item["dose"] => ({ kind: "effort", rounds: 1, ramp: [{ effort, seconds: 10 }] });
  const push = madeDrill("push", { method: "effort", main: ["hip.flex", "kn.flex"], also: ["an.df"] });
  const [hips, knees, also] = [
    madeDrill("hips"),
    madeDrill("knees", { main: ["kn.flex"] }),
    madeDrill("also", { main: ["trunk"], also: ["kn.flex"] }),
  ];
  const all = [push, hips, knees, also];
  const strong: Item = { ...itemOf(push), dose: ramp(90) };
  const find = (...items: Item[]) => look(all, [items]);
  it("wants a minute of every motion it is for; the one that has had least is named", () => {
    expect(find(timed(hips, 60), timed(knees, 60), strong).of("cold-effort")).toEqual([]);
    expect(find(timed(hips, 60), timed(also, 60), strong).of("cold-effort")).toEqual([]);
    const { of, session } = find(timed(hips, 60), timed(knees, 20), strong);
    expect(of("cold-effort").map((one) => [one.severity, one.place, one.at, one.message, one.fix!.words])).toEqual([
      [
        "stop",
        { block: 0, item: 2 },
        80,
        "The push asks for strong effort after only 20 s of easier knee flexion.",
        "Put its easier level in front",
      ],
    ]);
    expect(itemsAfter(of("cold-effort")[0], session)[0]!.map((item) => [item.drill, item.level, item.dose])).toEqual([
      ["hips", "standard", seconds(60)],
      ["knees", "standard", seconds(20)],
      ["push", "easier", seconds(60)],
      ["push", "standard", ramp(90)],
    ]);
    expect(find(timed(hips, 20), timed(knees, 60), strong).of("cold-effort")[0]!.message).toMatch(
      /only 20 s of easier hip flexion/,
    );
    expect(find(timed(hips, 10), timed(knees, 20), strong).of("cold-effort")[0]!.message).toMatch(
      /only 10 s of easier hip flexion/,
    );
    expect(find(timed(hips, 20), timed(knees, 10), strong).of("cold-effort")[0]!.message).toMatch(
      /only 10 s of easier knee flexion/,
    );
  });
  it("is not warmed by a weaker effort, nor by what comes with or after it", () => {
    expect(
      find(timed(hips, 60), timed(knees, 30), { ...strong, dose: ramp(40), sets: 6 }, strong).of("cold-effort"),
    ).toHaveLength(1);
    expect(
      find(strong, timed(hips, 60), timed(knees, 60), strong)
        .of("cold-effort")
        .map((one) => one.place!.item),
    ).toEqual([0]);
    expect(find(timed(hips, 60), timed(knees, 60), timed(push, 10)).of("cold-effort")).toEqual([]);
  });
});
