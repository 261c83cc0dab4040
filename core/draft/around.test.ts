import { beforeAll, describe, expect, it } from "vitest";
import { forAnother, lastOf, nearestSchool, requestForJoint, requestForRow, requestLike, usualRequest } from "./begin";
import { differences } from "./compare";
import { draft, type Draft } from "./draft";
import { restated } from "./explain";
import { withoutLimit } from "./relax";
import { keptRequestSchema, readRequest, requestOf, type DraftRequest } from "./request";
import { swapsFor } from "./swap";
import {
  differSentence,
  differWords,
  keepingWords,
  kitWords,
  methodsWords,
  mindingWords,
  rowsWords,
  titleFor,
} from "./words";
import { audit, auditInput } from "~/core/audit/audit";
import { isNotable } from "~/core/checkin/notable";
import { quantile } from "~/core/statistics";
import { newSession, itemOf } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { asked, KNOWN } from "~/fixtures/requests";
import { DRILLS, drillById } from "~/library";
import { SEQUENCINGS } from "~/library/sequencings";
import { openSolver } from "~/solver/highs";

let request: DraftRequest;
let drafts: Draft[];
beforeAll(async () => {
  request = asked({
    target: 1200,
    school: "circles-first",
    group: {
      name: "Few",
      people: [{ name: "Pip", areas: ["kneeling"] }],
      setting: { kit: { pad: 1, stick: 2, wall: 1 } },
    },
  });
  const answer = draft(request, DRILLS, await openSolver());
  if (answer.kind !== "drafts") throw new Error(JSON.stringify(answer));
  drafts = answer.drafts;
});

describe("the reasons of a draft", () => {
  it("say for every drill why it is here and why at this place, in whole sentences", () => {
    for (const { session, reasons } of drafts) {
      expect(reasons.map((list) => list.length)).toEqual(session.blocks.map((block) => block.items.length));
      for (const { why, place } of reasons.flat()) {
        expect(why).toMatch(/^[A-Z].{12,}[.!?]$/s);
        // Nothing is said twice of where a drill stands, so there may be nothing to say.
        expect(place).toMatch(/^$|^[A-Z].{12,}[.!?]$/s);
      }
      const places = reasons
        .flat()
        .flatMap(({ place }) => place.match(/[^.]+\./g) ?? [])
        .filter((one) => !/stays|is there already|opposite/.test(one));
      expect(new Set(places).size).toBe(places.length);
    }
  });
  it("name what is short with its seconds, and why", () => {
    const [one] = drafts;
    for (const { row, has, wants, why } of one!.missing) {
      expect(has).toBeLessThan(wants);
      expect(request.demand.rows[row]?.weight).toBeGreaterThan(0);
      expect(why).toMatch(/^(the time went|no drill (in|for)|what works it is kept out by)/);
    }
    const none = asked({ demand: { rows: { "sh.ext": 3, "hip.flex": 1 } }, methods: ["breath"], purpose: "off-day" });
    const session = newSession({ title: "x", purpose: "off-day", target: 900 }, [
      {
        title: "",
        rounds: 1,
        restBetweenRounds: 0,
        sideOrder: "drill-by-drill",
        items: [itemOf(drillById("cat-camel")!)],
      },
    ]);
    expect(restated(session, none, DRILLS).missing.find((m) => m.row === "sh.ext")?.why).toContain("methods allowed");
  });
  it("tell who does something else, as the audit does", () => {
    const found = drafts.flatMap(({ session }) =>
      audit(auditInput(session, drillById, { demand: request.demand, group: request.group, offered: DRILLS })).filter(
        (f) => f.rule === "protected-areas",
      ),
    );
    const told = drafts.flatMap((one) => one.cautions);
    for (const { message } of found) expect(told).toContain(message);
  });
});

describe("what tells drafts apart", () => {
  it("is a line each, not the same for two, and names meets the most needs only where it is better", () => {
    expect(drafts.length).toBeGreaterThan(1);
    expect(drafts.every((one) => one.differs.length > 0)).toBe(true);
    const real = drafts.map((one) => one.differs).filter((line) => line !== "different drills for the same needs");
    expect(new Set(real).size).toBe(real.length);
    const twice = differences(
      [
        { session: drafts[0]!.session, fit: 0.9 },
        { session: drafts[0]!.session, fit: 0.9 },
      ],
      drillById,
    );
    expect(twice).toEqual(["different drills for the same needs", "different drills for the same needs"]);
    expect(
      differences(
        [
          { session: drafts[0]!.session, fit: 0.9 },
          { session: drafts[0]!.session, fit: 0.8 },
        ],
        drillById,
      )[0],
    ).toContain("meets the most needs");
    expect(differences([{ session: drafts[0]!.session, fit: 1 }], drillById)).toEqual([""]);
  });
});

