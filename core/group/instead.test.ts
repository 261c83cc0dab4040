import { describe, expect, it } from "vitest";
import { fallbackFor } from "./fallback";
import { insteadOf, notOneDown } from "./instead";
import { protectionsOf } from "./protect";
import type { Group } from "./schema";
import type { Area, Grade } from "~/core/vocabulary/areas";
import type { Drill, DrillLevel } from "~/core/drills/schema";
import type { Item, SessionPlan } from "~/core/session/schema";
import type { LevelName } from "~/core/vocabulary/levels";
import { itemOf, newSession } from "~/core/session/start";
import { USUAL_PACE } from "~/core/dose/pace";
import { allAtOnce } from "~/core/steps";
import { madeDrill } from "~/fixtures/drills";

/*
 * What one person does in place of an item, and which drill comes first of those that could: made-up drills, so that each
 * reason stands alone.
 */

const stress = madeDrill("plain").levels.standard.stress!;
const stressing = (area: Area, grade: Grade = 2): Partial<DrillLevel> => ({
  stress: { ...stress, always: [{ area, grade, side: "both" }] },
});
const neck = protectionsOf(["neck"]);

function sessionOf(items: Item[], rounds = 1): SessionPlan {
  return newSession({ title: "t", purpose: "off-day", target: undefined }, [
    { title: "b", rounds, restBetweenRounds: 0, sideOrder: "drill-by-drill", items: items },
  ]);
}
const finder =
  (...drills: Drill[]) =>
  (id: string) =>
    drills.find((drill) => drill.id === id);

describe("what someone does in place of what the others do", () => {
  const fine = madeDrill("fine");
  const down = madeDrill("down", { levels: { standard: stressing("neck") } });
  const bad = madeDrill("bad", { ...stressing("neck"), main: ["kn.flex"] });
  const other = madeDrill("other", { main: ["kn.flex"] });
  const drills = finder(fine, down, bad, other);
  const session = sessionOf([itemOf(fine), itemOf(down), itemOf(bad), { ...itemOf(fine), drill: "gone" }]);
  it("is nothing for someone who protects nothing, not even where a drill is not there", () => {
    expect(insteadOf(session, [], { drills, offered: [other] })).toEqual([]);
  });
  it("is a level down, another drill, or rest; and rest where nobody knows what is loaded", () => {
    expect(insteadOf(session, neck, { drills, offered: [other] })).toEqual([
      { block: 0, item: 1, does: "other", drill: down, level: "easier" },
      { block: 0, item: 2, does: "other", drill: other, level: "standard" },
      { block: 0, item: 3, does: "rest" },
    ]);
    expect(insteadOf(session, neck, { drills, offered: [] })).toContainEqual({ block: 0, item: 2, does: "rest" });
    expect(insteadOf(sessionOf([itemOf(fine)]), neck, { drills, offered: [other] })).toEqual([]);
  });
  it("looks at the kit of the group, and at the time of all rounds", () => {
    const withPad = madeDrill("with-pad", { main: ["kn.flex"], kit: ["pad"] });
    const group = (pad: number): Group => ({
      name: "g",
      people: [{ name: "Moss", areas: ["neck"] }],
      setting: { kit: { pad } },
    });
    const one = sessionOf([itemOf(bad)]);
    expect(insteadOf(one, neck, { drills, offered: [withPad], group: group(0) })).toEqual([
      { block: 0, item: 0, does: "rest" },
    ]);
    expect(insteadOf(one, neck, { drills, offered: [withPad], group: group(1) })).toEqual([
      { block: 0, item: 0, does: "other", drill: withPad, level: "standard" },
    ]);
    // Half a minute of it is fine, more is not.
    const long = madeDrill("long", {
      stress: { ...stress, timed: [{ area: "neck", grade: 2, side: "middle", from: 31 }] },
    });
    const by = { drills: finder(long), offered: [] };
    expect(insteadOf(sessionOf([itemOf(long)]), neck, by)).toEqual([]);
    expect(insteadOf(sessionOf([itemOf(long)], 2), neck, by)).toEqual([{ block: 0, item: 0, does: "rest" }]);
  });
  it("says where the level below would load what the item itself does not", () => {
    const worse = madeDrill("worse", { levels: { easier: stressing("neck") } });
    const find = finder(worse, fine);
    const at = (level: LevelName, protections = neck) =>
      notOneDown(sessionOf([itemOf(fine), itemOf(worse, level)]), protections, find);
    expect(at("standard")).toEqual([{ block: 0, item: 1 }]);
    expect(at("harder")).toEqual([]);
    expect(at("easier")).toEqual([]);
    expect(at("standard", [])).toEqual([]);
    expect(notOneDown(sessionOf([{ ...itemOf(fine), drill: "gone" }]), neck, find)).toEqual([]);
    expect(notOneDown(sessionOf([itemOf(worse)], 3), protectionsOf([{ area: "neck", way: "small" }]), find)).toEqual([
      { block: 0, item: 0 },
    ]);
  });
});

