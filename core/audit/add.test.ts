import { describe, expect, it } from "vitest";
import { addFix, closeFix } from "./add";
import { auditInput } from "./audit";
import type { Drill } from "~/core/drills/schema";
import type { Group } from "~/core/group/schema";
import type { Item, SessionPlan } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { madeDrill } from "~/fixtures/drills";

/*
 * Where a drill that mends is put, which one, and with what dose.
 */

const standing = madeDrill("standing");
const lying = madeDrill("lying", { posture: "supine", endPosture: "supine" });
const kneeling = madeDrill("kneeling", { posture: "tall-kneeling", endPosture: "tall-kneeling" });
const inSession = [standing, lying, kneeling];

function sessionOf(...blocks: Drill[][]): SessionPlan {
  return newSession(
    { title: "t", purpose: "off-day", target: undefined },
    blocks.map((drills) => ({
      title: "b",
      rounds: 1,
      restBetweenRounds: 0,
      sideOrder: "drill-by-drill",
      items: drills.map((drill) => itemOf(drill)) as [Item, ...Item[]],
    })),
  );
}
const inputOf = (session: SessionPlan, offered: Drill[], group?: Group) => {
  const all = [...inSession, ...offered];
  return auditInput(session, (id) => all.find((drill) => drill.id === id), { offered, group });
};
const idsIn = (session: SessionPlan) => session.blocks.map((block) => block.items.map((item) => item.drill));
const added = (
  session: SessionPlan,
  offered: Drill[],
  by: { group?: Group; answers?: (drill: Drill, block: number) => boolean; wants?: number } = {},
) => {
  const fix = addFix(inputOf(session, offered, by.group), by.answers ?? (() => true), by.wants);
  return fix && { words: fix.words, ids: idsIn(fix.apply(session)), session: fix.apply(session) };
};
const groupOf = (
  setting: Group["setting"],
  people: Group["people"] = [
    { name: "Moss", areas: [] },
    { name: "Tern", areas: [] },
  ],
): Group => ({ name: "g", people, setting });

