import { describe, expect, it } from "vitest";
import { layBeats } from "./beats";
import { otherSide } from "~/core/vocabulary/sides";
import { compile } from "./compile";
import { cut, workWithin } from "./cut";
import { beatCount, doseSeconds, tempoOf, unitCount, unitMicros } from "~/core/dose/dose";
import { repSeconds } from "~/core/dose/reps";
import { indexAt, momentAt } from "./moment";
import { sideModeOf, visitsOf } from "~/core/session/passes";
import { HEIGHT, moveSeconds } from "~/core/vocabulary/postures";
import { LONGEST_SESSION, MOST_BEATS, MOST_CUES, MOST_SEGMENTS, segmentsAtMost, sizeFaults } from "~/core/session/size";
import { placeKey, postureChanges, totalsByItem, totalsByKind } from "./totals";
import type { Block, Item, SessionPlan } from "~/core/session/schema";
import type { Dose } from "~/core/dose/kinds";
import { newSession } from "~/core/session/start";
import { lookup, timedDrill } from "~/fixtures/drills";

/*
 * The parts of the timeline one by one, to the number: what a session is put together from.
 */

const PACE = { breath: 6 };
const TIME: Dose = { kind: "time", seconds: 20 };
const LADDER: Dose = { kind: "ladder", rungs: [10, 15, 25], rung: 1 };
const REPS: Dose = {
  kind: "reps",
  count: 3,
  tempo: [
    { do: "down", seconds: 2, breath: "in" },
    { do: "up", seconds: 1.5 },
  ],
};
const EASY: Dose = { kind: "breaths", count: 2 };
const PACED: Dose = { kind: "breaths", count: 2, pattern: [4, 2, 6, 0] };
const EFFORT: Dose = {
  kind: "effort",
  rounds: 2,
  ramp: [
    { effort: 30, seconds: 4 },
    { effort: 60, seconds: 5 },
  ],
  opposite: { effort: 40, seconds: 3 },
  settle: 2,
};
const BARE: Dose = { kind: "effort", rounds: 2, ramp: [{ effort: 30, seconds: 4 }] };

const drills = lookup([
  timedDrill("stand", "standing", { sides: "together" }),
  timedDrill("each", "half-kneeling"),
  timedDrill("turns", "standing", { sides: "alternating" }),
  timedDrill("ways", "supine", { sides: "together", directions: 2 }),
]);
const item = (drill: string, dose: Dose = TIME, more: Partial<Item> = {}): Item => ({
  drill,
  level: "standard",
  dose,
  sets: 1,
  restBetweenSets: 0,
  restAfter: 0,
  ...more,
});
const sessionOf = (items: Item[], block: Partial<Block> = {}, more: Partial<SessionPlan> = {}): SessionPlan => ({
  ...newSession({ title: "t", purpose: "off-day", target: undefined }, [
    { title: "b", rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items: items, ...block },
  ]),
  pace: { breath: 6, switchSides: 6, turn: 2, demo: 0, kitChange: 4 },
  ...more,
});
const laid = (...given: Parameters<typeof sessionOf>) => compile(sessionOf(...given), drills);

describe("a dose", () => {
  it("has units of its own length, so many of them, and so many beats", () => {
    const all = [TIME, LADDER, REPS, EASY, PACED, EFFORT, BARE];
    expect(all.map((dose) => unitMicros(dose, PACE) / 1e6)).toEqual([20, 15, 3.5, 6, 12, 14, 4]);
    expect(all.map(unitCount)).toEqual([1, 1, 3, 2, 2, 2, 2]);
    expect(all.map((dose) => doseSeconds(dose, PACE))).toEqual([20, 15, 10.5, 12, 24, 28, 8]);
    expect(all.map(beatCount)).toEqual([1, 1, 6, 4, 6, 8, 2]);
    for (const dose of all) expect(layBeats(dose, PACE, unitCount(dose), 0)).toHaveLength(beatCount(dose));
    expect(unitMicros({ kind: "ladder", rungs: [10], rung: 4 }, PACE)).toBe(0);
    expect(doseSeconds(EASY, { breath: 5 })).toBe(10);
    expect([repSeconds([{ seconds: 2 }, { seconds: 1.5 }]), repSeconds([])]).toEqual([3.5, 0]);
    expect([tempoOf(REPS), tempoOf(TIME), tempoOf(EASY)]).toEqual([[2, 1.5], [], []]);
  });
});

