import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readSession } from "~/core/session/read";
import type { SessionPlan, SessionInput } from "~/core/session/schema";
import { lookup, SAMPLE_DRILLS } from "~/fixtures/drills";
import { anySession } from "~/fixtures/sessions";
import { compile } from "./compile";
import { cut, workWithin } from "./cut";
import { doseSeconds } from "~/core/dose/dose";
import { momentAt } from "./moment";
import { sideModeOf } from "~/core/session/passes";
import { totalsByItem, totalsByKind } from "./totals";

const drills = lookup(SAMPLE_DRILLS);
const RUNS = { numRuns: 1500 };

function read(input: SessionInput): SessionPlan {
  const result = readSession(input, drills);
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.value;
}

const near = (a: number, b: number) => Math.abs(a - b) < 1e-6;

describe("any session", () => {
  it("is laid out without gaps or overlaps, in finite times that are not negative, and never ends on a rest", () => {
    fc.assert(
      fc.property(anySession, (input) => {
        const timeline = compile(read(input), drills);
        let at = 0;
        for (const segment of timeline.segments) {
          if (!Number.isFinite(segment.seconds) || segment.seconds <= 0 || !near(segment.start, at)) return false;
          at = segment.start + segment.seconds;
          if (segment.kind !== "work") continue;
          let beatAt = segment.start;
          for (const beat of segment.beats) {
            if (!near(beat.start, beatAt) || beat.seconds < 0 || beat.rep < 1 || beat.rep > beat.reps) return false;
            beatAt = beat.start + beat.seconds;
          }
          if (!near(beatAt, at)) return false;
        }
        return near(at, timeline.totalSeconds) && timeline.segments.at(-1)?.kind !== "rest";
      }),
      RUNS,
    );
  });

  it("has as much work as its doses say, side by side", () => {
    fc.assert(
      fc.property(anySession, (input) => {
        const session = read(input);
        const expected = { left: 0, right: 0, both: 0 };
        for (const block of session.blocks)
          for (const item of block.items) {
            const once =
              doseSeconds(item.dose, session.pace) *
              (item.directions ?? drills(item.drill)!.directions) *
              item.sets *
              block.rounds;
            const mode = sideModeOf(item, drills);
            if (mode === "together") expected.both += once;
            if (mode === "left" || mode === "each" || mode === "alternating") expected.left += once;
            if (mode === "right" || mode === "each" || mode === "alternating") expected.right += once;
          }
        const { workSeconds, segments } = compile(session, drills);
        const sum = totalsByKind(segments);
        expect(workSeconds.left).toBeCloseTo(expected.left, 5);
        expect(workSeconds.right).toBeCloseTo(expected.right, 5);
        expect(workSeconds.both).toBeCloseTo(expected.both, 5);
        expect(sum.work).toBeCloseTo(expected.left + expected.right + expected.both, 5);
      }),
      RUNS,
    );
  });

  it("gives left and right the same work in every item for both sides", () => {
    fc.assert(
      fc.property(anySession, (input) => {
        const session = read(input);
        const totals = totalsByItem(compile(session, drills));
        return [...totals].every(([key, { work }]) => {
          const [b, i] = key.split(".").map(Number);
          const mode = sideModeOf(session.blocks[b!]!.items[i!]!, drills);
          return mode === "left" || mode === "right" || near(work.left, work.right);
        });
      }),
      RUNS,
    );
  });

  it("changes sides exactly when the side before is another one", () => {
    fc.assert(
      fc.property(anySession, (input) => {
        let side: string | undefined;
        return compile(read(input), drills).segments.every((segment, i, all) => {
          if (segment.kind === "move" || segment.kind === "rest") side = undefined;
          if (segment.kind !== "work") return true;
          const oneSided = segment.side === "left" || segment.side === "right";
          const due = oneSided && side !== undefined && side !== segment.side;
          const before = all[i - 1];
          side = oneSided ? segment.side : undefined;
          return due ? session0(input) === 0 || before?.kind === "switch" : before?.kind !== "switch";
        });
      }),
      RUNS,
    );
  });

  it("can be cut anywhere: the parts agree with the whole", () => {
    fc.assert(
      fc.property(
        anySession,
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 6 }),
        (input, places) => {
          const { segments, totalSeconds, workSeconds } = compile(read(input), drills);
          const edges = [0, ...places.map((p) => p * totalSeconds).sort((a, b) => a - b), totalSeconds];
          const parts = edges.slice(1).map((to, i) => cut(segments, edges[i]!, to));
          const seconds = parts.flat().reduce((sum, s) => sum + s.seconds, 0);
          const work = edges.slice(1).reduce((sum, to, i) => sum + workWithin(segments, edges[i]!, to), 0);
          expect(seconds).toBeCloseTo(totalSeconds, 5);
          expect(work).toBeCloseTo(workSeconds.left + workSeconds.right + workSeconds.both, 5);
          parts.forEach((part, i) => {
            expect(part.every((s) => s.start >= edges[i]! - 1e-9 && s.start + s.seconds <= edges[i + 1]! + 1e-6)).toBe(
              true,
            );
          });
        },
      ),
      { numRuns: 400 },
    );
  });

  it("tells of any moment what is now, how long is left and what is next", () => {
    fc.assert(
      fc.property(anySession, fc.double({ min: -0.1, max: 1.1, noNaN: true }), (input, place) => {
        const timeline = compile(read(input), drills);
        const t = place * timeline.totalSeconds;
        const at = Math.min(Math.max(t, 0), timeline.totalSeconds);
        const moment = momentAt(timeline, t);
        if (!moment) return timeline.segments.length === 0;
        const now = timeline.segments.filter((s) => s.start <= at).at(-1);
        const beats = now?.kind === "work" ? now.beats.filter((b) => b.start <= at) : [];
        return (
          moment.segment === now &&
          near(moment.elapsed + moment.left, now.seconds) &&
          near(moment.sessionLeft, timeline.totalSeconds - at) &&
          moment.next === timeline.segments[moment.index + 1] &&
          moment.beat === beats.at(-1) &&
          moment.over === t >= timeline.totalSeconds
        );
      }),
      RUNS,
    );
  });

  it("is the same after a round trip through JSON", () => {
    fc.assert(
      fc.property(anySession, (input) => {
        const session = read(input);
        const again = read(JSON.parse(JSON.stringify(session)) as SessionInput);
        expect(again).toEqual(session);
        expect(compile(again, drills)).toEqual(compile(session, drills));
      }),
      { numRuns: 400 },
    );
  });
});

/** Seconds the session allows for changing sides: when it is none, there is no segment for it. */
function session0(input: SessionInput): number {
  return Math.round((input.pace?.switchSides ?? 6) * 1e6);
}
