import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { callsDue, callsOf, type Call } from "./calls";
import { layMore } from "./more";
import { readSession } from "~/core/session/read";
import type { Dose } from "~/core/dose/kinds";
import type { SessionInput } from "~/core/session/schema";
import { SAMPLE_DRILLS, lookup } from "~/fixtures/drills";
import { anySession } from "~/fixtures/sessions";
import { compile } from "~/core/timeline/compile";
import { drillById } from "~/library";

const sample = lookup(SAMPLE_DRILLS);

/** The calls of one drill on one side, without a demonstration: what it begins with, its beats, its end. */
function said(drill: string, dose: Dose, more: object = {}): Call[] {
  const read = readSession(
    {
      format: "mapset/session",
      version: 1,
      title: "t",
      purpose: "off-day",
      blocks: [{ title: "", items: [{ drill, dose, demo: 0, ...more }] }],
    },
    drillById,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const { segments, totalSeconds } = compile(read.value, drillById);
  return callsOf(segments, totalSeconds, (block, item) => ({
    name: drillById(read.value.blocks[block]!.items[item]!.drill)!.name,
    cues: read.value.blocks[block]!.items[item]!.cues ?? [],
  }));
}
const words = (calls: readonly Call[]) => calls.flatMap(({ at, say }) => (say ? [`${at} ${say}`] : []));

describe("what is called of a dose", () => {
  it("is drill, side and the middle of a long hold, the change of sides, and the end", () => {
    // Fetching a pad takes 4 s; 40 s a side, 6 s between them.
    expect(words(said("hip-flexor-hold", { kind: "time", seconds: 40 }))).toEqual([
      "0 Next: Half-kneeling hip flexor hold. Half-kneeling.",
      "4 Left side. Go.",
      "24 Halfway.",
      "44 Change sides. Right.",
      "50 Right side. Go.",
      "70 Halfway.",
      "90 That is the session. Well done.",
    ]);
    expect(words(said("hip-flexor-hold", { kind: "time", seconds: 39 })).some((line) => line.includes("Halfway"))).toBe(
      false,
    );
  });
  it("is the number of a repetition that is slow enough to say it in, with the side where sides take turns", () => {
    const reps = (seconds: number): Dose => ({
      kind: "reps",
      count: 2,
      tempo: [
        { do: "there", seconds: seconds / 2 },
        { do: "back", seconds: seconds / 2 },
      ],
    });
    expect(words(said("rib-shift", reps(3)))).toEqual([
      "0 Rib-cage side shift. Alternate sides. Go.",
      "3 2, right.",
      "6 3, left.",
      "9 4, right.",
      "12 That is the session. Well done.",
    ]);
    const quick = said("rib-shift", reps(2));
    expect(words(quick)).toHaveLength(2);
    expect(quick.filter(({ tone }) => tone === "beat").map(({ at }) => at)).toEqual([0, 2, 4, 6]);
  });
  it("is the effort of each step, the other way, and letting go", () => {
    const ramp: Dose = {
      kind: "effort",
      rounds: 1,
      ramp: [
        { effort: 30, seconds: 4 },
        { effort: 60, seconds: 6 },
      ],
      opposite: { effort: 40, seconds: 5 },
      settle: 8,
    };
    expect(words(said("tension-ramp", ramp))).toEqual([
      "0 Whole-body tension ramp. Go.",
      "0 30 per cent.",
      "4 60 per cent.",
      "10 Now the other way, 40 per cent.",
      "15 Let go.",
      "23 That is the session. Well done.",
    ]);
  });
  it("is in and out for two breaths, and then only their numbers", () => {
    const calls = said("box-breathing", { kind: "breaths", count: 4, pattern: [4, 2, 4, 2] });
    const start = calls.find(({ tone }) => tone === "begin")!.at;
    const beats = calls.filter(({ tone }) => tone === "beat");
    expect(beats.map(({ at }) => at - start)).toEqual([0, 4, 6, 10, 12, 16, 18, 22, 24, 36]);
    expect(beats.slice(-2).map(({ say }) => say)).toEqual(["3.", "4."]);
    expect(new Set(beats.slice(0, 8).map(({ say }) => say)).size).toBeLessThanOrEqual(4);
  });
  it("is the rest with its length and its last three seconds, the other direction, and the coach's own words", () => {
    const calls = said(
      "hip-circle-kneel",
      { kind: "time", seconds: 10 },
      {
        sides: "left",
        sets: 2,
        restBetweenSets: 15,
        cues: [
          { at: 3, say: "Slow." },
          { at: 10, say: "Past its end." },
        ],
      },
    );
    const list = words(calls);
    expect(list.filter((line) => line.endsWith("Other direction."))).toHaveLength(2);
    expect(list.filter((line) => line.endsWith("Slow."))).toHaveLength(4);
    expect(list.some((line) => line.includes("Past its end"))).toBe(false);
    const rest = calls.find(({ say }) => say === "Rest, 15 s.")!.at;
    expect(
      calls.filter(({ at, tone }) => tone === "count" && at > rest && at < rest + 15).map(({ at }) => at - rest),
    ).toEqual([12, 13, 14]);
  });
});

const callsIn = (input: SessionInput) => {
  const read = readSession(input, sample);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const timeline = compile(read.value, sample);
  return {
    timeline,
    calls: callsOf(timeline.segments, timeline.totalSeconds, (block, item) => ({
      name: read.value.blocks[block]!.items[item]!.drill,
      cues: [{ at: 1, say: "Mind." }],
    })),
  };
};

describe("the calls of any session", () => {
  it("stand in order inside it, begin and end each piece of work once, and close with its end", () => {
    fc.assert(
      fc.property(anySession, (input) => {
        const { timeline, calls } = callsIn(input);
        const { segments, totalSeconds } = timeline;
        const works = segments.filter(({ kind }) => kind === "work");
        expect(calls.every(({ at }, i) => at >= 0 && at <= totalSeconds + 1e-6 && at >= (calls[i - 1]?.at ?? 0))).toBe(
          true,
        );
        expect(calls.filter(({ tone }) => tone === "begin")).toHaveLength(works.length);
        expect(calls.filter(({ tone }) => tone === "end")).toHaveLength(works.length);
        expect(calls.filter(({ tone }) => tone === "over").map(({ at }) => at)).toEqual([totalSeconds]);
        // Whatever is said is a whole sentence, without a number nobody can say.
        expect(calls.filter(({ say }) => say !== undefined && !/^\S.*[.]$/s.test(say))).toEqual([]);
        expect(calls.every(({ tone, say }) => tone !== undefined || say !== undefined)).toBe(true);
      }),
      { numRuns: 80 },
    );
  });
  it("fall due exactly once however time is looked at, but not when they are long past", () => {
    fc.assert(
      fc.property(
        anySession,
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 20 }),
        (input, cuts) => {
          const {
            timeline: { totalSeconds },
            calls,
          } = callsIn(input);
          const looks = [...cuts.map((cut) => cut * totalSeconds), totalSeconds].sort((a, b) => a - b);
          const due = looks.flatMap((to, i) => callsDue(calls, i === 0 ? -1 : looks[i - 1]!, to, Infinity));
          expect(due).toEqual(calls);
          expect(callsDue(calls, -1, totalSeconds, 0).every(({ at }) => at === totalSeconds)).toBe(true);
        },
      ),
      { numRuns: 100 },
    );
  });
});

