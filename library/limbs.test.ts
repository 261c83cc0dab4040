import { describe, expect, it } from "vitest";
import { inForm } from "~/core/drills/form";
import { motionAt } from "~/core/drills/motion";
import { anglesOf, type AngleKey } from "~/core/figure/angles";
import { samplesOf } from "~/core/figure/check";
import { playerOf } from "~/core/figure/play";
import { ROW_ANGLES, usesRow } from "~/core/figure/rows";
import { LEVELS } from "~/core/vocabulary/levels";
import { MOTION_FACTS, type Motion } from "~/core/vocabulary/motions";
import { DRILLS } from ".";
import { drawnDrillById } from "./drawn";

/*
 * Which limb works a row, seen in the drawing: the right side is the one that is called, and a row that only the other
 * one moves belongs to the other.
 */

/** A muscle that works as it gets long moves the joint the other way. */
const WORKS_LONG: Readonly<Partial<Record<Motion, Motion>>> = { "hip.add": "hip.abd" };

const oneSided = DRILLS.flatMap((drill) =>
  LEVELS.filter((level) => inForm(drill, level).sides === "each").map((level) => ({ drill, level })),
);

/** Which sides of the drawing use a row; nothing for rows that no joint of a limb shows. */
function usedBy(id: string, level: (typeof LEVELS)[number]) {
  const samples = samplesOf(playerOf(motionAt(drawnDrillById(id)!, level)!)).map(({ body }) => anglesOf(body));
  return (row: Motion): { called: boolean; other: boolean } | undefined => {
    const ways = ROW_ANGLES[row];
    if (!ways || !MOTION_FACTS[row].sided) return undefined;
    const uses = (side: "left" | "right") =>
      ways.some((way) => {
        const seen = samples.flatMap((angles) => angles[`${side}.${way.angle}` as AngleKey] ?? []);
        return seen.length > 0 && usesRow(way, Math.min(...seen), Math.max(...seen));
      });
    return { called: uses("right"), other: uses("left") };
  };
}

describe.each(oneSided.map((one) => [`${one.drill.id}, ${one.level}`, one] as const))("%s", (_, { drill, level }) => {
  const { main, also, otherLimb = [], bothLimbs = [], dose } = drill.levels[level];
  it("gives each row to the limb that moves it", () => {
    const used = usedBy(drill.id, level);
    for (const row of [...main, ...also]) {
      const by = used(row);
      // Nothing moves in a still effort, nor in the leg that keeps somebody up.
      if (!by || dose.kind === "effort" || (drill.method === "balance" && !by.called && !by.other)) continue;
      if ((otherLimb.includes(row) || bothLimbs.includes(row)) && drill.method !== "balance")
        expect(by.other, row).toBe(true);
      else if (by.other) {
        const long = WORKS_LONG[row];
        expect(by.called || (long !== undefined && used(long)?.called), `${row} is the other limb’s`).toBe(true);
      }
    }
  });
  it("speaks only of limbs’ rows that it works, each once", () => {
    const said = [...otherLimb, ...bothLimbs];
    expect(said.filter((row) => ![...main, ...also].includes(row) || !MOTION_FACTS[row].sided)).toEqual([]);
    expect(new Set(said).size).toBe(said.length);
  });
});
