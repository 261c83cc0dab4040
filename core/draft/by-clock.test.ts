import { beforeAll, describe, expect, it } from "vitest";
import { clockOf } from "./candidate";
import { candidatesOf } from "./candidates";
import { draft, SHORT_AT_MOST, type Draft } from "./draft";
import { readRequest, keptRequestSchema } from "./request";
import { withoutLimit } from "./relax";
import { ARCS } from "~/core/arc/arcs";
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
      const clocked = session.blocks.filter(({ phase }) => {
        const found = ARCS[session.purpose].phases.find(({ id }) => id === phase)!;
        return clockOf(asked(request), found) !== undefined;
      });
      expect(clocked.length).toBeGreaterThan(1);
      for (const block of session.blocks)
        expect(block.interval).toEqual(clocked.includes(block) ? request.interval : undefined);
      // Every change fits, with its showing.
      expect(gapsOf(session, segments).filter(({ takes, has }) => takes > has)).toEqual([]);
      expect(
        audit(auditInput(session, drillById, { offered: DRILLS })).filter(
          ({ severity, rule }) => severity === "stop" || rule.startsWith("interval"),
        ),
      ).toEqual([]);
      for (const block of clocked)
        for (const item of block.items) {
          const { bounds } = drillById(item.drill)!.levels[item.level];
          const { value } = amountOf(itemDone(block, item, drillById, session.pace).dose);
          expect(value).toBeGreaterThanOrEqual(bounds.least);
          expect(value).toBeLessThanOrEqual(bounds.most);
        }
    }
  });
  it.each([
    { target: 900, purpose: "before-game", demand: "handball", clockIn: ["raise", "build"] },
    { target: 600, purpose: "desk-break", demand: "desk-work", clockIn: ["brisk-end"] },
    { target: 1200, purpose: "off-day", demand: "running", clockIn: ["use-it"] },
  ])("in some parts only: $purpose, $clockIn", (request) => {
    const whole = asked({ ...request, interval: { work: 30, rest: 15 } });
    for (const { session } of drafts({ ...request, interval: { work: 30, rest: 15 } })) {
      const { segments, totalSeconds } = compile(session, drillById);
      expect(request.target - totalSeconds).toBeGreaterThanOrEqual(0);
      expect(request.target - totalSeconds).toBeLessThanOrEqual(SHORT_AT_MOST);
      for (const { phase, interval } of session.blocks)
        expect(interval, phase).toEqual(request.clockIn.includes(phase!) ? { work: 30, rest: 15 } : undefined);
      expect(session.blocks.filter(({ interval }) => interval).length).toBeGreaterThan(0);
      expect(gapsOf(session, segments).filter(({ takes, has }) => takes > has)).toEqual([]);
      expect(
        audit(auditInput(session, drillById, { demand: whole.demand, offered: DRILLS }))
          .filter(({ severity }) => severity !== "hint")
          .map(({ message }) => message),
      ).toEqual([]);
    }
  });
  it("names parts that can go by it, and no others", () => {
    const faults = (clockIn: string[]) => {
      const read = readRequest(
        { target: 600, purpose: "before-lifting", demand: "lifting", interval: { work: 30, rest: 15 }, clockIn },
        KNOWN,
      );
      return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`);
    };
    expect(faults(["raise", "switch-on"])).toEqual([]);
    expect(faults(["raise", "rehearse"])).toEqual(["clockIn[1]: there is no part “rehearse” that can go by the clock"]);
    expect(faults(["hold"])).toEqual(["clockIn[0]: there is no part “hold” that can go by the clock"]);
    expect(faults([])).toHaveLength(1);
  });
  it("leaves out what has times of its own, and long holds before power", () => {
    const of = (more: object) =>
      candidatesOf(asked({ interval: { work: 45, rest: 15 }, ...more }), DRILLS).candidates.filter(
        (c) => clockOf(asked({ interval: { work: 45, rest: 15 }, ...more }), c.phase) !== undefined,
      );
    const kinds = new Set(
      of({ methods: ["effort", "hold", "dynamic"], purpose: "off-day" }).flatMap((c) =>
        c.options.map(({ dose }) => dose.kind),
      ),
    );
    expect([...kinds].sort()).toEqual(["breaths", "reps", "time"]);
    expect(
      of({ purpose: "before-game" }).filter((c) => c.drill.method === "hold" && c.options[0]!.dose.kind === "time"),
    ).toEqual([]);
    expect(
      of({ purpose: "off-day" }).some((c) => c.drill.method === "hold" && c.options[0]!.dose.kind === "time"),
    ).toBe(true);
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
