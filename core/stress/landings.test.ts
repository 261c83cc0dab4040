import { describe, expect, it } from "vitest";
import { amountsOf, landingsOf } from "./derive";
import { readStress, writeStress } from "./codec";
import type { Facts, Moment } from "./types";
import { LEVELS } from "~/core/vocabulary/levels";
import type { Area } from "~/core/vocabulary/areas";
import { landingWords } from "~/core/wording/scales";
import { FACTS, LIMB, MOMENT } from "~/fixtures/stress/standing-still";
import { DRILLS, drillById } from "~/library";

const at = (area: Area, facts: Partial<Facts>) => amountsOf(area, { ...FACTS, ...facts }).right;
const counted = (seconds: number) =>
  ({ kind: "reps", count: 5, tempo: [{ do: "bounce", seconds }] }) as const satisfies Facts["dose"];

describe("what no drawing shows of jumps, runs and cuts", () => {
  it.each([
    ["no landing", { impact: 0 }, 0],
    ["a soft one", { impact: 1 }, 1],
    ["a jump that is stuck", { impact: 2 }, 2],
    ["bounces", { impact: 1, method: "spring" }, 2],
    ["counted bounces that follow quickly", { impact: 1, method: "spring", dose: counted(1.4) }, 2],
    ["counted bounces with time between", { impact: 1, method: "spring", dose: counted(1.5) }, 1],
    ["running", { impact: 1, rehearses: ["run"], speed: 2 }, 1],
    ["sprinting", { impact: 1, rehearses: ["run"], speed: 3 }, 2],
  ] satisfies [string, Partial<Facts>, number][])("the heel tendon: %s", (_, facts, amount) =>
    expect(at("heel-tendon", facts)).toBe(amount),
  );
  it.each(["ankle-roll", "balance"] as const)("%s: much where a jump lands on one leg", (area) => {
    expect(at(area, { impact: 2, oneSided: true })).toBe(2);
    expect(at(area, { impact: 1, oneSided: true })).toBe(0);
    expect(at(area, { impact: 2, oneSided: false })).toBe(0);
  });
  it.each(["groin-stretch", "knee-twist", "ankle-roll"] as const)("%s: much in a cut", (area) => {
    expect(at(area, { impact: 2, rehearses: ["cut"] })).toBe(2);
    expect(at(area, { impact: 1, rehearses: ["cut"] })).toBe(0);
    expect(at(area, { impact: 2, rehearses: ["land"] })).toBe(0);
  });
  it.each(["run", "kick"] as const)("the front of the hip: much in a fast %s", (one) => {
    expect(at("front-of-hip", { rehearses: [one], speed: 3 })).toBe(2);
    expect(at("front-of-hip", { rehearses: [one], speed: 2 })).toBe(0);
    expect(at("front-of-hip", { rehearses: ["throw"], speed: 3 })).toBe(0);
  });
});

describe("landings", () => {
  const air: Moment = {
    ...MOMENT,
    left: { ...LIMB, foot: false, footUp: true },
    right: { ...LIMB, foot: false, footUp: true },
  };
  const one: Moment = { ...MOMENT, right: { ...LIMB, foot: false, footUp: true } };
  const of = (moments: Moment[], more: Partial<Facts> = {}) => landingsOf({ ...FACTS, moments, ...more });
  it("are counted where both feet come down from the air", () => {
    expect(of([MOMENT, air, air, MOMENT], { dose: counted(4) })).toBe(1);
    expect(of([air, MOMENT, air, MOMENT], { dose: counted(4) })).toBe(2);
    // It goes round: the first moment follows the last.
    expect(of([MOMENT, MOMENT, air], { dose: counted(4) })).toBe(1);
    expect(of([MOMENT, one, MOMENT], { dose: counted(4) })).toBe(0);
  });
  it("are those of ten seconds where nothing is counted", () =>
    expect(of([MOMENT, air], { dose: { kind: "time", seconds: 20 }, seconds: 0.5 })).toBe(20));
  it("are none of somebody who sits, lies, hangs or is on their hands", () => {
    for (const down of [
      { ...air, seat: "floor" as const },
      { ...air, lying: "back" as const },
      { ...air, left: { ...air.left, hangs: true } },
      { ...air, left: { ...air.left, hand: "carries" as const } },
      { ...air, left: { ...air.left, knee: true } },
    ])
      expect(of([MOMENT, down], { dose: counted(4) })).toBe(0);
    expect(of([MOMENT, air], { still: true, dose: counted(4) })).toBe(0);
  });
  it("are kept in the short line, and said on the drill’s page", () => {
    const { stress } = drillById("jump-and-stick")!.levels.standard;
    expect(stress!.landings).toBe(1);
    expect(readStress(writeStress(stress!))).toEqual(stress);
    expect(landingWords(drillById("jump-and-stick")!.levels.standard)).toBe("Lands once in each repetition.");
    expect(landingWords(drillById("stiff-ankle-bounces")!.levels.standard)).toBe(
      "Lands about 20 times in ten seconds.",
    );
    expect(landingWords(drillById("marching-knee-drives")!.levels.standard)).toBeUndefined();
  });
  it("make nobody who keeps off impact land", () => {
    for (const drill of DRILLS)
      for (const name of LEVELS) {
        const { landings, always } = drill.levels[name].stress!;
        if (landings > 0)
          expect(
            always.some((s) => s.area === "impact"),
            `${drill.id} ${name}`,
          ).toBe(true);
      }
  });
});
