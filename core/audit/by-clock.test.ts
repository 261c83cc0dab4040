import { describe, expect, it } from "vitest";
import { audit, auditInput, applyFix, withWorkingFixes } from "./audit";
import type { Group } from "~/core/group/schema";
import { readSession } from "~/core/session/read";
import type { SessionPlan, SessionInput } from "~/core/session/schema";
import { madeDrill } from "~/fixtures/drills";

/*
 * Drills that go by the clock of their block are looked at as they are really done there, and a change that does not fit
 * into the rest is told with the nearest way out.
 */

const stand = madeDrill("stand");
const turn = madeDrill("turn", { sides: "each" });
const lie = madeDrill("lie", { posture: "supine", endPosture: "supine" });
const sit = madeDrill("sit", { posture: "long-sit", endPosture: "long-sit" });
const held = madeDrill("held", {
  method: "hold",
  sides: "each",
  main: ["hip.ext"],
  bounds: { least: 10, most: 120, step: 5 },
});
const slow = madeDrill("slow", {
  dose: {
    kind: "reps",
    count: 3,
    tempo: [
      { do: "down", seconds: 6 },
      { do: "up", seconds: 5.5 },
    ],
  },
  bounds: { least: 1, most: 9, step: 1 },
});
const all = [stand, turn, lie, sit, held, slow];
const drills = (id: string) => all.find((drill) => drill.id === id);

type Items = SessionInput["blocks"][number]["items"];
const item = (drill: string, more: object = {}) => ({ drill, dose: drills(drill)!.levels.standard.dose, ...more });
function clocked(work: number, rest: number, items: object[], more: object = {}): SessionPlan {
  const read = readSession(
    {
      format: "mapset/session",
      version: 2,
      title: "t",
      purpose: "off-day",
      pace: { demo: 0 },
      blocks: [{ title: "b", interval: { work, rest }, items: items as Items }],
      ...more,
    },
    drills,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}
const input = (session: SessionPlan, group?: Group) => auditInput(session, drills, { group, offered: all });
const says = (rule: string, session: SessionPlan, group?: Group) =>
  audit(input(session, group))
    .filter((one) => one.rule === rule)
    .map((one) => one.message);
function fixed(rule: string, session: SessionPlan) {
  const by = input(session);
  const found = audit(by);
  const made = applyFix(
    found.find((one) => one.rule === rule)!,
    by,
    found,
  );
  return made && { words: made.fix.words, block: made.session.blocks[0]! };
}

describe("a change between two passes", () => {
  it("is told where it takes longer than the rest, and not where it just fits", () => {
    // Down from standing and up again: 3 + 2 × 4 = 11 s each way.
    expect(says("interval-rest", clocked(30, 11, [item("stand"), item("lie")]))).toEqual([]);
    expect(says("interval-rest", clocked(30, 10, [item("stand"), item("lie")]))).toEqual([
      "The change to The lie takes 11 s, 1 s more than the rest.",
    ]);
  });
  it("is told once for a drill, by its longest, and measured against a longer rest that is planned there", () => {
    const twice = clocked(30, 10, [item("stand"), item("lie", { demo: 10 })]);
    const rounds = { ...twice, blocks: [{ ...twice.blocks[0]!, rounds: 2 }] };
    expect(says("interval-rest", rounds)).toEqual([
      "The change to The lie takes 21 s, 11 s more than the rest.",
      "The change to The stand takes 11 s, 1 s more than the rest.",
    ]);
    const planned = { ...rounds, blocks: [{ ...rounds.blocks[0]!, restBetweenRounds: 11 }] };
    expect(says("interval-rest", planned)).toEqual(["The change to The lie takes 21 s, 11 s more than the rest."]);
  });
  it("is mended by less showing where that is enough", () => {
    expect(fixed("interval-rest", clocked(30, 20, [item("stand"), item("lie", { demo: 15 })]))).toMatchObject({
      words: "Watch first 9 s only",
      block: { items: [{}, { demo: 9 }] },
    });
    // Less than five seconds of it is none.
    expect(fixed("interval-rest", clocked(30, 15, [item("stand"), item("lie", { demo: 15 })]))).toMatchObject({
      words: "Show it before the block",
      block: { items: [{}, { demo: 0 }] },
    });
  });
  it("is mended by another place in the block where one is nearer", () => {
    expect(fixed("interval-rest", clocked(30, 9, [item("stand"), item("lie"), item("sit")]))).toMatchObject({
      words: "Do it as number 3 of the block",
      block: { items: [{ drill: "stand" }, { drill: "sit" }, { drill: "lie" }] },
    });
  });
  it("is mended by a longer rest where nothing else helps, by whole steps of five", () => {
    expect(fixed("interval-rest", clocked(30, 8, [item("stand"), item("lie")]))).toMatchObject({
      words: "Rest 15 s in this block",
      block: { interval: { work: 30, rest: 15 } },
    });
    expect(fixed("interval-rest", clocked(30, 5, [item("turn")]))).toMatchObject({ words: "Rest 10 s in this block" });
  });
});

describe("a repetition", () => {
  it("that is longer than the work is told, and one that just fits is not", () => {
    expect(says("interval-work", clocked(11.5, 10, [item("slow")]))).toEqual([]);
    expect(says("interval-work", clocked(11, 10, [item("slow")]))).toEqual([
      "One repetition of The slow takes 11.5 s, longer than the 11 s there are for it.",
    ]);
    expect(fixed("interval-work", clocked(11, 10, [item("slow")]))).toMatchObject({ words: "Work 15 s in this block" });
    expect(says("interval-work", clocked(20, 10, [item("slow", { directions: 2 })]))).toEqual([
      "One repetition of The slow takes 11.5 s, longer than the 10 s there are for it.",
    ]);
  });
});

describe("what is done by the clock", () => {
  it("is what holds are judged by, and their fix is the clock's", () => {
    const long = clocked(75, 20, [item("held", { dose: { kind: "time", seconds: 20 } })], {
      purpose: "before-training",
    });
    expect(says("long-holds", long)).toEqual(["The held holds one side for 1 min 15 s shortly before power work."]);
    expect(fixed("long-holds", long)).toMatchObject({
      words: "Work 1 min at a time in this block",
      block: { interval: { work: 60, rest: 20 } },
    });
    expect(
      says(
        "long-holds",
        clocked(45, 20, [item("held", { dose: { kind: "time", seconds: 90 } })], { purpose: "before-training" }),
      ),
    ).toEqual([]);
  });
  it("is what a group's cap is held against", () => {
    const group: Group = { name: "g", people: [], setting: { holdCap: 40 } };
    expect(says("caps", clocked(45, 15, [item("held", { dose: { kind: "time", seconds: 20 } })]), group)).toEqual([
      "The held holds 45 s at a time; this group’s cap is 40 s.",
    ]);
    expect(says("caps", clocked(40, 15, [item("held", { dose: { kind: "time", seconds: 90 } })]), group)).toEqual([]);
  });
  it("never gets a fix that it could not do", () => {
    // Everything offered is offered with its mending checked by the rules of the format.
    for (const found of withWorkingFixes(
      input(clocked(30, 15, [item("held"), item("stand"), item("lie")], { purpose: "before-training", target: 600 })),
    )) {
      const after = found.fix?.apply(clocked(30, 15, [item("held"), item("stand"), item("lie")]));
      if (after) expect(readSession(after, drills).ok).toBe(true);
    }
  });
});