describe("more time", () => {
  it("goes on without a gap at the tempo there was, for exactly the time asked, and never at full effort", () => {
    fc.assert(
      fc.property(anySession, fc.integer({ min: 1, max: 60 }), (input, seconds) => {
        for (const segment of callsIn(input).timeline.segments) {
          const longer = layMore(segment, seconds);
          expect(longer.seconds).toBeCloseTo(segment.seconds + seconds, 9);
          if (longer.kind !== "work" || segment.kind !== "work") continue;
          const ends = longer.beats.map((beat) => beat.start + beat.seconds);
          expect(
            longer.beats.every((beat, i) => Math.abs(beat.start - (i === 0 ? longer.start : ends[i - 1]!)) < 1e-6),
          ).toBe(true);
          expect(ends.at(-1)).toBeCloseTo(longer.start + longer.seconds, 6);
          const added = longer.beats.slice(segment.beats.length);
          if (segment.beats.length > 1) expect(added.every(({ effort }) => effort === undefined)).toBe(true);
          const sides = longer.beats
            .filter((beat, i) => beat.side && longer.beats[i - 1]?.rep !== beat.rep)
            .map(({ side }) => side);
          if (added.length > 0) expect(sides.slice(1).every((side, i) => side !== sides[i])).toBe(true);
          expect(longer.beats.every(({ rep, reps }) => rep >= 1 && rep <= reps)).toBe(true);
        }
      }),
      { numRuns: 40 },
    );
  });
});