describe("a drill that is added", () => {
  const onBack = madeDrill("on-back", { posture: "supine", endPosture: "supine" });
  const onFeet = madeDrill("on-feet");
  it("goes where people are in its position already", () => {
    expect(added(sessionOf([standing, lying, kneeling, standing]), [onBack])!.ids).toEqual([
      ["standing", "on-back", "lying", "kneeling", "standing"],
    ]);
    expect(added(sessionOf([standing, standing, kneeling], [lying, kneeling]), [onBack])!.ids).toEqual([
      ["standing", "standing", "kneeling", "on-back"],
      ["lying", "kneeling"],
    ]);
  });
  it("counts the way there, the way on, and what is saved between", () => {
    // It begins lying and ends standing: between lying and standing it costs nothing; anywhere else it does.
    const up = madeDrill("up", { posture: "supine", endPosture: "standing" });
    expect(added(sessionOf([standing, kneeling, lying, standing, standing]), [up])!.ids).toEqual([
      ["standing", "kneeling", "lying", "up", "standing", "standing"],
    ]);
    const down = madeDrill("down", { posture: "standing", endPosture: "supine" });
    expect(added(sessionOf([standing, standing, kneeling, standing, lying, kneeling]), [down])!.ids).toEqual([
      ["standing", "standing", "kneeling", "standing", "down", "lying", "kneeling"],
    ]);
  });
  it("is, of those that answer, the one people are nearest to; of equals the first, as early as can be", () => {
    expect(added(sessionOf([lying, lying, kneeling]), [onFeet, onBack])!.ids).toEqual([
      ["lying", "on-back", "lying", "kneeling"],
    ]);
    const twin = madeDrill("twin", { posture: "supine", endPosture: "supine" });
    expect(added(sessionOf([lying, lying, lying]), [onBack, twin])!.ids).toEqual([
      ["lying", "on-back", "lying", "lying"],
    ]);
    expect(added(sessionOf([lying, lying, lying]), [twin, onBack])!.ids).toEqual([["lying", "twin", "lying", "lying"]]);
  });
  it("goes where its kit is out already, since bringing it takes time", () => {
    const stick = madeDrill("stick", { kit: ["stick"] });
    const withStick = madeDrill("with-stick", { kit: ["stick"] });
    const both = [standing, standing, withStick, standing];
    const all = [...inSession, stick, withStick];
    const input = auditInput(sessionOf(both), (id) => all.find((drill) => drill.id === id), { offered: [stick] });
    // Not behind the first, where nothing would be in hand; moving takes nothing anywhere here.
    expect(idsIn(addFix(input, () => true)!.apply(input.session))).toEqual([
      ["standing", "standing", "with-stick", "stick", "standing"],
    ]);
    // Two pieces that are not out cost more than one.
    const two = madeDrill("two", { kit: ["stick", "block"] });
    expect(added(sessionOf([standing, standing]), [two, stick])!.ids).toEqual([["standing", "stick", "standing"]]);
  });
  it("is never put behind the last drill, which closes the session", () => {
    expect(added(sessionOf([standing, lying]), [onBack])!.ids).toEqual([["standing", "on-back", "lying"]]);
    expect(added(sessionOf([standing]), [onFeet])).toBeUndefined();
    // Behind the last of a block that another follows it may be.
    expect(added(sessionOf([standing], [lying]), [onBack], { answers: (_, block) => block === 0 })!.ids).toEqual([
      ["standing", "on-back"],
      ["lying"],
    ]);
  });
  it("goes only into blocks it answers for, which is asked once of each", () => {
    const asked: number[] = [];
    const answers = (_: Drill, block: number) => asked.push(block) > 0 && block === 1;
    expect(added(sessionOf([lying, lying], [standing, standing, kneeling]), [onBack], { answers })!.ids[0]).toEqual([
      "lying",
      "lying",
    ]);
    expect(asked).toEqual([0, 1]);
    expect(added(sessionOf([lying, lying], [standing, standing]), [onBack], { answers: () => false })).toBeUndefined();
  });
  it("is none that is in the session, that loads what anybody protects, or whose kit is not there for everyone", () => {
    const loads = madeDrill("loads", {
      stress: { ...standing.levels.standard.stress!, always: [{ area: "neck", grade: 2, side: "middle" }] },
    });
    const blocks = madeDrill("blocks", { kit: ["block"] });
    const s = sessionOf([standing, standing]);
    expect(added(s, [standing])).toBeUndefined();
    expect(added(s, [loads])!.ids).toEqual([["standing", "loads", "standing"]]);
    expect(added(s, [loads], { group: groupOf({ areas: ["neck"] }) })).toBeUndefined();
    expect(added(s, [loads], { group: groupOf({}, [{ name: "Moss", areas: ["neck"] }]) })).toBeUndefined();
    expect(added(s, [loads], { group: groupOf({}, [{ name: "Moss", areas: ["breath-hold"] }]) })).toBeDefined();
    expect(added(s, [blocks], { group: groupOf({ kit: { block: 1 } }) })).toBeUndefined();
    expect(added(s, [blocks], { group: groupOf({ kit: { block: 2 } }) })).toBeDefined();
    // A group that nobody is in yet needs one.
    expect(added(s, [blocks], { group: groupOf({ kit: { block: 0 } }, []) })).toBeUndefined();
    expect(added(s, [blocks], { group: groupOf({ kit: { block: 1 } }, []) })).toBeDefined();
  });
});

