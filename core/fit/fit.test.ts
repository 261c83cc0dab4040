import fc from "fast-check";
import { beforeAll, describe, expect, it } from "vitest";
import { fitToTime, UNDER_AT_MOST, type FitAnswer } from "./fit-to-time";
import { fitWithRoom } from "./make-room";
import type { Program, Solve } from "./program";
import { amountOf, withAmount } from "~/core/dose/amount";
import { editItem } from "~/core/session/edits";
import { readSession } from "~/core/session/read";
import type { Item, SessionPlan } from "~/core/session/schema";
import { itemOf } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { DRILLS, drillById } from "~/library";
import { SPORT_PROFILES, profileById } from "~/library/sport-profiles";
import { amounts, bestOfEveryWay, waysOf } from "~/library/every-way";
import { openSolver } from "~/solver/highs";

let solve: Solve;
beforeAll(async () => {
  solve = await openSolver();
});

function session(items: object[], more: object = {}): SessionPlan {
  const read = readSession(
    {
      format: "mapset/session",
      version: 2,
      title: "Before the boat",
      purpose: "before-training",
      blocks: [{ title: "b", items, ...more }],
    },
    drillById,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}
const usual = (id: string, more: Partial<Item> = {}) => ({ ...itemOf(drillById(id)!), ...more });
const nothing = new Set<string>();
const fitted = (answer: FitAnswer) => {
  if (answer.kind !== "fitted") throw new Error(JSON.stringify(answer));
  return answer;
};

describe("fit to time", () => {
  it("comes out at the second, inside bounds, and says what changed", () => {
    const s = session([usual("cat-camel"), usual("hip-flexor-hold"), usual("open-book"), usual("squat-free")]);
    const now = compile(s, drillById).totalSeconds;
    const answer = fitted(fitToTime({ session: s, target: now + 60, locked: nothing }, drillById, solve));
    expect(answer.seconds).toBe(now + 60);
    expect(compile(answer.session, drillById).totalSeconds).toBe(now + 60);
    expect(answer.session.target).toBe(now + 60);
    expect(answer.changes.length).toBeGreaterThan(0);
    for (const { place, before, after } of answer.changes) {
      expect(s.blocks[place.block]!.items[place.item]!.dose).toEqual(before);
      expect(answer.session.blocks[place.block]!.items[place.item]!.dose).toEqual(after);
    }
  });
  it("leaves a session that already lasts as long as it is, and locked drills in any case", () => {
    const s = session([usual("cat-camel"), usual("hip-flexor-hold"), usual("open-book")]);
    const now = compile(s, drillById).totalSeconds;
    expect(
      fitted(
        fitToTime(
          { session: s, target: now, demand: profileById("rowing"), locked: new Set(["0.0", "0.1", "0.2"]) },
          drillById,
          solve,
        ),
      ).changes,
    ).toEqual([]);
    const locked = fitted(fitToTime({ session: s, target: now - 20, locked: new Set(["0.1"]) }, drillById, solve));
    expect(locked.changes.some(({ place }) => place.item === 1)).toBe(false);
  });
  it("stays under by the beats where they do not come out even", () => {
    const s = session([
      {
        drill: "cat-camel",
        demo: 20,
        dose: {
          kind: "reps",
          count: 6,
          tempo: [
            { do: "round", seconds: 4 },
            { do: "arch", seconds: 4 },
          ],
        },
      },
    ]);
    const now = compile(s, drillById).totalSeconds;
    const answer = fitted(fitToTime({ session: s, target: now + 19, locked: nothing }, drillById, solve));
    expect(answer.seconds).toBe(now + 16);
    expect(fitToTime({ session: s, target: now + 15, locked: nothing }, drillById, solve)).toMatchObject({
      kind: "impossible",
    });
  });
  it("says how short and how long the drills can be when the target is out of reach", () => {
    const s = session([usual("cat-camel", { demo: 20 }), usual("hip-flexor-hold", { demo: 20 })]);
    for (const target of [10, 10_000]) {
      const answer = fitToTime({ session: s, target, locked: nothing }, drillById, solve);
      if (answer.kind !== "impossible") throw new Error(answer.kind);
      const ends = ["least", "most"].map((end) => {
        const changed = s.blocks[0]!.items.reduce(
          (sum, item, i) =>
            editItem(
              sum,
              { block: 0, item: i },
              {
                dose: withAmount(item.dose, end === "least" ? Math.min(...amounts(item)) : Math.max(...amounts(item))),
              },
            ),
          s,
        );
        return compile(changed, drillById).totalSeconds;
      });
      expect([answer.least, answer.most]).toEqual(ends);
    }
  });
  it("is the best of all ways on generated sessions, tried one by one", () => {
    // No drill twice: what is equal stays equal, which the ways tried here do not.
    const some = fc.uniqueArray(
      fc.record({ drill: fc.constantFrom(...DRILLS.map((d) => d.id)), sets: fc.integer({ min: 1, max: 2 }) }),
      { minLength: 2, maxLength: 4, selector: ({ drill }) => drill },
    );
    let cases = 0;
    fc.assert(
      fc.property(
        some,
        fc.constantFrom(...SPORT_PROFILES),
        fc.integer({ min: -60, max: 60 }),
        fc.integer({ min: 1, max: 2 }),
        fc.constantFrom("drill-by-drill", "whole-block"),
        (list, demand, by, rounds, sideOrder) => {
          const s = session(
            list.map(({ drill, sets }) => usual(drill, { sets })),
            { rounds, sideOrder },
          );
          fc.pre(waysOf(s) <= 2500);
          const target = Math.max(30, Math.round(compile(s, drillById).totalSeconds) + by);
          const best = bestOfEveryWay(s, target, demand);
          const answer = fitToTime({ session: s, target, demand, locked: nothing }, drillById, solve);
          if (best.near < 0) {
            // What no sensible step of a dose reaches, single seconds, showing or rounds can.
            expect(
              answer.kind === "impossible" ||
                (answer.kind === "fitted" &&
                  target - answer.seconds >= -1e-6 &&
                  target - answer.seconds <= UNDER_AT_MOST),
            ).toBe(true);
            return;
          }
          cases++;
          const { seconds, fit } = fitted(answer);
          if (best.exact < 0 && seconds === target) return; // Single seconds made it, which the ways tried here do not have.
          expect(seconds === target || best.exact < 0).toBe(true);
          expect(target - seconds).toBeLessThanOrEqual(UNDER_AT_MOST + 1e-6);
          expect(seconds).toBeLessThanOrEqual(target + 1e-6);
          // Within what decides among equals: a second of change weighs 0.00001.
          expect(fit!.after).toBeGreaterThan((best.exact >= 0 ? best.exact : best.near) - 0.003);
        },
      ),
      { numRuns: 60 },
    );
    expect(cases).toBeGreaterThanOrEqual(30);
  });
  it("is under the target by at most 5 s for long sessions, with everything inside its bounds", () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...DRILLS.map((d) => d.id)), { minLength: 12, maxLength: 25 }),
        fc.constantFrom(...SPORT_PROFILES),
        fc.double({ min: 0.8, max: 1.2, noNaN: true }),
        (list, demand, share) => {
          const s = session(list.map((id) => usual(id)));
          const target = Math.round(compile(s, drillById).totalSeconds * share);
          const answer = fitToTime({ session: s, target, demand, locked: nothing }, drillById, solve);
          if (answer.kind === "impossible") {
            expect(target < answer.least || target > answer.most - 6).toBe(true);
            return;
          }
          const { seconds, session: doc } = fitted(answer);
          expect(target - seconds).toBeGreaterThanOrEqual(-1e-6);
          expect(target - seconds).toBeLessThanOrEqual(UNDER_AT_MOST + 1e-6);
          for (const [i, item] of doc.blocks[0]!.items.entries()) {
            const { bounds, dose } = drillById(item.drill)!.levels.standard;
            const value = amountOf(item.dose).value;
            expect(
              amounts(s.blocks[0]!.items[i]!).includes(value) ||
                (dose.kind === "time" && Number.isInteger(value) && value >= bounds.least && value <= bounds.most),
            ).toBe(true);
          }
        },
      ),
      { numRuns: 20 },
    );
  });
});

