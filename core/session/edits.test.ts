import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { lookup, SAMPLE_DRILLS } from "~/fixtures/drills";
import { anySession } from "~/fixtures/sessions";
import * as edits from "./edits";
import { record, redo, startHistory, undo } from "./history";
import { readSession } from "./read";
import { sameJson } from "~/core/same-json";
import type { Item, SessionPlan, SessionInput } from "./schema";

const drills = lookup(SAMPLE_DRILLS);

function read(input: SessionInput): SessionPlan {
  const result = readSession(input, drills);
  if (!result.ok) throw new Error("bad");
  return result.value;
}

const item = (drill: string): Item => ({
  drill,
  level: "standard",
  dose: { kind: "time", seconds: 10 },
  sets: 1,
  restBetweenSets: 0,
  restAfter: 0,
});
/** Blocks written as lists of drills: `ab|c`. */
const session = (blocks: string): SessionPlan =>
  read({
    format: "mapset/session",
    version: 1,
    title: "t",
    purpose: "off-day",
    blocks: blocks.split("|").map((b, n) => ({ title: `B${n}`, items: [...b].map((d) => item(`d${d}`)) })),
  });
const shape = (s: SessionPlan) => s.blocks.map((b) => b.items.map((i) => i.drill.slice(1)).join("")).join("|");

describe("moving drills", () => {
  it.each<[string, edits.Place, edits.Place, string]>([
    ["012", { block: 0, item: 0 }, { block: 0, item: 2 }, "120"],
    ["012", { block: 0, item: 2 }, { block: 0, item: 0 }, "201"],
    ["01|2", { block: 0, item: 0 }, { block: 1, item: 1 }, "1|20"],
    ["01|2", { block: 1, item: 0 }, { block: 0, item: 1 }, "021"],
    ["0|1|2", { block: 0, item: 0 }, { block: 2, item: 0 }, "1|02"],
    ["01", { block: 5, item: 0 }, { block: 0, item: 0 }, "01"],
  ])("%s: %o to %o gives %s", (before, from, to, after) =>
    expect(shape(edits.moveItem(session(before), from, to))).toBe(after),
  );

  it.each<[string, edits.Place, -1 | 1, string, edits.Place]>([
    ["01|2", { block: 0, item: 1 }, 1, "0|12", { block: 1, item: 0 }],
    ["01|2", { block: 1, item: 0 }, -1, "012", { block: 0, item: 2 }],
    ["0|12", { block: 0, item: 0 }, 1, "012", { block: 0, item: 0 }],
    ["01", { block: 0, item: 1 }, 1, "01", { block: 0, item: 1 }],
    ["01", { block: 0, item: 0 }, 1, "10", { block: 0, item: 1 }],
  ])("one step: %s %o by %i gives %s and stands at %o", (before, place, by, after, stands) => {
    const moved = edits.nudgeItem(session(before), place, by);
    expect(shape(moved.session)).toBe(after);
    expect(moved.place).toEqual(stands);
  });
});

describe("blocks", () => {
  it("split and join", () => {
    expect(shape(edits.splitBlock(session("0123"), { block: 0, item: 2 }, "new"))).toBe("01|23");
    expect(shape(edits.splitBlock(session("01"), { block: 0, item: 0 }, "new"))).toBe("01");
    expect(shape(edits.joinBlock(session("01|2"), 1))).toBe("012");
    expect(shape(edits.moveBlock(session("0|1|2"), 2, 0))).toBe("2|0|1");
    expect(shape(edits.removeBlock(session("0|1"), 0))).toBe("1");
    expect(shape(edits.removeBlock(session("0"), 0))).toBe("0");
  });
  it("go with their last drill, but the session's last drill stays", () => {
    expect(shape(edits.removeItem(session("0|1"), { block: 0, item: 0 }))).toBe("1");
    expect(shape(edits.removeItem(session("0"), { block: 0, item: 0 }))).toBe("0");
  });
});

