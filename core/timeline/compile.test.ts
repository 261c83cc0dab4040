import { describe, expect, it } from "vitest";
import { readSession } from "~/core/session/read";
import type { SessionInput } from "~/core/session/schema";
import { lookup, timedDrill } from "~/fixtures/drills";
import { compile } from "./compile";
import type { Segment } from "./types";

const drills = lookup([
  timedDrill("kneel", "half-kneeling"),
  timedDrill("lie", "supine", { sides: "together" }),
  timedDrill("circle", "half-kneeling", { directions: 2 }),
  timedDrill("swap", "half-kneeling", { sides: "alternating" }),
  timedDrill("two-sticks", "standing", { sides: "together", kit: ["stick", "stick"] }),
  timedDrill("one-stick", "standing", { sides: "together", kit: ["stick"] }),
  timedDrill("rise", "squat", { sides: "together", endPosture: "standing" }),
  timedDrill("stand", "standing", { sides: "together" }),
]);

type Items = SessionInput["blocks"][number]["items"];

function lay(blocks: (Partial<SessionInput["blocks"][number]> & { items: Items })[], more: Partial<SessionInput> = {}) {
  const read = readSession(
    {
      format: "mapset/session",
      version: 1,
      title: "t",
      purpose: "off-day",
      firstSide: "left",
      blocks: blocks.map((block) => ({ title: "b", ...block })),
      ...more,
    },
    drills,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return compile(read.value, drills);
}

/** A segment in short: `work 30 left`. */
function short(s: Segment): string {
  const extra =
    s.kind === "work"
      ? ` ${s.side}${s.directions === 2 ? ` d${s.direction}` : ""}`
      : s.kind === "switch"
        ? ` ${s.to}`
        : "";
  return `${s.kind} ${s.seconds}${extra}`;
}

const quiet = { pace: { demo: 0 } };
const t = (seconds: number) => ({ kind: "time" as const, seconds });

describe("the worked example of the format", () => {
  const timeline = lay([
    {
      items: [
        { drill: "kneel", sides: "each", dose: t(30) },
        { drill: "lie", sides: "together", dose: { kind: "breaths", count: 5 }, restAfter: 20 },
      ],
    },
  ]);
  it("comes to 145 seconds", () => expect(timeline.totalSeconds).toBe(145));
  it("is laid out as written there", () =>
    expect(timeline.segments.map(short)).toEqual([
      "demo 20",
      "work 30 left",
      "switch 6 right",
      "work 30 right",
      "move 9",
      "demo 20",
      "work 30 both",
    ]));
  it("counts the work by side", () => expect(timeline.workSeconds).toEqual({ left: 30, right: 30, both: 30 }));
});

describe("sides", () => {
  it("does every set on the first side first", () =>
    expect(lay([{ items: [{ drill: "kneel", dose: t(10), sets: 2 }] }], quiet).segments.map(short)).toEqual([
      "work 10 left",
      "switch 6 right",
      "work 10 right",
      "switch 6 left",
      "work 10 left",
      "switch 6 right",
      "work 10 right",
    ]));

  it("needs no change of sides after a rest", () =>
    expect(
      lay([{ items: [{ drill: "kneel", dose: t(10), sets: 2, restBetweenSets: 15 }] }], quiet).segments.map(short),
    ).toEqual([
      "work 10 left",
      "switch 6 right",
      "work 10 right",
      "rest 15",
      "work 10 left",
      "switch 6 right",
      "work 10 right",
    ]));

  it("changes knees between two drills in the same posture, and `current` saves it", () => {
    const items: Items = [
      { drill: "kneel", dose: t(10) },
      { drill: "circle", directions: 1, dose: t(10) },
    ];
    expect(lay([{ items }], quiet).totalSeconds).toBe(10 + 6 + 10 + 6 + 10 + 6 + 10);
    const saved = lay([{ items: [items[0]!, { ...items[1]!, firstSide: "current" }] }], quiet);
    expect(saved.segments.map(short)).toEqual([
      "work 10 left",
      "switch 6 right",
      "work 10 right",
      "work 10 right",
      "switch 6 left",
      "work 10 left",
    ]);
  });

  it("forgets the side in use after moving", () =>
    expect(
      lay(
        [
          {
            items: [
              { drill: "kneel", dose: t(10), sides: "right" },
              { drill: "lie", dose: t(5) },
              { drill: "kneel", dose: t(10), firstSide: "current" },
            ],
          },
        ],
        quiet,
      ).segments.map(short),
    ).toEqual(["work 10 right", "move 9", "work 5 both", "move 9", "work 10 left", "switch 6 right", "work 10 right"]));

  it("takes turns over twice the dose", () => {
    const timeline = lay(
      [
        {
          items: [
            { drill: "swap", firstSide: "right", dose: { kind: "reps", count: 3, tempo: [{ do: "go", seconds: 2 }] } },
          ],
        },
      ],
      quiet,
    );
    expect(timeline.segments.map(short)).toEqual(["work 12 alternating"]);
    const work = timeline.segments[0];
    expect(work?.kind === "work" && work.beats.map((beat) => beat.side)).toEqual([
      "right",
      "left",
      "right",
      "left",
      "right",
      "left",
    ]);
    expect(timeline.workSeconds).toEqual({ left: 6, right: 6, both: 0 });
  });

  it("turns once between two directions on each side", () =>
    expect(lay([{ items: [{ drill: "circle", dose: t(8) }] }], quiet).segments.map(short)).toEqual([
      "work 8 left d1",
      "turn 2",
      "work 8 left d2",
      "switch 6 right",
      "work 8 right d1",
      "turn 2",
      "work 8 right d2",
    ]));
});

describe("whole block", () => {
  it("does the run on one side and then on the other", () =>
    expect(
      lay([
        {
          sideOrder: "whole-block",
          items: [
            { drill: "kneel", dose: t(10) },
            { drill: "circle", directions: 1, dose: t(20), sets: 2 },
          ],
        },
      ]).segments.map(short),
    ).toEqual([
      "demo 20",
      "work 10 left",
      "demo 20",
      "work 20 left",
      "work 20 left",
      "switch 6 right",
      "work 10 right",
      "work 20 right",
      "work 20 right",
    ]));

  it("does what has no sides, or takes turns, in the first pass only", () =>
    expect(
      lay(
        [
          {
            sideOrder: "whole-block",
            items: [
              { drill: "kneel", dose: t(10) },
              { drill: "swap", dose: t(5) },
              { drill: "kneel", sides: "together", dose: t(4) },
            ],
          },
        ],
        quiet,
      ).segments.map(short),
    ).toEqual(["work 10 left", "work 10 alternating", "work 4 both", "work 10 right"]));

  it("keeps one-sided items for their side's pass, with their first look there", () =>
    expect(
      lay([
        {
          sideOrder: "whole-block",
          items: [
            { drill: "kneel", sides: "right", dose: t(10) },
            { drill: "circle", directions: 1, dose: t(5) },
          ],
        },
      ]).segments.map(short),
    ).toEqual(["demo 20", "work 5 left", "demo 20", "switch 6 right", "work 10 right", "work 5 right"]));

  it("has one pass when nothing belongs to the second side", () =>
    expect(
      lay(
        [
          {
            sideOrder: "whole-block",
            items: [
              { drill: "kneel", sides: "left", dose: t(10) },
              { drill: "lie", dose: t(5) },
            ],
          },
        ],
        quiet,
      ).segments.map(short),
    ).toEqual(["work 10 left", "move 9", "work 5 both"]));

  it("pays no heed to an item's own first side", () =>
    expect(
      lay(
        [{ sideOrder: "whole-block", items: [{ drill: "kneel", firstSide: "right", dose: t(10) }] }],
        quiet,
      ).segments.map(short),
    ).toEqual(["work 10 left", "switch 6 right", "work 10 right"]));
});

describe("moves and kit", () => {
  it("fetches kit before the first drill, piece by piece", () => {
    const timeline = lay(
      [
        {
          items: [
            { drill: "one-stick", dose: t(5) },
            { drill: "two-sticks", dose: t(5) },
            { drill: "one-stick", dose: t(5) },
          ],
        },
      ],
      quiet,
    );
    expect(timeline.segments.map(short)).toEqual(["move 4", "work 5 both", "move 4", "work 5 both", "work 5 both"]);
  });
  it("starts the next move from where a drill ends", () =>
    expect(
      lay(
        [
          {
            items: [
              { drill: "rise", dose: t(5) },
              { drill: "stand", dose: t(5) },
            ],
          },
        ],
        quiet,
      ).segments.map(short),
    ).toEqual(["work 5 both", "work 5 both"]));
  it("moves back to the start of a block after the rest between rounds", () =>
    expect(
      lay([
        {
          rounds: 2,
          restBetweenRounds: 30,
          items: [
            { drill: "kneel", sides: "left", dose: t(5) },
            { drill: "lie", dose: t(5), restAfter: 10 },
          ],
        },
      ]).segments.map(short),
    ).toEqual([
      "demo 20",
      "work 5 left",
      "move 9",
      "demo 20",
      "work 5 both",
      "rest 10",
      "rest 30",
      "move 9",
      "work 5 left",
      "move 9",
      "work 5 both",
    ]));
});

describe("first looks", () => {
  it("shows a drill once, unless an item asks for it", () =>
    expect(
      lay([
        {
          items: [
            { drill: "lie", dose: t(5) },
            { drill: "lie", dose: t(5) },
            { drill: "lie", dose: t(5), demo: 7 },
          ],
        },
      ]).segments.map(short),
    ).toEqual(["demo 20", "work 5 both", "work 5 both", "demo 7", "work 5 both"]));
  it("shows another level of it again", () =>
    expect(
      lay([
        {
          items: [
            { drill: "lie", dose: t(5) },
            { drill: "lie", level: "harder", dose: t(5) },
          ],
        },
      ]).segments.map(short),
    ).toEqual(["demo 20", "work 5 both", "demo 20", "work 5 both"]));
  it("counts a drill as seen when its look was set to nothing", () =>
    expect(
      lay([
        {
          items: [
            { drill: "lie", dose: t(5), demo: 0 },
            { drill: "lie", dose: t(5) },
          ],
        },
      ]).segments.map(short),
    ).toEqual(["work 5 both", "work 5 both"]));
});

describe("doses", () => {
  const seconds = (dose: Items[number]["dose"]) => lay([{ items: [{ drill: "lie", dose }] }], quiet).totalSeconds;
  it("reps are count times the beats", () =>
    expect(
      seconds({
        kind: "reps",
        count: 8,
        tempo: [
          { do: "up", seconds: 2.5 },
          { do: "down", seconds: 2.5 },
        ],
      }),
    ).toBe(40));
  it("paced breaths are count times the pattern", () =>
    expect(seconds({ kind: "breaths", count: 6, pattern: [4, 0, 8, 0] })).toBe(72));
  it("easy breaths take the session's pace", () => expect(seconds({ kind: "breaths", count: 5 })).toBe(30));
  it("effort is rounds times ramp, opposite pull and settling", () =>
    expect(
      seconds({
        kind: "effort",
        rounds: 2,
        ramp: [
          { effort: 40, seconds: 2 },
          { effort: 95, seconds: 6 },
        ],
        opposite: { effort: 90, seconds: 6 },
        settle: 10,
      }),
    ).toBe(48));
  it("a ladder is the rung in use", () => expect(seconds({ kind: "ladder", rungs: [8, 12, 20], rung: 1 })).toBe(12));
  it("adds decimals without noise", () =>
    expect(
      seconds({
        kind: "reps",
        count: 3,
        tempo: [
          { do: "a", seconds: 0.1 },
          { do: "b", seconds: 0.2 },
        ],
      }),
    ).toBe(0.9));
});

describe("beats", () => {
  it("give every effort step its place", () => {
    const [work] = lay([
      {
        items: [
          {
            drill: "lie",
            dose: {
              kind: "effort",
              rounds: 1,
              ramp: [
                { effort: 40, seconds: 2 },
                { effort: 95, seconds: 6 },
              ],
              opposite: { effort: 90, seconds: 6 },
              settle: 3,
            },
          },
        ],
      },
    ]).segments.filter((s) => s.kind === "work");
    expect(work?.beats.map((b) => [b.start, b.seconds, b.effort, b.opposite])).toEqual([
      [20, 2, 40, undefined],
      [22, 6, 95, undefined],
      [28, 6, 90, true],
      [34, 3, undefined, undefined],
    ]);
  });
  it("leave out the parts of a breath that take no time", () => {
    const [work] = lay(
      [{ items: [{ drill: "lie", dose: { kind: "breaths", count: 2, pattern: [4, 0, 8, 0] } }] }],
      quiet,
    ).segments.filter((s) => s.kind === "work");
    expect(work?.beats.map((b) => `${b.breath} ${b.start}+${b.seconds} ${b.rep}/${b.reps}`)).toEqual([
      "in 0+4 1/2",
      "out 4+8 1/2",
      "in 12+4 2/2",
      "out 16+8 2/2",
    ]);
  });
});
