import { readFileSync } from "node:fs";
import { beforeAll, describe, expect, it } from "vitest";
import { fitToTime, UNDER_AT_MOST, type FitRequest } from "./fit-to-time";
import { fitWithRoom } from "./make-room";
import type { Solve } from "./program";
import { ARCS, phaseSeconds } from "~/core/arc/arcs";
import { RESTS } from "~/core/arc/doses";
import { audit, auditInput } from "~/core/audit/audit";
import { courseOf } from "~/core/audit/course";
import { amountOf } from "~/core/dose/amount";
import { groupSchema, type Group } from "~/core/group/schema";
import { editItem } from "~/core/session/edits";
import { readSession } from "~/core/session/read";
import type { SessionPlan } from "~/core/session/schema";
import type { SportProfile } from "~/core/sport-profiles/schema";
import { compile } from "~/core/timeline/compile";
import { DRILLS, drillById } from "~/library";
import { profileById } from "~/library/sport-profiles";
import { TEMPLATES, templateSession } from "~/library/templates";
import { openSolver } from "~/solver/highs";

let solve: Solve;
beforeAll(async () => {
  solve = await openSolver();
});

type Case = { session: SessionPlan; demand: SportProfile; group: Group };
const GOLDEN = [
  "after-football",
  "before-squatting",
  "desk-break",
  "handball-before-a-game",
  "older-day-off",
  "rowers-before-the-boat",
];
function golden(id: string): Case {
  const file = (name: string): unknown => JSON.parse(readFileSync(`fixtures/golden/${id}/${name}.json`, "utf8"));
  const read = readSession(file("session"), drillById);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return { session: read.value, demand: file("profile") as SportProfile, group: groupSchema.parse(file("group")) };
}
const ALL: [string, Case][] = [
  ...GOLDEN.map((id): [string, Case] => [id, golden(id)]),
  ...TEMPLATES.map((t): [string, Case] => [
    t.name,
    {
      session: templateSession(t),
      demand: profileById(t.demand)!,
      group: { name: "Whoever comes", people: [], setting: t.who ? { who: t.who } : {} },
    },
  ]),
];

const ask = ({ session, demand, group }: Case, share: number): FitRequest => ({
  session,
  target: Math.round((session.target! * share) / 30) * 30,
  demand,
  group,
  locked: new Set(),
  arc: ARCS[session.purpose],
});
const fitted = (request: FitRequest) => {
  const answer = fitWithRoom(request, { drop: false, add: [] }, drillById, solve);
  if (answer.kind !== "fitted") throw new Error(JSON.stringify(answer));
  return answer.session;
};
const look = ({ demand, group }: Case, session: SessionPlan) =>
  auditInput(session, drillById, { demand, group, offered: DRILLS });
const warnings = (one: Case, session: SessionPlan) =>
  audit(look(one, session))
    .filter(({ severity }) => severity !== "hint")
    .map(({ rule, message }) => `${rule}: ${message}`);
const found = (one: Case, session: SessionPlan, rule: string) =>
  audit(look(one, session)).filter((f) => f.rule === rule);

describe("by its arc, a session that is made shorter or longer", () => {
  it.each(ALL)("%s comes to its length, and nothing is wrong with it that was not before", (_, one) => {
    expect(warnings(one, one.session)).toEqual([]);
    for (const share of [0.8, 0.9, 1.1]) {
      const request = ask(one, share);
      const session = fitted(request);
      const { totalSeconds } = compile(session, drillById);
      expect(request.target - totalSeconds).toBeGreaterThanOrEqual(-1e-6);
      expect(request.target - totalSeconds).toBeLessThanOrEqual(UNDER_AT_MOST);
      expect(warnings(one, session), String(share)).toEqual([]);
    }
  });

  it("has doses and rests that are said aloud, where those come out", () => {
    for (const [, one] of ALL) {
      const session = fitted(ask(one, 1.1));
      expect(found(one, session, "spoken"), one.session.title).toEqual([]);
      for (const { restAfter } of session.blocks.flatMap(({ items }) => items))
        if (restAfter > 0) expect(RESTS).toContain(restAfter);
    }
    // Without its arc the second counts, whatever it takes.
    const { arc: _, ...plain } = ask(golden("older-day-off"), 1.1);
    const exact = fitToTime(plain, drillById, solve);
    expect(exact.kind === "fitted" && exact.seconds).toBe(plain.target);
    expect(found(golden("older-day-off"), fitted(plain), "spoken")).not.toEqual([]);
  });

  it("keeps its phases inside their windows", () => {
    const one = golden("after-football");
    for (const share of [0.8, 1.2]) {
      const request = ask(one, share);
      const { spans } = courseOf(look(one, fitted(request)));
      for (const { phase, start, end } of spans) {
        const { least, most } = phaseSeconds(phase, request.target);
        expect(end - start, phase.id).toBeGreaterThanOrEqual(least - 1e-6);
        expect(end - start, phase.id).toBeLessThanOrEqual(most + 1e-6);
      }
    }
    const { arc: _, ...plain } = ask(one, 0.8);
    expect(found(one, fitted(plain), "phases"), "without its arc").not.toEqual([]);
  });

  it("leaves the sets of a lift as they were written, and gives them more or less rest", () => {
    const one = golden("before-squatting");
    const sets = ({ blocks }: SessionPlan) => blocks.at(-1)!.items.map(({ dose }) => amountOf(dose).value);
    for (const share of [0.8, 0.9, 1.1, 1.25]) expect(sets(fitted(ask(one, share)))).toEqual([6, 4, 3]);
  });

  it("shows nothing for less long than it takes, and what is shown for too long gives way first", () => {
    const one = golden("rowers-before-the-boat");
    const place = { block: 0, item: 1 };
    const long = { ...one, session: editItem(one.session, place, { demo: 20 }) };
    expect(found(long, long.session, "showing")).toHaveLength(1);
    const now = compile(long.session, drillById).totalSeconds;
    const session = fitted({ ...ask(long, 1), target: now - 15 });
    expect(session.blocks[0]!.items[1]!.demo).toBe(5);
    expect(session.blocks.map(({ items }) => items.map(({ dose }) => dose))).toEqual(
      one.session.blocks.map(({ items }) => items.map(({ dose }) => dose)),
    );
    expect(found(long, fitted(ask(long, 0.8)), "instructions")).toEqual([]);
  });
});

it("of several ways to a length the first is taken that makes nothing worse, else the least bad", () => {
  const request = ask(golden("after-football"), 0.8);
  const seen: SessionPlan[] = [];
  const judged = (worth: (n: number) => number) => {
    seen.length = 0;
    const answer = fitToTime(request, drillById, solve, (session) => {
      seen.push(session);
      return worth(seen.length);
    });
    if (answer.kind !== "fitted") throw new Error(answer.kind);
    return seen.findIndex((one) => JSON.stringify(one) === JSON.stringify(answer.session));
  };
  expect(judged(() => 0)).toBe(0);
  expect(judged((n) => (n === 2 ? 0 : 3))).toBe(1);
  expect(judged((n) => (n === 3 ? 1 : 4))).toBe(2);
  expect(seen.length).toBeGreaterThan(3);
  expect(seen.length).toBeLessThanOrEqual(10);
});
