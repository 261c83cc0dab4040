import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { audit, auditInput } from "./audit";
import { phaseSeconds, phasesAt } from "~/core/arc/arcs";
import { courseOf } from "./course";
import { groupSchema } from "~/core/group/schema";
import { readSession } from "~/core/session/read";
import { sportProfileSchema } from "~/core/sport-profiles/schema";
import { totalsByKind } from "~/core/timeline/totals";
import { DRILLS, drillById } from "~/library";

const read = (id: string, file: string): unknown =>
  JSON.parse(readFileSync(`fixtures/golden/${id}/${file}.json`, "utf8"));

/** A golden session with who it is for and the sport it serves. */
function golden(id: string) {
  const session = readSession(read(id, "session"), drillById);
  if (!session.ok) throw new Error(JSON.stringify(session.faults));
  return auditInput(session.value, drillById, {
    group: groupSchema.parse(read(id, "group")),
    demand: sportProfileSchema.parse(read(id, "profile")),
    offered: DRILLS,
  });
}

/** Each with its length, and how it is made up: work, planned rest, all else. */
const GOLDEN = [
  ["desk-break", 298, 248, 0, 50],
  ["handball-before-a-game", 479, 424, 0, 55],
  ["before-squatting", 717, 498, 120, 99],
  ["rowers-before-the-boat", 597, 486, 30, 81],
  ["after-football", 897, 790, 0, 107],
  ["older-day-off", 1196, 954, 30, 212],
] as const;

describe.each(GOLDEN)("the golden session %s", (id, length, work, rest, dead) => {
  it("is as long as it was reckoned by hand, and made up as it was", () => {
    const { timeline } = golden(id);
    const sums = totalsByKind(timeline.segments);
    expect(timeline.totalSeconds).toBe(length);
    expect([sums.work, sums.rest, sums.move + sums.demo + sums.turn + sums.switch]).toEqual([work, rest, dead]);
  });
  it("is looked over without a warning", () => {
    const found = audit(golden(id));
    expect(found.filter(({ severity }) => severity !== "hint").map(({ rule, message }) => [rule, message])).toEqual([]);
  });
  it("has every part of its arc, for as long as it should", () => {
    const { arc, spans, target, phased } = courseOf(golden(id));
    expect(phased).toBe(true);
    expect(spans.map(({ phase }) => phase.id)).toEqual(phasesAt(arc, target).map((phase) => phase.id));
    for (const { phase, start, end } of spans) {
      const { least, most } = phaseSeconds(phase, target);
      expect(end - start).toBeGreaterThanOrEqual(least);
      expect(end - start).toBeLessThanOrEqual(most);
    }
  });
});