describe("beats", () => {
  it("say what to do, from when, for how long, which repetition of how many, and the breath", () => {
    expect(layBeats(TIME, PACE, 1, 5_000_000)).toEqual([{ start: 5, seconds: 20, do: "work", rep: 1, reps: 1 }]);
    expect(layBeats(LADDER, PACE, 1, 0)).toEqual([{ start: 0, seconds: 15, do: "hold", rep: 1, reps: 1 }]);
    expect(layBeats(REPS, PACE, 2, 1_000_000)).toEqual([
      { start: 1, seconds: 2, do: "down", rep: 1, reps: 2, breath: "in" },
      { start: 3, seconds: 1.5, do: "up", rep: 1, reps: 2 },
      { start: 4.5, seconds: 2, do: "down", rep: 2, reps: 2, breath: "in" },
      { start: 6.5, seconds: 1.5, do: "up", rep: 2, reps: 2 },
    ]);
    expect(layBeats(EASY, PACE, 1, 0)).toEqual([
      { start: 0, seconds: 3, do: "breathe in", rep: 1, reps: 1, breath: "in" },
      { start: 3, seconds: 3, do: "breathe out", rep: 1, reps: 1, breath: "out" },
    ]);
    expect(layBeats(PACED, PACE, 1, 0).map((beat) => [beat.do, beat.breath, beat.start, beat.seconds])).toEqual([
      ["breathe in", "in", 0, 4],
      ["hold the breath", "hold", 4, 2],
      ["breathe out", "out", 6, 6],
    ]);
    expect(layBeats({ kind: "breaths", count: 1, pattern: [4, 0, 4, 3] }, PACE, 1, 0).map((beat) => beat.do)).toEqual([
      "breathe in",
      "breathe out",
      "hold the breath",
    ]);
    // A breath of an odd length loses nothing to halving.
    expect(layBeats(EASY, { breath: 5.000001 }, 1, 0).map((beat) => beat.seconds)).toEqual([2.5, 2.500001]);
  });
  it("say the effort of each step, the pull the other way and the letting go", () => {
    expect(layBeats(EFFORT, PACE, 1, 0)).toEqual([
      { start: 0, seconds: 4, do: "press", rep: 1, reps: 1, effort: 30 },
      { start: 4, seconds: 5, do: "press", rep: 1, reps: 1, effort: 60 },
      { start: 9, seconds: 3, do: "pull the other way", rep: 1, reps: 1, effort: 40, opposite: true },
      { start: 12, seconds: 2, do: "let go and settle", rep: 1, reps: 1 },
    ]);
    expect(layBeats(BARE, PACE, 1, 0)).toEqual([{ start: 0, seconds: 4, do: "press", rep: 1, reps: 1, effort: 30 }]);
  });
  it("take turns from the first side, twice as often; a time or a ladder at one's own rhythm", () => {
    expect(layBeats(REPS, PACE, 2, 0, "right").map((beat) => [beat.rep, beat.reps, beat.side])).toEqual([
      [1, 4, "right"],
      [1, 4, "right"],
      [2, 4, "left"],
      [2, 4, "left"],
      [3, 4, "right"],
      [3, 4, "right"],
      [4, 4, "left"],
      [4, 4, "left"],
    ]);
    expect(layBeats(TIME, PACE, 1, 2_000_000, "left")).toEqual([
      { start: 2, seconds: 40, do: "take turns", rep: 1, reps: 1 },
    ]);
    expect(layBeats(LADDER, PACE, 1, 0, "left")).toEqual([
      { start: 0, seconds: 30, do: "take turns", rep: 1, reps: 1 },
    ]);
    expect([otherSide("left"), otherSide("right")]).toEqual(["right", "left"]);
  });
});

describe("a moment", () => {
  const timeline = laid([item("each", REPS), item("stand", TIME)]);
  const at = (t: number) => momentAt(timeline, t)!;
  it("is in the last thing that has begun", () => {
    const list = [{ start: 0 }, { start: 5 }, { start: 5 }, { start: 9 }];
    expect([-1, 0, 4.9, 5, 8.9, 9, 100].map((t) => indexAt(list, t))).toEqual([0, 0, 0, 2, 2, 3, 3]);
    expect(indexAt([{ start: 3 }], 0)).toBe(0);
  });
  it("knows what is now, how far, what is left, what comes, and when it is over", () => {
    // 10.5 s left, 6 s to change, 10.5 s right, 5 s to get up, 20 s standing.
    expect(timeline.totalSeconds).toBe(52);
    expect([at(0).index, at(0).elapsed, at(0).left, at(0).sessionLeft, at(0).over]).toEqual([0, 0, 10.5, 52, false]);
    expect([at(3).beat?.do, at(3).beatLeft, at(3).elapsed, at(3).left]).toEqual(["up", 0.5, 3, 7.5]);
    expect([at(12).segment.kind, at(12).beat, at(12).beatLeft, at(12).next?.kind, at(12).nextWork?.side]).toEqual([
      "switch",
      undefined,
      undefined,
      "work",
      "right",
    ]);
    expect([at(20).next?.kind, at(20).nextWork?.item]).toEqual(["move", 1]);
    expect([at(40).next, at(40).nextWork]).toEqual([undefined, undefined]);
    expect(at(40)).not.toHaveProperty("next");
    expect([at(-3).elapsed, at(-3).sessionLeft, at(-3).over]).toEqual([0, 52, false]);
    expect([at(52).index, at(52).left, at(52).sessionLeft, at(52).over, at(51.9).over]).toEqual([4, 0, 0, true, false]);
    expect([at(90).elapsed, at(90).sessionLeft, at(90).over]).toEqual([20, 0, true]);
    expect(momentAt({ segments: [], totalSeconds: 0 }, 0)).toBeUndefined();
  });
});

