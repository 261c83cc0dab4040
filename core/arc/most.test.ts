import { describe, expect, it } from "vitest";
import { isInMeasure, MOST_FOR } from "./most";
import { PURPOSES, type Purpose } from "~/core/session/schema";
import { madeDrill } from "~/fixtures/drills";
import { drillById } from "~/library";

const OWN = { pulse: 0, speed: 0, impact: 0, skill: 0, effort: 0 } as const;
const of = (more: object, purpose: Purpose, asked: "easier" | "standard" = "standard") =>
  isInMeasure(purpose, asked, madeDrill("d", { ...OWN, ...more }), "standard");

describe("what is too much for a purpose", () => {
  it.each(PURPOSES)("is one more than the most of any scale, for %s", (purpose) => {
    for (const scale of ["pulse", "speed", "impact", "effort"] as const) {
      const most = MOST_FOR[purpose][scale];
      expect(of({ [scale]: most }, purpose), scale).toBe(true);
      if (most < 3 || scale === "effort") expect(of({ [scale]: most + 1 }, purpose), scale).toBe(false);
    }
  });
  it("keeps jumps, cuts and throws at speed out of a desk break and a cool-down", () => {
    const takes = (id: string, purpose: Purpose) => isInMeasure(purpose, "standard", drillById(id)!, "standard");
    for (const id of ["jump-and-stick", "plant-and-cut", "shadow-throws", "quick-feet"])
      expect([takes(id, "desk-break"), takes(id, "after-training"), takes(id, "before-game")], id).toEqual([
        false,
        false,
        true,
      ]);
    expect(takes("sit-to-stand", "desk-break")).toBe(true);
  });
  it("lets nobody leave the floor beside a desk or after training, whatever else is in measure", () => {
    for (const purpose of ["desk-break", "after-training"] as const)
      expect([of({ impact: 0 }, purpose), of({ impact: 1 }, purpose)], purpose).toEqual([true, false]);
    expect([of({ impact: 1 }, "before-lifting"), of({ impact: 2 }, "before-lifting")]).toEqual([true, false]);
  });
  it("lets people walk to cool down, though walking is everyday speed", () => {
    expect(isInMeasure("after-training", "standard", drillById("easy-walk")!, "standard")).toBe(true);
    expect(of({ speed: 2 }, "after-training")).toBe(false);
    expect(of({ speed: 2, gait: true }, "after-training")).toBe(true);
    expect(of({ speed: 2, gait: true, impact: 1 }, "after-training")).toBe(false);
  });
  it("is every landing where the easier levels are asked for", () => {
    expect([of({ impact: 0 }, "before-game", "easier"), of({ impact: 1 }, "before-game", "easier")]).toEqual([
      true,
      false,
    ]);
    expect(of({ impact: 1 }, "off-day")).toBe(true);
  });
  it("leaves ramps to the cap of the group", () => {
    const dose = { kind: "effort", rounds: 1, ramp: [{ effort: 90, seconds: 5 }] } as const;
    expect(of({ effort: 9, dose }, "off-day")).toBe(true);
    expect(of({ effort: 9 }, "off-day")).toBe(false);
  });
});
