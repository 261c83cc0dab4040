import fc from "fast-check";
import { beforeAll, describe, expect, it } from "vitest";
import { ARCS } from "~/core/arc/arcs";
import { endsOf, fitToTime, UNDER_AT_MOST } from "./fit-to-time";
import { equalPlaces } from "~/core/levers/levers";
import { fitWithRoom } from "./make-room";
import type { Solve } from "./program";
import { roundsBetween } from "~/core/levers/rounds";
import { audit, auditInput, keyOf } from "~/core/audit/audit";
import { groupSchema } from "~/core/group/schema";
import { readSession } from "~/core/session/read";
import type { Item, SessionPlan } from "~/core/session/schema";
import { itemOf } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { placeKey } from "~/core/timeline/totals";
import { DRILLS, drillById } from "~/library";
import { profileById } from "~/library/sport-profiles";
import { openSolver } from "~/solver/highs";

let solve: Solve;
beforeAll(async () => {
  solve = await openSolver();
});

const usual = (id: string, more: Partial<Item> = {}) => ({ ...itemOf(drillById(id)!), ...more });
function session(
  blocks: { items: object[]; rounds?: number; restBetweenRounds?: number }[],
  pace: object = {},
): SessionPlan {
  const read = readSession(
    {
      format: "mapset/session",
      version: 2,
      title: "A",
      purpose: "before-training",
      pace,
      blocks: blocks.map((block) => ({ title: "b", ...block })),
    },
    drillById,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}
const fitted = (s: SessionPlan, by: number, locked: string[] = []) => {
  const answer = fitToTime(
    { session: s, target: compile(s, drillById).totalSeconds + by, locked: new Set(locked) },
    drillById,
    solve,
  );
  if (answer.kind !== "fitted") throw new Error(JSON.stringify(answer));
  return answer;
};
const doses = (s: SessionPlan) => s.blocks.flatMap((block) => block.items.map((item) => item.dose));

describe("what gives way first", () => {
  const rested = () =>
    session([
      {
        items: [
          usual("cat-camel", { restAfter: 20 }),
          usual("hip-flexor-hold", { restAfter: 20 }),
          usual("squat-free"),
        ],
        rounds: 3,
        restBetweenRounds: 30,
      },
    ]);
  it("is rests and the time to watch, before any dose", () => {
    const s = rested();
    const answer = fitted(s, -30);
    expect(doses(answer.session)).toEqual(doses(s));
    expect(answer.session.blocks[0]!.rounds).toBe(3);
    const [a, b] = answer.session.blocks[0]!.items;
    expect(a!.restAfter).toBe(b!.restAfter);
    expect(answer.seconds).toBe(compile(s, drillById).totalSeconds - 30);
  });
  it("leaves a rest at least half of itself, and the time to watch at least ten seconds", () => {
    const s = rested();
    const least = endsOf(s, new Set(["0.0"]), drillById).least;
    const answer = fitToTime({ session: s, target: Math.ceil(least), locked: new Set(["0.0"]) }, drillById, solve);
    if (answer.kind !== "fitted") throw new Error(answer.kind);
    const [block] = answer.session.blocks;
    expect(block!.restBetweenRounds).toBe(15);
    expect(block!.items.map((item) => item.restAfter)).toEqual([20, 10, 0]);
    expect(block!.rounds).toBe(3);
    // Something locked is shown, so the time to watch is left.
    expect(answer.session.pace.demo).toBe(20);
    const free = endsOf(s, new Set(), drillById).least;
    expect(fitted(s, Math.ceil(free) - compile(s, drillById).totalSeconds).session.pace.demo).toBe(10);
  });
  it("is a round, before any dose, where one is as long as what is too much", () => {
    const s = rested();
    const one = { ...s, blocks: [{ ...s.blocks[0]!, rounds: 2 }] };
    const answer = fitted(s, compile(one, drillById).totalSeconds - compile(s, drillById).totalSeconds);
    expect(answer.session.blocks[0]!.rounds).toBe(2);
    expect(doses(answer.session)).toEqual(doses(s));
  });
  it("is a dose at last, and none is made longer for another to be shorter", () => {
    const s = session([{ items: [usual("cat-camel"), usual("hip-flexor-hold"), usual("squat-free")] }]);
    const { least } = endsOf(s, new Set(), drillById);
    const now = compile(s, drillById).totalSeconds;
    const answer = fitted(s, -Math.round((now - least) * 0.8));
    expect(answer.changes.length).toBeGreaterThan(0);
    for (const { before, after } of answer.changes)
      expect(
        compile({ ...s, blocks: [{ ...s.blocks[0]!, items: [usual("cat-camel", { dose: after })] }] }, drillById)
          .totalSeconds,
      ).toBeLessThan(
        compile({ ...s, blocks: [{ ...s.blocks[0]!, items: [usual("cat-camel", { dose: before })] }] }, drillById)
          .totalSeconds,
      );
  });
  it("to be longer is work, before rest", () => {
    const s = rested();
    const answer = fitted(s, 30);
    expect(answer.session.blocks[0]!.items.map((item) => item.restAfter)).toEqual([20, 20, 0]);
    expect(answer.changes.length).toBeGreaterThan(0);
  });
});

describe("what was equal", () => {
  const test = usual("squat-free", {
    dose: {
      kind: "reps",
      count: 8,
      tempo: [
        { do: "down", seconds: 2 },
        { do: "up", seconds: 2 },
      ],
    },
  });
  it("stays equal: a test before and after, and one side here and the other there", () => {
    const s = session([
      { items: [test] },
      {
        items: [
          usual("hip-flexor-hold", { sides: "left" }),
          usual("ankle-rock"),
          usual("hip-flexor-hold", { sides: "right" }),
        ],
      },
      { items: [test, usual("cat-camel")] },
    ]);
    for (const by of [-60, -20, 40, 90]) {
      const items = fitted(s, by).session.blocks.map((block) => block.items);
      expect(items[2]![0]!.dose).toEqual(items[0]![0]!.dose);
      expect(items[1]![2]!.dose).toEqual(items[1]![0]!.dose);
    }
  });
  it("is locked together, goes together, and is never half of what closes", () => {
    const s = session([{ items: [test, usual("hip-flexor-hold"), usual("ankle-rock"), test, usual("cat-camel")] }]);
    expect(doses(fitted(s, -15, ["0.0"]).session)[3]).toEqual(test.dose);
    const without = session([{ items: [usual("hip-flexor-hold"), usual("ankle-rock"), usual("cat-camel")] }]);
    const answer = fitWithRoom(
      { session: s, target: compile(without, drillById).totalSeconds, locked: new Set(["0.1", "0.2"]) },
      { drop: true, add: [] },
      drillById,
      solve,
    );
    if (answer.kind !== "fitted") throw new Error(answer.kind);
    expect(answer.session.blocks[0]!.items.map((item) => item.drill)).toEqual([
      "hip-flexor-hold",
      "ankle-rock",
      "cat-camel",
    ]);
    const closes = session([{ items: [test, usual("hip-flexor-hold"), test] }]);
    const other = fitWithRoom(
      { session: closes, target: Math.floor(endsOf(closes, new Set(), drillById).least - 20), locked: new Set() },
      { drop: true, add: [] },
      drillById,
      solve,
    );
    if (other.kind !== "fitted") throw new Error(other.kind);
    expect(other.dropped).toEqual([drillById("hip-flexor-hold")!.name]);
  });
  it("blocks that are the same keep the same rounds, and one with something locked its own", () => {
    const s = session([
      { items: [usual("cat-camel"), usual("ankle-rock")], rounds: 2 },
      { items: [usual("cat-camel"), usual("ankle-rock")], rounds: 2 },
      { items: [usual("open-book")], rounds: 3 },
    ]);
    expect(roundsBetween(s, "same", new Set())).toEqual([[2, 2, 3]]);
    expect(roundsBetween(s, "fewer", new Set())[0]).toEqual([1, 1, 1]);
    expect(new Set(roundsBetween(s, "fewer", new Set(["2.0"])).map(String))).toEqual(new Set(["1,1,3", "2,2,3"]));
    for (const way of roundsBetween(s, "more", new Set())) expect(way[0]).toBe(way[1]);
    expect(roundsBetween({ ...s, blocks: [{ ...s.blocks[2]!, rounds: 19 }] }, "more", new Set())).toEqual([[19], [20]]);
  });
});

describe("what it says", () => {
  it("where nothing comes to the target: how far it is, and what would help", () => {
    const s = session([{ items: [usual("cat-camel"), usual("hip-flexor-hold"), usual("squat-free")] }]);
    const ask = (target: number, locked: string[], room: { drop: boolean; add: typeof DRILLS | never[] }) =>
      fitWithRoom({ session: s, target, locked: new Set(locked) }, room, drillById, solve);
    expect(ask(30, [], { drop: false, add: [] })).toMatchObject({ kind: "impossible", helps: ["drop"] });
    expect(ask(3000, [], { drop: false, add: [] })).toMatchObject({ kind: "impossible", helps: ["add"] });
    const { least } = endsOf(s, new Set(), drillById);
    expect(ask(Math.ceil(least), ["0.0", "0.1", "0.2"], { drop: true, add: DRILLS })).toMatchObject({
      kind: "impossible",
      helps: ["unlock"],
    });
  });
  it("where drills may be taken out or added, how short and how long it came with that", () => {
    const s = session([{ items: [usual("cat-camel"), usual("hip-flexor-hold"), usual("squat-free")] }]);
    const without = fitWithRoom(
      { session: s, target: 5, locked: new Set() },
      { drop: true, add: [] },
      drillById,
      solve,
    );
    if (without.kind !== "impossible") throw new Error(without.kind);
    expect(without.least).toBe(endsOf(session([{ items: [usual("squat-free")] }]), new Set(), drillById).least);
    expect(without.most).toBe(endsOf(s, new Set(), drillById).most);
    const more = fitWithRoom(
      { session: s, target: 14_000, locked: new Set() },
      { drop: false, add: [drillById("ankle-rock")!] },
      drillById,
      solve,
    );
    if (more.kind !== "impossible") throw new Error(more.kind);
    expect(more.most).toBeGreaterThan(endsOf(s, new Set(), drillById).most);
  });
  it("adds only what goes with the block it is put into, by a main motion or the way of working", () => {
    const s = session([{ items: [usual("ankle-rock"), usual("squat-free")] }]);
    const answer = fitWithRoom(
      { session: s, target: 600, demand: profileById("rowing"), locked: new Set() },
      { drop: false, add: DRILLS },
      drillById,
      solve,
    );
    if (answer.kind !== "fitted") throw new Error(answer.kind);
    expect(answer.added.length).toBeGreaterThan(0);
    const methods = new Set(["ankle-rock", "squat-free"].map((id) => drillById(id)!.method));
    const rows = new Set(["ankle-rock", "squat-free"].flatMap((id) => drillById(id)!.levels.standard.main));
    const first = DRILLS.find((drill) => drill.name === answer.added[0])!;
    expect(methods.has(first.method) || first.levels.standard.main.some((row) => rows.has(row))).toBe(true);
  });
});

it("nothing locked or equal is touched, and nothing is found afterwards that was not shown, over sessions with tests, locks, rests and rounds", () => {
  const group = groupSchema.parse({
    name: "Squad",
    people: [{ name: "Moss", areas: ["kneeling"] }],
    setting: { effortCap: 80, holdCap: 45 },
  });
  const item = fc.record({
    drill: fc.constantFrom(...DRILLS.map((d) => d.id)),
    sets: fc.integer({ min: 1, max: 2 }),
    restAfter: fc.constantFrom(0, 0, 10, 20),
    restBetweenSets: fc.constantFrom(0, 15),
  });
  const block = fc.record({
    items: fc.array(item, { minLength: 1, maxLength: 4 }),
    rounds: fc.integer({ min: 1, max: 3 }),
    restBetweenRounds: fc.constantFrom(0, 20),
  });
  let came = 0;
  fc.assert(
    fc.property(
      fc.array(block, { minLength: 1, maxLength: 3 }),
      fc.boolean(),
      fc.array(fc.nat(8), { maxLength: 3 }),
      fc.double({ min: 0.5, max: 1.4, noNaN: true }),
      fc.boolean(),
      fc.boolean(),
      fc.boolean(),
      (list, tested, locks, share, drop, add, withArc) => {
        const blocks = list.map(({ items, ...more }) => ({
          ...more,
          items: items.map(({ drill, ...rest }) => usual(drill, rest)),
        }));
        if (tested) {
          blocks[0]!.items.unshift(usual("squat-free"));
          blocks.at(-1)!.items.push(usual("squat-free"));
        }
        const s = session(blocks);
        const places = s.blocks.flatMap((b, i) => b.items.map((_, k) => ({ block: i, item: k })));
        const locked = new Set(
          locks.map((n) => places[n % places.length]!).map(({ block: b, item: i }) => placeKey(b, i)),
        );
        const target = Math.round(compile(s, drillById).totalSeconds * share);
        const answer = fitWithRoom(
          {
            session: s,
            target,
            demand: profileById("handball"),
            locked,
            group,
            arc: withArc ? ARCS[s.purpose] : undefined,
          },
          { drop, add: add ? DRILLS : [] },
          drillById,
          solve,
        );
        if (answer.kind !== "fitted") return;
        came++;
        expect(answer.seconds).toBe(compile(answer.session, drillById).totalSeconds);
        expect(target - answer.seconds).toBeGreaterThanOrEqual(-1e-6);
        expect(target - answer.seconds).toBeLessThanOrEqual(UNDER_AT_MOST + 1e-6);
        // Every locked item is there as it was, and as often as it was.
        const as = (one: SessionPlan) => one.blocks.flatMap((b) => b.items.map((i) => JSON.stringify([i, b.rounds])));
        const after = as(answer.session);
        for (const key of locked) {
          const [b, i] = key.split(".").map(Number) as [number, number];
          const line = JSON.stringify([s.blocks[b]!.items[i], s.blocks[b]!.rounds]);
          expect(after.filter((one) => one === line).length).toBeGreaterThanOrEqual(
            as(s).filter((one, at) => one === line && locked.has(placeKey(places[at]!.block, places[at]!.item))).length,
          );
        }
        // What was equal is all there and equal, or all gone.
        if (!add)
          for (const same of equalPlaces(s).filter((of) => of.length > 1)) {
            const { drill, level } = s.blocks[same[0]!.block]!.items[same[0]!.item]!;
            const others = s.blocks
              .flatMap((b) => b.items)
              .filter((one) => one.drill === drill && one.level === level).length;
            if (others !== same.length) continue;
            const left = answer.session.blocks
              .flatMap((b) => b.items)
              .filter((one) => one.drill === drill && one.level === level);
            expect([0, same.length]).toContain(left.length);
            expect(new Set(left.map((one) => JSON.stringify(one.dose))).size).toBeLessThanOrEqual(1);
          }
        const found = (one: SessionPlan) =>
          audit(auditInput(one, drillById, { demand: profileById("handball"), group, offered: add ? DRILLS : [] })).map(
            (f) => `${keyOf(f, one)} ${f.severity} ${f.message}`,
          );
        const shown = [
          ...found(s),
          ...answer.anew.map((f) => `${keyOf(f, answer.session)} ${f.severity} ${f.message}`),
        ];
        for (const line of found(answer.session)) {
          expect(shown).toContain(line);
          shown.splice(shown.indexOf(line), 1);
        }
      },
    ),
    { numRuns: 60 },
  );
  expect(came).toBeGreaterThan(20);
}, 120_000);
