import { describe, expect, it } from "vitest";
import { checkInSchema } from "./schema";
import { painChoices, painPlace, painPlaceIn } from "./pain-place";
import { madeDrill } from "~/fixtures/drills";
import { itemOf, newSession } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";

const [one, two, three] = [madeDrill("one"), madeDrill("two"), madeDrill("three")];
const all = new Map([one, two, three].map((drill) => [drill.id, drill]));
const block = (...drills: (typeof one)[]) => ({
  title: "b",
  rounds: 1,
  restBetweenRounds: 0,
  sideOrder: "drill-by-drill" as const,
  items: drills.map((drill) => itemOf(drill)),
});
const session = newSession({ title: "t", purpose: "off-day", target: undefined }, [block(one, two), block(three)]);
const timeline = compile(session, (id) => all.get(id));
const nameOf = (id: string) => all.get(id)?.name;

describe("the drill something hurt in", () => {
  it("is one of those they did, in order and numbered through, without those they rested at", () => {
    const done = painChoices(session, ({ block: b, item }) => (b === 0 && item === 1 ? undefined : one));
    expect(done.map(({ block: b, item, number, name }) => [b, item, number, name])).toEqual([
      [0, 0, 1, one.name],
      [1, 0, 3, one.name],
    ]);
  });
  it("is saved by its name, its number and when in the session it begins", () => {
    const at = painPlace({ block: 1, item: 0, drill: "three" }, session, timeline, nameOf)!;
    expect([at.name, at.number]).toEqual([three.name, 3]);
    const start = timeline.segments.find((segment) => segment.block === 1)!.start;
    expect(at.second).toBe(Math.round(start));
    expect(start).toBeGreaterThan(0);
  });
  it("is the one this person did there; one nobody knows is what stands there", () => {
    expect(painPlace({ block: 0, item: 0, drill: "two" }, session, timeline, nameOf)?.name).toBe(two.name);
    expect(painPlace({ block: 0, item: 0, drill: "gone" }, session, timeline, nameOf)?.name).toBe(one.name);
  });
  it("is nothing where the session has no such place", () => {
    expect(painPlace({ block: 0, item: 2, drill: "one" }, session, timeline, nameOf)).toBeUndefined();
    expect(painPlace({ block: 2, item: 0, drill: "one" }, session, timeline, nameOf)).toBeUndefined();
  });
  it("is nothing where a drill of the session is not there any more, and no error", () => {
    const at = { block: 0, item: 0, drill: "one" };
    expect(painPlaceIn(at, session, (id) => all.get(id), nameOf)).toEqual(painPlace(at, session, timeline, nameOf));
    expect(painPlaceIn(at, session, () => undefined, nameOf)).toBeUndefined();
  });
  it("never stands in the way of a report of pain", () => {
    const report = {
      run: {
        key: "00000000-0000-4000-8000-000000000001",
        person: { athleteId: null, name: "Tern" },
        shareDone: 1,
        finished: true,
      },
      hard: 5,
      tightness: [],
      pain: true,
      painWhere: "hip",
      note: "",
    };
    for (const painAt of [undefined, null, { block: 0, item: 0, drill: "one" }])
      expect(checkInSchema.parse({ ...report, painAt }).painAt).toEqual(painAt);
    for (const painAt of ["hip", 3, {}, { block: -1, item: 0, drill: "one" }, { block: 0, item: 0, drill: "" }]) {
      const read = checkInSchema.parse({ ...report, painAt });
      expect([read.pain, read.painWhere, read.painAt]).toEqual([true, "hip", undefined]);
    }
  });
});
