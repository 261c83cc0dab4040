import { describe, expect, it } from "vitest";
import { askedOf, forLift, liftOf } from "./lift";
import { swapsFor } from "~/core/draft/swap";
import { draft } from "~/core/draft/draft";
import { requestLike } from "~/core/draft/begin";
import { readRequest, withLift } from "~/core/draft/request";
import { fitToTime } from "~/core/fit/fit-to-time";
import { audit, auditInput } from "~/core/audit/audit";
import { weightOf } from "~/core/sport-profiles/fit";
import type { SessionPlan } from "~/core/session/schema";
import { itemOf } from "~/core/session/start";
import { LIFTS, type Lift } from "~/core/vocabulary/lifts";
import { DRILLS, drillById } from "~/library";
import { profileById } from "~/library/sport-profiles";
import { SEQUENCINGS, sequencingById } from "~/library/sequencings";
import { openSolver } from "~/solver/highs";

const solve = await openSolver();
const basketball = profileById("basketball")!;

const asked = (more: object) => {
  const read = readRequest(
    { target: 900, purpose: "before-lifting", demand: "basketball", drafts: 1, ...more },
    { demands: profileById, schools: sequencingById, drills: drillById },
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
};

function drafted(more: object): SessionPlan {
  const answer = draft(asked(more), DRILLS, solve);
  if (answer.kind !== "drafts") throw new Error(answer.kind);
  return answer.drafts[0]!.session;
}

/** Nobody can squat or hinge under load here; a press goes. */
const pressers = {
  name: "Careful",
  people: [{ name: "C", areas: ["knee-deep-bend"] }],
  setting: { kit: { pad: 1, wall: 1, support: 1 }, areas: ["low-back-bend", "knee-twist"], support: true },
};

describe("the lift of a session", () => {
  it.each(Object.keys(LIFTS) as Lift[])("is the one it was drafted for: the %s", (lift) => {
    const session = drafted({ lift });
    expect(liftOf(session, drillById)).toBe(lift);
    expect(liftOf({ ...session, purpose: "before-training" }, drillById)).toBeUndefined();
    // What is like it is for the same lift.
    expect(requestLike(session, drillById, SEQUENCINGS, { demand: "basketball" }).lift).toBe(lift);
  });

  it("is told by the bar where no part is written, and by nothing else", () => {
    const session = drafted({ lift: "squat" });
    const plain = (items: { drill: string }[]): SessionPlan => ({
      ...session,
      blocks: [
        {
          ...session.blocks[0]!,
          phase: undefined,
          items: items.map((one) => itemOf(drillById(one.drill)!)),
        },
      ],
    });
    const bar = DRILLS.find(
      ({ levels, rehearses }) => levels.standard.kit.includes("barbell") && rehearses?.includes("hinge"),
    )!;
    expect(liftOf(plain([{ drill: "squat-free" }]), drillById)).toBeUndefined();
    expect(liftOf(plain([{ drill: bar.id }]), drillById)).toBe("hinge");
  });
});

describe("what a profile asks of a session", () => {
  it("before a lift, is what that loads, and a quarter of all else; once, however often it is asked", () => {
    const press = drafted({ lift: "press" });
    const one = askedOf(press, basketball, drillById)!;
    expect(weightOf(one, "hip.flex")).toBeCloseTo(weightOf(basketball, "hip.flex") / 4, 9);
    expect(weightOf(one, "sh.flex")).toBe(weightOf(basketball, "sh.flex"));
    expect(askedOf(press, one, drillById)).toBe(one);
    expect(forLift(one, "squat")).toBe(one);
    expect(askedOf({ ...press, purpose: "before-game" }, basketball, drillById)).toBe(basketball);
    expect(askedOf(press, undefined, drillById)).toBeUndefined();
  });

  it("is what the draft was made for: nothing is found at the desk that wasn’t when it was drafted", () => {
    const session = drafted({ target: 1800, group: pressers });
    expect(liftOf(session, drillById)).toBe("press");
    const group = asked({ group: pressers }).group;
    const found = audit(auditInput(session, drillById, { demand: basketball, group, offered: DRILLS }));
    expect(found.filter(({ severity }) => severity !== "hint")).toEqual([]);
    expect(found.filter(({ rule }) => rule === "filler")).toEqual([]);
  });

  it("is what fitting to time goes by, too", () => {
    const session = drafted({ lift: "press" });
    const fitted = (demand: typeof basketball) => {
      const answer = fitToTime({ session, target: 840, demand, locked: new Set() }, drillById, solve);
      return answer.kind === "fitted" ? answer.fit : undefined;
    };
    expect(fitted(basketball)).toBeDefined();
    expect(fitted(basketball)).toEqual(fitted(forLift(basketball, "press")));
  });

  it("is what swaps are looked for by, where the lift came out another than the usual one", () => {
    const request = asked({ group: pressers });
    const session = drafted({ group: pressers });
    const place = { block: session.blocks.findIndex(({ phase }) => phase === "move"), item: 0 };
    const swaps = swapsFor(session, place, request, DRILLS);
    expect(request.lift).toBe("squat");
    expect(swaps.length).toBeGreaterThan(0);
    expect(swaps).toEqual(swapsFor(session, place, withLift(request, "press"), DRILLS));
  });
});
