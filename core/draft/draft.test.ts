import { servedSeconds } from "~/core/arc/arcs";
import { needsOf } from "~/core/drills/form";
import { beforeAll, describe, expect, it } from "vitest";
import { candidatesOf } from "./candidates";
import { draft, SHORT_AT_MOST, type Draft } from "./draft";
import { AT_HAND, lastApart, readRequest, type DraftRequest } from "./request";
import { stepOf, stepRank } from "./sequencing";
import { swapsFor } from "./swap";
import { otherThan } from "./words";
import { asked, KNOWN as known } from "~/fixtures/requests";
import { ARCS, phasesAt } from "~/core/arc/arcs";
import { audit, auditInput } from "~/core/audit/audit";
import { coverageOf } from "~/core/coverage/coverage";
import { fitOf } from "~/core/sport-profiles/fit";
import type { Solve } from "~/core/fit/program";
import { readSession } from "~/core/session/read";
import type { SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { doseSeconds } from "~/core/dose/dose";
import { DRILLS, drillById } from "~/library";
import { SEQUENCINGS } from "~/library/sequencings";
import { openSolver } from "~/solver/highs";

let solve: Solve;
beforeAll(async () => {
  solve = await openSolver();
});

function made(request: DraftRequest): Draft[] {
  const answer = draft(request, DRILLS, solve);
  if (answer.kind !== "drafts") throw new Error(JSON.stringify(answer));
  return answer.drafts;
}
/** The usual request's drafts, made once for all that look at them. */
let usual: Draft[] | undefined;
const usualDrafts = () => (usual ??= made(asked()));
const drillsIn = ({ session }: Draft) => [
  ...new Set(session.blocks.flatMap((block) => block.items.map((item) => item.drill))),
];
/** Drills of the phases that serve motions, which drafts are told apart by. */
const servedIn = ({ session }: Draft) =>
  session.blocks
    .filter(({ phase }) => {
      const found = ARCS[session.purpose].phases.find(({ id }) => id === phase);
      return found?.serves && !found.needed;
    })
    .flatMap((block) => block.items.map((item) => item.drill));
const found = ({ session }: Draft, request: DraftRequest) =>
  audit(auditInput(session, drillById, { demand: request.demand, group: request.group, offered: DRILLS }));
const CLASS = {
  name: "Class",
  people: [{ name: "Moss", areas: ["kneeling"] }, { name: "Tern", areas: ["wrist-weight", "floor"] }, { name: "Pip" }],
  setting: { kit: { pad: 3, support: 3, wall: 1 }, effortCap: 60, holdCap: 40, areas: ["neck"] },
};

describe("a draft for a group that did something last", () => {
  const again = (one: Draft, drills: readonly string[]) => drillsIn(one).filter((id) => drills.includes(id)).length;
  it("has at most half of it again where that is asked, in every draft, is never above its own bound, and says what it is without the asking", () => {
    const before = made(asked({ target: 720, drafts: 2 })).map((one, k) => ({
      title: `Last ${k}`,
      drills: drillsIn(one),
    }));
    const group = { name: "Squad", people: [{ name: "Pip" }], lately: before };
    const [free] = made(asked({ target: 720, drafts: 1, group }));
    expect(again(free!, before[0]!.drills)).toBe(before[0]!.drills.length);
    expect(otherThan(free!.session, before[0]!.drills).other).toBe(0);
    for (const differ of [1, 2]) {
      const drafts = made(asked({ target: 720, drafts: 2, group, differ }));
      for (const one of drafts) {
        for (const { drills } of before.slice(0, differ))
          expect(again(one, drills)).toBeLessThanOrEqual(Math.floor(drills.length / 2));
        expect(one.fit).toBeLessThanOrEqual(one.bound + 1e-6);
        expect(one.gap).toBeLessThanOrEqual(0.2);
      }
      // What is offered instead of a drill keeps to it.
      const [first] = drafts;
      const swaps = first!.session.blocks.flatMap((block, b) =>
        block.items.flatMap((_, item) =>
          swapsFor(first!.session, { block: b, item }, asked({ target: 720, group, differ }), DRILLS),
        ),
      );
      expect(swaps.length).toBeGreaterThan(3);
      for (const { drills } of before.slice(0, differ))
        expect(
          swaps.every(({ session }) => again({ ...first!, session }, drills) <= Math.floor(drills.length / 2)),
        ).toBe(true);
      // A rule more never makes a better session possible.
      expect(drafts[0]!.bound).toBeLessThanOrEqual(free!.bound + 1e-6);
      expect(otherThan(drafts[0]!.session, before[0]!.drills)).toEqual({
        other: drillsIn(drafts[0]!).length - again(drafts[0]!, before[0]!.drills),
        of: drillsIn(drafts[0]!).length,
      });
    }
  });
  it("names the asking where it is in the way, and counts no must-haves among what comes again", () => {
    const free = made(asked({ target: 420, drafts: 1 }))[0]!;
    const used = drillsIn(free);
    const only = DRILLS.filter((drill) => used.includes(drill.id));
    const group = { name: "Squad", people: [], lately: [{ title: "Last", drills: used }] };
    const answer = draft(asked({ target: 420, drafts: 1, differ: 1, group }), only, solve);
    if (answer.kind === "impossible") expect(answer.relax.map(({ limit }) => limit)).toContain("differ");
    else if (answer.kind === "drafts")
      expect(again(answer.drafts[0]!, used)).toBeLessThanOrEqual(Math.floor(used.length / 2));
    // Of five drills two may come again: too few for four phases.
    const five = used.slice(0, 5);
    const few = draft(
      asked({ target: 420, drafts: 1, differ: 1, group: { ...group, lately: [{ title: "Last", drills: five }] } }),
      DRILLS.filter((drill) => five.includes(drill.id)),
      solve,
    );
    expect(few.kind).toBe("impossible");
    expect(draft(asked({ target: 420, drafts: 1, differ: 1, group, must: used }), only, solve).kind).toBe("drafts");
  });
  it("asks for nothing where nothing was handed out", () => {
    expect(lastApart(asked({ differ: 3 }))).toEqual([]);
    expect(
      lastApart(
        asked({
          differ: 2,
          must: ["bridge"],
          group: {
            name: "Squad",
            people: [],
            lately: [{ title: "Last", drills: ["bridge", "cat-camel", "open-book"] }],
          },
        }),
      ),
    ).toEqual([{ drills: new Set(["cat-camel", "open-book"]), most: 1 }]);
  });
});

describe("a draft", () => {
  it.each([
    ["for a squad with nothing said", {}],
    [
      "for a class that protects areas, with little kit and caps",
      { group: CLASS, purpose: "off-day", demand: "desk-work", target: 720, school: "release-mobilise-load" },
    ],
    ["long, after training", { purpose: "after-training", demand: "football", target: 1500, school: "plane-by-plane" }],
    [
      "before a game, with nothing at hand",
      {
        purpose: "before-game",
        demand: "handball",
        target: 480,
        group: { name: "Squad", people: [], setting: { kit: {}, surface: "hall floor" } },
      },
    ],
  ])("%s keeps every limit, its arc and its time, and is as good as it says", (_, more) => {
    const request = asked(more);
    const drafts = made(request);
    expect(drafts.length).toBeGreaterThanOrEqual(2);
    for (const one of drafts) {
      const again = readSession(JSON.parse(JSON.stringify(one.session)), drillById);
      expect(again.ok).toBe(true);
      const timeline = compile(one.session, drillById);
      expect(timeline.totalSeconds).toBe(one.seconds);
      expect(one.seconds).toBeLessThanOrEqual(request.target + 1e-6);
      expect(one.seconds).toBeGreaterThanOrEqual(request.target - SHORT_AT_MOST - 1e-6);
      expect(one.fit).toBeCloseTo(
        fitOf(
          coverageOf(one.session, timeline, drillById),
          request.demand,
          servedSeconds(request.purpose, request.target),
        ),
        9,
      );
      expect(one.fit).toBeLessThanOrEqual(one.bound + 1e-6);
      expect(
        found(one, request)
          .filter(({ severity }) => severity === "stop")
          .map(({ message }) => message),
      ).toEqual([]);
      const phases = one.session.blocks.map(({ phase }) => phase);
      const order = phasesAt(ARCS[request.purpose], request.target).map(({ id }) => id);
      expect([...new Set(phases)]).toEqual(order);
      const all = one.session.blocks.flatMap((block) => block.items.map((item) => item.drill));
      expect(new Set(all).size).toBe(all.length);
    }
    // The first is one that is looked over without a warning.
    expect(
      found(drafts[0]!, request)
        .filter(({ severity }) => severity !== "hint")
        .map(({ message }) => message),
    ).toEqual([]);
  });
  it("follows its school in what the school orders, and takes the nearest where one does not suit", () => {
    const request = asked({ target: 1200, school: "plane-by-plane", purpose: "off-day", demand: "general", drafts: 1 });
    const [one] = made(request);
    const wrong = one!.session.blocks
      .filter(({ phase }) => phase === "move" || phase === "lengthen")
      .flatMap((block) => block.items.map((item) => ({ item, phase: block.phase })))
      .map(({ item, phase }) => ({
        phase,
        rank: stepRank(
          stepOf(request.school, {
            drill: drillById(item.drill)!,
            level: drillById(item.drill)!.levels[item.level],
            name: item.level,
          })!,
        ),
      }))
      .filter(({ phase, rank }, i, all) => i > 0 && all[i - 1]!.phase === phase && all[i - 1]!.rank > rank);
    expect(wrong.length).toBeLessThanOrEqual(1);
    const down = draft(asked({ school: "standing-down", target: 600, drafts: 1 }), DRILLS, solve);
    expect(down.kind === "drafts" && down.notes[0]).toMatch(/gives way to/);
  });
  it("ends on purpose: the sport, the lift, slow breath, on the feet", () => {
    const last = (more: object) => {
      const [one] = made(asked({ drafts: 1, target: 600, ...more }));
      const item = one!.session.blocks.at(-1)!.items.at(-1)!;
      return { item, drill: drillById(item.drill)!, session: one!.session };
    };
    expect(last({ purpose: "before-game", demand: "handball" }).drill.rehearses).toEqual(
      expect.arrayContaining([expect.stringMatching(/throw|run|jump|land|cut/)]),
    );
    const lift = last({ purpose: "before-lifting", demand: "lifting", lift: "hinge" });
    expect(lift.drill.rehearses).toContain("hinge");
    const sets = lift.session.blocks.at(-1)!.items.map(({ dose }) => (dose.kind === "reps" ? dose.count : 0));
    expect(sets).toEqual([...sets].sort((a, b) => b - a));
    const calm = last({ purpose: "after-training", demand: "handball" });
    expect(calm.drill.levels[calm.item.level].main[0]).toBe("ribs.breath");
    expect(doseSeconds(calm.item.dose, calm.session.pace)).toBeGreaterThanOrEqual(60);
    const desk = last({ purpose: "desk-break", demand: "desk-work" });
    expect(desk.drill.levels[desk.item.level].endPosture).toMatch(/standing|walking|split-stance/);
  });
  it("gives children shorter holds, not none; a limit that is let go of lets in what it kept out", () => {
    const of = (setting: object, without?: "caps") =>
      candidatesOf(
        asked({ purpose: "after-training", target: 900, group: { name: "G", people: [], setting } }),
        DRILLS,
        without,
      ).candidates.filter((c) => c.phase.id === "hold" && c.drill.method === "hold");
    const longest = (all: ReturnType<typeof of>) =>
      Math.max(...all.flatMap(({ options }) => options.map(({ dose }) => doseSeconds(dose, { breath: 6 }))));
    const young = of({ who: "to-12" });
    expect(young.length).toBeGreaterThan(3);
    expect(longest(young)).toBeLessThanOrEqual(20);
    expect(longest(of({ holdCap: 30 }))).toBeLessThanOrEqual(30);
    expect(longest(of({ holdCap: 30 }, "caps"))).toBeGreaterThan(30);
  });
  it("has effort ramps only where they are allowed", () => {
    const efforts = (more: object) =>
      candidatesOf(asked({ purpose: "off-day", demand: "handball", target: 900, ...more }), DRILLS).candidates.filter(
        (c) => c.drill.method === "effort",
      ).length;
    expect(efforts({})).toBe(0);
    expect(efforts({ preferred: ["effort"] })).toBeGreaterThan(3);
    expect(efforts({ group: { name: "G", people: [], setting: { effortCap: 100 } } })).toBeGreaterThan(3);
  });
  it("takes to a desk break only what any room has, while no kit is said, but what it must have", () => {
    const desk = made(asked({ target: 420, purpose: "desk-break", demand: "desk-work", drafts: 1 }))[0]!;
    const kit = (one: { session: SessionPlan }) =>
      one.session.blocks.flatMap((block) =>
        block.items.flatMap(({ drill, level }) => needsOf(drillById(drill)!.levels[level])),
      );
    expect(kit(desk).filter((piece) => !AT_HAND["desk-break"]!.includes(piece))).toEqual([]);
    const must = made(
      asked({ target: 420, purpose: "desk-break", demand: "desk-work", must: ["stick-behind-lift"], drafts: 1 }),
    )[0]!;
    expect(kit(must)).toContain("stick");
  });
  it("holds a locked drill at its level and dose", () => {
    const locked = [{ drill: "cat-camel", level: "easier", dose: { kind: "time", seconds: 45 } }];
    const [one] = made(asked({ locked, drafts: 1 }));
    const item = one!.session.blocks.flatMap((block) => block.items).find((i) => i.drill === "cat-camel")!;
    expect(item).toMatchObject({ level: "easier", dose: { kind: "time", seconds: 45 } });
    expect(one!.reasons.flat().some((reason) => reason.why === "You locked it.")).toBe(true);
  });
  it("differs from the others in half or more of what moves the joints", () => {
    const all = usualDrafts().map(servedIn);
    expect(all.length).toBeGreaterThan(1);
    const shared = (a: string[], b: string[]) => a.filter((id) => b.includes(id)).length;
    all.forEach((one, k) =>
      all.slice(k + 1).forEach((other) => expect(shared(one, other)).toBeLessThanOrEqual(one.length / 2)),
    );
  });
  it("is the same each time", () => expect(made(asked())).toEqual(usualDrafts()));
  it("has what it must have, and nothing of what it must not", () => {
    const [plain] = usualDrafts();
    const never = servedIn(plain!)[0]!;
    const must = DRILLS.find((d) => !drillsIn(plain!).includes(d.id) && d.method === "circles")!.id;
    const methods = ["dynamic", "circles", "activation", "hold", "flow"] as const;
    const [changed] = made(asked({ drafts: 1, never: [never], must: [must], methods }));
    expect(drillsIn(changed!)).toContain(must);
    expect(drillsIn(changed!)).not.toContain(never);
    for (const id of servedIn(changed!)) expect(methods).toContain(drillById(id)!.method);
  });
  it("says which limit to relax when nothing fits, and what that would give", () => {
    const answer = draft(
      asked({
        target: 420,
        must: ["hamstring-hold"],
        group: { name: "No kit", people: [{ name: "Moss" }], setting: { kit: {}, areas: ["hamstring-stretch"] } },
      }),
      DRILLS,
      solve,
    );
    if (answer.kind !== "impossible") throw new Error(answer.kind);
    expect(answer.relax.map((one) => one.limit)).toContain("must");
    for (const { fit } of answer.relax) expect(fit).toBeGreaterThan(0);
  });
  it("tells how far it is", () => {
    const told: number[] = [];
    draft(asked({ drafts: 1 }), DRILLS, solve, (share) => told.push(share));
    expect(told.at(-1)).toBe(1);
    expect([...told].sort((a, b) => a - b)).toEqual(told);
  });
});

describe("a request", () => {
  const faults = (value: unknown) => {
    const read = readRequest(value, known);
    return read.ok ? [] : read.faults.map((f) => f.path);
  };
  it("may pick rows by hand", () => {
    const request = asked({ demand: { rows: { "hip.ir": 3, "th.rot": 1 } } });
    expect(request.demand.rows["hip.ir"]?.weight).toBe(3);
  });
  it("is refused with the path of every fault", () => {
    expect(faults({ target: 60, purpose: "party", demand: "rowing", extra: 1 })).toEqual(
      expect.arrayContaining(["target", "purpose"]),
    );
    expect(faults({ target: 600, purpose: "off-day", demand: { rows: {} } })).toEqual(["demand"]);
    expect(faults({ target: 600, purpose: "off-day", demand: "chess", school: "none", never: ["x"] })).toEqual([
      "demand",
      "school",
      "never[0]",
    ]);
    expect(
      faults({ target: 600, purpose: "off-day", demand: "rowing", must: ["cat-camel"], never: ["cat-camel"] }),
    ).toEqual(["must[0]"]);
    for (const hostile of [null, [], "x", { target: NaN }, { target: 1e308 }])
      expect(faults(hostile).length).toBeGreaterThan(0);
  });
});

describe("the order schools", () => {
  it("take every drill at every level", () => {
    for (const school of SEQUENCINGS)
      for (const drill of DRILLS)
        expect(
          stepOf(school, { drill, level: drill.levels.standard, name: "standard" }),
          `${school.id} ${drill.id}`,
        ).toBeDefined();
  });
});
