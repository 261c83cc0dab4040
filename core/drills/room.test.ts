import { describe, expect, it } from "vitest";
import { metresOneWay, roomOf, travelMetres } from "./room";
import type { DrillLevel } from "./schema";
import { groundWords, roomWords } from "~/core/wording/room";
import { madeDrill } from "~/fixtures/drills";
import { drawnDrillById } from "~/library/drawn";

const drill = (id: string) => drawnDrillById(id)!;
const reps = (count: number, ...tempo: { seconds: number; kind?: "step" | "hop" }[]): DrillLevel["dose"] => ({
  kind: "reps",
  count,
  tempo: tempo.map((beat) => ({ do: "go", ...beat })),
});

describe("how far a level travels", () => {
  it("is a metre for the body and 60 cm a step", () => {
    expect(travelMetres(10, [{ kind: "step" }, {}])).toBeCloseTo(7);
    const dose = reps(4, { seconds: 1, kind: "step" }, { seconds: 1, kind: "step" });
    expect(metresOneWay({ dose, speed: 2 })).toBeCloseTo(5.8);
    // What a coach doses goes by the steps of the drill where it names none.
    expect(metresOneWay({ dose, speed: 2 }, reps(5, { seconds: 2 }))).toBeCloseTo(7);
  });
  it("of a run is the way out at its speed, however often it is run", () => {
    const dose = reps(3, { seconds: 5 }, { seconds: 7 });
    expect(metresOneWay({ dose, gait: true, speed: 3 })).toBeCloseTo(26);
    expect(metresOneWay({ dose, gait: true, speed: 2 })).toBeCloseTo(12);
    expect(metresOneWay({ dose: reps(6, { seconds: 5 }), gait: true, speed: 3 })).toBeCloseTo(26);
  });
  it("for a time is as far as people get before they turn", () => {
    const dose = { kind: "time", seconds: 60 } as const;
    expect(metresOneWay({ dose, speed: 1 })).toBeCloseTo(5.8);
    expect(metresOneWay({ dose, speed: 2 })).toBeCloseTo(9.8);
    expect(metresOneWay({ dose })).toBeCloseTo(9.8);
  });
});

describe("the room a level takes", () => {
  it("is that of its drawing, with air round it, in half metres", () => {
    const lying = roomOf(drill("long-exhale"), "standard")!;
    expect(lying.length).toBeGreaterThanOrEqual(2);
    expect(lying.width).toBeLessThan(lying.length);
    const standing = roomOf(drill("look-over-each-shoulder"), "standard")!;
    expect(standing.length).toBeLessThan(lying.length);
    for (const { length, width } of [lying, standing]) expect([(length * 2) % 1, (width * 2) % 1]).toEqual([0, 0]);
    // Arms and legs out to the sides take more than a head that turns.
    expect(roomOf(drill("step-out-jacks"), "standard")!.width).toBeGreaterThan(standing.width);
  });
  it("of a pair is that of both", () => {
    const pair = drill("pair-towel-row");
    const { second: _, ...alone } = pair.motions!.standard;
    const single = { ...pair, motions: { standard: alone } };
    expect(roomOf(pair, "standard")!.length).toBeGreaterThan(roomOf(single, "standard")!.length);
    expect(roomWords(pair, "standard")).toMatch(/ m for a pair\.$/);
    // Where only one is drawn, nobody knows how much two take.
    expect(roomWords(single, "standard")).toMatch(/ m\.$/);
  });
  it("of what travels is as long as its way", () => {
    expect(roomOf(drill("build-up-runs"), "standard")).toMatchObject({ length: 26, travels: true });
    expect(roomWords(drill("squat-walk"), "standard")).toMatch(/^Room: 6 m each way, /);
  });
  it("is not known of what is not drawn", () => {
    expect(roomOf(madeDrill("undrawn"), "standard")).toBeUndefined();
    expect(roomWords(madeDrill("undrawn"), "standard")).toBeUndefined();
  });
});

it("says where a level is not to be done", () => {
  expect(groundWords(drill("cat-camel"), "standard")).toBe("Not on wet grass, on hard ground or on a dock or deck.");
  expect(groundWords(drill("squat-free"), "standard")).toBeUndefined();
});
