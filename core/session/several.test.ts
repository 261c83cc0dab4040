import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { amountOf } from "~/core/dose/amount";
import {
  amountSeveral,
  clipText,
  insertSeveral,
  itemsAt,
  levelSeveral,
  readClip,
  removeSeveral,
  stepSeveral,
} from "./several";
import type { SessionPlan } from "./schema";
import { itemOf, newSession } from "./start";
import { DRILLS, drillById } from "~/library";

const of = (...blocks: string[][]): SessionPlan =>
  newSession(
    { title: "t", purpose: "off-day" },
    blocks.map((list) => ({
      title: "",
      rounds: 1,
      restBetweenRounds: 0,
      sideOrder: "drill-by-drill",
      items: list.map((id) => itemOf(drillById(id)!)),
    })),
  );
const ids = (s: SessionPlan) => s.blocks.map((b) => b.items.map((i) => i.drill));
const at = (block: number, item: number) => ({ block, item });
const s = of(["cat-camel", "hip-flexor-hold", "open-book"], ["squat-free", "bridge"]);

describe("several drills at once", () => {
  it("are taken out together, and one stays", () => {
    expect(ids(removeSeveral(s, [at(0, 0), at(1, 1), at(0, 2)]))).toEqual([["hip-flexor-hold"], ["squat-free"]]);
    expect(ids(removeSeveral(s, [at(1, 0), at(1, 1)]))).toEqual([["cat-camel", "hip-flexor-hold", "open-book"]]);
    expect(
      removeSeveral(s, [at(0, 0), at(0, 1), at(0, 2), at(1, 0), at(1, 1)]).blocks.flatMap((b) => b.items),
    ).toHaveLength(1);
  });
  it("are copied in the order of the session and pasted in a row", () => {
    const items = itemsAt(s, [at(1, 0), at(0, 1)]);
    expect(items.map((i) => i.drill)).toEqual(["hip-flexor-hold", "squat-free"]);
    expect(ids(insertSeveral(s, at(1, 1), items))[1]).toEqual([
      "squat-free",
      "hip-flexor-hold",
      "squat-free",
      "bridge",
    ]);
  });
  it("go through the clipboard as text; other text is nothing", () => {
    const items = itemsAt(s, [at(0, 0), at(0, 2)]);
    expect(readClip(clipText(items), drillById)).toEqual(items);
    for (const text of [
      "",
      "hello",
      "{}",
      JSON.stringify({ format: "mapset/drills", items: [] }),
      clipText([{ ...items[0]!, drill: "not-there" }]),
      clipText([{ ...items[0]!, sets: 0 }]),
    ])
      expect(readClip(text, drillById), text).toBeUndefined();
  });
  it("take a level with its dose, but keep a dose of their own", () => {
    const own = {
      ...s,
      blocks: [
        {
          ...s.blocks[0]!,
          items: [
            { ...s.blocks[0]!.items[0]!, dose: { kind: "time" as const, seconds: 33 } },
            ...s.blocks[0]!.items.slice(1),
          ],
        },
        s.blocks[1]!,
      ],
    };
    const after = levelSeveral(own, [at(0, 0), at(0, 1)], "harder", drillById);
    expect(after.blocks[0]!.items.map((i) => i.level)).toEqual(["harder", "harder", "standard"]);
    expect(after.blocks[0]!.items[0]!.dose).toEqual({ kind: "time", seconds: 33 });
    expect(after.blocks[0]!.items[1]!.dose).toEqual(drillById("hip-flexor-hold")!.levels.harder.dose);
  });
  it("take one value, where they are counted in its unit", () => {
    const all = [at(0, 0), at(0, 1), at(0, 2), at(1, 0)];
    const of30 = amountSeveral(s, all, "s", 30);
    const [before, after] = [s, of30].map((doc) => itemsAt(doc, all).map((item) => amountOf(item.dose)));
    expect(after!.map(({ unit, value }) => (unit === "s" ? value : "")).filter((value) => value !== "")).toEqual(
      before!.filter(({ unit }) => unit === "s").map(() => 30),
    );
    expect(after!.filter(({ unit }) => unit !== "s")).toEqual(before!.filter(({ unit }) => unit !== "s"));
    expect(itemsAt(amountSeveral(s, [at(0, 0)], "reps", 5), all).map((item) => amountOf(item.dose).value)).toEqual([
      5,
      ...before!.slice(1).map(({ value }) => value),
    ]);
    expect(amountSeveral(s, [at(7, 7)], "s", 30)).toBe(s);
  });
  it("grow and shrink by their drills' steps, inside the bounds", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...DRILLS.map((d) => d.id)),
        fc.array(fc.constantFrom(1 as const, -1 as const), { maxLength: 30 }),
        (id, steps) => {
          const after = steps.reduce<SessionPlan>((doc, by) => stepSeveral(doc, [at(0, 0)], by, drillById), of([id]));
          const { bounds, dose } = drillById(id)!.levels.standard;
          const value = amountOf(after.blocks[0]!.items[0]!.dose).value;
          expect(value).toBeGreaterThanOrEqual(Math.min(bounds.least, amountOf(dose).value));
          expect(value).toBeLessThanOrEqual(Math.max(bounds.most, amountOf(dose).value));
        },
      ),
    );
    const up = stepSeveral(s, [at(0, 1), at(1, 0)], 1, drillById);
    expect(amountOf(up.blocks[0]!.items[1]!.dose).value).toBe(
      amountOf(s.blocks[0]!.items[1]!.dose).value + drillById("hip-flexor-hold")!.levels.standard.bounds.step,
    );
    expect(stepSeveral(up, [at(0, 1), at(1, 0)], -1, drillById)).toEqual(s);
  });
});