describe("making room", () => {
  const long = () =>
    session(["cat-camel", "hip-flexor-hold", "open-book", "bridge", "ankle-rock", "squat-free"].map((id) => usual(id)));
  const shortest = (s: SessionPlan) => {
    const answer = fitToTime({ session: s, target: 1, locked: nothing }, drillById, solve);
    return answer.kind === "impossible" ? answer.least : 0;
  };
  it("takes out what costs the demand least, never the closing drill nor a locked one, and only when allowed", () => {
    const s = long();
    const target = Math.round(shortest(s) * 0.7);
    const by = { session: s, target, demand: profileById("rowing"), locked: new Set(["0.0"]) };
    expect(fitWithRoom(by, { drop: false, add: [] }, drillById, solve).kind).toBe("impossible");
    const answer = fitWithRoom(by, { drop: true, add: [] }, drillById, solve);
    if (answer.kind !== "fitted") throw new Error(answer.kind);
    expect(answer.dropped.length).toBeGreaterThan(0);
    expect(answer.seconds).toBeLessThanOrEqual(target);
    expect(target - answer.seconds).toBeLessThanOrEqual(UNDER_AT_MOST);
    const ids = answer.session.blocks[0]!.items.map((item) => item.drill);
    expect(ids[0]).toBe("cat-camel");
    expect(answer.session.blocks[0]!.items[0]!.dose).toEqual(s.blocks[0]!.items[0]!.dose);
    expect(ids.at(-1)).toBe("squat-free");
  });
  it("adds drills that the demand lacks when doses cannot fill the time, and only from those offered", () => {
    const s = session([usual("cat-camel"), usual("squat-free")]);
    const by = { session: s, target: 900, demand: profileById("rowing"), locked: nothing };
    expect(fitWithRoom(by, { drop: false, add: [] }, drillById, solve).kind).toBe("impossible");
    const answer = fitWithRoom(by, { drop: false, add: DRILLS }, drillById, solve);
    if (answer.kind !== "fitted") throw new Error(answer.kind);
    expect(answer.added.length).toBeGreaterThan(0);
    expect(900 - answer.seconds).toBeLessThanOrEqual(UNDER_AT_MOST);
    expect(answer.seconds).toBeLessThanOrEqual(900);
    expect(answer.fit!.after).toBeGreaterThan(answer.fit!.before);
    expect(answer.session.blocks.at(-1)!.items.at(-1)!.drill).toBe("squat-free");
  });
});

