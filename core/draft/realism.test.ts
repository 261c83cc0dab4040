import { beforeAll, describe, expect, it } from "vitest";
import { candidatesOf } from "./candidates";
import { draft, type Draft } from "./draft";
import type { DraftRequest } from "./request";
import { onlyWarms } from "~/core/arc/fits";
import { LIFT_JOINTS } from "~/core/vocabulary/lifts";
import { placeOf } from "~/core/arc/ground";
import { formIn } from "~/core/drills/form";
import type { Solve } from "~/core/fit/program";
import { scalesOf } from "~/core/stress/scales";
import { actionOf, isForeign } from "~/core/vocabulary/rehearses";
import { MOTION_FACTS } from "~/core/vocabulary/motions";
import { asked } from "~/fixtures/requests";
import { DRILLS, drillById } from "~/library";
import { SPORT_PROFILES } from "~/library/sport-profiles";
import { openSolver } from "~/solver/highs";

/*
 * What makes a draft one that a coach would run: what is kept for the end, what only warms, what is whose sport’s, and how
 * people are brought up and down.
 */

let solve: Solve;
beforeAll(async () => {
  solve = await openSolver();
});

const first = (more: object): { draft: Draft; request: DraftRequest } => {
  const request = asked({ school: undefined, drafts: 1, ...more });
  const answer = draft(request, DRILLS, solve);
  if (answer.kind !== "drafts") throw new Error(JSON.stringify(answer));
  return { draft: answer.drafts[0]!, request };
};
const inPhase = ({ session }: Draft, phase: string) =>
  session.blocks.filter((block) => block.phase === phase).flatMap((block) => block.items);
const group = (setting: object, n = 10) => ({
  name: "Squad",
  people: Array.from({ length: n }, (_, i) => ({ name: `P${i}` })),
  setting,
});

describe("what a sport is named for", () => {
  it.each([
    ["handball", "shadow-throws", "throwing"],
    ["football", "shadow-kick-through", "kicking"],
    ["rowing", "standing-stroke", "the stroke"],
    ["combat", "stance-and-level-change", "changing level"],
  ])("is what %s ends with", (demand, drill, words) => {
    const { draft: one } = first({ demand, purpose: "before-game", target: 720, group: group({ kit: {} }) });
    expect(inPhase(one, "rehearse").map((item) => item.drill)).toContain(drill);
    expect(one.session.blocks.at(-1)!.title).toContain(words);
  });
  it("is not in it before its end, unless it is asked for", () => {
    const request = asked({ demand: "handball", purpose: "before-game", school: undefined });
    const at = (r: DraftRequest) =>
      candidatesOf(r, DRILLS)
        .candidates.filter((c) => c.drill.id === "shadow-throws")
        .map((c) => c.phase.id);
    expect(at(request)).toEqual(["rehearse"]);
    expect(at({ ...request, must: ["shadow-throws"] })).toContain("build");
  });
  it("is rehearsed as fast as can be: nobody jogs to rehearse running who has the room to run", () => {
    const rehearsing = (more: object) =>
      candidatesOf(asked({ demand: "running", school: undefined, ...more }), DRILLS)
        .candidates.filter((c) => c.phase.id === "rehearse")
        .map((c) => c.drill.id);
    expect(rehearsing({})).not.toContain("jog-lanes");
    expect(rehearsing({})).toContain("build-up-runs");
    // Older people have a speed of their own.
    expect(rehearsing({ group: group({ who: "older", kit: {} }) })).toContain("marching-knee-drives");
  });
  it("is said by the action that is most a sport’s own", () => {
    const cut = drillById("plant-and-cut")!;
    expect(actionOf(cut, { rehearses: ["throw", "run", "jump", "land", "cut"] })).toBe("cut");
    expect(actionOf(cut, { rehearses: ["run"] })).toBe("run");
    expect(actionOf(drillById("shadow-throws")!, { rehearses: ["run", "throw"] })).toBe("throw");
    expect(actionOf(cut, { rehearses: ["swim"] })).toBeUndefined();
  });
});

