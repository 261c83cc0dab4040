import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { coverageOf, planeSeconds } from "./coverage";
import { fitOf, missingRows, targetsOf } from "~/core/sport-profiles/fit";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { MOTIONS } from "~/core/vocabulary/motions";
import { readSession } from "~/core/session/read";
import { compile } from "~/core/timeline/compile";
import { drillById, DRILLS } from "~/library";

function covered(items: object[], version = 1) {
  const read = readSession(
    { format: "mapset/session", version, title: "t", purpose: "off-day", blocks: [{ title: "b", items }] },
    drillById,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return coverageOf(read.value, compile(read.value, drillById), drillById);
}

const demand = (rows: Record<string, number>): SportProfile => ({
  id: "d",
  name: "Demand",
  about: "For tests.",
  held: [],
  rows: Object.fromEntries(Object.entries(rows).map(([row, weight]) => [row, { weight, why: "for tests" }])),
});

describe("coverage", () => {
  it("gives a second for each work second on a main row, half of one on another, side by side", () => {
    // hip.ext is main and lu.flex also; 30 s a side.
    const c = covered([{ drill: "hip-flexor-hold", dose: { kind: "time", seconds: 30 } }]);
    expect(c["hip.ext"]).toEqual({ left: 30, right: 30, counts: 30 });
    // The lower back is one: both sides' work counts for it.
    expect(c["lu.flex"].counts).toBe(30);
    expect(c["kn.flex"].counts).toBe(0);
  });
  it("counts a limb row by its lesser side", () => {
    const c = covered([
      { drill: "hip-flexor-hold", sides: "left", dose: { kind: "time", seconds: 40 } },
      { drill: "hip-flexor-hold", sides: "right", dose: { kind: "time", seconds: 10 } },
    ]);
    expect(c["hip.ext"]).toEqual({ left: 40, right: 10, counts: 10 });
  });
  it("gives each side half of an alternating piece, which lasts twice the dose", () => {
    const c = covered([{ drill: "side-squat-shift", dose: { kind: "time", seconds: 20 } }]);
    expect(c["hip.abd"]).toEqual({ left: 20, right: 20, counts: 20 });
  });
  it("gives each side half of what both do side by side for a time, since version 2", () => {
    const walk = [{ drill: "side-squat-shift", sides: "together", dose: { kind: "time", seconds: 40 } }];
    expect(covered(walk, 2)["hip.abd"]).toEqual({ left: 20, right: 20, counts: 20 });
    expect(covered(walk, 1)["hip.abd"]).toEqual({ left: 40, right: 40, counts: 40 });
    // Both at once, or counted, is all for both.
    expect(
      covered([{ ...walk[0], dose: { kind: "reps", count: 10, tempo: [{ do: "go", seconds: 4 }] } }], 2)["hip.abd"]
        .counts,
    ).toBe(40);
    expect(covered([{ drill: "butterfly-hold", dose: { kind: "time", seconds: 40 } }], 2)["hip.abd"].counts).toBe(
      covered([{ drill: "butterfly-hold", dose: { kind: "time", seconds: 40 } }], 1)["hip.abd"].counts,
    );
  });
  it("gives a row that the other limb works to the other side, and one that both work to both", () => {
    // In front is the leg that is called; the hip that opens is the one behind.
    const c = covered([{ drill: "lunge-rocks", sides: "right", dose: { kind: "time", seconds: 20 } }]);
    expect([c["hip.abd"], c["hip.ext"]]).toMatchObject([
      { left: 0, right: 20 },
      { left: 20, right: 0 },
    ]);
    const tempo = [{ do: "step", seconds: 4 }];
    const side = covered([{ drill: "lunge-side", sides: "left", dose: { kind: "reps", count: 5, tempo } }]);
    expect(side["hip.abd"]).toEqual({ left: 20, right: 20, counts: 20 });
    expect(side["kn.flex"]).toEqual({ left: 10, right: 0, counts: 0 });
  });
  it("counts pressing and rolling by half: it is not a range that is gone through", () => {
    const c = covered([{ drill: "roll-calf", dose: { kind: "time", seconds: 40 } }]);
    expect(c["an.df"]).toEqual({ left: 20, right: 20, counts: 20 });
  });
  it("adds up by plane", () => {
    const c = covered([{ drill: "side-opener-knee-lift", dose: { kind: "time", seconds: 30 } }]);
    expect(planeSeconds(c).rotation).toBe(60);
  });
});

describe("fit", () => {
  it("shares 0.7 of the target out by weight", () =>
    expect(targetsOf(demand({ "hip.ext": 3, "th.rot": 1 }), 600)).toMatchObject({
      "hip.ext": 315,
      "th.rot": 105,
      "kn.flex": 0,
    }));
  it("is the weighted share of what was asked for, and more than enough of one row makes up for no other", () => {
    const c = covered([{ drill: "hip-flexor-hold", dose: { kind: "time", seconds: 42 } }]);
    // hip.ext wants 0.7 × 120 × 1/2 = 42 s and has them; th.rot wants 42 and has none.
    expect(fitOf(c, demand({ "hip.ext": 2, "th.rot": 2 }), 120)).toBeCloseTo(0.5);
    expect(fitOf(c, demand({ "hip.ext": 2, "th.rot": 2 }), 60)).toBeCloseTo(0.5);
    expect(missingRows(c, demand({ "hip.ext": 2, "th.rot": 2 }), 120)).toEqual([{ row: "th.rot", has: 0, wants: 42 }]);
  });
  it("lies between 0 and 1 and never falls when work is added", () => {
    const anyItems = fc.array(
      fc.record({
        drill: fc.constantFrom(...DRILLS.map((d) => d.id)),
        dose: fc.record({ kind: fc.constant("time"), seconds: fc.integer({ min: 5, max: 90 }) }),
      }),
      { minLength: 1, maxLength: 6 },
    );
    const anyDemand = fc
      .dictionary(fc.constantFrom(...MOTIONS), fc.integer({ min: 0, max: 3 }), { minKeys: 1, maxKeys: 10 })
      .map(demand);
    fc.assert(
      fc.property(anyItems, anyItems, anyDemand, fc.integer({ min: 60, max: 1800 }), (some, more, asked, target) => {
        const [less, all] = [fitOf(covered(some), asked, target), fitOf(covered([...some, ...more]), asked, target)];
        expect(less).toBeGreaterThanOrEqual(0);
        expect(all).toBeLessThanOrEqual(1 + 1e-9);
        expect(all).toBeGreaterThanOrEqual(less - 1e-9);
      }),
      { numRuns: 60 },
    );
  });
});
