import { describe, expect, it } from "vitest";
import { audit, auditInput } from "./audit";
import { candidatesOf } from "~/core/draft/candidates";
import { browse } from "~/core/browse/browse";
import { spares } from "~/core/group/protect";
import { asked } from "~/fixtures/requests";
import type { Drill } from "~/core/drills/schema";
import type { Group } from "~/core/group/schema";
import { readSession } from "~/core/session/read";
import type { Dose } from "~/core/dose/kinds";
import type { SessionPlan } from "~/core/session/schema";
import { lookup, timedDrill } from "~/fixtures/drills";
import { compile } from "~/core/timeline/compile";
import { doseSeconds } from "~/core/dose/dose";
import { MOST_BEATS } from "~/core/session/size";
import { DRILLS, drillById } from "~/library";

/*
 * Rules about people, on both sides of where they begin to speak.
 */

const seconds = (n: number): Dose => ({ kind: "time", seconds: n });
function session(items: object[], more: object = {}, block: object = {}): SessionPlan {
  const read = readSession(
    {
      format: "mapset/session",
      version: 1,
      title: "t",
      purpose: "before-training",
      blocks: [{ title: "b", items, ...block }],
      ...more,
    },
    drillById,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}
const group = (setting: Group["setting"]): Group => ({ name: "g", people: [{ name: "Moss", areas: [] }], setting });
const says = (rule: string, s: SessionPlan, by: { group?: Group; drills?: (id: string) => Drill | undefined } = {}) =>
  audit(auditInput(s, by.drills ?? drillById, { group: by.group, offered: DRILLS }))
    .filter((one) => one.rule === rule)
    .map((one) => one.message);

describe("long holds before power", () => {
  const hold = (n: number, more: object = {}) => ({ drill: "hip-flexor-hold", dose: seconds(n), ...more });
  const spoken = (items: object[], block: object = {}) => says("long-holds", session(items, {}, block)).length;
  it("speak above a minute a side, not at it", () => {
    expect(spoken([hold(60)])).toBe(0);
    expect(spoken([hold(60.1)])).toBe(1);
  });
  it("count sets, rounds and directions, and holds of the same region in other drills", () => {
    expect(spoken([hold(30, { sets: 2 })])).toBe(0);
    expect(spoken([hold(30.1, { sets: 2 })])).toBe(1);
    expect(spoken([hold(30)], { rounds: 2 })).toBe(0);
    expect(spoken([hold(30.1)], { rounds: 2 })).toBe(1);
    expect(spoken([hold(30, { directions: 2 })])).toBe(0);
    expect(spoken([hold(30.1, { directions: 2 })])).toBe(1);
    expect(spoken([hold(30), hold(30)])).toBe(0);
    expect(spoken([hold(30), hold(30.1)])).toBe(1);
  });
});

describe("unequal sides", () => {
  const left = (n: number) =>
    says(
      "unequal-sides",
      session([
        { drill: "hip-flexor-hold", dose: seconds(30) },
        { drill: "hip-flexor-hold", sides: "left", dose: seconds(n) },
      ]),
    ).length;
  it("are said from one second on", () => {
    expect(left(0.9)).toBe(0);
    expect(left(1)).toBe(1);
    expect(left(19)).toBe(1);
  });
});

describe("a strong effort", () => {
  const effort = { drill: "ankle-effort", dose: drillById("ankle-effort")!.levels.standard.dose };
  const [row] = drillById("ankle-effort")!.levels.standard.main;
  const easy =
    DRILLS.find(
      (drill) =>
        drill.sides === "together" &&
        drill.method !== "effort" &&
        drill.levels.standard.main.includes(row!) &&
        drillById("ankle-effort")!.levels.standard.main.every(
          (one) => drill.levels.standard.main.includes(one) || drill.levels.standard.also.includes(one),
        ),
    ) ?? drillById("ankle-rock")!;
  const each = easy.sides === "together" ? 1 : 2;
  const cold = (items: object[]) => says("cold-effort", session(items)).length;
  it("needs a minute of easier motion before it, both sides together", () => {
    expect(cold([{ drill: easy.id, dose: seconds(60 / each) }, effort])).toBe(0);
    expect(cold([{ drill: easy.id, dose: seconds(59.8 / each) }, effort])).toBe(1);
  });
  it("is not warmed by what comes after it, nor by the effort itself or another", () => {
    expect(cold([effort, { drill: easy.id, dose: seconds(120) }])).toBe(1);
    expect(cold([{ ...effort, sets: 3 }])).toBe(1);
    expect(cold([effort, effort])).toBeGreaterThan(1);
  });
  it("is one from 80 % on, of the ramp or of the pull the opposite way", () => {
    const ramp = (top: number, opposite?: number) =>
      cold([
        {
          drill: "ankle-effort",
          dose: {
            kind: "effort",
            rounds: 1,
            ramp: [
              { effort: 40, seconds: 4 },
              { effort: top, seconds: 4 },
            ],
            ...(opposite !== undefined && { opposite: { effort: opposite, seconds: 4 } }),
          },
        },
      ]);
    expect([ramp(79), ramp(80), ramp(40, 79), ramp(40, 80)]).toEqual([0, 1, 0, 1]);
  });
});

describe("a group's caps", () => {
  const hold = (n: number) =>
    says("caps", session([{ drill: "hip-flexor-hold", dose: seconds(n) }]), { group: group({ holdCap: 45 }) }).length;
  const effort = (top: number, opposite: number) =>
    says(
      "caps",
      session([
        {
          drill: "ankle-effort",
          dose: {
            kind: "effort",
            rounds: 1,
            ramp: [{ effort: top, seconds: 4 }],
            opposite: { effort: opposite, seconds: 4 },
          },
        },
      ]),
      { group: group({ effortCap: 60 }) },
    ).length;
  it("are spoken of above them only", () => {
    expect([hold(45), hold(45.1)]).toEqual([0, 1]);
    expect([effort(60, 60), effort(61, 20), effort(20, 61)]).toEqual([0, 1, 1]);
  });
});

describe("drills to spare an area", () => {
  it("are those with a level that spares it, at that level's own dose", () => {
    const found = new Set(browse(DRILLS, { q: "", spare: "knee-deep-bend" }));
    const keep = [{ area: "knee-deep-bend" as const, way: "keep-off" as const }];
    const onlyEasier = DRILLS.filter(
      (drill) => !spares(drill, "standard", keep) && !spares(drill, "harder", keep) && spares(drill, "easier", keep),
    );
    const none = DRILLS.filter(
      (drill) => !spares(drill, "standard", keep) && !spares(drill, "harder", keep) && !spares(drill, "easier", keep),
    );
    expect(onlyEasier.length).toBeGreaterThan(0);
    expect(none.length).toBeGreaterThan(20);
    expect(onlyEasier.every((drill) => found.has(drill))).toBe(true);
    expect(none.some((drill) => found.has(drill))).toBe(false);
  });
});

describe("the size of a session", () => {
  it("counts both sides of a drill that takes turns", () => {
    const drills = lookup([
      timedDrill("turns", "standing", { sides: "alternating" }),
      timedDrill("both", "standing", { sides: "together" }),
    ]);
    const of = (drill: string, count: number) =>
      readSession(
        {
          format: "mapset/session",
          version: 1,
          title: "t",
          purpose: "off-day",
          blocks: [
            {
              title: "b",
              items: Array.from({ length: 50 }, () => ({
                drill,
                dose: { kind: "reps", count, tempo: [{ do: "a", seconds: 0.1 }] },
              })),
            },
          ],
        },
        drills,
      ).ok;
    expect(MOST_BEATS / 50).toBe(1000);
    expect([of("both", 1000), of("turns", 500), of("turns", 501)]).toEqual([true, true, false]);
  });
});

describe("showing a drill", () => {
  it("comes once, also where its time was set and the block goes round", () => {
    const drills = lookup([timedDrill("kneel", "half-kneeling")]);
    const read = readSession(
      {
        format: "mapset/session",
        version: 1,
        title: "t",
        purpose: "off-day",
        blocks: [{ title: "b", rounds: 3, items: [{ drill: "kneel", dose: seconds(30), demo: 12 }] }],
      },
      drills,
    );
    if (!read.ok) throw new Error("bad");
    expect(
      compile(read.value, drills)
        .segments.filter((one) => one.kind === "demo")
        .map((one) => one.seconds),
    ).toEqual([12]);
  });
});

describe("what a draft may take", () => {
  it("is no hold over 30 s a side before power, where its least is less", () => {
    const { candidates } = candidatesOf(asked({ purpose: "before-game", demand: "handball", target: 600 }), DRILLS);
    const holds = candidates.filter(
      (one) =>
        one.drill.method === "hold" &&
        one.drill.levels[one.level].dose.kind === "time" &&
        one.drill.levels[one.level].bounds.least <= 30,
    );
    expect(holds.length).toBeGreaterThan(3);
    for (const one of holds)
      for (const { dose } of one.options) expect(doseSeconds(dose, { breath: 6 })).toBeLessThanOrEqual(30);
  });
});
