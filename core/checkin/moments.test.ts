import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { isLate, OLDEST_MS, reckoned } from "./moments";
import { checkInSchema, progressSchema } from "./schema";

const ARRIVED = Date.UTC(2026, 10, 27, 21, 0);
const HOUR = 3_600_000;

describe("when something was that a device reports", () => {
  it.each([
    ["by a clock that is right", { at: ARRIVED - 4 * HOUR, sent: ARRIVED }, ARRIVED - 4 * HOUR],
    [
      "by a clock three years behind",
      { at: ARRIVED - 4 * HOUR - 3 * 365 * 24 * HOUR, sent: ARRIVED - 3 * 365 * 24 * HOUR },
      ARRIVED - 4 * HOUR,
    ],
    ["by a clock that was set from 1970 in between", { at: 60_000, sent: ARRIVED }, ARRIVED],
    ["by a clock that was put back in between", { at: ARRIVED + HOUR, sent: ARRIVED }, ARRIVED],
    ["by one that says nothing", { at: undefined, sent: undefined }, ARRIVED],
    ["by one that says half", { at: ARRIVED - HOUR, sent: undefined }, ARRIVED],
    ["at the very oldest", { at: 0, sent: OLDEST_MS }, ARRIVED - OLDEST_MS],
    ["older than that", { at: 0, sent: OLDEST_MS + 1 }, ARRIVED],
  ])("%s", (_, device, is) => expect(reckoned(device, ARRIVED)).toBe(is));
  it("is never after it arrived, and the same for every clock that only runs wrong", () => {
    const moment = fc.option(fc.integer({ min: 0, max: 4e12 }), { nil: undefined });
    fc.assert(
      fc.property(moment, moment, fc.integer({ min: -1e12, max: 1e12 }), (at, sent, wrong) => {
        const is = reckoned({ at, sent }, ARRIVED);
        expect(is).toBeLessThanOrEqual(ARRIVED);
        expect(is).toBeGreaterThanOrEqual(ARRIVED - OLDEST_MS);
        if (at !== undefined && sent !== undefined)
          expect(reckoned({ at: at + wrong, sent: sent + wrong }, ARRIVED)).toBe(is);
      }),
    );
  });
  it("is told beside the arrival where that was much later", () => {
    expect(isLate(new Date(ARRIVED - HOUR / 2), new Date(ARRIVED))).toBe(false);
    expect(isLate(new Date(ARRIVED - HOUR / 2 - 1), new Date(ARRIVED))).toBe(true);
  });
});

describe("a report", () => {
  const run = {
    key: "2f1c3f7e-9d2b-4c1a-8a51-0c6a1d2e3f40",
    person: { athleteId: null, name: "Tern" },
    shareDone: 1,
    finished: true,
  };
  const checkIn = { run, hard: 4, tightness: [], pain: true, painWhere: "right hip", note: "" };
  it("of an earlier page, which says no moments, is taken", () => {
    expect(progressSchema.parse(run)).toEqual(run);
    expect(checkInSchema.parse(checkIn)).toEqual(checkIn);
  });
  it("is never refused for its clock: a moment that is none is as if it were not said", () => {
    for (const bad of [-1, 1.5, "yesterday", null, 1e300, {}, Date.UTC(2200, 0, 1)]) {
      expect(progressSchema.parse({ ...run, begun: bad, sent: bad })).toMatchObject({
        ...run,
        begun: undefined,
        sent: undefined,
      });
      expect(checkInSchema.parse({ ...checkIn, said: bad })).toMatchObject({ pain: true, said: undefined });
    }
    expect(checkInSchema.parse({ ...checkIn, said: 0 }).said).toBe(0);
    expect(checkInSchema.parse({ ...checkIn, said: Date.UTC(2200, 0, 1) - 1 }).said).toBe(Date.UTC(2200, 0, 1) - 1);
  });
});
