import { describe, expect, it } from "vitest";
import {
  awaitedOf,
  classOf,
  classOver,
  isSame,
  NOTHING_KEPT,
  readKept,
  runOf,
  toGo,
  withAnswers,
  withClass,
  withGiven,
  withMine,
  withoutAwaited,
  withoutRun,
  withoutUnsent,
  withRun,
  type Kept,
  type KeptClass,
  type KeptRun,
} from "./kept";
import { NOTHING_OWN } from "./mine";
import { begin, pause, positionAt, readyRun, tick, type Run } from "./run";
import type { CheckIn, Person } from "~/core/checkin/schema";
import { lookup, timedDrill } from "~/fixtures/drills";
import { readSession } from "~/core/session/read";
import { compile } from "~/core/timeline/compile";

const T0 = 1_700_000_000_000;
const at = (seconds: number) => T0 + seconds * 1000;
const HOURS = 3600;
const tern: Person = { athleteId: "a1", name: "Tern" };
const guest: Person = { athleteId: null, name: "R. T." };

/** Watch 20 s, left 30, change 6, right 30: 86 s. */
function fresh(): Run {
  const drills = lookup([timedDrill("kneel", "half-kneeling")]);
  const read = readSession(
    {
      format: "mapset/session",
      version: 1,
      title: "t",
      purpose: "off-day",
      blocks: [{ title: "b", items: [{ drill: "kneel", dose: { kind: "time", seconds: 30 } }] }],
    },
    drills,
  );
  if (!read.ok) throw new Error("bad");
  return readyRun(compile(read.value, drills));
}
const running = (key: string, person: Person, seen: number): KeptRun => ({
  key,
  person,
  run: begin(fresh(), T0),
  at: at(seen),
  easier: [],
});
const stored = (kept: Kept): unknown => JSON.parse(JSON.stringify(kept));
const message = (key: string, pain = false): CheckIn => ({
  run: { key, person: tern, shareDone: 0.5, finished: false },
  hard: null,
  tightness: [],
  pain,
  painWhere: "",
  note: "",
});

describe("a class that was left", () => {
  const classAt = (over: Partial<KeptClass> = {}): KeptClass => ({
    classId: "c",
    key: "k",
    person: tern,
    begun: T0,
    done: 30,
    work: 60,
    seen: T0 + 5,
    at: at(40),
    easier: ["0.0"],
    out: ["kneel"],
    ...over,
  });
  it("is gone on with where it was, also after the page was lost, with what was easier and what hurt", () => {
    const back = readKept(stored(withClass(NOTHING_KEPT, classAt(), at(40))), at(60));
    expect(classOf(back, "c", tern)).toEqual(classAt());
    expect(classOf(back, "c", guest)).toBeUndefined();
    expect(classOf(back, "d", tern)).toBeUndefined();
  });
  it("is kept once, as it was last", () => {
    const kept = withClass(withClass(NOTHING_KEPT, classAt(), at(40)), classAt({ done: 50, at: at(60) }), at(60));
    expect(kept.classes).toEqual([classAt({ done: 50, at: at(60) })]);
  });
  it("is over after three hours, with its check-in still to give; pain told in it stays told", () => {
    const hurt = { block: 0, item: 0, drill: "kneel" };
    const kept = stored(withClass(NOTHING_KEPT, classAt({ hurt }), at(40)));
    expect(readKept(kept, at(40 + 3 * HOURS - 1)).awaited).toEqual([]);
    const back = readKept(kept, at(40 + 3 * HOURS));
    expect(back).not.toHaveProperty("classes");
    expect(back.awaited).toMatchObject([
      { key: "k", share: 0.5, reachedEnd: false, answers: { pain: true, painAt: hurt } },
    ]);
  });
  it("is asked about with each thing that hurt in it, also where nothing else was done", () => {
    const pains = [1, 7].map((n) => ({
      key: `p${n}`,
      at: { block: 0, item: n, drill: `d${n}`, second: n * 30 },
      where: "",
      said: at(n),
    }));
    const one = classAt({ done: 0, pains });
    expect(classOver(withClass(NOTHING_KEPT, one, at(40)), one, at(41)).awaited).toMatchObject([
      { key: "k", answers: { pain: true, painAt: pains[0]!.at, pains } },
    ]);
  });
  it("is let go where nothing was done of it, and not asked for once its check-in was given", () => {
    expect(classOver(withClass(NOTHING_KEPT, classAt({ done: 0 }), at(40)), classAt({ done: 0 }), at(41))).toEqual(
      NOTHING_KEPT,
    );
    const given = withGiven(NOTHING_KEPT, "k");
    expect(classOver(given, classAt(), at(41)).awaited).toEqual([]);
  });
  it("was done to its end from nine tenths of its work on", () => {
    expect([53.9, 54, 70].map((done) => awaitedOf(classAt({ done })).reachedEnd)).toEqual([false, true, true]);
    // What whoever led skipped, nobody ended early; it is no work that was done either.
    expect([26.9, 27, 60].map((done) => awaitedOf(classAt({ done, ran: 30 })).reachedEnd)).toEqual([false, true, true]);
    expect(awaitedOf(classAt({ done: 27, ran: 30 })).share).toBeCloseTo(0.45, 9);
    expect(awaitedOf(classAt({ done: 0, ran: 0 })).reachedEnd).toBe(false);
    expect(awaitedOf(classAt({ done: 70 })).share).toBe(1);
  });
  it("is nothing where what is there is no class", () => {
    expect(readKept({ version: 2, classes: [{ classId: "c" }, null, classAt()] }, at(50)).classes).toEqual([classAt()]);
  });
});