describe("a swap", () => {
  it("keeps the time, the limits, the drills around it and the step of the order, for every place of a draft", () => {
    const { session } = drafts[0]!;
    let offered = 0;
    session.blocks.forEach((block, b) =>
      block.items.forEach((item, i) => {
        for (const swap of swapsFor(session, { block: b, item: i }, request, DRILLS)) {
          offered++;
          expect(swap.item.drill).not.toBe(item.drill);
          expect(compile(swap.session, drillById).totalSeconds).toBeCloseTo(swap.seconds, 6);
          expect(swap.seconds).toBeLessThanOrEqual(request.target + 1e-6);
          expect(swap.seconds).toBeGreaterThanOrEqual(Math.min(drafts[0]!.seconds, request.target - 15) - 1e-6);
          const [was, is] = [session, swap.session].map((s) =>
            s.blocks.flatMap((x, bb) => x.items.filter((_, ii) => bb !== b || ii !== i).map((one) => one.drill)),
          );
          expect(is).toEqual(was);
          expect(
            audit(
              auditInput(swap.session, drillById, { demand: request.demand, group: request.group, offered: DRILLS }),
            ).filter((f) => f.severity === "stop" || f.rule === "kit"),
          ).toEqual([]);
        }
      }),
    );
    expect(offered).toBeGreaterThan(session.blocks.length);
    expect(swapsFor(session, { block: 99, item: 0 }, request, DRILLS)).toEqual([]);
  });
});

describe("where a request begins", () => {
  const session = newSession({ title: "Floor work", purpose: "off-day", target: 540 }, [
    {
      title: "",
      rounds: 1,
      restBetweenRounds: 0,
      sideOrder: "drill-by-drill",
      items: ["roller-arm-openers", "cat-camel", "hip-flexor-hold", "squat-free"].map((id) => itemOf(drillById(id)!)),
    },
  ]);
  it("is what was last done, a motion with its joint, or a joint", () => {
    expect(usualRequest()).toMatchObject({ target: 600, purpose: "before-training", demand: "general" });
    expect(usualRequest({ purpose: "off-day", target: 900, demand: "own-1" })).toMatchObject({
      target: 900,
      purpose: "off-day",
      demand: "own-1",
    });
    expect(requestForRow("hip.ir")).toMatchObject({ target: 300, demand: { rows: { "hip.ir": 3, "hip.er": 1 } } });
    expect(requestForJoint("ankle").demand).toEqual({ rows: { "an.df": 2, "an.pf": 2, "an.ie": 2 } });
  });
  it("turns to another group: what was as usual with the first is as usual with the other, what was changed stays", () => {
    const lasts = [
      { groupId: "b", purpose: "off-day" as const, target: 1200, demand: "combat" },
      { groupId: "a", purpose: "before-game" as const, target: 480, demand: "handball" },
      { groupId: null, purpose: "desk-break" as const, target: 300, demand: undefined },
    ];
    expect([null, "a", "c"].map((id) => lastOf(lasts, id)?.target)).toEqual([1200, 480, undefined]);
    const begun = usualRequest(lastOf(lasts, "a"));
    expect(forAnother(begun, lastOf(lasts, "a"), lastOf(lasts, "b"))).toEqual(usualRequest(lastOf(lasts, "b")));
    const changed = { ...begun, target: 600, never: ["squat-free"], setting: { floor: 4 } };
    expect(forAnother(changed, lastOf(lasts, "a"), lastOf(lasts, "b"))).toEqual({
      ...usualRequest(lastOf(lasts, "b")),
      target: 600,
      never: ["squat-free"],
    });
    // What was learnt of one group’s pace is not taken to another.
    const paced = { ...begun, pace: { ...begun.pace, moveBase: 4.5, demo: 10 } };
    expect(forAnother(paced, lastOf(lasts, "a"), lastOf(lasts, "b")).pace).toEqual(begun.pace);
    expect(forAnother(changed, lastOf(lasts, "a"), undefined)).toEqual({
      ...begun,
      target: 600,
      never: ["squat-free"],
    });
  });
  it("is a session: its own length or another, its drills again, without what an area forbids", () => {
    const same = requestLike(session, drillById, SEQUENCINGS, { demand: undefined });
    expect(same).toMatchObject({
      title: "Floor work",
      target: 540,
      purpose: "off-day",
      like: ["roller-arm-openers", "cat-camel", "hip-flexor-hold", "squat-free"],
      school: "up-from-the-floor",
    });
    expect(Object.keys((same.demand as { rows: object }).rows).length).toBeGreaterThan(3);
    const other = requestLike(session, drillById, SEQUENCINGS, {
      demand: "rowing",
      target: 720,
      without: "kneeling",
      setting: { areas: ["neck"], floor: 5 },
    });
    expect(other).toMatchObject({ target: 720, demand: "rowing", setting: { areas: ["neck", "kneeling"], floor: 5 } });
    expect(requestLike(session, drillById, SEQUENCINGS, { demand: undefined, target: 1e9 }).target).toBe(7200);
    expect(readRequest(requestOf(same, undefined), KNOWN).ok).toBe(true);
  });
  it("finds the school an order is nearest to", () => {
    const turned = { ...session, blocks: [{ ...session.blocks[0]!, items: [...session.blocks[0]!.items].reverse() }] };
    expect(
      nearestSchool(
        turned,
        drillById,
        SEQUENCINGS.filter((s) => s.stages.length === 1),
      ),
    ).toBe("standing-down");
  });
  it("gives way in one thing at a time", () => {
    const kept = keptRequestSchema.parse({
      target: 600,
      purpose: "off-day",
      demand: "rowing",
      never: ["cat-camel"],
      must: ["squat-free"],
      methods: ["hold"],
    });
    const setting = { kit: {}, floor: 3, effortCap: 50, holdCap: 30 };
    expect(withoutLimit(kept, "kit", setting).setting).toEqual({ floor: 3, effortCap: 50, holdCap: 30 });
    const desk = withoutLimit({ ...kept, purpose: "desk-break" }, "kit", setting);
    expect(desk.setting).toMatchObject({ floor: 3, kit: { stick: 99, "light weight": 99 } });
    expect(kitWords(desk.setting!, "desk-break")).toBe("18 kinds of kit, 3 m of floor");
    expect(withoutLimit(kept, "caps", setting).setting).toEqual({ kit: {}, floor: 3 });
    expect(withoutLimit(kept, "methods", setting).methods).toBeUndefined();
    expect(withoutLimit(kept, "must", setting).must).toEqual([]);
    expect(withoutLimit(kept, "never", setting).never).toEqual([]);
    expect(withoutLimit(kept, "target", setting).target).toBe(900);
    expect(withoutLimit(kept, "effort", setting).preferred).toEqual(["effort"]);
    for (const limit of ["protected-areas", "balance-support", "mixed-group", "floor"] as const)
      expect(withoutLimit(kept, limit, { ...setting, areas: ["neck"], support: true, mixed: true })).not.toEqual(kept);
  });
});

