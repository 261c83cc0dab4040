import { servedSeconds } from "~/core/arc/arcs";
import { needsOf } from "~/core/drills/form";
import fc from "fast-check";
import { beforeAll, describe, expect, it } from "vitest";
import { ordered, sessionOf, type Chosen } from "./assemble";
import { candidatesOf, CLOSING, type Candidate } from "./candidates";
import { draft, SHORT_AT_MOST, type Draft } from "./draft";
import { isEasy, MOST_IN_STEP, mostDrills, programOf, WAY_IN } from "./model";
import { feelsOf, kindOf, undominated } from "./prune";
import { AT_HAND, lastApart, readRequest, type DraftRequest } from "./request";
import { leastIn, stepOf, stepRank } from "./sequencing";
import { swapsFor } from "./swap";
import { otherThan } from "./words";
import { asked, KNOWN as known } from "~/fixtures/requests";
import { audit, auditInput } from "~/core/audit/audit";
import { coverageOf } from "~/core/coverage/coverage";
import { fitOf } from "~/core/sport-profiles/fit";
import type { Solve } from "~/core/fit/program";
import { readSession } from "~/core/session/read";
import type { SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { HEIGHT } from "~/core/vocabulary/postures";
import { doseSeconds } from "~/core/dose/dose";
import { DRILLS, drillById } from "~/library";
import { SPORT_PROFILES } from "~/library/sport-profiles";
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
const drillsIn = ({ session }: Draft) => session.blocks.flatMap((block) => block.items.map((item) => item.drill));
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
        expect(one.gap).toBeLessThanOrEqual(0.08);
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
  it("counts no must-haves among what comes again, and names the asking where it is in the way", () => {
    // All there is was in it last time, and is needed.
    const few = [
      "cat-camel",
      "bridge",
      "open-book",
      "squat-reach",
      "squat-free",
      "hip-flexor-hold",
      "ankle-rock",
    ].flatMap((id) => drillById(id) ?? []);
    const group = { name: "Squad", people: [], lately: [{ title: "Last", drills: few.map((d) => d.id) }] };
    const request = (more: object) => asked({ target: 300, group, school: "easy-to-hard", drafts: 1, ...more });
    const free = draft(request({}), few, solve);
    expect(free.kind).toBe("drafts");
    const used = free.kind === "drafts" ? drillsIn(free.drafts[0]!) : [];
    const only = few.filter((d) => used.includes(d.id));
    const lately = [{ title: "Last", drills: used }];
    const answer = draft(request({ differ: 1, group: { ...group, lately } }), only, solve);
    expect(answer.kind).toBe("impossible");
    if (answer.kind === "impossible") expect(answer.relax.map(({ limit }) => limit)).toContain("differ");
    expect(draft(request({ differ: 1, group: { ...group, lately }, must: used }), only, solve).kind).toBe("drafts");
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
  ])("%s keeps every limit and its time, and is as good as it says", (_, more) => {
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
      const found = audit(
        auditInput(one.session, drillById, { demand: request.demand, group: request.group, offered: DRILLS }),
      );
      expect(found.filter((f) => f.severity === "stop").map((f) => f.message)).toEqual([]);
      expect(
        found
          .filter((f) =>
            [
              "kit",
              "caps",
              "floor",
              "length",
              "cold-effort",
              "long-holds",
              "unequal-sides",
              "tempo",
            ].includes(f.rule),
          )
          .map((f) => f.message),
      ).toEqual([]);
      expect(new Set(drillsIn(one)).size).toBe(drillsIn(one).length);
    }
  });
  it("is one a coach would run: no more drills than can be shown, every stage, a way in before anything hard, none that feel alike, an end", () => {
    const request = asked({ target: 1200, school: "circles-first" });
    const { candidates } = candidatesOf(request, DRILLS);
    for (const one of made(request)) {
      const items = one.session.blocks.flatMap((block) => block.items);
      expect(items.length).toBeLessThanOrEqual(mostDrills(request.target));
      const forms = items.map((item, i) =>
        candidates.find(
          (c) =>
            c.drill.id === item.drill && c.level === item.level && (c.step === CLOSING) === (i === items.length - 1),
        )!,
      );
      const feels = forms.flatMap(feelsOf);
      expect(new Set(feels).size).toBe(feels.length);
      expect(forms.at(-1)!.step).toBe(CLOSING);
      request.school.stages.forEach((stage, s) => {
        const there = items.slice(0, -1).filter(
          (item) =>
            stepOf(request.school, {
              drill: drillById(item.drill)!,
              level: drillById(item.drill)!.levels[item.level],
              name: item.level,
            })?.stage === s,
        ).length;
        expect(there, stage.title).toBeGreaterThanOrEqual(leastIn(stage, request.target));
      });
      let easy = 0;
      forms.slice(0, -1).forEach((form) => {
        if (isEasy(form)) easy += form.work.seconds + form.work.each * (form.doses.length - 1);
        else expect(easy, form.drill.name).toBeGreaterThanOrEqual(WAY_IN);
      });
    }
  });
  it("begins where its school begins: on the floor, or on the feet", () => {
    const first = (school: string) =>
      made(asked({ school, target: 480, demand: "general", drafts: 1 }))[0]!.session.blocks[0]!.items[0]!;
    const height = (item: { drill: string; level: "easier" | "standard" | "harder" }) =>
      HEIGHT[drillById(item.drill)!.levels[item.level].posture];
    expect(height(first("standing-down"))).toBeGreaterThanOrEqual(4);
    expect(height(first("up-from-the-floor"))).toBeLessThanOrEqual(1);
  });
  it("after training ends with slow breath for a minute; effort ramps come only where they are allowed", () => {
    const after = { purpose: "after-training", demand: "handball", target: 900, drafts: 1 };
    const [calm] = made(asked(after));
    const last = calm!.session.blocks.at(-1)!.items.at(-1)!;
    expect(drillById(last.drill)!.method).toBe("breath");
    expect(doseSeconds(last.dose, calm!.session.pace)).toBeGreaterThanOrEqual(48);
    const efforts = (more: object) =>
      candidatesOf(asked({ ...after, ...more }), DRILLS).candidates.filter((c) => c.drill.method === "effort").length;
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
  it("differs from the others in half of its drills or more", () => {
    const [first, second, third] = usualDrafts().map(drillsIn);
    const shared = (a: string[], b: string[]) => a.filter((id) => b.includes(id)).length;
    expect(shared(first!, second!)).toBeLessThanOrEqual(first!.length / 2);
    expect(shared(first!, third!)).toBeLessThanOrEqual(first!.length / 2);
    expect(shared(second!, third!)).toBeLessThanOrEqual(second!.length / 2);
  });
  it("is the same each time", () => expect(made(asked())).toEqual(usualDrafts()));
  it("has what it must have, and nothing of what it must not", () => {
    const [plain] = usualDrafts();
    const never = drillsIn(plain!)[0]!;
    const must = DRILLS.find((d) => !drillsIn(plain!).includes(d.id) && d.method === "circles")!.id;
    const [changed] = made(
      asked({
        drafts: 1,
        never: [never],
        must: [must],
        methods: ["dynamic", "circles", "activation", "hold", "strength", "flow"],
      }),
    );
    expect(drillsIn(changed!)).toContain(must);
    expect(drillsIn(changed!)).not.toContain(never);
    for (const id of drillsIn(changed!))
      expect(["dynamic", "circles", "activation", "hold", "strength", "flow"]).toContain(drillById(id)!.method);
  });
  it("says which limit to relax when nothing fits, and what that would give", () => {
    const answer = draft(
      asked({
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

describe("what the model proves", () => {
  it("reckons moving and fetching never longer than it is, for drills put together by chance, their time to the second, and no fit better than its bound", () => {
    const schools = fc.constantFrom(...SEQUENCINGS.map((s) => s.id));
    fc.assert(
      fc.property(
        schools,
        fc.constantFrom(...SPORT_PROFILES.map((d) => d.id)),
        fc.array(fc.nat(), { minLength: 3, maxLength: 9 }),
        fc.array(fc.nat(), { minLength: 9, maxLength: 9 }),
        (school, demand, picks, doses) => {
          const request = asked({ school, demand, target: 7200 });
          const all = poolOf(school, demand, request);
          const chosen: Chosen[] = [];
          const wanted = [
            ...picks.map((n) => all[n % all.length]!),
            all.filter((c) => c.step === CLOSING)[picks[0]! % 7]!,
          ];
          for (const candidate of wanted) {
            if (
              chosen.some(
                (c) =>
                  c.candidate.drill.id === candidate.drill.id ||
                  (candidate.step === CLOSING && c.candidate.step === CLOSING) ||
                  kindOf(c.candidate) === kindOf(candidate),
              )
            )
              continue;
            chosen.push({
              candidate,
              index: all.indexOf(candidate),
              dose: candidate.doses[doses[chosen.length % 9]! % candidate.doses.length]!,
            });
          }
          const { steps, moving } = ordered(chosen, request);
          fc.pre(steps.every((s) => s.chosen.length <= MOST_IN_STEP));
          const session = sessionOf(steps, request);
          const total = compile(session, drillById).totalSeconds;
          // The model's own time of these very drills and doses, at its least, is no longer than theirs.
          const anyOrder = { proof: true };
          const fixed = programOf(request, all, anyOrder);
          const taken = new Set(chosen.map(({ index }) => `y${index}`));
          const still = chosen.reduce(
            (sum, { candidate: c, dose }) => sum + c.seconds + c.each * c.doses.indexOf(dose),
            0,
          );
          expect(still + moving).toBeCloseTo(total, 3);
          const time = fixed.rows.find((row) => row.name === "time")!;
          const least = solve(
            {
              objective: time.terms
                .filter(({ column }) => !/^[yl]\d/.test(column))
                .map(({ column, times }) => ({ column, times: -times })),
              rows: fixed.rows.filter((row) => /^m(\d|oved)/.test(row.name)),
              columns: fixed.columns
                .filter((c) => !/^l\d/.test(c.name))
                .map((c) =>
                  /^y\d/.test(c.name) ? { ...c, least: taken.has(c.name) ? 1 : 0, most: taken.has(c.name) ? 1 : 0 } : c,
                ),
            },
            { relaxed: true },
          );
          if (least.kind !== "optimal") throw new Error(least.kind);
          expect(-least.bound).toBeLessThanOrEqual(moving + 1e-6);
          // And nothing that lasts this long has a better fit than what is proven of it.
          const short = { ...request, target: Math.max(120, total) };
          const loose = programOf(short, all, anyOrder);
          const bound = solve(
            { ...loose, rows: loose.rows.filter((row) => /^(m\d|moved|fit_|dose|time)/.test(row.name)) },
            { relaxed: true },
          );
          if (bound.kind !== "optimal") throw new Error(bound.kind);
          expect(
            fitOf(
              coverageOf(session, compile(session, drillById), drillById),
              short.demand,
              servedSeconds(short.purpose, short.target),
            ),
          ).toBeLessThanOrEqual(bound.bound + 1e-6);
        },
      ),
      { numRuns: 40 },
    );
  });
  it("loses nothing by leaving out what another of its kind replaces", () => {
    const request = asked();
    const { candidates } = candidatesOf(request, DRILLS);
    const copies = candidates.map((c): Candidate => ({ ...c, drill: { ...c.drill, id: `${c.drill.id}-b` } }));
    const kept = undominated([...candidates, ...copies], () => false).map((i) => [...candidates, ...copies][i]!);
    expect(kept.length).toBeLessThanOrEqual(candidates.length);
    expect(new Set(kept.map((c) => `${kindOf(c)} ${stepRank(c.step)}`))).toEqual(
      new Set(candidates.map((c) => `${kindOf(c)} ${stepRank(c.step)}`)),
    );
  });
});

const pools = new Map<string, Candidate[]>();
function poolOf(school: string, demand: string, request: DraftRequest): Candidate[] {
  const key = `${school} ${demand}`;
  if (!pools.has(key)) pools.set(key, candidatesOf(request, DRILLS).candidates);
  return pools.get(key)!;
}

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
    for (const school of SEQUENCINGS) {
      const { candidates } = candidatesOf(asked({ school: school.id, preferred: ["effort"] }), DRILLS);
      expect(new Set(candidates.filter((c) => c.step !== CLOSING).map((c) => c.drill.id)).size, school.id).toBe(
        DRILLS.length,
      );
    }
  });
});