describe("a program and its solver", () => {
  const column = (name: string, most: number, whole = true) => ({ name, least: 0, most, whole });
  const knapsack: Program = {
    objective: [
      { column: "x", times: 2 },
      { column: "y", times: 4 },
      { column: "x", times: 1 },
    ],
    columns: [column("x", 4), column("y", 2), column("z", 1.5, false)],
    rows: [
      {
        name: "a",
        terms: [
          { column: "x", times: 1 },
          { column: "y", times: 2 },
          { column: "x", times: 1 },
        ],
        most: 7,
      },
      {
        name: "b",
        terms: [
          { column: "z", times: 2 },
          { column: "y", times: -1 },
        ],
        least: 0,
        most: 0,
      },
    ],
  };

  it("adds up terms of one column, in the objective and in a row, and keeps rows that say just how much", () => {
    const answer = solve(knapsack);
    expect(
      answer.kind === "optimal" && [...answer.values].map(([name, value]) => [name, Math.round(value * 1e6) / 1e6]),
    ).toEqual([
      ["x", 1],
      ["y", 2],
      ["z", 1],
    ]);
    expect(answer.kind === "optimal" && answer.bound).toBeCloseTo(11, 6);
  });

  it("is the same from whatever values it begins, also from some that break a row", () => {
    for (const [x, y] of [
      [0, 2],
      [3, 0],
      [4, 2],
    ] as const) {
      const answer = solve(knapsack, {
        start: new Map([
          ["x", x],
          ["y", y],
        ]),
      });
      expect(answer.kind === "optimal" && answer.bound).toBeCloseTo(11, 6);
    }
  });

  it("lets go of wholeness when asked, and says what one more would cost", () => {
    const answer = solve(knapsack, { relaxed: true });
    expect(answer.kind === "optimal" && answer.bound).toBeCloseTo(12.5, 6);
    expect(answer.kind === "optimal" && [...answer.costs!.keys()]).toEqual(["x", "y", "z"]);
  });

  it("says when nothing fits, and when a row names a column that is not there", () => {
    expect(
      solve({ ...knapsack, rows: [...knapsack.rows, { name: "c", terms: [{ column: "x", times: 1 }], least: 5 }] })
        .kind,
    ).toBe("infeasible");
    const wrong = solve({ ...knapsack, rows: [{ name: "c", terms: [{ column: "w", times: 1 }], most: 1 }] });
    expect(wrong.kind === "failed" && wrong.why).toContain("column w");
  });
});