describe("a part of a timeline", () => {
  const { segments } = laid([item("each", REPS), item("stand", TIME)]);
  it("is what is between, cut at the edges with its beats, and nothing that only touches them", () => {
    const part = cut(segments, 3, 12);
    expect(part.map((segment) => [segment.kind, segment.start, segment.seconds])).toEqual([
      ["work", 3, 7.5],
      ["switch", 10.5, 1.5],
    ]);
    const [work] = part;
    expect(work!.kind === "work" && work!.beats.map((beat) => [beat.do, beat.start, beat.seconds])).toEqual([
      ["up", 3, 0.5],
      ["down", 3.5, 2],
      ["up", 5.5, 1.5],
      ["down", 7, 2],
      ["up", 9, 1.5],
    ]);
    expect(cut(segments, 10.5, 16.5).map((segment) => segment.kind)).toEqual(["switch"]);
    expect(cut(segments, 5, 5)).toEqual([]);
    expect(cut(segments, 0, 52)).toEqual(segments);
  });
  it("has so much work in it", () => {
    expect([
      workWithin(segments, 0, 52),
      workWithin(segments, 3, 12),
      workWithin(segments, 11, 16),
      workWithin(segments, 16, 20),
      workWithin(segments, 60, 90),
    ]).toEqual([41, 7.5, 0, 3.5, 0]);
  });
});

describe("totals", () => {
  const timeline = laid([
    item("each", TIME, { restAfter: 5 }),
    item("turns", TIME),
    item("stand", TIME),
    item("each", TIME, { sides: "left" }),
  ]);
  it("are by item, with its work by side and when it first comes", () => {
    const totals = totalsByItem(timeline);
    expect([...totals.keys()]).toEqual(["0.0", "0.1", "0.2", "0.3"]);
    expect(totals.get("0.0")).toEqual({ seconds: 51, start: 0, work: { left: 20, right: 20, both: 0 } });
    expect(totals.get("0.1")).toEqual({ seconds: 45, start: 51, work: { left: 20, right: 20, both: 0 } });
    expect(totals.get("0.2")).toEqual({ seconds: 20, start: 96, work: { left: 0, right: 0, both: 20 } });
    expect(totals.get("0.3")!.work).toEqual({ left: 20, right: 0, both: 0 });
    expect([...totals.values()].reduce((sum, one) => sum + one.seconds, 0)).toBe(timeline.totalSeconds);
    expect(placeKey(3, 12)).toBe("3.12");
  });
  it("are by what the time goes to", () => {
    expect(totalsByKind(timeline.segments)).toEqual({ move: 10, demo: 0, work: 120, turn: 0, switch: 6, rest: 5 });
    expect(totalsByKind([])).toEqual({ move: 0, demo: 0, work: 0, turn: 0, switch: 0, rest: 0 });
    expect(totalsByKind(laid([item("ways", TIME)]).segments).turn).toBe(2);
  });
  it("count changes of position, not the first, nor where only kit is fetched", () => {
    expect(postureChanges(timeline.segments)).toBe(2);
    expect(postureChanges(laid([item("stand"), item("stand")]).segments)).toBe(0);
    const kit = lookup([
      timedDrill("a", "standing", { sides: "together", kit: ["stick"] }),
      timedDrill("b", "standing", { sides: "together", kit: ["block"] }),
    ]);
    const { segments } = compile(sessionOf([item("a"), item("b")]), kit);
    expect(segments.filter((segment) => segment.kind === "move")).toHaveLength(2);
    expect(postureChanges(segments)).toBe(0);
  });
});

