import { describe, expect, it } from "vitest";
import { compile } from "./compile";
import { gapsOf } from "./gaps";
import type { Segment } from "./types";
import { readSession } from "~/core/session/read";
import type { SessionInput } from "~/core/session/schema";
import { lookup, timedDrill } from "~/fixtures/drills";

const drills = lookup([
  timedDrill("kneel", "half-kneeling", { stance: "down" }),
  timedDrill("rock", "half-kneeling", { stance: "front" }),
  timedDrill("plain", "half-kneeling"),
  timedDrill("stand", "standing"),
  timedDrill("squat", "standing", { sides: "together" }),
  timedDrill("lie", "supine", { sides: "together" }),
  timedDrill("circle", "standing", { directions: 2 }),
  timedDrill("swap", "standing", { sides: "alternating" }),
  timedDrill("chair", "standing", { sides: "together", kit: ["chair"] }),
  timedDrill("support", "standing", { sides: "together", kit: ["support"] }),
  timedDrill("stick", "standing", { sides: "together", kit: ["stick"] }),
  timedDrill("box-stick", "standing", { sides: "together", kit: ["box", "stick"] }),
]);

type Block = SessionInput["blocks"][number];
type Items = Block["items"];

const document = (blocks: (Partial<Block> & { items: Items })[], more: Partial<SessionInput> = {}) =>
  ({
    format: "mapset/session",
    version: 2,
    title: "t",
    purpose: "off-day",
    firstSide: "left",
    blocks: blocks.map((block) => ({ title: "b", ...block })),
    ...more,
  }) as SessionInput;

function lay(...by: Parameters<typeof document>) {
  const read = readSession(document(...by), drills);
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return compile(read.value, drills);
}
const faultsOf = (...by: Parameters<typeof document>) => {
  const read = readSession(document(...by), drills);
  return read.ok ? [] : read.faults.map(({ path, message }) => `${path}: ${message}`);
};

function short(s: Segment): string {
  const extra =
    s.kind === "work"
      ? ` ${s.side}${s.directions === 2 ? ` d${s.direction}` : ""}`
      : s.kind === "switch"
        ? ` ${s.to}`
        : s.kind === "rest"
          ? ` ${s.why}`
          : "";
  return `${s.kind} ${s.seconds}${extra}`;
}
const quiet = { pace: { demo: 0 } };
const t = (seconds: number) => ({ kind: "time" as const, seconds });
const reps = (count: number, seconds: number) => ({ kind: "reps" as const, count, tempo: [{ do: "go", seconds }] });
const shorts = (...by: Parameters<typeof document>) => lay(...by).segments.map(short);

