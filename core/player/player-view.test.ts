import { describe, expect, it } from "vitest";
import { readSession } from "~/core/session/read";
import type { SessionInput } from "~/core/session/schema";
import { compile } from "~/core/timeline/compile";
import { momentAt } from "~/core/timeline/moment";
import { mainJoints } from "~/core/coverage/joints";
import { kitList } from "~/core/coverage/kit-list";
import { cautionsOf, makeEdition } from "~/core/edition/edition";
import { miniProfile } from "~/core/profile/mini";
import { minuteMarks, profileOf } from "~/core/profile/profile";
import { drillById } from "~/library";
import { callsDue, callsOf } from "./calls";
import { playerView } from "./player-view";

function session(items: SessionInput["blocks"][number]["items"]) {
  const read = readSession(
    { format: "mapset/session", version: 1, title: "t", purpose: "off-day", blocks: [{ title: "b", items }] },
    drillById,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const timeline = compile(read.value, drillById);
  const facts = ({ block, item }: { block: number; item: number }) => {
    const found = read.value.blocks[block]?.items[item];
    const drill = found && drillById(found.drill);
    return found && drill ? { item: found, drill } : undefined;
  };
  return { doc: read.value, timeline, face: (t: number) => playerView(momentAt(timeline, t)!, facts)!, facts };
}

describe("the face of the player", () => {
  it("leads through a hold on each side", () => {
    // Fetch 4, watch 20, left 30, change 6, right 30.
    const { face } = session([
      { drill: "hip-flexor-hold", dose: { kind: "time", seconds: 30 }, cues: [{ at: 10, say: "Tuck again." }] },
    ]);
    expect(face(1)).toMatchObject({ stage: "move", heading: "Get your kit", big: "0:03", next: "left side first" });
    expect(face(1).lines).toContain("Fetch: kneeling pad, or a folded towel or a cushion.");
    expect(face(5)).toMatchObject({ stage: "demo", heading: "Watch first" });
    expect(face(25)).toMatchObject({
      stage: "work",
      side: "left",
      big: "0:29",
      bigLabel: "left",
      next: "same drill, right",
    });
    expect(face(25).feel[0]).toMatch(/front of the hip/i);
    expect(face(35).lines).toEqual(["Tuck again."]);
    expect(face(45).lines.length).toBeGreaterThan(1);
    expect(face(55)).toMatchObject({ stage: "switch", heading: "Change sides", side: "right" });
    expect(face(89.5)).toMatchObject({ side: "right", big: "0:01", next: "That is the last one" });
  });

  it("counts repetitions, names the side whose turn it is, and guides the beat", () => {
    const { face } = session([
      {
        drill: "rib-shift",
        demo: 0,
        dose: {
          kind: "reps",
          count: 2,
          tempo: [
            { do: "shift", seconds: 1 },
            { do: "back", seconds: 2 },
          ],
        },
      },
    ]);
    expect(face(0.5)).toMatchObject({
      side: "alternating",
      turn: "left",
      big: "1",
      bigLabel: "of 4",
      clock: "0:12",
      guide: { words: "shift", share: 0.5 },
    });
    expect(face(5)).toMatchObject({ turn: "right", big: "2", guide: { words: "back", share: 0.5 } });
  });

  it("shows the effort, not a count, in a ramp", () => {
    const { face } = session([
      {
        drill: "tension-ramp",
        demo: 0,
        dose: {
          kind: "effort",
          rounds: 1,
          ramp: [
            { effort: 30, seconds: 4 },
            { effort: 90, seconds: 6 },
          ],
        },
      },
    ]);
    expect(face(5)).toMatchObject({ big: "0:05", guide: { effort: 90 } });
  });

  it("names the direction", () => {
    const { face } = session([
      { drill: "hip-circle-kneel", demo: 0, sides: "left", dose: { kind: "time", seconds: 10 } },
    ]);
    expect(face(5).direction).toBe("out first");
    expect(face(17).direction).toBe("back first");
    expect(face(15)).toMatchObject({ heading: "Other direction" });
  });
});

describe("calls", () => {
  const { timeline, facts } = session([
    {
      drill: "hip-flexor-hold",
      dose: { kind: "time", seconds: 40 },
      cues: [
        { at: 5, say: "Tuck." },
        { at: 500, say: "Never." },
      ],
    },
  ]);
  const calls = callsOf(timeline.segments, timeline.totalSeconds, (block, item) => ({
    name: facts({ block, item })!.drill.name,
    cues: facts({ block, item })!.item.cues ?? [],
  }));
  const said = calls.filter((c) => c.say).map((c) => `${c.at} ${c.say}`);
  it("tell what comes, the side, the middle, the coach's own words and the end, in order of time", () => {
    expect(said).toEqual([
      "0 Next: Half-kneeling hip flexor hold. Half-kneeling.",
      "4 Watch first.",
      "24 Left side. Go.",
      "29 Tuck.",
      "44 Halfway.",
      "64 Change sides. Right.",
      "70 Right side. Go.",
      "75 Tuck.",
      "90 Halfway.",
      "110 That is the session. Well done.",
    ]);
    expect(calls.map((c) => c.at)).toEqual(calls.map((c) => c.at).toSorted((a, b) => a - b));
  });
  it("count down the last three seconds of anything long", () =>
    expect(calls.filter((c) => c.tone === "count" && c.at > 60 && c.at < 64).map((c) => c.at)).toEqual([61, 62, 63]));
  it("fall due once, and not when they are long past", () => {
    expect(callsDue(calls, 63.9, 64, 1.5).map((c) => c.tone)).toEqual(["end", "count"]);
    expect(callsDue(calls, 64, 64.1, 1.5)).toEqual([]);
    expect(callsDue(calls, 0, 100, 1.5).every((c) => c.at >= 98.5)).toBe(true);
  });
});

describe("what goes with an edition", () => {
  const { doc, timeline } = session([
    { drill: "stick-pass", dose: { kind: "reps", count: 4, tempo: [{ do: "over", seconds: 5 }] } },
    { drill: "hamstring-hold", level: "easier", dose: { kind: "time", seconds: 40 } },
    { drill: "stick-pass", dose: { kind: "reps", count: 1, tempo: [{ do: "over", seconds: 5 }] } },
  ]);
  it("lists the most pieces of kit used at once", () =>
    expect(kitList(doc, drillById).map((k) => `${k.pieces} ${k.kit}`)).toEqual(["1 pad", "1 stick", "2 block"]));
  it("asks about the joints that are worked longest", () =>
    expect(mainJoints(doc, timeline, drillById, 2)).toEqual(["hip", "shoulder"]));
  it("holds each drill once and its cautions once", () => {
    const edition = makeEdition(doc, drillById);
    expect(edition.drills.map((d) => d.id)).toEqual(["stick-pass", "hamstring-hold"]);
    expect(cautionsOf(edition).map((c) => c.drill)).toContain("Stick pass front to back");
    expect(() =>
      makeEdition(
        { ...doc, blocks: [{ ...doc.blocks[0]!, items: [{ ...doc.blocks[0]!.items[0]!, drill: "gone" }] }] },
        drillById,
      ),
    ).toThrow(/gone/);
  });
});

describe("the profile", () => {
  const { doc, timeline } = session([
    {
      drill: "tension-ramp",
      dose: {
        kind: "effort",
        rounds: 1,
        ramp: [
          { effort: 30, seconds: 4 },
          { effort: 90, seconds: 6 },
        ],
        settle: 5,
      },
    },
    { drill: "long-exhale", dose: { kind: "breaths", count: 3 }, restAfter: 5 },
    { drill: "ninety-switch", dose: { kind: "reps", count: 2, tempo: [{ do: "a", seconds: 3, breath: "in" }] } },
  ]);
  const profile = profileOf(doc, timeline);
  it("is drawn to scale, without gaps", () => {
    expect(profile.shapes.map((s) => s.to - s.from)).toEqual(timeline.segments.map((s) => s.seconds));
    expect(profile.shapes.every((s, i) => i === 0 || Math.abs(s.from - profile.shapes[i - 1]!.to) < 1e-9)).toBe(true);
    expect(profile.bands).toEqual([{ title: "b", from: 0, to: timeline.totalSeconds, block: 0 }]);
  });
  it("tells kinds apart by shape and texture", () => {
    const work = profile.shapes.filter((s) => s.kind === "work");
    expect(work.map((s) => [s.height, s.texture])).toEqual([
      [4, "wedge"],
      [0, "ripple"],
      [1, "solid"],
    ]);
    expect(work[0]!.efforts.map((e) => e.effort)).toEqual([30, 90]);
    expect(work[1]!.breaths).toBe(3);
    expect(profile.shapes.filter((s) => s.kind === "move").map((s) => [s.fromHeight, s.toHeight])).toEqual([
      [4, 0],
      [0, 1],
    ]);
  });
  it("has a small version within its box", () => {
    const mini = miniProfile(profile, 200, 50);
    const xs = [...mini.line.matchAll(/[ML]([\d.]+) ([\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])]);
    expect(Math.max(...xs.map((p) => p[0]!))).toBe(200);
    expect(xs.every(([x, y]) => x! >= 0 && y! >= 0 && y! <= 50)).toBe(true);
  });
  it("marks minutes, more coarsely when there are many", () => {
    expect(minuteMarks(200, 16)).toEqual([60, 120, 180]);
    expect(minuteMarks(1800, 16)).toEqual(Array.from({ length: 15 }, (_, i) => (i + 1) * 120));
    expect(minuteMarks(40, 16)).toEqual([]);
  });
});
