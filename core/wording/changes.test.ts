import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { changesBetween, doseChange } from "./changes";
import {
  copyItem,
  editBlock,
  editItem,
  editPace,
  editSession,
  insertItem,
  moveItem,
  removeItem,
} from "~/core/session/edits";
import type { SessionPlan } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { DRILLS, drillById } from "~/library";

const name = (id: string) => drillById(id)?.name ?? id;
const hold = (id: string, seconds: number) => ({ ...itemOf(drillById(id)!), dose: { kind: "time" as const, seconds } });
const base: SessionPlan = newSession({ title: "Before the boat", purpose: "before-training", target: 720 }, [
  {
    title: "Floor",
    rounds: 1,
    restBetweenRounds: 0,
    sideOrder: "drill-by-drill",
    items: [hold("cat-camel", 60), hold("hip-flexor-hold", 30), hold("open-book", 40)],
  },
  { title: "Standing", rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items: [hold("squat-free", 30)] },
]);
const at = (block: number, item: number) => ({ block, item });
const changes = (after: SessionPlan) => changesBetween(base, after, name);
const called = name("hip-flexor-hold");

describe("what changed, in words", () => {
  it("is nothing for the same", () => expect(changes(structuredClone(base))).toEqual([]));
  it("says a dose with its amounts", () => {
    expect(changes(editItem(base, at(0, 1), { dose: { kind: "time", seconds: 45 } }))).toEqual([
      `${called}: 30 → 45 s`,
    ]);
    expect(doseChange({ kind: "time", seconds: 30 }, { kind: "time", seconds: 90 })).toMatch(/30 ?s → 1 ?min 30 ?s/);
    expect(doseChange({ kind: "breaths", count: 4 }, { kind: "breaths", count: 6 })).toBe("4 → 6 breaths");
    expect(doseChange({ kind: "time", seconds: 30 }, { kind: "breaths", count: 6 })).toMatch(/30 ?s → 6 breaths/);
    const tempo = [
      { do: "go", seconds: 2 },
      { do: "back", seconds: 2 },
    ];
    expect(
      doseChange(
        { kind: "reps", count: 8, tempo },
        {
          kind: "reps",
          count: 8,
          tempo: [
            { do: "rise", seconds: 2 },
            { do: "back", seconds: 2 },
          ],
        },
      ),
    ).toBe("its beats changed");
  });
  it("pairs drills around one that came or went", () => {
    expect(changes(removeItem(base, at(0, 0)))).toEqual([`${name("cat-camel")} removed`]);
    expect(changes(insertItem(base, at(0, 0), hold("bridge", 30)))).toEqual([
      expect.stringMatching(/^.+ added as drill 1, 30 ?s$/),
    ]);
    expect(changes(copyItem(base, at(0, 1)))).toHaveLength(1);
  });
  it("says that a drill moved, and what else changed of it", () => {
    const moved = moveItem(base, at(0, 2), at(0, 0));
    expect(changes(moved)).toEqual([`${name("open-book")} moved up to drill 1`]);
    expect(changes(editItem(moved, at(0, 0), { sets: 2 }))).toEqual([
      `${name("open-book")} moved up to drill 1`,
      `${name("open-book")}: 1 → 2 sets`,
    ]);
  });
  it("says what of the session, its blocks and its pace changed", () => {
    expect(
      changes(
        editSession(base, {
          title: "At the boat",
          target: 600,
          purpose: "off-day",
          firstSide: "right",
          notes: "Hall B",
        }),
      ),
    ).toEqual([
      "Name: Before the boat → At the boat",
      "Purpose: before training → off day",
      "Target length: 12:00 → 10:00",
      "First side: left → right",
      "Notes changed",
    ]);
    expect(changes(editBlock(base, 0, { rounds: 2, sideOrder: "whole-block" }))).toEqual([
      "Floor: 1 → 2 rounds",
      "Floor: whole block on one side, then the other",
    ]);
    expect(changes(editPace(base, { switchSides: 8 }))).toEqual(["Change sides: 6 → 8 s"]);
  });
  it("is never empty for a session that differs, and says as much backwards", () => {
    const items = fc.array(fc.constantFrom(...DRILLS.slice(0, 12).map((d) => d.id)), { minLength: 1, maxLength: 8 });
    fc.assert(
      fc.property(items, items, (a, b) => {
        const [x, y] = [a, b].map((ids) => ({
          ...base,
          blocks: [{ ...base.blocks[0]!, items: ids.map((id) => hold(id, 30)) }],
        })) as [SessionPlan, SessionPlan];
        const [there, back] = [changesBetween(x, y, name), changesBetween(y, x, name)];
        expect(there.length === 0).toBe(a.join() === b.join());
        expect(there.length).toBe(back.length);
        const count = (lines: string[], words: string) => lines.filter((line) => line.includes(words)).length;
        expect(count(there, " added as ")).toBe(count(back, " removed"));
      }),
      { numRuns: 200 },
    );
  });
});
