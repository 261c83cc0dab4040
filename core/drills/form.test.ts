import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { inForm, needsOf } from "./form";
import type { Drill } from "./schema";
import { atWork, stressesOfLevel } from "~/core/stress/at";
import { cautionsOf, makeEdition } from "~/core/edition/edition";
import { levelAsWorked } from "~/core/group/protect";
import { sideModeOf } from "~/core/session/passes";
import type { Item } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { KIT } from "~/core/vocabulary/kit";
import { LEVELS } from "~/core/vocabulary/levels";
import { cautionsByKind } from "~/core/wording/cautions";
import { drillById, DRILLS } from "~/library";

const squat = drillById("squat-free")!;
/** Its easier level is another exercise: its own name, sides, words and cautions. */
const other: Drill = {
  ...squat,
  levels: {
    ...squat.levels,
    easier: {
      ...squat.levels.easier,
      name: "Sit to stand, one foot back",
      sides: "each",
      setUp: ["Sit on a chair, the working foot back."],
      cautions: [{ kind: "stop now", text: "Stop if the knee hurts." }],
    },
  },
};

const sessionOf = (items: Item[]) =>
  newSession({ title: "Up and down", purpose: "off-day" }, [
    { title: "All", rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items },
  ]);

describe("a drill in the form of a level", () => {
  it("is the drill itself where the level says nothing of its own", () => {
    for (const drill of DRILLS) for (const level of LEVELS) expect(inForm(drill, level).levels).toBe(drill.levels);
    expect(inForm(other, "standard")).toBe(other);
  });
  it("has what the level says in place of what the drill says, and is the same each time", () => {
    const form = inForm(other, "easier");
    expect(form).toMatchObject({
      id: "squat-free",
      name: "Sit to stand, one foot back",
      sides: "each",
      setUp: ["Sit on a chair, the working foot back."],
      steps: squat.steps,
      method: "strength",
    });
    expect(inForm(other, "easier")).toBe(form);
    expect(form.brief).toBe(other.levels.easier.how);
    // The form of one level says nothing of another.
    expect(inForm(form, "standard")).toBe(other);
    expect(inForm(form, "easier")).toBe(form);
    expect(levelAsWorked(form, "standard")).toEqual(levelAsWorked(other, "standard"));
  });
  it("is timed, protected and warned of as that level is", () => {
    const find = (id: string) => (id === other.id ? other : drillById(id));
    const easier = { ...itemOf(other, "easier"), demo: 0 };
    const session = (level: "easier" | "standard") => {
      return sessionOf([level === "easier" ? easier : { ...itemOf(other), demo: 0 }]);
    };
    expect(sideModeOf(easier, find)).toBe("each");
    const work = (level: "easier" | "standard") => compile(session(level), find).workSeconds;
    expect(work("easier")).toMatchObject({ left: 32, right: 32, both: 0 });
    expect(work("standard")).toMatchObject({ left: 0, right: 0, both: 32 });
    expect(levelAsWorked(other, "easier")).toMatchObject({ sides: "each", seconds: 64 });
    expect(atWork(inForm(other, "easier"), easier, { breath: 5 })).toBe(64);
    expect(stressesOfLevel(other, "easier").length).toBeGreaterThan(0);
    expect(cautionsOf(makeEdition(session("easier"), find))).toEqual([
      { drill: "Sit to stand, one foot back", kind: "stop now", text: "Stop if the knee hurts." },
    ]);
    expect(cautionsOf(makeEdition(session("standard"), find)).map(({ drill }) => drill)).toEqual([squat.name]);
  });
});

describe("kit that only helps", () => {
  it("is taken out of what is needed, a piece for each time it is named", () => {
    expect(needsOf({ kit: ["pad", "support", "support"], helps: ["pad", "support"] })).toEqual(["support"]);
    expect(needsOf({ kit: ["pad"], helps: undefined })).toEqual(["pad"]);
  });
  it("leaves with what it takes out just what there was, whatever is named", () => {
    const pieces = fc.array(fc.constantFrom(...KIT), { maxLength: 6 });
    fc.assert(
      fc.property(pieces, fc.array(fc.nat(5), { maxLength: 6 }), (kit, at) => {
        const helps = [...new Set(at)].flatMap((i) => kit[i] ?? []);
        expect([...needsOf({ kit, helps }), ...helps].sort()).toEqual([...kit].sort());
      }),
    );
  });
});

describe("cautions of a session", () => {
  it("come by what they ask: who must leave it out, what to take care of, what to stop at", () => {
    const items = ["hamstring-effort", "ankle-effort", "roll-calf", "cat-camel"].map((id) => itemOf(drillById(id)!));
    const found = cautionsOf(makeEdition(sessionOf(items), drillById));
    expect([...new Set(found.map(({ kind }) => kind))]).toEqual(["leave out", "take care", "stop now"]);
    expect(cautionsByKind(found).flatMap(({ of }) => of)).toEqual(found);
  });
  it("that were kept before they had a kind ask to take care", () => {
    const kept: { kind?: "take care"; text: string }[] = [{ text: "Use a pad." }];
    const [one] = cautionsByKind(kept);
    expect(one).toEqual({ kind: "take care", of: [{ text: "Use a pad." }] });
  });
});