describe("work and rest by the clock", () => {
  const by = { work: 40, rest: 20 };
  const two = (second: number): Parameters<typeof document> => [
    [
      {
        interval: by,
        items: [
          { drill: "stand", dose: t(5), demo: 20 },
          { drill: "circle", directions: 1, dose: t(99), demo: second },
        ],
      },
    ],
  ];

  it("is laid out as the example of the format", () => {
    const timeline = lay(...two(10));
    expect(timeline.segments.map(short)).toEqual([
      "demo 20",
      "work 40 left",
      "switch 6 right",
      "rest 14 interval",
      "work 40 right",
      "demo 10",
      "switch 6 left",
      "rest 4 interval",
      "work 40 left",
      "switch 6 right",
      "rest 14 interval",
      "work 40 right",
    ]);
    expect(timeline.totalSeconds).toBe(240);
    expect(timeline.workSeconds).toEqual({ left: 80, right: 80, both: 0 });
  });
  it("takes what a change needs where the rest is too short for it", () => {
    const timeline = lay(...two(20));
    expect(timeline.segments.map(short).slice(5, 8)).toEqual(["demo 20", "switch 6 left", "work 40 left"]);
    expect(timeline.totalSeconds).toBe(246);
  });
  it("marks what lies between two passes, and nothing else", () =>
    expect(lay(...two(10)).segments.map((s) => (s.kind === "work" ? "-" : s.gap ? "gap" : "free"))).toEqual([
      "free",
      "-",
      "gap",
      "gap",
      "-",
      "gap",
      "gap",
      "gap",
      "-",
      "gap",
      "gap",
      "-",
    ]));
  it("begins a rest in which nobody changes anything at once", () =>
    expect(
      shorts([{ interval: { work: 30, rest: 15 }, rounds: 3, items: [{ drill: "squat", dose: t(10) }] }], quiet),
    ).toEqual(["work 30 both", "rest 15 interval", "work 30 both", "rest 15 interval", "work 30 both"]));
  it("moves, fetches and shows in the rest, in that order", () =>
    expect(
      shorts(
        [
          {
            interval: { work: 30, rest: 40 },
            items: [
              { drill: "lie", dose: t(10) },
              { drill: "stick", dose: t(10), demo: 10 },
            ],
          },
        ],
        quiet,
      ),
    ).toEqual(["work 30 both", "move 15", "demo 10", "rest 15 interval", "work 30 both"]));
  it("goes on at once without a rest", () =>
    expect(
      shorts([{ interval: { work: 30, rest: 0 }, rounds: 2, items: [{ drill: "squat", dose: t(10) }] }], quiet),
    ).toEqual(["work 30 both", "work 30 both"]));
  it("lets a longer planned rest count instead, and a shorter one not", () => {
    const items: Items = [
      { drill: "squat", dose: t(5), sets: 2, restBetweenSets: 25, restAfter: 12 },
      { drill: "stand", sides: "left", dose: t(5), restAfter: 50 },
    ];
    expect(
      shorts(
        [
          { interval: { work: 20, rest: 15 }, rounds: 2, restBetweenRounds: 45, items },
          { items: [{ drill: "squat", dose: t(7) }] },
        ],
        quiet,
      ),
    ).toEqual([
      "work 20 both",
      "rest 25 interval",
      "work 20 both",
      "rest 15 interval",
      "work 20 left",
      "rest 50 interval",
      "work 20 both",
      "rest 25 interval",
      "work 20 both",
      "rest 15 interval",
      "work 20 left",
      "rest 50 after",
      "work 7 both",
    ]);
  });
  it("ends on work", () =>
    expect(shorts([{ interval: by, items: [{ drill: "squat", dose: t(5), restAfter: 30 }] }], quiet)).toEqual([
      "work 40 both",
    ]));
  it("changes direction at half time, inside the pass", () =>
    expect(
      shorts([{ interval: { work: 25, rest: 10 }, items: [{ drill: "circle", sides: "left", dose: t(5) }] }], quiet),
    ).toEqual(["work 12.5 left d1", "work 12.5 left d2"]));
  it("does a whole block on one side and then on the other", () =>
    expect(
      shorts(
        [
          {
            interval: { work: 30, rest: 15 },
            sideOrder: "whole-block",
            items: [
              { drill: "stand", dose: t(5) },
              { drill: "plain", dose: t(5) },
            ],
          },
        ],
        quiet,
      ),
    ).toEqual([
      "work 30 left",
      "move 5",
      "rest 10 interval",
      "work 30 left",
      "move 5",
      "rest 10 interval",
      "work 30 right",
      "move 5",
      "rest 10 interval",
      "work 30 right",
    ]));

  const beatsOf = (item: Items[number], work: number) => {
    const segment = lay([{ interval: { work, rest: 10 }, items: [item] }], quiet).segments[0];
    return segment?.kind === "work"
      ? segment.beats.map(
          (beat) =>
            `${beat.start}+${beat.seconds} ${beat.rep}/${beat.reps}${beat.side ? ` ${beat.side}` : ""}${beat.easy ? " easy" : ""}`,
        )
      : [];
  };
  it("counts as many whole repetitions as fit, and the rest goes on easily", () => {
    expect(beatsOf({ drill: "squat", dose: reps(50, 4) }, 10)).toEqual(["0+4 1/2", "4+4 2/2", "8+2 2/2 easy"]);
    expect(beatsOf({ drill: "squat", dose: reps(1, 5) }, 10)).toEqual(["0+5 1/2", "5+5 2/2"]);
  });
  it("begins a repetition that is longer than the work", () =>
    expect(beatsOf({ drill: "squat", dose: reps(3, 12) }, 10)).toEqual(["0+10 1/1"]));
  it("counts breaths the same way", () =>
    expect(beatsOf({ drill: "lie", dose: { kind: "breaths", count: 3, pattern: [2, 0, 2, 0] } }, 9)).toEqual([
      "0+2 1/2",
      "2+2 1/2",
      "4+2 2/2",
      "6+2 2/2",
      "8+1 2/2 easy",
    ]));
  it("changes sides rep by rep within one pass", () => {
    expect(beatsOf({ drill: "swap", firstSide: "right", dose: reps(9, 3) }, 10)).toEqual([
      "0+3 1/3 right",
      "3+3 2/3 left",
      "6+3 3/3 right",
      "9+1 3/3 easy",
    ]);
    expect(
      lay([{ interval: { work: 20, rest: 0 }, items: [{ drill: "swap", dose: reps(2, 5) }] }], quiet).workSeconds,
    ).toEqual({ left: 10, right: 10, both: 0 });
  });
  it("is one beat for a time", () => expect(beatsOf({ drill: "squat", dose: t(3) }, 10)).toEqual(["0+10 1/1"]));

  it("has a change between any two passes, and none inside one", () => {
    const read = readSession(
      document(
        [
          {
            interval: { work: 30, rest: 15 },
            rounds: 2,
            restBetweenRounds: 40,
            items: [{ drill: "circle", dose: t(5), restAfter: 20 }],
          },
        ],
        quiet,
      ),
      drills,
    );
    const gaps = read.ok ? gapsOf(read.value, compile(read.value, drills).segments) : [];
    expect(gaps.map(({ has, planned, takes }) => [has, planned, takes])).toEqual([
      [15, 0, 6],
      [40, 40, 6],
      [15, 0, 6],
    ]);
  });

  it("takes no doses with times of their own", () => {
    expect(
      faultsOf([{ interval: by, items: [{ drill: "squat", dose: { kind: "ladder", rungs: [5], rung: 0 } }] }])[0],
    ).toMatch(/^blocks\[0\]\.items\[0\]\.dose: has its own timing/);
    expect(
      faultsOf([
        {
          interval: by,
          items: [{ drill: "squat", dose: { kind: "effort", rounds: 1, ramp: [{ effort: 20, seconds: 3 }] } }],
        },
      ]),
    ).toHaveLength(1);
    expect(faultsOf([{ items: [{ drill: "squat", dose: { kind: "ladder", rungs: [5], rung: 0 } }] }])).toEqual([]);
  });
  it.each([
    [{ work: 4.9, rest: 0 }, "work: must be at least 5"],
    [{ work: 600.1, rest: 0 }, "work: must be at most 600"],
    [{ work: 5, rest: -1 }, "rest: must be at least 0"],
    [{ work: 5, rest: 601 }, "rest: must be at most 600"],
  ])("refuses %o", (interval, fault) =>
    expect(faultsOf([{ interval, items: [{ drill: "squat", dose: t(5) }] }])).toEqual([`blocks[0].interval.${fault}`]),
  );
  it("refuses more beats than can be played, however short a repetition is", () => {
    expect(
      faultsOf([{ interval: { work: 600, rest: 0 }, items: [{ drill: "squat", dose: reps(1, 1e-9) }] }])[0],
    ).toMatch(/counted beats/);
    expect(
      faultsOf([
        {
          interval: { work: 600, rest: 0 },
          rounds: 20,
          items: Array.from({ length: 5 }, () => ({ drill: "squat", dose: reps(1, 1) })),
        },
      ])[0],
    ).toMatch(/counted beats/);
  });
});

