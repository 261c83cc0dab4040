import { describe, expect, it } from "vitest";
import frozen from "~/fixtures/stress/frozen.json";
import { stressLines } from "./own";
import { STRESS_RULES } from "./version";
import type { Drill } from "~/core/drills/schema";

/*
 * Drills as they were once, with what they came to. What own drills stress is kept in the database by these rules: when one of
 * these comes out otherwise, raise STRESS_RULES, so that it is worked out anew, and write the lines of this file anew.
 */
describe("the way stresses are worked out", () => {
  it("is the one that what is kept was worked out by", () => expect(frozen.rules).toBe(STRESS_RULES));
  it.each(frozen.drills.map(({ drill, lines }) => [drill.id, drill, lines] as const))(
    "comes to the same as before: %s",
    (_, drill, lines) => {
      expect(stressLines(drill as unknown as Drill)).toEqual(lines);
    },
  );
});
