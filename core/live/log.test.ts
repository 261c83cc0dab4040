import { describe, expect, it } from "vitest";
import type { Command, Sent } from "./commands";
import { advance, fold, segmentIdAt, type Live } from "./fold";
import { freeze } from "./frozen";
import { logOf, observedOf, pacesOf, passagesOf, shareRun, skippedOf } from "./log";
import { USUAL_PACE } from "~/core/dose/pace";
import { itemOf, newSession } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { drillById } from "~/library";

const drill = (id: string) => ({ ...itemOf(drillById(id)!), demo: 10 });
const session = newSession({ title: "A", purpose: "before-training" }, [
  {
    title: "One",
    rounds: 1,
    sideOrder: "drill-by-drill",
    items: [
      drill("squat-free"),
      drill("hip-circle-kneel"),
      drill("cat-camel"),
      drill("calf-wall-straight"),
      drill("hip-circle-kneel"),
      drill("squat-free"),
    ],
  },
] as never);
const timeline = compile(session, drillById);
const frozen = freeze(session, drillById);
const T0 = 1_800_000_000_000;
const work = timeline.segments.reduce((sum, one) => sum + (one.kind === "work" ? one.seconds : 0), 0);

/** A class with what was done at which second of it, and how it is so much later. */
function classOf(acts: readonly (readonly [number, Command])[], until: number, more: Partial<Sent> = {}) {
  const commands: Sent[] = [];
  for (const [second, command] of acts) {
    const from = T0 + second * 1000;
    const live = advance(fold(frozen, commands), from);
    commands.push({
      ...{ n: commands.length + 1, key: `k${commands.length}`, by: "coach", seen: commands.length },
      ...{ on: segmentIdAt(live, from) ?? null, from, command, ...(commands.length > 0 && more) },
    });
  }
  const live = advance(fold(frozen, commands), T0 + until * 1000);
  return { live, commands, paces: pacesOf(live, commands), log: logOf(live, timeline) };
}
const first = (kind: string, nth = 1) => timeline.segments.filter((one) => one.kind === kind)[nth - 1]!;
const total = (live: Live) =>
  passagesOf(live).reduce((sum, { ran, holds }) => sum + ran + holds.reduce((s, h) => s + h.seconds, 0), 0);
const GO = [0, { do: "go" }] as const;

describe("what was run", () => {
  it("is as long as the class was, whatever was done to it", () => {
    const { live } = classOf(
      [
        GO,
        [20, { do: "hold" }],
        [32, { do: "go" }],
        [40, { do: "more", seconds: 15 }],
        [90, { do: "skip" }],
        [130, { do: "back" }],
      ],
      400,
    );
    expect(total(live)).toBeCloseTo(Math.min(400, ((live.over ?? T0 + 400_000) - T0) / 1000), 3);
  });
  it("of a class that nobody touched is the plan", () => {
    const { live, log } = classOf([GO], timeline.totalSeconds + 10);
    expect(log).toHaveLength(6);
    for (const line of log) {
      expect(line.ran).toBeCloseTo(line.planned, 3);
      expect([line.held, line.left]).toEqual([0, false]);
    }
    expect(shareRun(live, work)).toBeCloseTo(1, 6);
    expect(skippedOf(live, session.blocks)).toEqual([]);
  });
  it("tells what was skipped, and what was left early", () => {
    const start = first("work").start;
    const { live, log } = classOf(
      [GO, [start + 5, { do: "skip" }], [start + 6, { do: "skip" }]],
      timeline.totalSeconds,
    );
    expect(log[0]!.left).toBe(true);
    expect(skippedOf(live, session.blocks)).toEqual([{ block: 0, item: 1 }]);
    expect(shareRun(live, work)).toBeLessThan(1);
  });
});

