import { beforeAll, describe, expect, it } from "vitest";
import { CLOSING, candidatesOf } from "./candidates";
import { draft, SHORT_AT_MOST, type Draft } from "./draft";
import { besides } from "./model";
import { readRequest, keptRequestSchema } from "./request";
import { withoutLimit } from "./relax";
import { audit, auditInput } from "~/core/audit/audit";
import type { Solve } from "~/core/fit/program";
import { amountOf } from "~/core/dose/amount";
import { readSession } from "~/core/session/read";
import { asked, KNOWN } from "~/fixtures/requests";
import { compile } from "~/core/timeline/compile";
import { gapsOf } from "~/core/timeline/gaps";
import { itemDone } from "~/core/session/interval";
import { DRILLS, drillById } from "~/library";
import { openSolver } from "~/solver/highs";

/*
 * Drafts that go by the clock: everything but the closing, every change inside the rest, and within the target length.
 */

let solve: Solve;
beforeAll(async () => {
  solve = await openSolver();
});

const drafts = (more: object): Draft[] => {
  const answer = draft(asked({ drafts: 2, ...more }), DRILLS, solve);
  if (answer.kind !== "drafts") throw new Error(JSON.stringify(answer));
  return answer.drafts;
};

describe("a draft by the clock", () => {
  const CASES = [
    { target: 600, purpose: "before-training", demand: "rowing", interval: { work: 30, rest: 15 } },
    { target: 900, purpose: "before-game", demand: "handball", interval: { work: 40, rest: 20 } },
    { target: 480, purpose: "desk-break", demand: "rowing", interval: { work: 20, rest: 10 } },
  ];
  it.each(CASES)("of $target s, $interval", (request) => {
    for (const { session, fit, bound } of drafts(request)) {
      expect(readSession(session, drillById).ok).toBe(true);
      const { segments, totalSeconds } = compile(session, drillById);
      expect(totalSeconds).toBeLessThanOrEqual(request.target);
      expect(totalSeconds).toBeGreaterThanOrEqual(request.target - SHORT_AT_MOST);
      expect(fit).toBeLessThanOrEqual(bound + 1e-9);
      const [clocked, closing, ...more] = session.blocks;
      expect([clocked!.interval, closing!.interval, more.length, closing!.items.length]).toEqual([
        request.interval,
        undefined,
        0,
        1,
      ]);
      // Every change fits, with its showing; what begins is shown in full.
      expect(gapsOf(session, segments).filter(({ takes, has }) => takes > has)).toEqual([]);
      expect(clocked!.items.map(({ demo }) => demo === undefined)).toEqual(clocked!.items.map((_, i) => i === 0));
      expect(
        audit(auditInput(session, drillById, { offered: DRILLS })).filter(
          ({ severity, rule }) => severity === "stop" || rule.startsWith("interval"),
        ),
      ).toEqual([]);
      for (const item of clocked!.items) {
        const { bounds } = drillById(item.drill)!.levels[item.level];
        const { value } = amountOf(itemDone(clocked!, item, drillById, session.pace).dose);
        expect(value).toBeGreaterThanOrEqual(bounds.least);
        expect(value).toBeLessThanOrEqual(bounds.most);
      }
    }
  });
  it("is reckoned with its first showing, and without the rest after its last drill", () => {
    expect(besides(asked({ interval: { work: 40, rest: 15 }, pace: { demo: 20 } }))).toBe(5);
    expect(besides(asked())).toBe(0);
  });
  it("leaves out what has times of its own, and long holds before power", () => {
    const of = (more: object) =>
      candidatesOf(asked({ interval: { work: 45, rest: 15 }, ...more }), DRILLS).candidates.filter(
        (c) => c.step !== CLOSING,
      );
    const kinds = new Set(
      of({ methods: ["effort", "hold", "dynamic"], purpose: "off-day" }).flatMap((c) =>
        c.doses.map((dose) => dose.kind),
      ),
    );
    expect([...kinds].sort()).toEqual(["breaths", "reps", "time"]);
    expect(
      of({ purpose: "before-game" }).filter((c) => c.drill.method === "hold" && c.doses[0]!.kind === "time"),
    ).toEqual([]);
    expect(of({ purpose: "off-day" }).some((c) => c.drill.method === "hold" && c.doses[0]!.kind === "time")).toBe(true);
    expect(
      candidatesOf(asked({ interval: { work: 45, rest: 15 } }), DRILLS).kept.get("interval")!.length,
    ).toBeGreaterThan(0);
    expect(candidatesOf(asked(), DRILLS).kept.get("interval")).toBeUndefined();
  });
  it("says that the clock stands in the way where it does", () => {
    // Ten minutes of work at a time leave no room for two of them.
    const answer = draft(asked({ target: 600, interval: { work: 580, rest: 10 } }), DRILLS, solve);
    expect(answer.kind === "impossible" && answer.relax.map(({ limit }) => limit)).toContain("interval");
    const kept = keptRequestSchema.parse({
      target: 600,
      purpose: "off-day",
      demand: "rowing",
      interval: { work: 580, rest: 10 },
    });
    expect(withoutLimit(kept, "interval", undefined).interval).toBeUndefined();
  });
  it("is asked for inside the bounds of the format", () => {
    const faults = (interval: object) => {
      const read = readRequest(
        { target: 600, purpose: "off-day", demand: "rowing", school: "standing-down", interval },
        KNOWN,
      );
      return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`);
    };
    expect(faults({ work: 4, rest: 10 })).toEqual(["interval.work: must be at least 5"]);
    expect(faults({ work: 30 })).toEqual(["interval.rest: is missing"]);
    expect(faults({ work: 30, rest: 0 })).toEqual([]);
  });
});
