import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { ARCS } from "./arcs";
import { arcChangesSchema, arcFaults, arcsWith, arcWith, withPhase, type ArcChanges } from "./own";
import { arcSchema, type Phase } from "./schema";
import { audit, auditInput } from "~/core/audit/audit";
import { draft } from "~/core/draft/draft";
import { readRequest } from "~/core/draft/request";
import { PURPOSES } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { KNOWN } from "~/fixtures/requests";
import { DRILLS, drillById } from "~/library";
import { openSolver } from "~/solver/highs";

const NONE: ArcChanges = { phases: {} };

describe("an arc of a club’s own", () => {
  it("is Mapset’s where nothing is changed, and stays an arc whatever is", () => {
    for (const purpose of PURPOSES) {
      expect(arcWith(purpose, undefined)).toBe(ARCS[purpose]);
      expect(arcWith(purpose, NONE)).toEqual(ARCS[purpose]);
      expect(arcFaults(purpose, NONE)).toEqual([]);
    }
    const number = fc.integer({ min: 5, max: 100 });
    fc.assert(
      fc.property(fc.constantFrom(...PURPOSES), fc.nat(7), number, number, number, (purpose, at, a, b, c) => {
        const phase = ARCS[purpose].phases[at % ARCS[purpose].phases.length]!;
        const changes = withPhase(purpose, NONE, phase.id, {
          share: { least: Math.min(a, b), most: Math.max(a, b) },
          seconds: c,
          effort: (c % phase.effort) + 1,
          ...(phase.holds && { holds: { least: 5, usual: Math.min(a, b), most: Math.max(a, b) } }),
        });
        expect(arcChangesSchema.parse(changes)).toEqual(changes);
        expect(arcSchema.parse(arcWith(purpose, changes))).toEqual(arcWith(purpose, changes));
      }),
    );
  });
  it("forgets a change that is none any more, and phases that are not there", () => {
    const { seconds } = ARCS["off-day"].phases[0]!;
    const once = withPhase("off-day", NONE, "settle-in", { seconds: seconds + 5 });
    expect(once.phases["settle-in"]).toEqual({ seconds: seconds + 5 });
    expect(withPhase("off-day", once, "settle-in", { seconds })).toEqual(NONE);
    expect(withPhase("off-day", NONE, "siesta", { seconds: 9 })).toBe(NONE);
    expect(arcWith("off-day", { phases: { siesta: { seconds: 9 } } })).toEqual(ARCS["off-day"]);
  });
  it("lets nobody hold where nothing is held, and leaves what protects people alone", () => {
    const arc = arcWith("before-game", { phases: { raise: { holds: { least: 30, usual: 30, most: 60 }, effort: 3 } } });
    const raise = arc.phases[0]!;
    expect(raise.holds).toBeUndefined();
    expect({ ...raise, effort: 4 }).toEqual(ARCS["before-game"].phases[0]);
  });
  it("makes nothing harder than Mapset has it, nor holds longer before power, nor warms up for less: it is said, and it is not done", () => {
    const [raise, move] = ARCS["before-game"].phases as [Phase, Phase];
    const long = { least: 10, usual: 20, most: 60 };
    const changes = {
      phases: { raise: { seconds: raise.seconds - 1, effort: raise.effort + 1 }, move: { effort: 10, holds: long } },
    };
    expect(arcFaults("before-game", changes).map(({ path }) => path)).toEqual([
      "phases.raise.effort",
      "phases.raise.seconds",
      "phases.move.effort",
      "phases.move.holds",
    ]);
    const [one, two] = arcWith("before-game", changes).phases as [Phase, Phase];
    expect(one).toEqual(raise);
    expect(two.effort).toBe(move.effort);
    expect(two.holds!.most).toBe(30);
    // The limits themselves are fine, and after training holds may be longer.
    expect(
      arcFaults("before-game", {
        phases: { raise: { seconds: raise.seconds }, move: { holds: { ...long, most: 30 } } },
      }),
    ).toEqual([]);
    expect(arcFaults("after-training", { phases: { hold: { holds: { least: 30, usual: 60, most: 120 } } } })).toEqual(
      [],
    );
  });
  it("says what no session could follow", () => {
    const share = (least: number, most: number) => ({ share: { least, most } });
    expect(arcFaults("after-training", { phases: { hold: share(80, 70) } }).map(({ path }) => path)).toContain(
      "phases.hold.share",
    );
    expect(arcFaults("after-training", { phases: { hold: share(80, 90) } })[0]!.message).toBe(
      "the least shares come to 105 %: there is no room for all of it",
    );
    expect(arcFaults("after-training", { phases: { hold: share(20, 30) } })[0]!.message).toBe(
      "the most shares come to 75 %: part of the time would be nothing’s",
    );
    expect(
      arcFaults("after-training", { phases: { hold: { holds: { least: 30, usual: 20, most: 60 } } } }).map(
        ({ path }) => path,
      ),
    ).toEqual(["phases.hold.holds"]);
  });
  it("is what drafts are made by, and what they are looked over by", async () => {
    const solve = await openSolver();
    const share = (least: number, most: number) => ({ share: { least, most } });
    const own = { "after-training": { phases: { ease: share(35, 45), hold: share(35, 55) } } };
    expect(arcFaults("after-training", own["after-training"])).toEqual([]);
    const arcs = arcsWith(own);
    const read = readRequest(
      { purpose: "after-training", target: 900, demand: "rowing", drafts: 1 },
      { ...KNOWN, arcs },
    );
    if (!read.ok) throw new Error(JSON.stringify(read.faults));
    const answer = draft(read.value, DRILLS, solve);
    if (answer.kind !== "drafts") throw new Error(JSON.stringify(answer));
    const { session } = answer.drafts[0]!;
    const ease = compile(session, drillById).segments.reduce(
      (sum, segment) => (session.blocks[segment.block]!.phase === "ease" ? sum + segment.seconds : sum),
      0,
    );
    // By Mapset's own arc it takes a quarter at most, and three points.
    expect(ease).toBeGreaterThanOrEqual(0.32 * 900 - 1e-6);
    const found = (arc = arcs["after-training"]) =>
      audit(auditInput(session, drillById, { demand: read.value.demand, offered: DRILLS, arc })).filter(
        ({ rule, severity }) => rule === "phases" && severity === "warn",
      );
    expect(found()).toEqual([]);
    expect(found(ARCS["after-training"]).length).toBeGreaterThan(0);
  });
});
