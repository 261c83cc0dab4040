import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { LONGEST_REST, MOST_DIFFERENT, together, type Together } from "./together";
import { kitWords } from "./together-words";
import { formIn } from "~/core/drills/form";
import type { Group } from "~/core/group/schema";
import { spares, allProtections } from "~/core/group/protect";
import { itemOf, newSession } from "~/core/session/start";
import { allAtOnce } from "~/core/steps";
import { scalesOf } from "~/core/stress/scales";
import { compile } from "~/core/timeline/compile";
import { AREAS, type Area } from "~/core/vocabulary/areas";
import { DRILLS, drillById } from "~/library";

const session = newSession({ title: "A", purpose: "before-training" }, [
  {
    ...{ title: "Raise", rounds: 1, phase: "raise" },
    items: [itemOf(drillById("jog-lanes")!), itemOf(drillById("side-shuffle")!)],
  },
  {
    ...{ title: "Move", rounds: 1, phase: "move" },
    items: ["cat-camel", "hip-circle-kneel", "squat-free", "calf-wall-straight", "arms-cross-and-open"].map((id) =>
      itemOf(drillById(id)!),
    ),
  },
] as never);
const timeline = compile(session, drillById);

const groupOf = (areas: readonly (readonly Area[])[], setting: Group["setting"] = {}): Group => ({
  name: "Squad",
  people: areas.map((list, i) => ({ name: `P${i}`, areas: list.map((area) => ({ area })) })),
  setting,
});
const of = (group: Group): Together =>
  allAtOnce(together(session, timeline, group, { drills: drillById, offered: DRILLS }));
const itemAt = ({ block, item }: { block: number; item: number }) => session.blocks[block]!.items[item]!;

describe("what a class does instead", () => {
  it("is nothing for people who protect nothing", () => {
    expect(of(groupOf([[], [], []]))).toEqual({ lines: [], concerns: [], kit: {} });
  });

  it("spares everybody, is different at two drills at most, and covers each who needs it", { timeout: 60_000 }, () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.constantFrom(...AREAS), { maxLength: 2 }), { minLength: 1, maxLength: 6 }),
        (areas) => {
          const group = groupOf(areas);
          for (const line of of(group).lines) {
            const different = new Set(
              line.instead.flatMap(({ does }) => (does === "rest" ? [] : [`${does.drill} ${does.level}`])),
            );
            expect(different.size).toBeLessThanOrEqual(MOST_DIFFERENT);
            const people = line.instead.flatMap((one) => one.people);
            expect(new Set(people).size).toBe(people.length);
            for (const { does, people: who } of line.instead)
              if (does !== "rest")
                for (const at of who) {
                  const item = { ...itemAt(line), drill: does.drill, level: does.level };
                  const form = formIn(item, drillById)!;
                  expect(spares(form, does.level, allProtections(group.people[at]!, group.setting))).toBe(true);
                }
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  it("is one thing for two people who could each do it, and not one each", () => {
    const both = of(groupOf([["kneeling"], ["kneeling", "floor"], []]));
    const line = both.lines.find((one) => itemAt(one).drill === "hip-circle-kneel")!;
    expect(line.instead.filter(({ does }) => does !== "rest").length).toBeLessThanOrEqual(1);
    expect(line.instead.flatMap(({ people }) => people).sort()).toEqual([0, 1]);
  });

  it("is in the raise no more than one step easier on the heart", () => {
    for (const area of AREAS)
      for (const line of of(groupOf([[area]])).lines.filter(({ block }) => block === 0))
        for (const { does } of line.instead)
          if (does !== "rest") {
            const own = scalesOf(drillById(itemAt(line).drill)!, itemAt(line).level).pulse;
            expect(scalesOf(drillById(does.drill)!, does.level).pulse).toBeGreaterThanOrEqual(own - 1);
          }
  });

  it("tells of rests that are long or follow one another, and of who does mostly something else", () => {
    const all = of(groupOf([[...AREAS], []]));
    const rests = all.lines.flatMap(({ instead }) => instead.filter(({ does }) => does === "rest"));
    expect(rests.length).toBeGreaterThan(1);
    expect(all.concerns[0]).toMatchObject({ kind: "own session", person: 0 });
    for (const one of all.concerns)
      if (one.kind === "rests") expect(one.again || one.seconds > LONGEST_REST).toBe(true);
    const twice = groupOf([["kneeling"]]);
    const rest = (item: number, at: string) => ({ block: 1, item, at, does: "rest" as const });
    twice.people[0]!.choices = [rest(0, "cat-camel"), rest(1, "hip-circle-kneel")];
    expect(of(twice).concerns).toMatchObject([{ kind: "rests", item: 1, person: 0, again: true }]);
    expect(of(groupOf([["kneeling"], []])).concerns.filter(({ kind }) => kind === "own session")).toEqual([]);
  });

  it("says what kit has to be there besides", () => {
    expect(kitWords({ chair: 2, wall: 3, support: 1, cushion: 1, box: 2, bar: 2 })).toEqual([
      "2 chairs",
      "a wall",
      "something to hold on to",
      "a cushion",
      "2 knee-high boxes",
      "2 bars overhead",
    ]);
    const chosen = groupOf([["kneeling"]]);
    chosen.people[0]!.choices = [{ block: 1, item: 1, at: "hip-circle-kneel", does: "rest" }];
    const line = of(chosen).lines.find((one) => itemAt(one).drill === "hip-circle-kneel")!;
    expect(line.instead).toEqual([{ does: "rest", name: "rest", people: [0], chosen: true }]);
  });
});
