import { describe, expect, it } from "vitest";
import { easyBreath, shownBeat, shownRound, stageOther, stageWork } from "./timing";
import { readSession } from "~/core/session/read";
import { compile } from "~/core/timeline/compile";
import type { WorkSegment } from "~/core/timeline/types";
import { drillById } from "~/library";
import { MOTIONS } from "~/library/animations";

function work(drill: string, more: object = {}): WorkSegment[] {
  const read = readSession(
    {
      format: "mapset/session",
      version: 1,
      title: "t",
      purpose: "off-day",
      firstSide: "left",
      blocks: [{ title: "b", items: [{ drill, dose: drillById(drill)!.levels.standard.dose, ...more }] }],
    },
    drillById,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return compile(read.value, drillById).segments.filter((s) => s.kind === "work");
}

describe("the figure in step with the work", () => {
  it("is at the key of a beat when the beat is over, on the side of the segment", () => {
    const [left] = work("hip-flexor-turn");
    const motion = MOTIONS["hip-flexor-turn"]!.standard;
    // reach up 2, turn 1, come back 2: after 2 s the arm is up, after 3 s turned, after 5 s the next repetition begins.
    const at = (s: number) => stageWork(motion, left!, left!.start + s);
    expect(at(0)).toMatchObject({ side: "left", beat: 0 });
    expect(at(2).beat).toBeCloseTo(1);
    expect(at(3).beat).toBeCloseTo(2);
    expect(at(4).beat).toBeCloseTo(2.5);
    expect(at(5).beat).toBeCloseTo(0);
    expect(at(7).beat).toBeCloseTo(1);
  });
  it("takes turns with the repetitions", () => {
    const [turns] = work("side-squat-shift");
    const motion = MOTIONS["side-squat-shift"]!.standard;
    expect(stageWork(motion, turns!, turns!.start + 1).side).toBe("left");
    expect(stageWork(motion, turns!, turns!.start + 6).side).toBe("right");
  });
  it("goes into a hold and stays there", () => {
    const [left] = work("hip-flexor-hold");
    const motion = MOTIONS["hip-flexor-hold"]!.standard;
    expect(stageWork(motion, left!, left!.start).beat).toBe(0);
    expect(stageWork(motion, left!, left!.start + motion.seconds).beat).toBe(1);
    expect(stageWork(motion, left!, left!.start + 25).beat).toBe(1);
  });
  it("rises in effort with the ramp", () => {
    const [left] = work("ankle-effort");
    const motion = MOTIONS["ankle-effort"]!.standard;
    const efforts = [0.5, 2.5, 4.5, 8].map((s) => stageWork(motion, left!, left!.start + s).effort);
    expect(efforts).toEqual([0.4, 0.6, 0.8, 0.8]);
  });
  it("breathes as it is paced, full after the breath in, held full, empty after the breath out", () => {
    const [both] = work("box-breathing");
    const motion = MOTIONS["box-breathing"]!.standard;
    const at = (s: number) => stageWork(motion, both!, both!.start + s).breath;
    expect(at(2)).toBeCloseTo(0.5);
    expect(at(6)).toBe(1);
    expect(at(10)).toBeCloseTo(0.5);
    expect(at(14)).toBe(0);
  });
  it("goes a circle the other way in the second direction", () => {
    const [there, back] = work("ankle-circles");
    const motion = MOTIONS["ankle-circles"]!.standard;
    const [a, b] = [stageWork(motion, there!, there!.start + 1.5), stageWork(motion, back!, back!.start + 1.5)];
    expect(a.beat).toBeCloseTo(1);
    expect(b.beat).toBeCloseTo(motion.beats - 1);
  });
  it("shows the whole movement first from its best side, then on the athlete's, while they watch", () => {
    const [left] = work("lunge-reverse");
    const motion = MOTIONS["lunge-reverse"]!.standard;
    const demo = {
      kind: "demo" as const,
      start: 0,
      seconds: 20,
      block: 0,
      item: 0,
      round: 1,
      posture: "standing" as const,
    };
    expect(stageOther(motion, demo, 5, left, [2, 2]).side).toBe("right");
    expect(stageOther(motion, demo, 15, left, [2, 2]).side).toBe("left");
    expect(stageOther(motion, demo, 2, left, [2, 2]).beat).toBeCloseTo(1);
  });
  it("keeps each beat's own length where nothing is timed yet", () => {
    const motion = MOTIONS["lunge-reverse"]!.standard;
    expect(motion.beats).toBe(2);
    expect(shownBeat(motion, 1.5, [3, 1])).toBeCloseTo(0.5);
    expect(shownBeat(motion, 3, [3, 1])).toBeCloseTo(1);
    expect(shownBeat(motion, 3.5, [3, 1])).toBeCloseTo(1.5);
    expect(shownBeat(motion, 4 + 1.5, [3, 1])).toBeCloseTo(0.5);
    expect(shownBeat(motion, 2, [1, 1, 2])).toBeCloseTo(1);
    expect([shownRound(motion, 3.9, [3, 1]), shownRound(motion, 4.1, [3, 1])]).toEqual([0, 1]);
  });
  it("comes out of a hold again when it only shows the way", () => {
    const motion = MOTIONS["hip-flexor-hold"]!.standard;
    expect(shownBeat(motion, 0)).toBe(0);
    expect(shownBeat(motion, motion.seconds + 1)).toBe(1);
    expect(shownBeat(motion, 2 * motion.seconds + 4)).toBe(0);
    expect(easyBreath(0)).toBeCloseTo(0);
  });
});
