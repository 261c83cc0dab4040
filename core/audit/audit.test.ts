import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { audit, RULES, type Found } from "./audit";
import { SEVERITIES } from "./types";
import type { Demand } from "~/core/demands/schema";
import { readSession } from "~/core/session/read";
import type { Session } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { demandById } from "~/library/demands";
import { DRILLS, drillById } from "~/library";

function session(items: object[], more: object = {}): Session {
  const read = readSession({ format: "mapset/session", version: 1, title: "Before the boat", purpose: "before-training", blocks: [{ title: "b", items }], ...more }, drillById);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}

const seconds = (n: number) => ({ kind: "time", seconds: n });
const of = (rule: string, s: Session, { demand, drills = drillById }: Pick<Case, "demand" | "drills"> = {}) => audit(s, drills, demand).filter((f) => f.rule === rule);

type Case = { bad: Session; good: Session; says: RegExp; demand?: Demand; drills?: typeof drillById };

/** Only hip folding is asked for, as much as can be. */
const FOLDING: Demand = { ...demandById("rowing")!, rows: { "hip.flex": { weight: 3, why: "the catch needs hips that fold without the back rounding" } } };
const folding = DRILLS.find((d) => d.sides === "together" && d.levels.standard.main.includes("hip.flex"))!.id;

/** Every shipped kneel on one knee has its pad; this lookup takes that of one hold away. */
const hold = drillById("hip-flexor-hold")!;
const bareKnee = (id: string) => (id === hold.id ? { ...hold, levels: { ...hold.levels, standard: { ...hold.levels.standard, kit: [] } } } : drillById(id));

/** For each rule a session it finds something in, and one it finds nothing in. */
const CASES: Record<string, Case> = {
  "unequal-sides": {
    bad: session([{ drill: "hip-flexor-hold", sides: "left", dose: seconds(30) }]), good: session([{ drill: "hip-flexor-hold", dose: seconds(30) }]), says: /left side works 30 s longer/,
  },
  length: { bad: session([{ drill: "cat-camel", dose: seconds(60) }], { target: 60 }), good: session([{ drill: "cat-camel", dose: seconds(60) }], { target: 90 }), says: /runs 24 s over the 1:00/ },
  title: { bad: session([{ drill: "cat-camel", dose: seconds(96) }], { title: "Ten: 10 minutes for rowers" }), good: session([{ drill: "cat-camel", dose: seconds(96) }], { title: "2 minutes for rowers" }), says: /title says 10 minutes; it lasts 2:00/ },
  "cold-effort": {
    bad: session([{ drill: "ankle-effort", dose: drillById("ankle-effort")!.levels.standard.dose }]),
    good: session([{ drill: "ankle-rock", dose: seconds(40) }, { drill: "ankle-effort", dose: drillById("ankle-effort")!.levels.standard.dose }]), says: /strong effort after only 0 s/,
  },
  "long-holds": { bad: session([{ drill: "hip-flexor-hold", dose: seconds(90) }]), good: session([{ drill: "hip-flexor-hold", dose: seconds(90) }], { purpose: "off-day" }), says: /holds one side for 1 ?min/ },
  tempo: {
    bad: session([{ drill: "stick-pass", dose: { kind: "reps", count: 8, tempo: [{ do: "over", seconds: 1 }, { do: "back", seconds: 1 }] } }]),
    good: session([{ drill: "stick-pass", dose: { kind: "reps", count: 8, tempo: [{ do: "over", seconds: 2 }, { do: "back", seconds: 2 }] } }]), says: /2 s a repetition; it needs at least 4 s/,
  },
  "one-knee": {
    drills: bareKnee, says: /one knee for more than 3 ?min/,
    bad: session([{ drill: "hip-flexor-hold", dose: seconds(200), sides: "left" }]), good: session([{ drill: "hip-flexor-hold", dose: seconds(120) }]),
  },
  "top-demand": { bad: session([{ drill: "cat-camel", dose: seconds(60) }], { target: 600 }), good: session([{ drill: folding, dose: seconds(600) }], { target: 600 }), says: /Hip folding gets 0 s of/, demand: FOLDING },
  instructions: { bad: session([{ drill: "cat-camel", demo: 1, dose: seconds(60) }]), good: session([{ drill: "cat-camel", demo: 30, dose: seconds(60) }]), says: /to set up in words; 1 s are there/ },
  planes: { bad: session([{ drill: "bridge", dose: seconds(60) }]), good: session([{ drill: "bridge", dose: seconds(60) }, { drill: "open-book", dose: seconds(20) }, { drill: "rib-shift", dose: seconds(20) }]), says: /Nothing moves in one direction: to the side/ },
  closing: { bad: session([{ drill: "open-book", dose: seconds(30) }]), good: session([{ drill: "lunge-reverse", dose: seconds(30) }]), says: /ends with Side-lying open book/ },
};