describe("getting from one position to another", () => {
  it("takes three seconds and two a step, and nothing to stay", () => {
    expect([
      moveSeconds("standing", "standing"),
      moveSeconds("supine", "prone"),
      moveSeconds("supine", "standing"),
      moveSeconds("standing", "supine"),
      moveSeconds("standing", "hang"),
    ]).toEqual([0, 3, 11, 11, 5]);
    expect(HEIGHT.hang - HEIGHT.supine).toBe(5);
  });
});

describe("sides", () => {
  it("are the item's own, else the drill's, and together where nobody knows", () => {
    expect([
      sideModeOf(item("each"), drills),
      sideModeOf(item("each", TIME, { sides: "left" }), drills),
      sideModeOf(item("gone"), drills),
    ]).toEqual(["each", "left", "together"]);
  });
  it("of a whole block come one after the other, what has none with the first", () => {
    const block = { sideOrder: "whole-block" } as Partial<Block>;
    const visits = (first: "left" | "right", items: Item[]) =>
      visitsOf(sessionOf(items, block).blocks[0]!, first, drills).map((visit) => `${visit.item} ${visit.sides}`);
    expect(
      visits("left", [item("each"), item("stand"), item("turns"), item("each", TIME, { sides: "right" })]),
    ).toEqual(["0 left", "1 together", "2 alternating", "0 right", "3 right"]);
    expect(visits("right", [item("each"), item("each", TIME, { sides: "left" })])).toEqual([
      "0 right",
      "0 left",
      "1 left",
    ]);
    expect(visitsOf(sessionOf([item("each"), item("stand")]).blocks[0]!, "right", drills)).toEqual([
      { item: 0, sides: "each" },
      { item: 1, sides: "together" },
    ]);
  });
});

describe("the size of a session", () => {
  const paths = (session: SessionPlan) => sizeFaults(session, drills).map((fault) => `${fault.path} ${fault.message}`);
  it("is at most so much work, so many beats, pieces and calls, and so much text", () => {
    expect(paths(sessionOf([item("each")]))).toEqual([]);
    const long = (sets: number) => paths(sessionOf([item("stand", { kind: "time", seconds: 3600 }, { sets })]));
    expect(long(24)).toEqual([]);
    expect(long(25)).toEqual(["blocks come to 25:00:00 of work; a session holds at most 24:00:00"]);
    const beats = (count: number, sets: number) =>
      paths(sessionOf([item("stand", { kind: "reps", count, tempo: [{ do: "a", seconds: 0.01 }] }, { sets })]));
    expect(beats(1000, MOST_BEATS / 1000)).toEqual([]);
    expect(beats(1001, MOST_BEATS / 1000)).toEqual([
      `blocks come to 50050 counted beats; a session holds at most ${MOST_BEATS}`,
    ]);
    const calls = (n: number) =>
      paths(
        sessionOf(
          Array.from({ length: 50 }, () =>
            item("stand", TIME, { cues: Array.from({ length: n }, () => ({ at: 1, say: "x" })) }),
          ),
        ),
      );
    expect(calls(MOST_CUES / 50)).toEqual([]);
    expect(calls(MOST_CUES / 50 + 1)).toEqual([`blocks hold 2050 calls; a session holds at most ${MOST_CUES}`]);
    const text = (n: number) => paths(sessionOf([item("stand")], {}, { notes: "x".repeat(n) }));
    expect(text(LONGEST_SESSION - 1_000)).toEqual([]);
    expect(text(LONGEST_SESSION)).toEqual([`(document) is longer than ${LONGEST_SESSION} characters`]);
  });
  it("counts pieces by sides, sets, directions and rounds, never fewer than there are", () => {
    const most = (items: Item[], rounds = 1) => segmentsAtMost(sessionOf(items, { rounds }), drills);
    expect([most([item("stand")]), most([item("each")]), most([item("turns")]), most([item("ways")])]).toEqual([
      5, 7, 7, 7,
    ]);
    expect([
      most([item("each", TIME, { sets: 3 })]),
      most([item("each", TIME, { sets: 3 })], 2),
      most([item("ways", TIME, { directions: 1 })]),
      most([item("each", TIME, { sides: "left" })]),
    ]).toEqual([15, 30, 5, 5]);
    const full = (sets: number) =>
      paths(
        sessionOf(
          Array.from({ length: 50 }, () => item("stand", TIME, { sets })),
          { rounds: 2 },
        ),
      );
    expect(MOST_SEGMENTS).toBe(5_000);
    expect(full(23)).toEqual([]);
    expect(full(24)).toEqual([
      "blocks come to 5100 pieces of work, rests and moves; a session holds at most 5000. Remove rounds, sets or drills",
    ]);
  });
});