describe("the dose of a drill that is added", () => {
  const doseOf = (drill: Drill, wants: number) => {
    const session = added(sessionOf([standing, standing]), [drill], { wants })!.session;
    return session.blocks[0]!.items[1]!.dose;
  };
  const timed = madeDrill("timed");
  it("is its own where that is enough, and as many steps more as are needed", () => {
    expect(doseOf(timed, 0)).toEqual({ kind: "time", seconds: 30 });
    expect(doseOf(timed, 30)).toEqual({ kind: "time", seconds: 30 });
    expect(doseOf(timed, 30.5)).toEqual({ kind: "time", seconds: 35 });
    expect(doseOf(timed, 42)).toEqual({ kind: "time", seconds: 45 });
    expect(doseOf(timed, 1000)).toEqual({ kind: "time", seconds: 120 });
    expect(added(sessionOf([standing, standing]), [timed], { wants: 42 })!.words).toBe("Add The timed, 45 s");
  });
  it("counts both directions, and what one repetition or breath takes", () => {
    expect(doseOf(madeDrill("two-ways", { directions: 2 }), 80)).toEqual({ kind: "time", seconds: 40 });
    const reps = madeDrill("reps", {
      dose: {
        kind: "reps",
        count: 4,
        tempo: [
          { do: "go", seconds: 2 },
          { do: "back", seconds: 2 },
        ],
      },
      bounds: { least: 2, most: 12, step: 2 },
    });
    expect([0, 16, 17, 25, 500].map((wants) => doseOf(reps, wants))).toEqual(
      [4, 4, 6, 8, 12].map((count) => ({ ...reps.levels.standard.dose, count })),
    );
    const breaths = madeDrill("breaths", {
      dose: { kind: "breaths", count: 3 },
      bounds: { least: 1, most: 10, step: 1 },
    });
    expect([18, 19, 24].map((wants) => doseOf(breaths, wants))).toEqual(
      [3, 4, 4].map((count) => ({ kind: "breaths", count })),
    );
    const ladder = madeDrill("ladder", {
      dose: { kind: "ladder", rungs: [10, 20, 40], rung: 0 },
      bounds: { least: 10, most: 40, step: 10 },
    });
    expect(doseOf(ladder, 35)).toEqual({ kind: "ladder", rungs: [10, 20, 40], rung: 2 });
  });
});

describe("a drill that closes a session", () => {
  const knees = madeDrill("for-knees", { main: ["kn.flex"] });
  const hips = madeDrill("for-hips", { main: ["hip.flex"] });
  const both = madeDrill("for-both", { main: ["hip.flex", "kn.flex"] });
  const close = (session: SessionPlan, offered: Drill[], answers: (drill: Drill) => boolean = () => true) => {
    const fix = closeFix(inputOf(session, offered), answers);
    return fix && [fix.words, ...idsIn(fix.apply(session))];
  };
  it("is the one most of whose work the session has prepared, at the end of the last block", () => {
    expect(close(sessionOf([standing], [lying]), [knees, hips])).toEqual([
      "Close with The for-hips",
      ["standing"],
      ["lying", "for-hips"],
    ]);
    expect(close(sessionOf([standing], [lying]), [hips, knees])).toEqual([
      "Close with The for-hips",
      ["standing"],
      ["lying", "for-hips"],
    ]);
    expect(close(sessionOf([standing]), [hips, both])![0]).toBe("Close with The for-hips");
  });
  it("is not too much for what the session is for", () => {
    const jump = madeDrill("jump", { impact: 2 });
    const asked = (purpose: SessionPlan["purpose"]) => close({ ...sessionOf([standing]), purpose }, [jump])?.[0];
    expect([asked("before-game"), asked("desk-break"), asked("after-training")]).toEqual([
      "Close with The jump",
      undefined,
      undefined,
    ]);
  });
  it("is one that answers, or none", () => {
    expect(close(sessionOf([standing]), [hips, knees], (drill) => drill.id === "for-knees")![0]).toBe(
      "Close with The for-knees",
    );
    expect(close(sessionOf([standing]), [hips, knees], () => false)).toBeUndefined();
    expect(close(sessionOf([standing]), [])).toBeUndefined();
  });
});