describe("what a class says of its group’s pace", () => {
  const moves = timeline.segments.filter((one) => one.kind === "move" && one.from !== undefined);
  const move = moves[0]!;
  it("is that the plan was enough where nobody touched it: never less", () => {
    const { paces } = classOf([GO], timeline.totalSeconds + 1);
    expect(paces.kinds.moves!.byHand).toBe(false);
    expect(paces.kinds.moves!.real.every((one, i) => Math.abs(one - paces.kinds.moves!.planned[i]!) < 1e-6)).toBe(true);
    // The first thing of a class is left out.
    expect(paces.left).toBe(1);
    expect(observedOf({ planned: [5, 5, 5], real: [3, 3, 3], byHand: false }, 0)!.y).toBe(0);
    expect(observedOf({ planned: [5, 5, 5], real: [3, 3, 3], byHand: true }, 0)!.y).toBeCloseTo(Math.log(0.6), 9);
    expect(observedOf({ planned: [5, 5], real: [3, 3], byHand: true }, 0)).toBeUndefined();
  });
  it("has holds in a move, in a showing, and in the first five seconds of what follows it, and no later ones", () => {
    const sides = timeline.segments.find((one) => one.kind === "switch")!;
    const after = sides.start + sides.seconds;
    const held = (second: number) => {
      const { paces } = classOf([GO, [second, { do: "hold" }], [second + 9, { do: "go" }]], timeline.totalSeconds + 60);
      return paces.kinds.sides!.real[0]! - paces.kinds.sides!.planned[0]!;
    };
    expect(held(sides.start + 2)).toBeCloseTo(9, 3);
    expect(held(after + 4.9)).toBeCloseTo(9, 3);
    expect(held(after + 5.2)).toBeCloseTo(0, 3);
  });
  it("has what was gone on from early as shorter, and counts as led by hand from half of a kind on", () => {
    const early: [number, Command][] = [];
    // Each change of sides is pressed on after three of its seconds.
    const sides = timeline.segments.filter((one) => one.kind === "switch");
    let gone = 0;
    for (const { start, seconds } of sides) {
      early.push([start - gone + 3, { do: "next" }]);
      gone += seconds - 3;
    }
    const { paces } = classOf([GO, ...early], timeline.totalSeconds + 10);
    expect(paces.kinds.sides).toMatchObject({ byHand: true, real: sides.map(() => expect.closeTo(3, 3) as number) });
    const some = classOf([GO, early[0]!], timeline.totalSeconds + 10).paces.kinds.sides!;
    expect(some.byHand).toBe(1 >= sides.length / 2);
  });
  it("waits for whoever leads: the wait belongs to what came before the work", () => {
    const begins = move.start + move.seconds;
    const { live, commands } = classOf([GO, [1, { do: "lead", by: "hand" }]], 0);
    void live;
    const shown = timeline.segments.find((one) => one.kind === "demo" && one.start >= begins - 1e-6)!;
    const ends = shown.start + shown.seconds;
    const waits: Sent = { n: 3, key: "k", by: "coach", seen: 2, on: null, from: T0 + 60_000, command: { do: "go" } };
    const first = advance(fold(frozen, [...commands, waits]), T0 + 1000 * (60 + ends));
    const held = first.ran.filter((one) => one.held);
    expect(held.length).toBeGreaterThan(0);
    // From where the first work would have begun to when it was let go.
    const paces = pacesOf(first, [...commands, waits]);
    expect(paces.kinds.showing?.real.some((one) => one > 10) ?? paces.left > 1).toBe(true);
  });
  it("leaves out what was gone back to, driven alone, or took far too long, and counts it", () => {
    const sides = timeline.segments.find((one) => one.kind === "switch")!;
    const n = timeline.segments.filter((one) => one.kind === "switch").length;
    const of = (acts: [number, Command][], more: Partial<Sent> = {}) =>
      classOf([GO, ...acts], timeline.totalSeconds + 200, more).paces;
    const usual = of([]);
    expect(usual.kinds.sides!.planned).toHaveLength(n);
    const back = of([[sides.start + 3, { do: "back" }]]);
    expect([back.kinds.sides?.planned.length ?? 0, back.left > usual.left]).toEqual([n - 1, true]);
    const long = (seconds: number) =>
      of([
        [sides.start + 2, { do: "hold" }],
        [sides.start + 2 + seconds, { do: "go" }],
      ]).kinds.sides?.planned.length ?? 0;
    // Four times what was planned, and half a minute.
    expect([long(3 * sides.seconds + 29.9), long(3 * sides.seconds + 30.1)]).toEqual([n, n - 1]);
    const alone = of([[sides.start + 3, { do: "next" }]], { apart: true });
    expect(alone.kinds.sides?.planned.length ?? 0).toBe(n - 1);
  });
  it("is against the usual pace, whatever the session plans with", () => {
    const slow = freeze({ ...session, pace: { ...session.pace, switchSides: 9, moveBase: 6, moveStep: 4 } }, drillById);
    const live = advance(
      fold(slow, [{ n: 1, key: "k", by: "c", seen: 0, on: null, from: T0, command: { do: "go" } }]),
      T0 + slow.timeline.totalSeconds * 1000 + 1000,
    );
    const { kinds } = pacesOf(live, []);
    expect(kinds.sides!.planned.every((one) => one === USUAL_PACE.switchSides)).toBe(true);
    expect(kinds.sides!.real.every((one) => Math.abs(one - 9) < 1e-6)).toBe(true);
    expect(kinds.moves!.real.reduce((a, b) => a + b, 0)).toBeGreaterThan(
      kinds.moves!.planned.reduce((a, b) => a + b, 0) * 1.5,
    );
  });
});
