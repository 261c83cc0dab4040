import { describe, expect, it } from "vitest";
import { paperInSteps } from "./paper";
import { allAtOnce } from "~/core/steps";
import { groupSchema } from "~/core/group/schema";
import { itemOf, newSession } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { totalsByItem } from "~/core/timeline/totals";
import { clockText } from "~/core/lengths";
import { DRILLS, drillById } from "~/library";

const drill = (id: string) => drillById(id)!;
const session = newSession({ title: "A", purpose: "before-training" }, [
  {
    title: "First",
    rounds: 2,
    items: [
      itemOf(drill("hip-circle-kneel")),
      { ...itemOf(drill("hamstring-hold")), cues: [{ at: 5, say: "Breathe." }] },
    ],
  },
  { title: "", rounds: 1, items: [itemOf(drill("hamstring-hold"))] },
] as never);
const group = groupSchema.parse({
  name: "Class",
  people: [
    { name: "Hamish", areas: ["kneeling", "floor"] },
    { name: "Leila", areas: [] },
    { name: "Oskar", areas: ["kneeling", "floor"] },
  ],
});

describe("a session on paper", () => {
  const paper = allAtOnce(paperInSteps(session, compile(session, drillById), drillById, { group, offered: DRILLS }));
  it("numbers the drills through all blocks and says when each begins", () => {
    const items = paper.blocks.flatMap((block) => block.items);
    expect(items.map((item) => item.number)).toEqual([1, 2, 3]);
    const totals = totalsByItem(compile(session, drillById));
    expect(items.map((item) => item.at)).toEqual(["0.0", "0.1", "1.0"].map((key) => clockText(totals.get(key)!.start)));
    expect(paper.blocks[0]!.more).toBe("2 rounds");
    expect(items[1]!.calls).toEqual(["5 s: Breathe."]);
  });
  it("says each caution once", () =>
    expect(new Set(paper.cautions.map(({ text }) => text)).size).toBe(paper.cautions.length));
  it("counts kit for everyone of the group, and for nobody without one", () => {
    const pad = paper.kit.find((need) => need.kit === "pad")!;
    expect(pad.inAll).toBe(pad.pieces * 3);
    expect(
      allAtOnce(
        paperInSteps(session, compile(session, drillById), drillById, { group: undefined, offered: DRILLS }),
      ).kit.every((need) => need.inAll === undefined),
    ).toBe(true);
  });
  it("says who does what instead, together where it is the same, and never which area it is for", () => {
    const instead = paper.blocks.flatMap((block) => block.items).flatMap((item) => item.instead);
    expect(instead.length).toBeGreaterThan(0);
    expect(instead.every((one) => one.who === "Hamish and Oskar" && one.does !== "")).toBe(true);
    expect(JSON.stringify(instead)).not.toMatch(/knees|kneeling on|protect/i);
  });
});