describe("the stance in use", () => {
  it("pays for changing legs, not for changing words", () =>
    // Left knee down, the right foot in front; the rock on the right has the same foot in front.
    expect(
      shorts(
        [
          {
            items: [
              { drill: "kneel", sides: "left", dose: t(10) },
              { drill: "rock", sides: "right", dose: t(10) },
              { drill: "rock", sides: "left", dose: t(10) },
            ],
          },
        ],
        quiet,
      ),
    ).toEqual(["work 10 left", "work 10 right", "switch 6 left", "work 10 left"]));
  it("pays where the word stays and the legs change", () =>
    expect(
      shorts(
        [
          {
            items: [
              { drill: "kneel", sides: "left", dose: t(10) },
              { drill: "rock", sides: "left", dose: t(10) },
            ],
          },
        ],
        quiet,
      ),
    ).toEqual(["work 10 left", "switch 6 left", "work 10 left"]));
  it("is kept by the side that is current", () =>
    expect(
      shorts(
        [
          {
            items: [
              { drill: "kneel", dose: t(10) },
              { drill: "rock", dose: t(10), firstSide: "current" },
            ],
          },
        ],
        quiet,
      ),
    ).toEqual(["work 10 left", "switch 6 right", "work 10 right", "work 10 left", "switch 6 right", "work 10 right"]));
  it("goes by the side where a level says nothing", () =>
    expect(
      shorts(
        [
          {
            items: [
              { drill: "kneel", sides: "left", dose: t(10) },
              { drill: "plain", sides: "right", dose: t(10) },
            ],
          },
        ],
        quiet,
      ),
    ).toEqual(["work 10 left", "switch 6 right", "work 10 right"]));
  it("goes by the side where the level before said nothing", () =>
    expect(
      shorts(
        [
          {
            items: [
              { drill: "plain", sides: "left", dose: t(10) },
              { drill: "kneel", sides: "left", dose: t(10) },
              { drill: "plain", sides: "right", dose: t(10) },
            ],
          },
        ],
        quiet,
      ),
    ).toEqual(["work 10 left", "work 10 left", "switch 6 right", "work 10 right"]));
  it("was unknown to version 1", () =>
    expect(
      shorts(
        [
          {
            items: [
              { drill: "kneel", sides: "left", dose: t(10) },
              { drill: "rock", sides: "left", dose: t(10) },
            ],
          },
        ],
        { ...quiet, version: 1 },
      ),
    ).toEqual(["work 10 left", "work 10 left"]));
});