describe("a run that was left", () => {
  it("waits where it was last followed, however long ago that was begun", () => {
    const kept = withRun(NOTHING_KEPT, running("k", tern, 40), at(40));
    const back = readKept(stored(kept), at(2 * HOURS));
    expect(back.runs).toHaveLength(1);
    expect(back.runs[0]).toMatchObject({ awaySince: at(40), run: { state: "paused", position: 40 } });
    expect(toGo(back.runs[0]!)).toBe(46);
    expect(back.awaited).toEqual([]);
  });
  it("that was paused stays so, and nobody was away", () => {
    const paused = { ...running("k", tern, 40), run: pause(begin(fresh(), T0), at(40)) };
    const back = readKept(stored(withRun(NOTHING_KEPT, paused, at(40))), at(60));
    expect(back.runs[0]).not.toHaveProperty("awaySince");
  });
  it("is over after three hours, with its check-in still to give and no more done than was followed", () => {
    const kept = stored(withRun(NOTHING_KEPT, running("k", tern, 50), at(50)));
    expect(readKept(kept, at(50 + 3 * HOURS - 1)).runs).toHaveLength(1);
    const back = readKept(kept, at(50 + 3 * HOURS));
    expect(back.runs).toEqual([]);
    expect(back.awaited).toMatchObject([{ key: "k", person: tern, share: 0.5, reachedEnd: false }]);
  });
  it("before any work is nobody's check-in", () => {
    expect(readKept(stored(withRun(NOTHING_KEPT, running("k", tern, 10), at(10))), at(4 * HOURS)).awaited).toEqual([]);
  });
  it("is taken up by its owner only", () => {
    const kept = withRun(withRun(NOTHING_KEPT, running("k", tern, 40), at(40)), running("g", guest, 30), at(40));
    expect(runOf(kept, tern)?.key).toBe("k");
    expect(runOf(kept, { athleteId: null, name: "r. t." })?.key).toBe("g");
    expect(runOf(kept, { athleteId: "a2", name: "Tern" })).toBeUndefined();
    expect(isSame({ athleteId: null, name: "Tern" }, tern)).toBe(false);
  });
  it("makes room for a new one from the start, and can still be told of", () => {
    const kept = withoutRun(withRun(NOTHING_KEPT, running("k", tern, 50), at(50)), "k", at(60));
    expect(kept.runs).toEqual([]);
    expect(kept.awaited).toMatchObject([{ key: "k", share: 0.5 }]);
    expect(withoutRun(kept, "unknown", at(60))).toBe(kept);
  });
});

