import { describe, expect, it } from "vitest";
import { addCue, MOST_CUES } from "./cues";
import { cueMoments } from "~/core/timeline/cue-moments";
import { itemOf, newSession } from "./start";
import { compile } from "~/core/timeline/compile";
import { drillById } from "~/library";

const drill = (id: string) => drillById(id)!;
const session = newSession({ title: "A", purpose: "before-training" }, [
  { title: "", rounds: 1, items: [itemOf(drill("hamstring-hold"))] },
] as never);
const place = { block: 0, item: 0 };

describe("calls at a moment", () => {
  it("are kept in order of time", () => {
    const both = addCue(addCue(session, place, { at: 12, say: "Longer." }), place, { at: 4, say: "Breathe." });
    expect(both.blocks[0]!.items[0]!.cues).toEqual([
      { at: 4, say: "Breathe." },
      { at: 12, say: "Longer." },
    ]);
  });
  it("are one a second, and no more than the format holds", () => {
    const once = addCue(session, place, { at: 4, say: "Breathe." });
    expect(addCue(once, place, { at: 4, say: "Again." })).toBe(once);
    const full = Array.from({ length: MOST_CUES }).reduce<typeof session>(
      (s, _, i) => addCue(s, place, { at: i, say: "On." }),
      session,
    );
    expect(addCue(full, place, { at: 99, say: "No." })).toBe(full);
  });
  it("are heard in the work of each side, and not after its end", () => {
    const called = addCue(addCue(session, place, { at: 5, say: "Breathe." }), place, { at: 5000, say: "Never." });
    const timeline = compile(called, drillById);
    const work = timeline.segments.filter((s) => s.kind === "work");
    expect(work.length).toBe(2);
    expect(cueMoments(called, timeline).map((c) => c.at)).toEqual(work.map((s) => s.start + 5));
  });
});
