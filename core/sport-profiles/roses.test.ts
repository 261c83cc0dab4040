import { describe, expect, it } from "vitest";
import { coverageOf } from "~/core/coverage/coverage";
import { petalPath, planeShares, rosesOf } from "./roses";
import { targetsOf } from "./fit";
import { MOTION_FACTS, MOTIONS } from "~/core/vocabulary/motions";
import { itemOf, newSession } from "~/core/session/start";
import { compile } from "~/core/timeline/compile";
import { drillById } from "~/library";
import { profileById } from "~/library/sport-profiles";

const hold = (id: string, seconds: number, more = {}) => ({
  ...itemOf(drillById(id)!),
  dose: { kind: "time" as const, seconds },
  ...more,
});
const coverageFor = (items: ReturnType<typeof hold>[]) => {
  const s = newSession({ title: "t", purpose: "off-day" }, [
    { title: "", rounds: 1, restBetweenRounds: 0, sideOrder: "drill-by-drill", items },
  ]);
  return coverageOf(s, compile(s, drillById), drillById);
};
const rowing = profileById("rowing")!;

describe("range roses", () => {
  const coverage = coverageFor([hold("hip-flexor-hold", 60, { sides: "left" }), hold("cat-camel", 120)]);
  const { roses, scale } = rosesOf(coverage, { demand: rowing, served: 900 });
  it("have a petal for every motion, on both sides where a joint has sides", () => {
    const petals = roses.flatMap((rose) => rose.petals.map((petal) => `${petal.row} ${rose.side ?? ""}`));
    expect(petals.sort()).toEqual(
      MOTIONS.flatMap((row) => (MOTION_FACTS[row].sided ? [`${row} left`, `${row} right`] : [`${row} `])).sort(),
    );
  });
  it("are to one scale, on which what is wanted most reaches four fifths of the way out", () => {
    const targets = targetsOf(rowing, 900);
    const all = roses.flatMap((rose) => rose.petals);
    for (const petal of all) {
      expect(petal.length).toBeCloseTo(Math.min(1, petal.has / scale), 9);
      if (petal.wants !== undefined) expect(petal.outline).toBeCloseTo(petal.wants / scale, 9);
      if (petal.wants !== undefined) expect(petal.wants).toBeCloseTo(targets[petal.row], 9);
      expect(Math.max(petal.length, petal.outline ?? 0)).toBeLessThanOrEqual(1 + 1e-9);
    }
    expect(Math.max(...all.map((petal) => petal.outline ?? 0))).toBeCloseTo(0.8, 9);
    const bare = rosesOf(coverage, { served: 900 });
    expect(Math.max(...bare.roses.flatMap((rose) => rose.petals.map((petal) => petal.length)))).toBeCloseTo(1, 9);
  });
  it("show one side's work on that side only, and deeper the more of what is wanted is done", () => {
    const of = (side: "left" | "right") =>
      roses
        .find((rose) => rose.joint === "hip" && rose.side === side)!
        .petals.find((petal) => petal.row === "hip.ext")!;
    expect([of("left").has, of("right").has]).toEqual([60, 0]);
    expect(of("right").depth).toBe(0);
    expect(of("left").depth).toBe(Math.min(5, Math.floor((60 / targetsOf(rowing, 900)["hip.ext"]) * 4) + 1));
  });
  it("stand on the body without covering one another, mirrored left to right", () => {
    for (const a of roses)
      for (const b of roses)
        if (a !== b && a.view === b.view)
          expect(Math.hypot(a.x - b.x, a.y - b.y), `${a.joint} ${a.side} and ${b.joint} ${b.side}`).toBeGreaterThan(
            a.radius + b.radius - 4,
          );
    for (const right of roses.filter((rose) => rose.side === "right")) {
      const left = roses.find((rose) => rose.joint === right.joint && rose.side === "left")!;
      expect([left.x, left.y]).toEqual([expect.closeTo(-right.x, 3), expect.closeTo(right.y, 3)]);
      left.petals.forEach((petal, i) => expect(petal.angle).toBeCloseTo(-right.petals[i]!.angle, 6));
    }
    // Seen from the front, the athlete's right is on the left of the picture.
    expect(roses.find((rose) => rose.joint === "hip" && rose.side === "right")!.x).toBeLessThan(0);
  });
  it("are all empty for nothing worked and nothing wanted, and compare with another session", () => {
    const empty = rosesOf(coverageFor([hold("cat-camel", 1)]), { served: 600 });
    expect(empty.scale).toBe(30);
    const both = rosesOf(coverage, { served: 600, other: coverageFor([hold("cat-camel", 300)]) });
    const back = both.roses
      .find((rose) => rose.joint === "upper-back")!
      .petals.find((petal) => petal.other! > petal.has)!;
    expect(back.otherLength).toBeGreaterThan(back.length);
  });
  it("draw a petal as a wedge from the middle", () => {
    expect(petalPath(0, 0, 0, 0, 4)).toBe("");
    const path = petalPath(10, 20, 10, 90, 4);
    expect(path.startsWith("M10.00 20.00L")).toBe(true);
    const [, x, y] = /A10.00 10.00 0 0 1 ([\d.]+) ([\d.]+)Z/.exec(path)!.map(Number);
    expect(Math.hypot(x! - 10, y! - 20)).toBeCloseTo(10, 1);
    expect(x).toBeGreaterThan(10);
  });
  it("give the planes their shares, which come to one", () => {
    const shares = planeShares(coverage);
    expect(shares.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 9);
    expect(planeShares(coverageFor([])).every((s) => s.share === 0)).toBe(true);
  });
});
