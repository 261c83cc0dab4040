import { describe, expect, it } from "vitest";
import { audit, auditInput } from "./audit";
import { betterKnown, type WrittenBefore } from "./known-better";
import type { Group } from "~/core/group/schema";
import { readSession } from "~/core/session/read";
import { drillById, DRILLS } from "~/library";
import written from "~/library/loads-before.json";

const before = written as WrittenBefore;
const group = (areas: Group["people"][number]["areas"]): Group => ({
  name: "g",
  setting: {},
  people: [{ name: "Tern", areas }],
});

function session(...ids: string[]) {
  const read = readSession(
    {
      format: "mapset/session",
      version: 1,
      title: "t",
      purpose: "off-day",
      blocks: [{ title: "b", items: ids.map((drill) => ({ drill, dose: drillById(drill)!.levels.standard.dose })) }],
    },
    drillById,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.value;
}
const known = (doc: ReturnType<typeof session>, areas: Group["people"][number]["areas"], table = before) =>
  betterKnown(audit(auditInput(doc, drillById, { group: group(areas), offered: DRILLS })), doc, drillById, table);

describe("what is known better", () => {
  it("is what a drawing shows and was not written down", () => {
    // Nobody had written down that it is done lying on the front.
    const doc = session("prone-press-up");
    expect(before["prone-press-up"]!.standard).not.toContain("lying-front");
    const better = known(doc, ["lying-front"]);
    expect(better).toMatchObject([
      { drill: drillById("prone-press-up")!.name, areas: ["lying-front"], found: { place: { block: 0, item: 0 } } },
    ]);
  });
  it("is nothing where it had been written down, and nothing for who protects nothing", () => {
    const doc = session("prone-press-up");
    expect(before["prone-press-up"]!.standard).toContain("floor");
    expect(known(doc, ["floor"])).toEqual([]);
    expect(known(doc, [])).toEqual([]);
  });
  it("is told of own drills by what still stands in them", () => {
    const doc = session("prone-press-up");
    expect(known(doc, ["floor"], {}).map((one) => one.areas)).toEqual([["floor"]]);
  });
});
