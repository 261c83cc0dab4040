import { beforeAll, describe, expect, it } from "vitest";
import { draft } from "./draft";
import { quickAsks } from "./quick";
import { keptRequestSchema, MOST_ASKED, readRequest, requestOf, type KeptRequest } from "./request";
import { askedWords } from "./words";
import { ARCS } from "~/core/arc/arcs";
import { arcShape } from "~/core/arc/shape";
import { formIn } from "~/core/drills/form";
import { coverageOf } from "~/core/coverage/coverage";
import type { Solve } from "~/core/fit/program";
import { groupSchema } from "~/core/group/schema";
import { PURPOSES } from "~/core/session/schema";
import { weightOf } from "~/core/sport-profiles/fit";
import { compile } from "~/core/timeline/compile";
import { MOTION_FACTS, MOTIONS } from "~/core/vocabulary/motions";
import { KNOWN } from "~/fixtures/requests";
import { DRILLS, drillById } from "~/library";
import { openSolver } from "~/solver/highs";

let solve: Solve;
beforeAll(async () => {
  solve = await openSolver();
});

const kept = (more: object = {}): KeptRequest =>
  keptRequestSchema.parse({ target: 900, purpose: "before-training", demand: "rowing", drafts: 1, ...more });
const squad = (more: object = {}) =>
  groupSchema.parse({
    name: "Squad",
    people: [{ name: "Moss" }, { name: "Tern" }],
    setting: { kit: { stick: 2, pad: 2 }, areas: ["neck"] },
    ...more,
  });
const all = (request: KeptRequest, group?: ReturnType<typeof squad>) =>
  quickAsks(request, group).flatMap(({ asks }) => asks);
const click = (request: KeptRequest, id: string, group?: ReturnType<typeof squad>): KeptRequest =>
  all(request, group).find((one) => one.id === id)!.toggled;
const answer = (request: KeptRequest, group?: ReturnType<typeof squad>) => {
  const read = readRequest(requestOf(request, group), KNOWN);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return draft(read.value, DRILLS, solve);
};
const drafted = (request: KeptRequest, group?: ReturnType<typeof squad>) => {
  const made = answer(request, group);
  if (made.kind !== "drafts") throw new Error(JSON.stringify(made));
  const [{ session }] = made.drafts as [(typeof made.drafts)[number]];
  return { session, items: session.blocks.flatMap((block) => block.items), notes: made.notes };
};

describe("what is asked for in one click", () => {
  it("is on after it, and the request is as it was after another", () => {
    for (const group of [undefined, squad({ shown: ["cat-camel", "cat-camel"] })])
      for (const { id, on } of all(kept(), group)) {
        const once = click(kept(), id, group);
        expect(all(once, group).find((one) => one.id === id)!.on, id).toBe(!on);
        expect(click(once, id, group), id).toEqual(kept());
        expect(keptRequestSchema.parse(once)).toEqual(once);
      }
  });
  it("is of kit that there is, and of what the group knows where it has done something", () => {
    const ids = (group?: ReturnType<typeof squad>) => all(kept(), group).map(({ id }) => id);
    expect(ids()).toContain("with-band");
    expect(ids(squad())).toEqual(expect.arrayContaining(["with-stick", "no-kit"]));
    expect(ids(squad())).not.toContain("with-band");
    expect(ids(squad())).not.toContain("known");
    expect(ids(squad({ shown: ["cat-camel"] }))).toEqual(expect.arrayContaining(["new", "known"]));
  });
  it("keeps what the group protects besides, and its kit for when there is to be some again", () => {
    const without = click(kept(), "without-kneeling", squad());
    expect(without.setting?.areas).toEqual([...squad().setting.areas!, { area: "kneeling" }]);
    const none = click(kept({ using: ["stick"] }), "no-kit", squad());
    expect(none.setting?.kit).toEqual({});
    expect(none.using).toEqual([]);
    // With a stick there is kit again: the group’s own.
    const stick = click(none, "with-stick", squad());
    expect(stick.using).toEqual(["stick"]);
    expect(stick.setting?.kit ?? squad().setting.kit).toEqual(squad().setting.kit);
  });
  it("asks for so much at most, the last of it", () => {
    let request = kept();
    for (const { id } of all(request).filter((one) => one.id.startsWith("more-"))) request = click(request, id);
    expect(request.tight).toHaveLength(MOST_ASKED);
    expect(request.tight.at(-1)).toBe("neck");
  });
  it("is said in words", () => {
    expect(askedWords(kept())).toEqual([]);
    expect(
      askedWords(kept({ using: ["stick"], tight: ["shoulder", "shoulder-blade", "hip"], familiar: "known" })),
    ).toEqual(["something with a stick", "more for the shoulders and hips", "what they know"]);
  });
});

describe("what comes of it", () => {
  it("is something with a stick, or a line that says there is nothing", () => {
    const { items } = drafted(click(kept(), "with-stick"));
    expect(items.some((item) => formIn(item, drillById)!.levels[item.level].kit.includes("stick"))).toBe(true);
    const { notes } = drafted(kept({ using: ["bar"], purpose: "before-game", demand: "football" }));
    expect(notes).toContain("No drill with a bar overhead fits this.");
  });
  it("is more of what the joint does", () => {
    const seconds = (request: KeptRequest) => {
      const { session } = drafted(request);
      const coverage = coverageOf(session, compile(session, drillById), drillById);
      return MOTIONS.filter((row) => MOTION_FACTS[row].joint === "neck").reduce(
        (sum, row) => sum + coverage[row].counts,
        0,
      );
    };
    expect(seconds(click(kept(), "more-neck"))).toBeGreaterThan(seconds(kept()));
    const read = readRequest({ ...kept({ tight: ["neck"] }) }, KNOWN);
    expect(read.ok && weightOf(read.value.demand, "nk.rot")).toBeGreaterThanOrEqual(1);
  });
  it("is something new to a group, or hardly anything", () => {
    const knows = DRILLS.filter((_, i) => i % 2 === 0).flatMap(({ id }) => [id, id]);
    const group = squad({ shown: knows, setting: {} });
    const fresh = (request: KeptRequest) =>
      drafted(request, group).items.filter(
        ({ drill, level }) => !knows.includes(drill) && (drillById(drill)!.levels[level].skill ?? 0) >= 1,
      ).length;
    expect(fresh(kept({ familiar: "new" }))).toBeGreaterThanOrEqual(1);
    expect(fresh(kept({ familiar: "known" }))).toBeLessThanOrEqual(1);
  });
});

describe("the arc as it is drawn", () => {
  it("has the phases of its length, none without time, and gets up before power and down after it", () => {
    for (const purpose of PURPOSES)
      for (const target of [300, 600, 1800])
        for (const { least, most, pulse } of arcShape(ARCS[purpose], target)) {
          expect(least).toBeGreaterThan(0);
          expect(most).toBeGreaterThanOrEqual(least);
          expect(pulse).toBeGreaterThanOrEqual(0);
        }
    expect(arcShape(ARCS["before-game"], 600).map(({ pulse }) => pulse)).toEqual([2, 2, 3, 3]);
    expect(arcShape(ARCS["after-training"], 600).map(({ pulse }) => pulse)).toEqual([2, 1, 0]);
    expect(arcShape(ARCS["off-day"], 300).map(({ id }) => id)).toEqual(["move", "lengthen", "breathe"]);
  });
});
