import { describe, expect, it } from "vitest";
import { callsOf } from "./calls";
import { NOTHING_OWN, ownFace } from "./mine";
import { faceOr, ownFaceOr } from "./plain-face";
import { playerView } from "./player-view";
import { addTime, begin, readyRun, type Run } from "./run";
import { stageOther, stageWork, type Staging } from "./timing";
import { tempoOf } from "~/core/dose/dose";
import { DOSE_KINDS, type Dose } from "~/core/dose/kinds";
import { formIn } from "~/core/drills/form";
import { motionAt } from "~/core/drills/motion";
import type { Drill } from "~/core/drills/schema";
import type { Animation } from "~/core/figure/animation";
import { readSession } from "~/core/session/read";
import type { Interval, SessionPlan } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { momentAt } from "~/core/timeline/moment";
import type { Segment, WorkSegment } from "~/core/timeline/types";
import { levelBelow, LEVELS, type LevelName } from "~/core/vocabulary/levels";
import { drawnDrillById, DRAWN_DRILLS } from "~/library/drawn";

/*
 * Whatever is followed, and whatever is done to it on the way, there is something to show and to hear at every moment. Every
 * drill at every level, with its own dose and those it can be given, as it is and by the clock, longer, and easier.
 */

const INTERVALS: readonly (Interval | undefined)[] = [undefined, { work: 40, rest: 20 }, { work: 15, rest: 5 }];
const LONGER: readonly (readonly number[])[] = [[], [15, 30]];

function sessionOf(drill: string, level: LevelName, dose: Dose, interval?: Interval): SessionPlan | undefined {
  const read = readSession(
    {
      format: "mapset/session",
      version: 2,
      title: "t",
      purpose: "off-day",
      blocks: [{ title: "b", ...(interval && { interval }), items: [{ drill, level, dose }] }],
    },
    drawnDrillById,
  );
  return read.ok ? read.value : undefined;
}

const finite = (value: number, least: number, most: number) => value >= least - 1e-9 && value <= most + 1e-9;

/** What is wrong with where a figure is; undefined where nothing is. */
const wrongIn = ({ beat, breath, effort }: Staging, motion: Animation): string | undefined =>
  !finite(beat, 0, motion.beats)
    ? `beat ${beat} of ${motion.beats}`
    : !finite(breath, 0, 1)
      ? `breath ${breath}`
      : effort !== undefined && !finite(effort, 0, 1)
        ? `effort ${effort}`
        : undefined;

/** The run with time added in the middle of its last piece of work. */
function longer(run: Run, by: readonly number[]): Run {
  const last = run.segments.findLast(({ kind }) => kind === "work");
  if (!last || by.length === 0) return run;
  return by.reduce((grown, seconds) => addTime(grown, (last.start + last.seconds / 2) * 1000, seconds), begin(run, 0));
}

/** Work of the same beats in a motion of the same kind is staged alike, whichever drill it is of: looked at once. */
const staged = new Set<string>();

/** What is wrong with where the figure is, at every tenth of a second of a piece of work. */
function stagesOf(motion: Animation, segment: WorkSegment): string[] {
  const { start, seconds, side, direction, beats } = segment;
  const key = JSON.stringify([
    [motion.kind, motion.beats, motion.ends, motion.seconds, motion.keys.at(-1)!.at],
    [side, direction, seconds],
    beats.map((beat) => [
      Math.round((beat.start - start) * 1e3),
      beat.seconds,
      beat.rep,
      beat.side,
      beat.breath,
      beat.effort,
      beat.easy,
    ]),
  ]);
  if (staged.has(key)) return [];
  staged.add(key);
  for (let t = start; t <= start + seconds + 0.5; t += 0.1) {
    const wrong = wrongIn(stageWork(motion, segment, t), motion);
    if (wrong) return [`${t.toFixed(1)}: ${wrong}`];
  }
  return [];
}

