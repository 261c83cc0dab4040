import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { offsetOf, steer, steeredAt, untilNext, withExchange, type Exchange } from "./server-time";

/** An exchange over a line with these delays, for a server whose clock is ahead by `offset`. */
const exchange = (sent: number, offset: number, there: number, back: number): Exchange => ({
  sent,
  received: sent + there + offset,
  replied: sent + there + offset + 1,
  got: sent + there + 1 + back,
});

describe("server time", () => {
  it("is between the bounds that any line gives, and off by no more than it says", () => {
    fc.assert(
      fc.property(
        fc.integer({ min: -3_600_000, max: 3_600_000 }),
        fc.array(fc.tuple(fc.double({ min: 0, max: 400, noNaN: true }), fc.double({ min: 0, max: 400, noNaN: true })), {
          minLength: 1,
          maxLength: 30,
        }),
        (offset, delays) => {
          const list = delays.map(([there, back], i) => exchange(i * 1000, offset, there, back));
          const found = offsetOf(list, list.at(-1)!.got)!;
          expect(Math.abs(found.ms - offset)).toBeLessThanOrEqual(found.within + 1e-6);
        },
      ),
    );
  });
  it("takes each bound from whichever message had the least delay, and so the middle of two half good ones", () => {
    const list = [exchange(0, 500, 20, 220), exchange(1000, 500, 320, 20)];
    expect(offsetOf(list, 2000)!.ms).toBeCloseTo(500, 0);
    expect(offsetOf([list[0]!], 300)!.ms).toBeCloseTo(400, 0);
  });
  it("is off by half of what a line is always slower one way", () => {
    const list = Array.from({ length: 20 }, (_, i) => exchange(i * 250, 0, 220, 20));
    expect(offsetOf(list, 5000)!.ms).toBeCloseTo(100, 0);
    expect(offsetOf(list, 5000)!.within).toBeGreaterThan(100);
  });
  it("forgets after five minutes, and knows nothing without an exchange", () => {
    const old = exchange(0, 9000, 5, 5);
    expect(offsetOf([], 0)).toBeUndefined();
    expect(offsetOf([old], old.got + 300_000)).toBeDefined();
    expect(offsetOf([old], old.got + 300_001)).toBeUndefined();
    expect(withExchange([old], exchange(310_000, 0, 5, 5))).toHaveLength(1);
  });
  it("still bounds a clock that drifts by fifty parts in a million", () => {
    const drift = 50e-6;
    // The device’s clock runs fast: the offset falls as it goes.
    const list = Array.from({ length: 60 }, (_, i) => {
      const sent = i * 5000;
      return exchange(sent, -sent * drift, 30 + ((i * 37) % 90), 30 + ((i * 53) % 90));
    });
    const now = list.at(-1)!.got;
    const found = offsetOf(list, now)!;
    expect(Math.abs(found.ms - -now * drift)).toBeLessThanOrEqual(found.within);
    expect(found.within).toBeLessThan(60);
  });
  it("is asked for quickly at first, sooner again while it is known badly, then now and then", () => {
    expect(untilNext(1, 11, undefined)).toBe(250);
    expect(untilNext(0, 12, 200)).toBe(5000);
    expect(untilNext(0, 12, 200.1)).toBe(1000);
    expect(untilNext(0, 31, undefined)).toBe(1000);
    expect(untilNext(0, 32, undefined)).toBe(5000);
  });
  it("is gone over to in two seconds where the step is small, at once where it is large", () => {
    const start = steer(undefined, 100, 0);
    const small = steer(start, 199.9, 1000);
    expect([steeredAt(small, 1000), steeredAt(small, 2000), steeredAt(small, 3000)]).toEqual([100, 149.95, 199.9]);
    expect(steeredAt(steer(start, 200, 1000), 1000)).toBe(200);
  });
});