describe("kit that stays where it is", () => {
  const kit = (version: 1 | 2, ...drills: string[]) =>
    shorts([{ items: drills.map((drill) => ({ drill, dose: t(5) })) }], { ...quiet, version }).join(", ");
  it("is set up once in a session", () =>
    expect(kit(2, "chair", "squat", "chair")).toBe("move 4, work 5 both, work 5 both, work 5 both"));
  it("was fetched anew in version 1", () =>
    expect(kit(1, "chair", "squat", "chair")).toBe("move 4, work 5 both, work 5 both, move 4, work 5 both"));
  it("serves as a support where it is a chair, and not the other way round", () => {
    expect(kit(2, "chair", "support")).toBe("move 4, work 5 both, work 5 both");
    expect(kit(2, "support", "chair")).toBe("move 4, work 5 both, move 4, work 5 both");
  });
  it("leaves what is carried as it was", () =>
    expect(kit(2, "stick", "squat", "stick", "box-stick")).toBe(
      "move 4, work 5 both, work 5 both, move 4, work 5 both, move 4, work 5 both",
    ));
});

describe("the class's own moves", () => {
  it("take what the pace says", () =>
    expect(
      shorts(
        [
          {
            items: [
              { drill: "lie", dose: t(5) },
              { drill: "squat", dose: t(5) },
            ],
          },
        ],
        { pace: { demo: 0, moveBase: 4.5, moveStep: 3 } },
      ),
    ).toEqual(["work 5 both", "move 16.5", "work 5 both"]));
});

describe("changing sides by the clock", () => {
  it("is no longer taken", () =>
    expect(faultsOf([{ items: [{ drill: "swap", dose: t(10) }] }])).toEqual([
      "blocks[0].items[0].sides: alternating takes counted doses; use together",
    ]));
  it("still was in version 1", () =>
    expect(shorts([{ items: [{ drill: "swap", dose: t(10) }] }], { ...quiet, version: 1 })).toEqual([
      "work 20 alternating",
    ]));
});