describe("the audit", () => {
  it("has a case here for every rule", () => expect(Object.keys(CASES).sort()).toEqual(RULES.map((rule) => rule.id).sort()));
  it.each(Object.entries(CASES))("%s is found where it is and not where it is not", (id, { bad, good, says, ...by }) => {
    const found = of(id, bad, by);
    expect(found.map((f) => f.says).join("\n")).toMatch(says);
    for (const finding of found) expect(finding.why.length).toBeGreaterThan(10);
    expect(of(id, good, by)).toEqual([]);
  });
  it("says a long kneel on one knee once, and not at all with a pad", () => {
    const { bad } = CASES["one-knee"]!;
    expect(of("one-knee", bad, { drills: bareKnee })).toHaveLength(1);
    expect(of("one-knee", bad)).toEqual([]);
  });
  it("puts the most serious first", () => {
    const all = audit(session([{ drill: "ankle-effort", dose: drillById("ankle-effort")!.levels.standard.dose }], { target: 60, title: "30 minutes" }), drillById);
    const order = all.map((f) => SEVERITIES.indexOf(f.severity));
    expect(order).toEqual([...order].sort());
    expect(all[0]?.rule).toBe("cold-effort");
  });
  it("offers fixes that take the finding away, add no worse one of the same rule, and keep a session that compiles", () => {
    const items = fc.array(
      fc.record({ drill: fc.constantFrom(...DRILLS.map((d) => d.id)), sides: fc.constantFrom(undefined, "left", "right"), sets: fc.integer({ min: 1, max: 3 }), use: fc.constantFrom("own", "time") }),
      { minLength: 1, maxLength: 7 },
    );
    const key = (f: Found) => `${f.rule} ${f.place?.block ?? ""}.${f.place?.item ?? ""}`;
    fc.assert(
      fc.property(items, fc.constantFrom("before-training", "before-game", "off-day"), fc.constantFrom(undefined, 120, 600), (list, purpose, target) => {
        const s = session(
          list.map(({ drill, sides, sets, use }) => ({ drill, sets, ...(sides && drillById(drill)!.sides !== "together" && { sides }), dose: use === "own" ? drillById(drill)!.levels.standard.dose : seconds(75) })),
          { purpose, ...(target && { target }) },
        );
        for (const finding of audit(s, drillById)) {
          if (!finding.fix) continue;
          const mended = finding.fix.apply(s);
          expect(compile(mended, drillById).totalSeconds).toBeGreaterThan(0);
          const after = audit(mended, drillById);
          const same = after.filter((f) => f.rule === finding.rule);
          const before = audit(s, drillById).filter((f) => f.rule === finding.rule);
          expect(same.length, `${key(finding)} fixed by ${finding.fix.words}`).toBeLessThan(before.length + (finding.rule === "unequal-sides" ? 1 : 0));
        }
      }),
      { numRuns: 60 },
    );
  });
});
