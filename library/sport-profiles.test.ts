import { describe, expect, it } from "vitest";
import { sportProfileSchema } from "~/core/sport-profiles/schema";
import { MOTIONS } from "~/core/vocabulary/motions";
import { DRILLS } from ".";
import { SPORT_PROFILES, profileById } from "./sport-profiles";

describe("the demand profiles", () => {
  it("are at least 14, each whole, with its own id and name", () => {
    expect(SPORT_PROFILES.length).toBeGreaterThanOrEqual(14);
    expect(new Set(SPORT_PROFILES.map((d) => d.id)).size).toBe(SPORT_PROFILES.length);
    for (const demand of SPORT_PROFILES)
      expect(sportProfileSchema.safeParse(demand), demand.id).toMatchObject({ success: true });
    expect(profileById("rowing")?.name).toBe("Rowing");
    expect(profileById("nothing")).toBeUndefined();
  });
  it("ask something top of every one, and only of rows that some drill serves mainly", () => {
    const served = new Set(DRILLS.flatMap((drill) => drill.levels.standard.main));
    for (const demand of SPORT_PROFILES) {
      const weights = Object.values(demand.rows).map((row) => row?.weight ?? 0);
      expect(Math.max(...weights), demand.id).toBeGreaterThanOrEqual(2);
      for (const [row, asked] of Object.entries(demand.rows))
        if ((asked?.weight ?? 0) >= 2)
          expect(
            served.has(row as never) || DRILLS.some((d) => d.levels.standard.also.includes(row as never)),
            `${demand.id} ${row}`,
          ).toBe(true);
    }
  });
  it("leave no row out of all of them that a drill serves mainly", () => {
    const asked = new Set(SPORT_PROFILES.flatMap((demand) => Object.keys(demand.rows)));
    for (const row of MOTIONS)
      if (DRILLS.some((drill) => drill.levels.standard.main.includes(row))) expect(asked.has(row), row).toBe(true);
  });
});
