import { describe, expect, it } from "vitest";
import type { Finding } from "./audit";
import { foundAnew, worsened } from "./compare";
import type { SessionPlan } from "~/core/session/schema";
import { itemOf, newSession } from "~/core/session/start";
import { madeDrill } from "~/fixtures/drills";

/*
 * What a change brings: findings that were not there just so, and how many of them are no mere hint.
 */

const session: SessionPlan = newSession({ title: "t", purpose: "off-day", target: undefined }, [
  {
    title: "b",
    rounds: 1,
    restBetweenRounds: 0,
    sideOrder: "drill-by-drill",
    items: [itemOf(madeDrill("one")), itemOf(madeDrill("two"))],
  },
]);
const one = (rule: string, severity: Finding["severity"], says: string, item?: number): Finding => ({
  rule,
  severity,
  message: says,
  why: "because",
  ...(item !== undefined && { place: { block: 0, item } }),
});
const anew = (before: Finding[], after: Finding[]) =>
  foundAnew({ session, found: before }, { session, found: after }).map((found) => found.message);
const worse = (before: Finding[], after: Finding[]) => worsened({ session, found: before }, { session, found: after });

describe("what is found anew", () => {
  it("is what is new, what is said otherwise, and what is more serious", () => {
    const kept = one("length", "warn", "too long");
    expect(anew([kept], [kept])).toEqual([]);
    expect(anew([], [kept])).toEqual(["too long"]);
    expect(anew([kept], [])).toEqual([]);
    expect(anew([kept], [one("length", "warn", "longer still")])).toEqual(["longer still"]);
    expect(anew([kept], [one("length", "stop", "too long")])).toEqual(["too long"]);
    expect(anew([kept], [one("caps", "warn", "too long")])).toEqual(["too long"]);
  });
  it("is counted: twice the same is one more than once, at one drill or at another", () => {
    const said = one("caps", "warn", "over", 0);
    expect(anew([said], [said, said])).toEqual(["over"]);
    expect(anew([said, said], [said, said])).toEqual([]);
    expect(anew([said, said], [said, said, said])).toEqual(["over"]);
    expect(anew([said], [one("caps", "warn", "over", 1)])).toEqual(["over"]);
  });
  it("is told without what would mend it", () => {
    const found: Finding = {
      ...one("caps", "warn", "over", 0),
      fix: { words: "w", apply: (s) => s },
      offer: () => undefined,
    };
    expect(foundAnew({ session, found: [] }, { session, found: [found] })).toEqual([one("caps", "warn", "over", 0)]);
  });
});

describe("how much a change makes worse", () => {
  const [hint, warn, stop] = (["hint", "warn", "stop"] as const).map((severity) => one("caps", severity, "s", 0)) as [
    Finding,
    Finding,
    Finding,
  ];
  it("counts what is no mere hint and was not there, or was less serious", () => {
    expect(worse([], [hint])).toBe(0);
    expect(worse([], [warn])).toBe(1);
    expect(worse([], [stop])).toBe(1);
    expect(worse([hint], [warn])).toBe(1);
    expect(worse([warn], [stop])).toBe(1);
    expect(worse([warn], [warn])).toBe(0);
    expect(worse([stop], [warn])).toBe(0);
    expect(worse([warn], [])).toBe(0);
  });
  it("takes the most serious of one key against the most serious, whatever order they stand in", () => {
    expect(worse([warn, stop], [stop, warn])).toBe(0);
    expect(worse([hint, stop], [stop, hint])).toBe(0);
    expect(worse([stop], [stop, warn])).toBe(1);
    expect(worse([stop, hint], [warn, stop])).toBe(1);
    expect(worse([warn, hint], [warn, warn])).toBe(1);
  });
  it("tells one drill, and one rule, from another", () => {
    expect(worse([warn], [one("caps", "warn", "s", 1)])).toBe(1);
    expect(worse([warn], [one("floor", "warn", "s", 0)])).toBe(1);
    expect(worse([], [warn, one("floor", "stop", "s"), one("kit", "hint", "s")])).toBe(2);
  });
});