describe("what belongs to another sport", () => {
  it("is told by its kind: throwing, hitting and swinging are kin, and so are cutting, jumping and landing", () => {
    expect(isForeign(["throw"], ["hit"])).toBe(false);
    expect(isForeign(["throw"], ["run"])).toBe(true);
    expect(isForeign(["run", "cut"], ["run"])).toBe(true);
    expect(isForeign(["cut"], ["jump"])).toBe(false);
    expect(isForeign(["squat", "push"], ["run"])).toBe(false);
  });
  it.each(SPORT_PROFILES.map(({ id }) => id))("is in no draft for %s", (demand) => {
    for (const purpose of ["before-training", "off-day"] as const)
      for (const { drill, level } of candidatesOf(asked({ demand, purpose, school: undefined }), DRILLS).candidates)
        if (drill.method === "flow" || scalesOf(drill, level).speed >= 3)
          expect(
            isForeign(drill.rehearses ?? [], SPORT_PROFILES.find(({ id }) => id === demand)!.rehearses ?? []),
            drill.id,
          ).toBe(false);
  });
  it("comes where it is asked for", () => {
    const { candidates } = candidatesOf(
      asked({ demand: "rowing", school: undefined, must: ["shadow-kick-through"] }),
      DRILLS,
    );
    expect(candidates.some(({ drill }) => drill.id === "shadow-kick-through")).toBe(true);
  });
});

describe("what only gets people warm", () => {
  it("is walking, jogging, marching and shaking, not what turns the trunk or has to be learned", () => {
    const only = (id: string) => onlyWarms(drillById(id)!, "standard");
    for (const id of ["easy-walk", "jog-lanes", "marching-knee-drives", "shake-out", "side-shuffle", "build-up-runs"])
      expect(only(id), id).toBe(true);
    for (const id of [
      "loose-arm-swings",
      "heel-walk-toe-walk",
      "straight-leg-kicks",
      "walking-knee-out-knee-in",
      "cat-camel",
    ])
      expect(only(id), id).toBe(false);
  });
  it("opens no joint: it stands in no phase that serves motions, and gets nothing done in minutes of one thing", () => {
    for (const purpose of ["before-training", "off-day", "after-training"] as const)
      for (const { drill, level, phase } of candidatesOf(asked({ purpose, school: undefined }), DRILLS).candidates)
        if (phase.serves && !phase.needed) expect(onlyWarms(drill, level), `${drill.id} in ${phase.id}`).toBe(false);
    const { draft: one } = first({ target: 900, demand: "football", group: group({ kit: {} }) });
    expect(inPhase(one, "raise").length).toBeGreaterThanOrEqual(2);
  });
});

describe("for older people", () => {
  const older = (setting: object = {}) =>
    candidatesOf(
      asked({
        purpose: "before-training",
        demand: "general",
        level: "easier",
        school: undefined,
        group: group({ who: "older", support: true, ...setting }),
      }),
      DRILLS,
    ).candidates;
  it("nothing drops, springs, runs or sits in the deep squat", () => {
    for (const { drill, level, from, speed } of older()) {
      expect(formIn({ drill: drill.id, level }, drillById)!.method, drill.id).not.toBe("spring");
      expect(speed, drill.id).toBeLessThanOrEqual(2);
      expect(from, drill.id).not.toBe("squat");
    }
  });
  it("small landings come where the group says that they are fine", () => {
    expect(older({ impact: true }).some(({ drill }) => drill.method === "spring")).toBe(true);
  });
});

describe("three drafts", () => {
  it("have no drill that moves, holds or lengthens in all of them", () => {
    for (const [purpose, demand] of [
      ["before-training", "football"],
      ["off-day", "rowing"],
    ] as const) {
      const answer = draft(asked({ purpose, demand, school: undefined, target: 1200 }), DRILLS, solve);
      if (answer.kind !== "drafts" || answer.drafts.length < 3) throw new Error("three are wanted");
      const [a, b, c] = answer.drafts.map(({ session }) =>
        session.blocks
          .filter(({ phase }) => phase === "move" || phase === "lengthen")
          .flatMap((block) => block.items.map(({ drill }) => drill)),
      );
      expect(a!.filter((id) => b!.includes(id) && c!.includes(id))).toEqual([]);
    }
  });
});

describe("both halves of the body", () => {
  it("are moved before sport", () => {
    for (const demand of ["handball", "rowing", "football", "running"]) {
      const { draft: one } = first({ demand, purpose: "before-game", target: 720, group: group({ kit: {} }) });
      const joints = inPhase(one, "move").map(
        (item) => MOTION_FACTS[formIn(item, drillById)!.levels[item.level].main[0]!].joint,
      );
      const legs = joints.filter((joint) => ["hip", "knee", "ankle", "toes"].includes(joint)).length;
      expect(legs, demand).toBeGreaterThanOrEqual(2);
      expect(joints.length - legs, demand).toBeGreaterThanOrEqual(2);
    }
  });
});

