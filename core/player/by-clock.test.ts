import { describe, expect, it } from "vitest";
import { callsOf } from "./calls";
import { playerView } from "./player-view";
import { readSession } from "~/core/session/read";
import type { Interval, SessionInput } from "~/core/session/schema";
import { madeDrill } from "~/fixtures/drills";
import { compile } from "~/core/timeline/compile";
import { momentAt } from "~/core/timeline/moment";

/*
 * What an athlete sees and hears of work and rest by the clock: one count for the work, one for what is left until the next,
 * and in it what comes next.
 */

const turn = madeDrill("turn", { name: "Standing turn", sides: "each", setUp: ["Feet under the hips."] });
const lie = madeDrill("lie", {
  name: "Lying reach",
  posture: "supine",
  endPosture: "supine",
  setUp: ["Lie down."],
  dose: { kind: "reps", count: 3, tempo: [{ do: "reach", seconds: 4 }] },
});
const both = madeDrill("both", { name: "Two ways", directions: 2 });
const all = [turn, lie, both];
const drills = (id: string) => all.find((drill) => drill.id === id);

function run(interval: Interval, items: SessionInput["blocks"][number]["items"], demo = 0) {
  const read = readSession(
    {
      format: "mapset/session",
      version: 2,
      title: "t",
      purpose: "off-day",
      pace: { demo },
      blocks: [{ title: "b", interval, items }],
    },
    drills,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  const timeline = compile(read.value, drills);
  const at = (place: { block: number; item: number }) => read.value.blocks[place.block]!.items[place.item]!;
  const facts = (place: { block: number; item: number }) => ({ item: at(place), drill: drills(at(place).drill)! });
  return {
    face: (t: number) => playerView(momentAt(timeline, t)!, facts)!,
    said: callsOf(timeline.segments, timeline.totalSeconds, (block, item) => ({
      name: facts({ block, item }).drill.name,
      cues: [],
    }))
      .filter((call) => call.say)
      .map(({ at: second, say }) => `${second}: ${say}`),
    counted: callsOf(timeline.segments, timeline.totalSeconds, () => ({ name: "", cues: [] }))
      .filter((call) => call.tone === "count" && !call.say)
      .map((call) => call.at),
  };
}
const t = { kind: "time" as const, seconds: 5 };

describe("between two passes", () => {
  // Left 0 to 30, change 6 and rest 14, right 50 to 80, down 11 and rest 9, lying 100 to 130.
  const { face, said, counted } = run({ work: 30, rest: 20 }, [
    { drill: "turn", dose: t },
    { drill: "lie", dose: lie.levels.standard.dose },
  ]);
  it("one count runs down to the work, whatever has to be done before", () => {
    expect(face(10)).toMatchObject({ stage: "work", side: "left", big: "0:20", bigLabel: "left" });
    expect(face(32)).toMatchObject({
      stage: "switch",
      heading: "Change sides",
      big: "0:18",
      bigLabel: "left",
      side: "right",
    });
    expect(face(40)).toMatchObject({
      stage: "rest",
      heading: "Rest",
      drill: "Standing turn",
      big: "0:10",
      bigLabel: "left",
      side: "right",
      next: "",
    });
    expect(face(85)).toMatchObject({ stage: "move", heading: "Get ready", drill: "Lying reach", big: "0:15" });
  });
  it("what comes next is shown in the rest, with how it is set up", () =>
    expect(face(95)).toMatchObject({ stage: "rest", drill: "Lying reach", lines: ["Lie down."], big: "0:05" }));
  it("repetitions are counted, and what is left of the work is easy", () => {
    expect(face(105)).toMatchObject({ big: "2", bigLabel: "of 7", clock: "0:25" });
    expect(face(129)).toMatchObject({ big: "7", guide: { words: "keep it easy" } });
  });
  it("what comes is said once as the rest begins, and the work with a word", () =>
    expect(said).toEqual([
      "0: Standing turn. Left side. Go.",
      "30: Rest. Change sides. Right.",
      "50: Go.",
      "80: Rest. Next: Lying reach. Lying on the back.",
      "100: Go.",
      ...[2, 3, 4, 5, 6, 7].map((rep) => `${100 + 4 * (rep - 1)}: ${rep}.`),
      "130: That is the session. Well done.",
    ]));
  it("counts down to each piece of work once", () =>
    expect(counted.filter((at) => at > 30 && at < 50)).toEqual([47, 48, 49]));
  it("says to watch where it is shown, and no rest where there is none", () => {
    const shown = run({ work: 30, rest: 20 }, [
      { drill: "turn", sides: "left", dose: t },
      { drill: "lie", dose: t, demo: 9 },
    ]);
    expect(shown.said.slice(1, 4)).toEqual(["30: Next: Lying reach. Lying on the back.", "41: Watch.", "50: Go."]);
  });
});

describe("two directions", () => {
  it("follow each other without a pause, and the second is called", () => {
    const { said, face } = run({ work: 20, rest: 10 }, [{ drill: "both", dose: t }]);
    expect(said.slice(0, 2)).toEqual(["0: Two ways. Go.", "10: Other direction."]);
    expect(face(12)).toMatchObject({ direction: "direction 2", big: "0:08" });
  });
});
