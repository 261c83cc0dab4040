import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readSession } from "~/core/session/read";
import type { SessionInput } from "~/core/session/schema";
import { lookup, SAMPLE_DRILLS, timedDrill } from "~/fixtures/drills";
import { anySession } from "~/fixtures/sessions";
import { compile } from "~/core/timeline/compile";
import { momentAt } from "~/core/timeline/moment";
import { layLess, layMore } from "./more";
import {
  addTime,
  back,
  begin,
  catchUp,
  pause,
  positionAt,
  reachedEnd,
  readyRun,
  REALLY_DONE,
  repeatSide,
  shareDone,
  skip,
  skipDrill,
  stop,
  tick,
  type Run,
} from "./run";

const two = lookup([timedDrill("kneel", "half-kneeling"), timedDrill("lie", "supine", { sides: "together" })]);

/** demo 20 · left 30 · switch 6 · right 30 · move 9 · demo 20 · both 30 = 145 s, the worked example. */
const example: SessionInput = {
  format: "mapset/session",
  version: 1,
  title: "t",
  purpose: "off-day",
  blocks: [
    {
      title: "b",
      items: [
        { drill: "kneel", dose: { kind: "time", seconds: 30 } },
        { drill: "lie", dose: { kind: "breaths", count: 5 } },
      ],
    },
  ],
};

function fresh(input: SessionInput = example, drills = two): Run {
  const read = readSession(input, drills);
  if (!read.ok) throw new Error("bad");
  return readyRun(compile(read.value, drills));
}

const T0 = 1_700_000_000_000;
const at = (seconds: number) => T0 + seconds * 1000;
const now = (run: Run, t: number) => momentAt({ segments: run.segments, totalSeconds: run.total }, positionAt(run, t))!;

describe("left alone", () => {
  it("ends at the second promised, however seldom it is looked at", () => {
    const run = begin(fresh(), T0);
    expect(tick(run, at(144.99)).state).toBe("running");
    expect(tick(run, at(145)).state).toBe("finished");
    expect(shareDone(tick(run, at(9000)), at(9000))).toBe(1);
  });
  it("is at the right place after sleep", () => {
    const run = begin(fresh(), T0);
    expect(now(run, at(60)).segment).toMatchObject({ kind: "work", side: "right" });
    expect(now(run, at(60)).left).toBeCloseTo(26);
  });
});

describe("pause", () => {
  it("stops the clock and goes on where it was", () => {
    const paused = pause(begin(fresh(), T0), at(30));
    expect(positionAt(paused, at(500))).toBe(30);
    expect(positionAt(begin(paused, at(500)), at(510))).toBe(40);
  });
});

describe("coming back", () => {
  const left = pause(begin(fresh(), T0), at(30));
  it("catches up to where the others are; what is passed over is not done", () => {
    const back = catchUp(left, at(90), 60);
    expect(back.state).toBe("running");
    expect(positionAt(back, at(90))).toBe(90);
    expect(shareDone(back, at(90))).toBeCloseTo(10 / 90);
    expect(shareDone(back, at(95))).toBeCloseTo(10 / 90);
    expect(shareDone(tick(back, at(145)), at(145))).toBeCloseTo(40 / 90);
  });
  it("ends a session the others have finished, and never goes back", () => {
    expect(catchUp(left, at(500), 470)).toMatchObject({ state: "finished", position: 145 });
    expect(positionAt(catchUp(left, at(90), -60), at(90))).toBe(30);
    const over = stop(left, at(30));
    expect(catchUp(over, at(90), 10)).toBe(over);
  });
});