const finished = { ...running("k", tern, 86), run: tick(begin(fresh(), T0), at(86)) };
const over = withRun(NOTHING_KEPT, finished, at(86));

describe("a check-in", () => {
  it("waits from the end of the run until it is sent, through a closed page and with what was filled in", () => {
    const filled = withAnswers(over, "k", { hard: 4, tightness: [], pain: true, painWhere: "left knee", note: "" });
    const back = readKept(stored(filled), at(5 * HOURS));
    expect(back.awaited).toMatchObject([
      { share: 1, reachedEnd: true, answers: { pain: true, painWhere: "left knee" } },
    ]);
    expect(readKept(stored(filled), at(86 + 14 * 24 * HOURS - 1)).awaited).toHaveLength(1);
    expect(readKept(stored(filled), at(86 + 14 * 24 * HOURS)).awaited).toEqual([]);
  });
  it("is asked for once, however often the run is kept", () => {
    expect(withRun(over, finished, at(90)).awaited).toHaveLength(1);
    const given = withGiven(over, "k");
    expect(given.awaited).toEqual([]);
    expect(withRun(readKept(stored(given), at(90)), finished, at(90)).awaited).toEqual([]);
  });
  it("of several people wait beside each other", () => {
    const both = withRun(over, { ...finished, key: "g", person: guest }, at(90));
    expect(both.awaited.map((one) => one.person.name)).toEqual(["Tern", "R. T."]);
    expect(withoutAwaited(both, "k").awaited.map((one) => one.key)).toEqual(["g"]);
    expect(withGiven(both, "k").awaited.map((one) => one.key)).toEqual(["g"]);
  });
});

describe("what an earlier Mapset kept", () => {
  it("is taken over: the run where it was, and the check-in that was not sent", () => {
    const { easier: _, ...run } = running("k", tern, 40);
    const back = readKept({ run, unsent: message("u", true), person: tern, sent: "x" }, at(70));
    expect(back.runs[0]).toMatchObject({ key: "k", easier: [], run: { state: "paused", position: 40 } });
    expect(positionAt(back.runs[0]!.run, at(9000))).toBe(40);
    expect(back.unsent).toEqual([{ message: message("u", true) }]);
    expect(back.person).toEqual(tern);
  });
  it("is handed over one by one, and what was handed over is not asked for again", () => {
    const before = readKept(
      {
        ...(stored(over) as Kept),
        awaited: [],
        unsent: [{ message: message("k", true) }, { message: message("g"), refused: true }],
      },
      at(100),
    );
    expect(before.unsent).toHaveLength(2);
    expect(withRun(before, finished, at(100)).awaited).toEqual([]);
    const one = withoutUnsent(before, ["k"]);
    expect(one.unsent?.map(({ message: { run } }) => run.key)).toEqual(["g"]);
    const none = readKept(stored(withoutUnsent(one, ["g"])), at(100));
    expect(none).not.toHaveProperty("unsent");
    expect(withRun(none, finished, at(100)).awaited).toEqual([]);
  });
  it("or is broken, is nothing", () => {
    for (const broken of [
      null,
      7,
      "x",
      [],
      { version: 2, runs: 5, awaited: [null, {}], unsent: [{ message: {} }], mine: 3, person: 1 },
      { run: { key: 1 } },
    ])
      expect(readKept(broken, T0)).toEqual(NOTHING_KEPT);
  });
});

describe("what is done instead", () => {
  it("is kept for the last few who were chosen", () => {
    let kept = NOTHING_KEPT;
    for (let i = 0; i < 20; i++) kept = withMine(kept, `a${i}`, NOTHING_OWN);
    expect(Object.keys(kept.mine)).toHaveLength(8);
    expect(kept.mine).toHaveProperty("a19");
    expect(kept.mine).not.toHaveProperty("a1");
  });
});