describe("which drill comes first in place of another", () => {
  const own = madeDrill("own", {
    ...stressing("neck"),
    method: "hold",
    sides: "each",
    main: ["hip.flex", "hip.ext"],
    posture: "tall-kneeling",
  });
  const like = (id: string, over: Parameters<typeof madeDrill>[1] = {}) =>
    madeDrill(id, { method: "hold", sides: "each", main: ["hip.flex", "hip.ext"], posture: "tall-kneeling", ...over });
  const first = (item: Item, ...offered: Drill[]) => {
    const found = fallbackFor(item, neck, { drills: finder(own), offered, pace: USUAL_PACE });
    return found && `${found.drill.id} ${found.level}`;
  };
  const item = itemOf(own);
  it("is the nearest position, then the same way of working, then the standard level", () => {
    expect(first(item, like("squatting", { posture: "hands-and-knees" }), like("there"))).toBe("there standard");
    expect(first(item, like("there"), like("near", { posture: "hands-and-knees" }))).toBe("there standard");
    expect(first(item, like("moving", { method: "dynamic" }), like("held"))).toBe("held standard");
    expect(first(item, like("held"), like("moving", { method: "dynamic" }))).toBe("held standard");
    // A step of height weighs more than another way of working, and that more than a level.
    expect(first(item, like("near", { posture: "hands-and-knees" }), like("moving", { method: "dynamic" }))).toBe(
      "moving standard",
    );
    expect(
      first(item, like("moving", { method: "dynamic" }), like("low", { levels: { standard: stressing("neck") } })),
    ).toBe("low easier");
    expect(first(item, like("low", { levels: { standard: stressing("neck") } }), like("held"))).toBe("held standard");
  });
  it("is of no harder level than the item's, and harder ways only in place of the same", () => {
    expect(first(itemOf(own, "easier"), like("higher", { levels: { easier: stressing("neck") } }))).toBeUndefined();
    expect(
      first(
        itemOf(own, "harder"),
        like("higher", { levels: { easier: stressing("neck"), standard: stressing("neck") } }),
      ),
    ).toBe("higher harder");
    expect(
      first(item, like("higher", { levels: { easier: stressing("neck"), standard: stressing("neck") } })),
    ).toBeUndefined();
    expect(first(item, like("lifts", { method: "strength" }))).toBeUndefined();
    const strong = { ...own, method: "strength" as const };
    expect(
      fallbackFor(item, neck, {
        drills: () => strong,
        offered: [like("lifts", { method: "strength" })],
        pace: USUAL_PACE,
      })?.drill.id,
    ).toBe("lifts");
  });
  it("serves all its main work, on its sides and in as many directions", () => {
    expect(first(item, like("half", { main: ["hip.flex"] }))).toBeUndefined();
    expect(first(item, like("more", { main: ["kn.flex", "hip.ext", "hip.flex"] }))).toBe("more standard");
    expect(first(item, like("both", { sides: "together" }))).toBeUndefined();
    expect(first(item, like("turns", { sides: "alternating" }))).toBe("turns standard");
    expect(first({ ...item, sides: "alternating" }, like("each"))).toBeUndefined();
    expect(first({ ...item, sides: "alternating" }, like("turns", { sides: "alternating" }))).toBe("turns standard");
    expect(first({ ...item, sides: "together" }, like("both", { sides: "together" }))).toBe("both standard");
    expect(first({ ...item, sides: "together" }, like("each"))).toBeUndefined();
    expect(first({ ...item, directions: 2 }, like("one-way"))).toBeUndefined();
    expect(first({ ...item, directions: 2 }, like("two-way", { directions: 2 }))).toBe("two-way standard");
    // Never itself under another name for it.
    expect(first(item, { ...like("own"), levels: like("own").levels })).toBeUndefined();
  });
  it("lasts as long as the item: a ladder's rung as much as seconds", () => {
    const long = { ...item, dose: { kind: "time" as const, seconds: 200 } };
    expect(first(long, like("short"))).toBeUndefined();
    expect(first(long, like("as-long", { bounds: { least: 10, most: 200, step: 5 } }))).toBe("as-long standard");
    const ladder = {
      dose: { kind: "ladder" as const, rungs: [10, 20, 30], rung: 0 },
      bounds: { least: 10, most: 30, step: 10 },
    };
    expect(first(item, like("ladder", ladder))).toBe("ladder standard");
    expect(first({ ...item, dose: { kind: "time", seconds: 31 } }, like("ladder", ladder))).toBeUndefined();
  });
  it("is worked with its own effort at a level down, never with the others'", () => {
    const ramp = (effort: number) => ({
      dose: { kind: "effort" as const, rounds: 1, ramp: [{ effort, seconds: 6 }] },
      bounds: { least: 1, most: 3, step: 1 },
    });
    const effort = madeDrill("effort", {
      levels: { standard: { ...ramp(90), ...stressing("neck") }, easier: ramp(40) },
    });
    const strong = protectionsOf(["neck", "max-effort"]);
    expect(fallbackFor(itemOf(effort), strong, { drills: finder(effort), offered: [], pace: USUAL_PACE })).toEqual({
      drill: effort,
      level: "easier",
    });
    // One whose easier level asks for as much is no answer.
    const as = madeDrill("as-strong", {
      levels: { standard: { ...ramp(90), ...stressing("neck") }, easier: ramp(90) },
    });
    expect(fallbackFor(itemOf(as), strong, { drills: finder(as), offered: [], pace: USUAL_PACE })).toBeUndefined();
    // Where the item was given seconds, a level with a ramp of its own still goes by that.
    const timed = { ...itemOf(effort), dose: { kind: "time" as const, seconds: 30 } };
    expect(
      fallbackFor(timed, protectionsOf(["neck"]), { drills: finder(as), offered: [], pace: USUAL_PACE }),
    ).toBeUndefined();
  });
  it("goes down from the item's own level, the nearest first", () => {
    const all = madeDrill("all", { levels: { harder: stressing("neck") } });
    expect(
      fallbackFor(itemOf(all, "harder"), neck, { drills: finder(all), offered: [], pace: USUAL_PACE })?.level,
    ).toBe("standard");
    const up = madeDrill("up", { levels: { standard: stressing("neck"), easier: stressing("neck") } });
    expect(fallbackFor(itemOf(up), neck, { drills: finder(up), offered: [], pace: USUAL_PACE })).toBeUndefined();
  });
  it("is worked out for one list of drills at a time, for each kit anew, and in steps the same", () => {
    const padded = like("padded", { kit: ["pad"] });
    const offered = [padded];
    const by = (pad: number | undefined) => ({
      drills: finder(own),
      offered,
      pace: USUAL_PACE,
      group: { name: "g", people: [], setting: pad === undefined ? {} : { kit: { pad } } },
    });
    expect([by(0), by(1), by(undefined), by(0)].map((so) => fallbackFor(item, neck, so)?.drill.id)).toEqual([
      undefined,
      "padded",
      "padded",
      undefined,
    ]);
    expect(fallbackFor(item, neck, { drills: finder(own), offered, pace: USUAL_PACE })?.drill.id).toBe("padded");
    expect(
      allAtOnce(
        (function* () {
          yield;
          return insteadOf(sessionOf([item]), neck, { drills: finder(own), offered });
        })(),
      ),
    ).toHaveLength(1);
  });
});
