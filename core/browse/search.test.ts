import { describe, expect, it } from "vitest";
import { needsOf } from "~/core/drills/form";
import { inFamilies } from "./browse";
import { findDrills, makeFindable } from "./search";
import { DRILLS, drillById } from "~/library";

const findable = makeFindable(DRILLS);
const ids = (query: string) => findDrills(findable, query).map((drill) => drill.id);

describe("what coaches type", () => {
  /** A word, and drills that anybody who types it means. */
  const WORDS: readonly (readonly [string, ...string[]])[] = [
    ["squats", "squat-free", "squat-walk"],
    ["lunges", "lunge-reverse", "lunge-side"],
    ["glutes", "bridge", "glute-squeeze"],
    ["bum", "bridge"],
    ["hamstrings", "hamstring-hold"],
    ["hammies", "hamstring-hold"],
    ["thoracic", "open-book"],
    ["t spine rotation", "open-book"],
    ["upper back twist", "open-book"],
    ["groin", "adductor-hold"],
    ["inner thigh", "adductor-rock-long"],
    ["kettlebell", "goblet-pry"],
    ["dumbbell", "bench-pullover"],
    ["foam roll", "roll-calf"],
    ["foam roller", "roll-glute"],
    ["rolling", "roll-glute"],
    ["dead hang", "bar-hang"],
    ["hang", "bar-hang"],
    ["pull-up bar", "bar-hang"],
    ["broomstick", "stick-pass"],
    ["broom handle", "stick-pass"],
    ["dowel", "stick-pass"],
    ["quads", "quad-side"],
    ["quadriceps stretch", "quad-prone"],
    ["calves", "calf-wall-straight"],
    ["calf raises", "calf-raise"],
    ["achilles", "ankle-rock"],
    ["hip flexors", "hip-flexor-hold"],
    ["psoas", "hip-flexor-hold"],
    ["piriformis", "figure-four"],
    ["figure 4", "figure-four"],
    ["pigeon", "pigeon-fold"],
    ["butterfly", "butterfly-hold"],
    ["frog", "wide-kneel-rock"],
    ["cobra", "prone-press-up"],
    ["child's pose", "folded-kneel-reach"],
    ["cat cow", "cat-camel"],
    ["bird dog", "bird-dog-long"],
    ["dead bug", "knee-hug-switch"],
    ["planks", "plank-step-turn"],
    ["side plank", "star-plank-dip"],
    ["clam", "side-knee-lift"],
    ["inchworm", "toe-touch-walk"],
    ["leg swings", "leg-swing-front"],
    ["abs", "knee-hug-switch"],
    ["core", "bird-dog-long"],
    ["lats", "bench-pullover"],
    ["chest", "stick-behind-lift"],
    ["rotator cuff", "stick-pocket-circle"],
    ["scapula", "shoulder-blade-push-up"],
    ["press ups", "shoulder-blade-push-up"],
    ["neck", "neck-glides"],
    ["breathing", "box-breathing"],
    ["relax", "long-exhale"],
    ["big toe", "toe-sit"],
    ["feet", "toe-sit"],
    ["shins", "tibialis-lift"],
    ["resistance band", "band-over"],
    ["isometrics", "ankle-effort"],
    ["single leg", "single-leg-reach"],
    ["duck walk", "squat-walk"],
    ["hip circles", "hip-circle-kneel"],
    ["low back", "cat-camel"],
    ["core stability", "bird-dog-long"],
    ["all fours rock", "kneel-rock-neutral"],
    ["lying on the back", "figure-four"],
    ["side bends", "stick-side-bend"],
    ["adductors with a block", "adductor-bridge"],
    ["wall calf stretch", "calf-wall-straight"],
    ["ankle mobility", "ankle-rock"],
    ["90/90", "ninety-switch"],
  ];
  it("knows at least sixty", () => expect(new Set(WORDS.map(([word]) => word)).size).toBeGreaterThanOrEqual(60));
  it.each(WORDS.map(([word, ...drills]) => [word, drills] as const))("“%s” finds what is meant", (word, drills) => {
    const found = ids(word);
    for (const drill of drills) expect(found.slice(0, 25), word).toContain(drill);
  });
  it.each([
    ["sqat", "squat-free"],
    ["hamstirng", "hamstring-hold"],
    ["shouder", "stick-pass"],
    ["brething", "box-breathing"],
    ["luneg", "lunge-reverse"],
    ["adductr", "adductor-hold"],
    ["squta", "squat-free"],
    ["ankel", "ankle-rock"],
    ["gluets", "bridge"],
    ["quds", "quad-prone"],
  ])("“%s” is a slip of the finger", (word, drill) => expect(ids(word)).toContain(drill));
  it("finds a word while it is being typed, at any length", () => {
    for (const word of ["hamstring", "squat", "breathing", "kettlebell", "thoracic"])
      for (let n = 2; n <= word.length; n++) expect(ids(word.slice(0, n)).length, word.slice(0, n)).toBeGreaterThan(0);
  });
  it("puts first what begins as it was typed, small words and all", () => {
    const own = makeFindable([...DRILLS, { ...drillById("calf-raise")!, id: "own", name: "Wall lean with a step" }]);
    expect(findDrills(own, "wall lean with")[0]!.name).toBe("Wall lean with a step");
    expect(findDrills(own, "wall lean")[0]!.name).toMatch(/^Wall.lean/);
  });
  it("finds no word in the middle of another, and nothing for what means nothing", () => {
    expect(ids("hang")).not.toContain("ninety-switch");
    expect(ids("zebra crossing")).toEqual([]);
    expect(ids("x".repeat(120))).toEqual([]);
  });
});