describe("changing an item", () => {
  it("takes a field out when it is set to nothing", () => {
    const changed = edits.editItem(
      edits.editItem(session("0"), { block: 0, item: 0 }, { demo: 5 }),
      { block: 0, item: 0 },
      { demo: undefined },
    );
    expect(Object.keys(changed.blocks[0]!.items[0]!)).not.toContain("demo");
  });
});

describe("whatever is edited", () => {
  const place = fc.record({ block: fc.nat(4), item: fc.nat(6) });
  const anyEdit = fc.oneof(
    fc.tuple(place, place).map(
      ([a, b]) =>
        (s: SessionPlan) =>
          edits.moveItem(s, a, b),
    ),
    fc.tuple(place, fc.constantFrom(-1 as const, 1 as const)).map(
      ([a, by]) =>
        (s: SessionPlan) =>
          edits.nudgeItem(s, a, by).session,
    ),
    place.map((a) => (s: SessionPlan) => edits.removeItem(s, a)),
    place.map((a) => (s: SessionPlan) => edits.copyItem(s, a)),
    place.map((a) => (s: SessionPlan) => edits.insertItem(s, a, item("d0"))),
    place.map((a) => (s: SessionPlan) => edits.splitBlock(s, a, "x")),
    fc.nat(4).map((b) => (s: SessionPlan) => edits.joinBlock(s, b)),
    fc.nat(4).map((b) => (s: SessionPlan) => edits.removeBlock(s, b)),
    fc.tuple(fc.nat(4), fc.nat(4)).map(
      ([a, b]) =>
        (s: SessionPlan) =>
          edits.moveBlock(s, a, b),
    ),
    place.map((a) => (s: SessionPlan) => edits.editItem(s, a, { sets: 2, demo: undefined })),
  );
  it("the session stays right, the old one stays as it was, and undo leads back through every state", () => {
    fc.assert(
      fc.property(anySession, fc.array(anyEdit, { minLength: 1, maxLength: 20 }), (input, all) => {
        const first = read(input);
        const frozen = JSON.stringify(first);
        let history = startHistory(first);
        const states = [first];
        for (const [n, edit] of all.entries()) {
          const next = edit(history.present);
          if (next !== history.present) states.push(next);
          history = record(history, next, "edit", n * 10_000);
        }
        expect(readSession(JSON.parse(JSON.stringify(history.present)), drills)).toMatchObject({ ok: true });
        expect(JSON.stringify(first)).toBe(frozen);
        for (const state of states.toReversed()) {
          expect(history.present).toBe(state);
          history = undo(history);
        }
        for (const state of states.slice(1)) expect((history = redo(history)).present).toBe(state);
      }),
      { numRuns: 400 },
    );
  });
});

describe("history", () => {
  it("joins edits of one field that follow at once, and no others", () => {
    let h = startHistory(0);
    h = record(h, 1, "a", 1000, "title");
    h = record(h, 2, "a", 1500, "title");
    h = record(h, 3, "b", 1600, "notes");
    h = record(h, 4, "b", 9000, "notes");
    expect(h.past.map((p) => p.state)).toEqual([0, 2, 3]);
    expect(undo(undo(h)).present).toBe(2);
  });
  it("forgets what could be done again once something else is done", () => {
    const h = record(undo(record(startHistory("a"), "b", "", 0)), "c", "", 5000);
    expect(redo(h)).toBe(h);
  });
});

describe("sameJson", () => {
  it("looks past the order of keys and fields that are not set", () => {
    expect(sameJson({ a: 1, b: [1, { c: 2 }] }, { b: [1, { c: 2, d: undefined }], a: 1 })).toBe(true);
    expect(sameJson({ a: 1 }, { a: 1, b: null })).toBe(false);
    expect(sameJson([1, 2], { 0: 1, 1: 2 })).toBe(false);
  });
  it("agrees with a round trip", () =>
    fc.assert(fc.property(fc.jsonValue(), (v) => sameJson(v, JSON.parse(JSON.stringify(v))))));
});