/** What fails of a run, at every tenth of a second where the figure works, and at every second of its words. */
function faultsOf(drill: Drill, session: SessionPlan, by: readonly number[], eased: boolean): string[] {
  const facts = (place: { block: number; item: number }) => {
    const item = session.blocks[place.block]!.items[place.item]!;
    return { item, drill: formIn(item, drawnDrillById)! };
  };
  const run = longer(readyRun(compile(session, drawnDrillById)), by);
  const timeline = { segments: run.segments, totalSeconds: run.total };
  const item = session.blocks[0]!.items[0]!;
  const easier = eased ? new Set(["0.0"]) : new Set<string>();
  const motion = motionAt(drill, (eased && levelBelow(item.level)) || item.level)!;
  const faults: string[] = [];
  const looked = new Set<Segment>();
  for (const call of callsOf(run.segments, run.total, () => ({ name: drill.name, cues: [] })))
    if (!finite(call.at, 0, run.total)) faults.push(`a call at ${call.at}`);
  for (let t = 0; t <= run.total + 0.5;) {
    const moment = momentAt(timeline, t)!;
    const { segment, nextWork } = moment;
    try {
      if (segment.kind === "work") {
        if (!looked.has(segment)) faults.push(...stagesOf(motion, segment));
        looked.add(segment);
      } else {
        const wrong = wrongIn(stageOther(motion, segment, t, nextWork, tempoOf(item.dose)), motion);
        if (wrong) faults.push(`${t.toFixed(1)}: ${wrong}`);
      }
      const face = eased ? ownFace(moment, facts, NOTHING_OWN, easier) : playerView(moment, facts);
      if (!face?.drill || !face.big) faults.push(`${t.toFixed(1)}: nothing to show`);
    } catch (error) {
      faults.push(`${t.toFixed(1)}: ${(error as Error).message}`);
    }
    // Words change with beats and seconds; the figure was looked at at every tenth.
    t += 1;
  }
  return faults;
}

describe("a run never ends by an error", () => {
  it("whatever the drill, its level, its dose and the clock, and however it is lengthened or eased", () => {
    const failed: string[] = [];
    let tried = 0;
    for (const drill of DRAWN_DRILLS)
      for (const level of LEVELS)
        for (const interval of INTERVALS) {
          const session = sessionOf(drill.id, level, drill.levels[level].dose, interval);
          if (!session) continue;
          for (const by of LONGER)
            for (const eased of [false, true]) {
              // Easier differs by the level it is drawn at and by its words: looked at once for each.
              if (eased && (by.length > 0 || interval)) continue;
              tried++;
              const [first] = faultsOf(drill, session, by, eased);
              if (first)
                failed.push(
                  `${drill.id} ${level} ${interval?.work ?? "-"} +${by.join("+")}${eased ? " easier" : ""}: ${first}`,
                );
            }
        }
    expect(failed).toEqual([]);
    expect(tried).toBeGreaterThan(5000);
  }, 120_000);

  it("also with any other dose a coach may give it", () => {
    const failed: string[] = [];
    for (const [i, drill] of DRAWN_DRILLS.entries())
      for (const kind of Object.values(DOSE_KINDS)) {
        const dose = kind.usual(20 + (i % 5) * 4);
        for (const interval of INTERVALS) {
          const session = sessionOf(drill.id, "standard", dose, interval);
          const [first] = session ? faultsOf(drill, session, LONGER[i % LONGER.length]!, false) : [];
          if (first) failed.push(`${drill.id} ${dose.kind} ${interval?.work ?? "-"}: ${first}`);
        }
      }
    expect(failed).toEqual([]);
  }, 120_000);
});

describe("where a drill is broken", () => {
  const session = sessionOf("hip-flexor-turn", "standard", { kind: "time", seconds: 20 })!;
  const timeline = compile(session, drawnDrillById);
  const working = timeline.segments.find(({ kind }) => kind === "work")!;
  const moment = momentAt(timeline, working.start + 5)!;
  const noWords = () => ({
    ...named(),
    drill: {
      ...named().drill,
      get steps(): never {
        throw new Error("broken");
      },
    },
  });
  const broken = () => {
    throw new Error("broken");
  };
  const named = () => ({ drill: { name: "Half-kneeling turn" } as Drill, item: session.blocks[0]!.items[0]! });

  it("name, side and clock go on, and it is told", () => {
    const told: unknown[] = [];
    const face = faceOr(moment, noWords, (error) => told.push(error));
    expect(face).toMatchObject({ drill: "Half-kneeling turn", side: "left", big: "0:15", bigLabel: "left" });
    expect(told).toHaveLength(1);
    expect(faceOr(moment, broken)).toMatchObject({ drill: "This drill", side: "left", big: "0:15" });
    expect(faceOr(moment, () => undefined)).toMatchObject({ drill: "This drill", big: "0:15" });
  });
  it("whoever does something else rests, since nobody knows any more what is right for them", () => {
    const mine = { ...NOTHING_OWN, instead: [{ block: 0, item: 0, does: "rest" as const }] };
    expect(ownFaceOr(moment, broken, mine, new Set())).toMatchObject({ drill: "Rest here", big: "0:15" });
    expect(ownFaceOr(moment, broken, NOTHING_OWN, new Set())).toMatchObject({ drill: "This drill", side: "left" });
  });
  it("calls of it are the plain ones, and those of the others as they are", () => {
    const calls = callsOf(timeline.segments, timeline.totalSeconds, broken);
    expect(calls.filter(({ at }) => at === working.start)).toEqual([
      { at: working.start, tone: "begin", say: "Left side. Go." },
    ]);
    expect(calls.at(-1)).toMatchObject({ tone: "over" });
  });
});
