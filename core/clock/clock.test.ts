import { afterEach, describe, expect, it, vi } from "vitest";
import { now, nowDate, steady, turnClock } from "./clock";

afterEach(() => vi.restoreAllMocks());

describe("the clock", () => {
  it("is this device's, and can be turned and turned back", () => {
    expect(Math.abs(now() - Date.now())).toBeLessThan(1_000);
    const back = turnClock(3_600_000);
    try {
      expect(Math.abs(now() - Date.now() - 3_600_000)).toBeLessThan(1_000);
      expect(Math.abs(nowDate().getTime() - now())).toBeLessThan(1_000);
      expect(Math.abs(steady() - now())).toBeLessThan(1_000);
    } finally {
      back();
    }
    expect(Math.abs(now() - Date.now())).toBeLessThan(1_000);
  });
  it("is steady whatever the device's clock is set to", () => {
    const before = steady();
    vi.spyOn(Date, "now").mockReturnValue(Date.UTC(1970, 0, 1));
    expect(now()).toBe(0);
    expect(steady() - before).toBeGreaterThanOrEqual(0);
    expect(steady() - before).toBeLessThan(1_000);
  });
});
