import { describe, expect, it } from "vitest";
import { shareInLines, usesLanes } from "./lines";
import type { Group } from "./schema";
import { auditInput, audit } from "~/core/audit/audit";
import { itemOf, newSession } from "~/core/session/start";
import { drillById, DRILLS } from "~/library";
import { profileById } from "~/library/sport-profiles";

const squad = (people: number, lanes?: number): Group => ({
  name: "Squad",
  people: Array.from({ length: people }, (_, i) => ({ name: `P${i}`, areas: [] })),
  setting: lanes === undefined ? {} : { lanes },
});
const jog = drillById("jog-lanes")!;

const session = newSession({ title: "Jog", purpose: "before-training", target: 120 }, [
  {
    title: "b",
    rounds: 1,
    restBetweenRounds: 0,
    sideOrder: "drill-by-drill",
    items: [itemOf(jog), itemOf(drillById("squat-free")!)],
  },
]);

describe("lines", () => {
  it("are what travels stands in, not what is done in place, nor a walk", () => {
    expect(usesLanes(jog, "standard")).toBe(true);
    expect(usesLanes(drillById("walking-lunge-and-turn")!, "standard")).toBe(true);
    expect(usesLanes(drillById("marching-knee-drives")!, "standard")).toBe(false);
    expect(usesLanes(drillById("easy-walk")!, "standard")).toBe(false);
  });
  it("give everyone their part of the work: lanes by people, all of it where there are enough or nobody said", () => {
    expect(shareInLines(jog, "standard", squad(12, 6))).toBe(0.5);
    expect(shareInLines(jog, "standard", squad(12, 12))).toBe(1);
    expect(shareInLines(jog, "standard", squad(4, 12))).toBe(1);
    expect(shareInLines(jog, "standard", squad(12))).toBe(1);
    expect(shareInLines(jog, "standard", squad(0, 1))).toBe(1);
    expect(shareInLines(drillById("squat-free")!, "standard", squad(12, 6))).toBe(1);
  });
  it("count in what is worked by that part", () => {
    const of = (lanes?: number) => auditInput(session, drillById, { group: squad(12, lanes) }).coverage;
    const free = auditInput(
      { ...session, blocks: [{ ...session.blocks[0]!, items: [itemOf(drillById("squat-free")!)] }] },
      drillById,
    ).coverage["hip.flex"].counts;
    const jogged = of()["hip.flex"].counts - free;
    expect(jogged).toBeGreaterThan(0);
    expect(of(6)["hip.flex"].counts - free).toBeCloseTo(jogged / 2, 6);
  });
  it("in which everyone waits more than they work are found, and mended by something done in place", () => {
    const found = (people: number, lanes: number) =>
      audit(
        auditInput(session, drillById, {
          group: squad(people, lanes),
          demand: profileById("running"),
          offered: DRILLS,
        }),
      ).filter(({ rule }) => rule === "lines");
    expect(found(12, 6)).toEqual([]);
    const [one] = found(13, 6);
    expect(one!.message).toBe("On 6 lanes each of 13 people works less than half of Jog lanes.");
    const fix = one!.offer!()!;
    const { items } = fix.apply(session).blocks[0]!;
    expect(usesLanes(drillById(items[0]!.drill)!, items[0]!.level)).toBe(false);
  });
});