describe("other ends", () => {
  it("wake people up at a desk, at the pulse of a march", () => {
    for (const target of [300, 600]) {
      const { draft: one } = first({ purpose: "desk-break", demand: "desk-work", target });
      const last = inPhase(one, "brisk-end").at(-1)!;
      expect(scalesOf(drillById(last.drill)!, last.level).pulse).toBeGreaterThanOrEqual(2);
    }
  });
  it("breathe out for longer than in, lying where everyone lies already", () => {
    const { draft: one } = first({ purpose: "after-training", target: 900, group: group({ surface: "mat" }) });
    const last = inPhase(one, "settle").at(-1)!;
    const { dose } = last;
    expect(dose.kind === "breaths" && dose.pattern![2]).toBeGreaterThan(dose.kind === "breaths" ? dose.pattern![0] : 0);
    expect(placeOf(drillById(last.drill)!.levels[last.level].posture)).toBe("low");
  });
  it("take the lift in three sets, after what it loads has been switched on", () => {
    const { draft: one } = first({ purpose: "before-lifting", demand: "lifting", target: 900, lift: "squat" });
    expect(inPhase(one, "rehearse")).toHaveLength(3);
    expect(inPhase(one, "rehearse").map(({ demo }) => demo)).toEqual([0, 0, 0]);
    const young = { name: "Young", people: [], setting: { who: "13-17" as const } };
    const { draft: theirs } = first({ purpose: "before-lifting", demand: "lifting", target: 900, group: young });
    expect(inPhase(theirs, "rehearse").map(({ demo }) => demo)).toEqual([5, 0, 0]);
    const on = inPhase(one, "switch-on")[0]!;
    const { joint } = MOTION_FACTS[formIn(on, drillById)!.levels[on.level].main[0]!];
    expect(LIFT_JOINTS.squat).toContain(joint);
  });
  it("take no set of a lift that somebody has nothing to do instead for, however short it is", () => {
    const careful = {
      name: "Careful",
      people: [{ name: "C", areas: ["knee-deep-bend"] }],
      setting: { kit: { pad: 1, wall: 1, support: 1 }, areas: ["knee-twist"], support: true },
    };
    const answer = draft(
      asked({
        purpose: "before-lifting",
        demand: "basketball",
        target: 1800,
        school: undefined,
        lift: "squat",
        group: careful,
      }),
      DRILLS,
      solve,
    );
    // No form of the squat is one they can do: it is said, and no session goes without its lift.
    expect(answer.kind === "impossible" && answer.why).toBe(
      "Nothing is left that fills the last part, “Rehearse the lift”, and it does not go without.",
    );
    expect(answer.kind === "impossible" && answer.relax.map(({ limit }) => limit)).toContain("protected-areas");
  });
  it("take another lift where nothing of the usual one is left, and say so; one that was asked for stays, and another is offered", () => {
    const knees = {
      name: "Knees",
      people: [{ name: "K", areas: ["knee-deep-bend" as const] }],
      setting: { kit: { barbell: 1, box: 1 }, areas: ["knee-deep-bend" as const] },
    };
    const whole = {
      purpose: "before-lifting" as const,
      demand: "lifting",
      target: 900,
      school: undefined,
      group: knees,
    };
    const usual = draft(asked(whole), DRILLS, solve);
    if (usual.kind !== "drafts") throw new Error(usual.why);
    expect(usual.notes).toContain(
      "There is no squat here that this group can do with the kit it has: the hinge is the lift instead.",
    );
    for (const { session } of usual.drafts)
      expect(drillById(session.blocks.at(-1)!.items.at(-1)!.drill)!.rehearses).toContain("hinge");
    const squat = draft(asked({ ...whole, lift: "squat" }), DRILLS, solve);
    expect(squat.kind === "impossible" && squat.relax.map(({ limit }) => limit)).toContain("lift");
    const hinge = draft(asked({ ...whole, lift: "hinge" }), DRILLS, solve);
    expect(hinge.kind === "drafts" && hinge.drafts[0]!.fit).toBeCloseTo(usual.drafts[0]!.fit, 9);
  });
  it("are not lifted in pairs", () => {
    const rehearsing = candidatesOf(asked({ purpose: "before-lifting", demand: "lifting", school: undefined }), DRILLS)
      .candidates.filter(({ phase }) => phase.id === "rehearse")
      .map(({ drill }) => drill);
    expect(rehearsing.map(({ id }) => id)).toContain("squat-free");
    expect(rehearsing.filter(({ partner }) => partner === "pairs")).toEqual([]);
  });
  it("have strong efforts where the group has a cap for them", () => {
    const methods = (setting: object) =>
      first({
        purpose: "off-day",
        demand: "lifting",
        target: 1800,
        group: group(setting),
      }).draft.session.blocks.flatMap((block) => block.items.map((item) => formIn(item, drillById)!.method));
    expect(methods({ effortCap: 100 })).toContain("effort");
    expect(methods({})).not.toContain("effort");
  });
});