describe("what is left out", () => {
  it("by area, kit and posture, alone or with what is wanted", () => {
    for (const query of ["hips no kneeling", "hip without kneeling", "Hips, no kneeling!"]) {
      expect(ids(query)).toContain("squat-reach");
      expect(ids(query)).not.toContain("hip-flexor-hold");
    }
    expect(ids("no kneeling").length).toBeGreaterThan(40);
    expect(ids("hip no sitting")).not.toContain("chair-foot-swings");
    expect(ids("no running")).not.toContain("jog-lanes");
    expect(ids("hip without a partner")).not.toContain("pair-leg-swings");
    expect(ids("shoulders without a stick")).toContain("band-over");
    expect(ids("shoulders without a stick")).not.toContain("stick-pass");
    // A pad only helps: what needs none is done without kit.
    for (const id of ids("no equipment")) expect(needsOf(drillById(id)!.levels.standard)).toEqual([]);
    expect(ids("no equipment")).toContain("hip-flexor-hold");
    expect(ids("without a pad")).not.toContain("hip-flexor-hold");
    for (const id of ids("hips no lying"))
      expect(["supine", "prone", "side-lying"]).not.toContain(drillById(id)!.levels.standard.posture);
    for (const id of ids("no floor")) expect(drillById(id)!.levels.standard.posture).not.toBe("supine");
  });
  it("is not, where it means nothing", () => expect(ids("no zebra")).toEqual([]));
});

it("finds the plainest of several names first", () => {
  const [first, second] = findDrills(makeFindable(DRILLS), "bridge");
  expect([first!.id, second!.id]).toEqual(["bridge", "adductor-bridge"]);
  expect(findDrills(makeFindable(DRILLS), "single-leg hip bridge")[0]!.id).toBe("bridge-single");
});

describe("drills of one idea", () => {
  it("are one row, where the first of them is found, and each is in one row", () => {
    const one = (id: string, family?: string) => ({ id, family });
    const rows = inFamilies([one("a"), one("b", "x"), one("c"), one("d", "x"), one("e", "y"), one("f")]);
    expect(rows.map((row) => row.map(({ id }) => id))).toEqual([["a"], ["b", "d"], ["c"], ["e"], ["f"]]);
  });
  it("leave a coach's own by itself, before and after the others", () => {
    const one = (id: string) => ({ id, family: "x" });
    const rows = inFamilies([one("own-1"), one("a"), one("own-2"), one("b")], ({ id }) => id.startsWith("own-"));
    expect(rows.map((row) => row.map(({ id }) => id))).toEqual([["own-1"], ["a", "b"], ["own-2"]]);
  });
  it("leave none of the library out", () => {
    const rows = inFamilies(DRILLS);
    expect(rows.flat()).toHaveLength(DRILLS.length);
    expect(new Set(rows.flat()).size).toBe(DRILLS.length);
    for (const [first, ...others] of rows) for (const other of others) expect(other.family).toBe(first.family);
  });
});