describe("the words of a request", () => {
  const kept = keptRequestSchema.parse({ target: 600, purpose: "off-day", demand: "rowing" });
  it("say each part in plain words", () => {
    expect(rowsWords({ "hip.ir": 1, "hip.er": 3 })).toBe("hip external rotation and hip internal rotation");
    expect(rowsWords({})).toBe("no motion yet");
    expect(methodsWords({ methods: undefined, preferred: undefined })).toBe("any method");
    expect(methodsWords({ methods: ["hold", "breath"], preferred: ["hold"] })).toBe(
      "holds and breathing, preferably holds",
    );
    expect(kitWords({})).toBe("whatever kit there is");
    expect(kitWords({}, "desk-break")).toBe("what any room has");
    expect(kitWords({ kit: {}, floor: 4 })).toBe("no kit at all, 4 m of floor");
    expect(
      mindingWords(
        { areas: ["kneeling"], effortCap: 60 },
        { name: "G", people: [{ name: "P", areas: ["neck"] }], setting: {} },
      ),
    ).toBe("kneeling, what 1 person protects and effort up to 60 %");
    expect(mindingWords({}, undefined)).toBe("no limits");
    expect([0, 1, 2, 3].map(differWords)).toEqual([
      "repeating what fits best",
      ...["last time", "each of the last two", "each of the last three"].map((when) => `changing half of ${when}`),
    ]);
    expect(differSentence([{ title: "One" }])).toBe("At most half of the drills of “One” come again.");
    expect(differSentence([{ title: "One" }, { title: "Two" }])).toBe(
      "At most half of the drills of “One” and “Two” come again, of each.",
    );
    expect(keepingWords({ ...kept, must: ["cat-camel"], never: ["squat-free"] }, drillById)).toBe(
      "with Cat–camel; without Free squat to own depth",
    );
    expect(titleFor(kept, "Squad", "Rowing")).toBe("Squad, off day");
    expect(titleFor({ ...kept, title: "Mine" }, undefined, "Rowing")).toBe("Mine");
  });
});

describe("small things beside it", () => {
  it("a rating is worth minutes when a side is tight or clearly tighter", () => {
    expect(
      [
        { left: 6, right: 2 },
        { left: 5, right: 2 },
        { left: 5, right: 4 },
        { left: null, right: 7 },
        { left: null, right: 3 },
      ].map(isNotable),
    ).toEqual([true, true, false, true, false]);
  });
  it("a quantile is the nearest rank", () => {
    expect(quantile([], 0.5)).toBeUndefined();
    expect([0, 0.5, 0.95, 1].map((q) => quantile([5, 1, 4, 2, 3], q))).toEqual([1, 3, 5, 5]);
    expect(
      quantile(
        Array.from({ length: 64 }, (_, i) => i + 1),
        0.95,
      ),
    ).toBe(61);
  });
});
