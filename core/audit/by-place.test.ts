import { describe, expect, it } from "vitest";
import { flagsByPlace } from "./by-place";
import type { RuleFinding } from "./types";

const at = (severity: RuleFinding["severity"], says: string, item?: number): RuleFinding => ({
  severity,
  message: says,
  why: "",
  ...(item !== undefined && { place: { block: 0, item } }),
});

describe("what stands out at each drill", () => {
  it("is the most serious finding there, and says all of them", () => {
    const flags = flagsByPlace([
      at("hint", "Odd.", 1),
      at("stop", "Too much.", 1),
      at("warn", "Long.", 2),
      at("warn", "Over."),
    ]);
    expect([...flags]).toEqual([
      ["0.1", { severity: "stop", says: "Odd. Too much." }],
      ["0.2", { severity: "warn", says: "Long." }],
    ]);
  });
  it("does not let a lesser finding hide a serious one", () => {
    expect(flagsByPlace([at("stop", "A.", 0), at("hint", "B.", 0)]).get("0.0")?.severity).toBe("stop");
  });
});