describe("to the end", () => {
  const whole = begin(fresh(), T0);
  it("is what was followed there", () => expect(reachedEnd(tick(whole, at(145)), at(145))).toBe(true));
  it("is not what was skipped there", () => {
    let run = whole;
    for (let i = 0; i < 40 && run.state !== "finished"; i++) run = skip(run, at(1));
    expect(run).toMatchObject({ state: "finished", position: 145 });
    expect(reachedEnd(run, at(1))).toBe(false);
  });
  it("lets a tenth of the work be passed over and no more", () => {
    // 90 s of work: skipped from so many seconds before the end of the last 30.
    const passing = (seconds: number) => skip(whole, at(145 - seconds));
    expect(REALLY_DONE).toBe(0.9);
    expect(reachedEnd(passing(9), at(145 - 9))).toBe(true);
    expect(reachedEnd(passing(9.1), at(145 - 9.1))).toBe(false);
  });
  it("is not what was stopped before", () => expect(reachedEnd(stop(whole, at(144)), at(144))).toBe(false));
  it("adds no time to a run that is over", () => {
    const over = tick(whole, at(145));
    expect(addTime(over, at(150), 15)).toBe(over);
  });
});

describe("skip and back", () => {
  it("skips to the end of what is now", () => expect(positionAt(skip(begin(fresh(), T0), at(5)), at(5))).toBe(20));
  it("skips a whole drill", () =>
    expect(now(skipDrill(begin(fresh(), T0), at(25)), at(25)).segment).toMatchObject({ kind: "move", item: 1 }));
  it("ends the run when the last drill is skipped", () =>
    expect(skipDrill(begin(fresh(), T0), at(120)).state).toBe("finished"));
  it("goes back to the start, and at the start to the one before", () => {
    const run = begin(fresh(), T0);
    expect(positionAt(back(run, at(40)), at(40))).toBe(20);
    expect(positionAt(back(run, at(21)), at(21))).toBe(0);
  });
  it("works while paused too", () => {
    const run = skip(pause(begin(fresh(), T0), at(5)), at(60));
    expect(run.state).toBe("paused");
    expect(positionAt(run, at(99))).toBe(20);
  });
  it("does not count what was skipped as done", () => {
    const run = skip(begin(fresh(), T0), at(35));
    expect(shareDone(run, at(35))).toBeCloseTo(15 / 90);
  });
});

describe("repeat this side", () => {
  it("asked during the work puts the copy right behind it", () => {
    const run = repeatSide(begin(fresh(), T0), at(30));
    expect(run.total).toBe(175);
    expect(now(run, at(55)).segment).toMatchObject({ kind: "work", side: "left", start: 50 });
    expect(now(run, at(83)).segment).toMatchObject({ kind: "switch" });
  });
  it("asked while changing sides begins at once", () => {
    const run = repeatSide(begin(fresh(), T0), at(52));
    expect(now(run, at(52)).segment).toMatchObject({ kind: "work", side: "left", start: 50 });
    expect(positionAt(run, at(52))).toBe(50);
  });
  it("has nothing to repeat before the first work", () => {
    const run = begin(fresh(), T0);
    expect(repeatSide(run, at(5))).toBe(run);
  });
  it("is as long as it was set, whatever was added to it before", () => {
    const longer = addTime(addTime(begin(fresh(), T0), at(30), 15), at(31), 15);
    const run = repeatSide(longer, at(40));
    expect([longer.total, run.total]).toEqual([175, 205]);
    const [first, copy] = run.segments.filter((one) => one.kind === "work");
    expect([first!.seconds, copy!.seconds]).toEqual([60, 30]);
    // What is added to the copy stays with the copy, and what is repeated of that is plain again.
    const again = repeatSide(addTime(run, at(85), 15), at(86));
    expect(
      again.segments
        .filter((one) => one.kind === "work")
        .slice(0, 3)
        .map((one) => one.seconds),
    ).toEqual([60, 45, 30]);
    // One kept before added time was known is repeated as it is.
    const { more: _, ...before } = longer;
    expect(repeatSide(before, at(40)).total).toBe(235);
  });
  it("does not count the repeat as more of the session", () => {
    const run = repeatSide(begin(fresh(), T0), at(30));
    expect(shareDone(tick(run, at(175)), at(175))).toBe(1);
    expect(shareDone(run, at(80))).toBeCloseTo(30 / 90);
  });
});

describe("15 seconds more", () => {
  it("lengthens what is now and moves the rest back", () => {
    const run = addTime(begin(fresh(), T0), at(30), 15);
    expect(run.total).toBe(160);
    expect(now(run, at(64)).segment).toMatchObject({ kind: "work", side: "left", seconds: 45 });
  });
  it("keeps breaths in rhythm", () => {
    const run = addTime(begin(fresh(), T0), at(130), 15);
    const work = run.segments.at(-1);
    expect(work?.kind === "work" && work.beats.slice(10).map((b) => [b.breath, b.rep, b.seconds])).toEqual([
      ["in", 6, 3],
      ["out", 6, 3],
      ["in", 7, 3],
      ["out", 7, 3],
      ["in", 8, 3],
    ]);
  });
});

describe("time taken off again", () => {
  it("leaves every segment as it was before it was added, beat by beat", () => {
    const drills = lookup(SAMPLE_DRILLS);
    fc.assert(
      fc.property(anySession, fc.integer({ min: 1, max: 60 }), (input, seconds) => {
        for (const segment of fresh(input, drills).segments) {
          const back = layLess(layMore(segment, seconds), seconds);
          expect(back.seconds).toBeCloseTo(segment.seconds, 6);
          if (segment.kind !== "work" || back.kind !== "work") continue;
          expect(back.beats.map(({ start: _, seconds: __, ...beat }) => beat)).toEqual(
            segment.beats.map(({ start: _, seconds: __, ...beat }) => beat),
          );
          back.beats.forEach((beat, i) => expect(beat.seconds).toBeCloseTo(segment.beats[i]!.seconds, 6));
        }
        return true;
      }),
      { numRuns: 150 },
    );
  });
});

describe("whatever is pressed", () => {
  const press = fc.constantFrom<(run: Run, t: number) => Run>(
    skip,
    skipDrill,
    back,
    repeatSide,
    pause,
    begin,
    tick,
    (run, t) => addTime(run, t, 15),
  );
  it("keeps the segments without gaps, the place inside them and the share between none and all", () => {
    const drills = lookup(SAMPLE_DRILLS);
    fc.assert(
      fc.property(
        anySession,
        fc.array(fc.tuple(press, fc.integer({ min: 0, max: 90 })), { maxLength: 25 }),
        (input, presses) => {
          let run = begin(fresh(input, drills), T0);
          let t = T0;
          for (const [act, wait] of presses) {
            t += wait * 1000;
            run = act(run, t);
            let sum = 0;
            for (const segment of run.segments) {
              expect(segment.start).toBeCloseTo(sum, 4);
              sum += segment.seconds;
              if (segment.kind === "work")
                expect(segment.beats.reduce((s, b) => s + b.seconds, 0)).toBeCloseTo(segment.seconds, 4);
            }
            expect(run.total).toBeCloseTo(sum, 4);
            const place = positionAt(run, t);
            const share = shareDone(run, t);
            if (place < 0 || place > run.total || share < 0 || share > 1) return false;
          }
          return stop(run, t).state === "finished";
        },
      ),
      { numRuns: 300 },
    );
  });
  it("an untouched run does all of it", () => {
    const drills = lookup(SAMPLE_DRILLS);
    fc.assert(
      fc.property(anySession, fc.array(fc.integer({ min: 1, max: 400 }), { maxLength: 8 }), (input, looks) => {
        let run = begin(fresh(input, drills), T0);
        let t = T0;
        for (const wait of looks) run = tick(run, (t += wait * 1000));
        run = tick(run, at(run.total + 1));
        return run.state === "finished" && Math.abs(shareDone(run, t) - 1) < 1e-9;
      }),
      { numRuns: 200 },
    );
  });
});
